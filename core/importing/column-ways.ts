import type { PageType } from '../model'
import { type ReadContext, fieldSpec, isFieldKind } from '../fields'
import { type DayOrder, dayNumbers, isDayReadTwoWays } from '../time'
import { type Decimal, isReadTwoWays } from '../numbers'

/** In which of two ways the values of a column are read: decided for the column, and never value by value. */

export type ColumnWay = DayOrder | Decimal

/** What is asked of a column whose values can be read in two ways, with some of them. */
export interface ColumnQuestion {
  column: string
  kind: 'day' | 'number'
  /** The way in which it is read unless it is answered. */
  way: ColumnWay
  examples: string[]
}

const MOST_EXAMPLES = 3

/** What a column becomes, as far as it can be read in two ways; null for any other. */
function kindOf(target: string, type: PageType): ColumnQuestion['kind'] | null {
  if (target === 'date') return 'day'
  const [what, of = ''] = target.split(':')
  const kind = what === 'new' ? of : type.fields.find((f) => what === 'field' && f.id === of)?.kind
  return isFieldKind(kind) ? fieldSpec(kind).readTwoWays : null
}

/** The way that a value says by itself; null for one that says none. */
function tells(kind: ColumnQuestion['kind'], words: string): ColumnWay | null {
  if (kind === 'day') {
    const numbers = dayNumbers(words)
    if (!numbers || isDayReadTwoWays(words)) return null
    return numbers[0] > 12 ? 'day-first' : numbers[1] > 12 ? 'month-first' : null
  }
  const digits = words.replace(/[^\d.,]/g, '')
  if (isReadTwoWays(digits)) return null
  const mark = Math.max(digits.lastIndexOf('.'), digits.lastIndexOf(','))
  if (mark < 0 || digits.split(digits[mark]!).length > 2) return null
  return digits[mark] === '.' ? 'point' : 'comma'
}

const isTwoWays = (kind: ColumnQuestion['kind'], words: string): boolean =>
  kind === 'day' ? isDayReadTwoWays(words) : isReadTwoWays(words)

/** What of the rows of a sheet is looked through, one by one, to find out how its columns are written. */
export class ColumnWays {
  private readonly found = new Map<string, { kind: ColumnQuestion['kind']; ways: Set<ColumnWay>; examples: string[] }>()

  constructor(columns: Readonly<Record<string, string>>, type: PageType) {
    for (const [column, target] of Object.entries(columns)) {
      const kind = kindOf(target, type)
      if (kind) this.found.set(column, { kind, ways: new Set(), examples: [] })
    }
  }

  /** Whether any column could be read in two ways at all. */
  get isAsked(): boolean {
    return this.found.size > 0
  }

  see(row: Readonly<Record<string, string>>): void {
    for (const [column, { kind, ways, examples }] of this.found) {
      const words = row[column]?.trim()
      if (!words) continue
      const way = tells(kind, words)
      if (way) ways.add(way)
      else if (examples.length < MOST_EXAMPLES && isTwoWays(kind, words)) examples.push(words.slice(0, 40))
    }
  }

  /** The columns of which some values can be read in two ways, and no other value says in which. */
  questions(
    named: Pick<Required<ReadContext>, 'decimal' | 'order'>,
    answers: Readonly<Record<string, ColumnWay>>,
  ): ColumnQuestion[] {
    return [...this.found].flatMap(([column, { kind, ways, examples }]): ColumnQuestion[] => {
      if (examples.length === 0 || ways.size === 1) return []
      const usual = kind === 'day' ? named.order : named.decimal
      return [{ column, kind, way: answers[column] ?? usual, examples }]
    })
  }

  /** How each column is read: as its values say, else as it was answered, else as the site writes. */
  ways(answers: Readonly<Record<string, ColumnWay>>): Record<string, Partial<ReadContext>> {
    return Object.fromEntries(
      [...this.found].flatMap(([column, { kind, ways }]) => {
        const way = ways.size === 1 ? [...ways][0] : answers[column]
        return way ? [[column, kind === 'day' ? { order: way as DayOrder } : { decimal: way as Decimal }]] : []
      }),
    )
  }
}
