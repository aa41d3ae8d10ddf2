import { instantText } from '../../core/time'
import { fail } from '../../core/problems'
import { numberWords } from '../../core/numbers'

/** What is brought along, whatever it came in: rows of words under named columns. */
export type Row = Record<string, string>

export const FORMATS = ['csv', 'tsv', 'jsonl', 'markdown', 'feed', 'zip'] as const
export type Format = (typeof FORMATS)[number]

export interface Sheet {
  format: Format
  columns: string[]
  rows: Row[]
  /** Pictures that came along, by the names that rows may call them. */
  pictures: { name: string; path: string }[]
}

export const MOST_COLUMNS = 300
export const MOST_ROWS = 200_000
const MOST_CELL = 400_000
const MOST_CELLS = 3_000_000
const MOST_NAME = 120

/** Takes rows as they are read, with every column that any of them has; what is too large is refused as soon as it is. */
export class Rows {
  readonly all: Row[] = []
  private readonly columns = new Set<string>()
  private cells = 0

  add(row: Row): void {
    if (this.all.length >= MOST_ROWS)
      fail('sheet-wrong', { why: `it holds more than ${MOST_ROWS} rows, which are taken at most at once` })
    for (const name of Object.keys(row)) {
      this.columns.add(name)
      if (row[name]!.length > MOST_CELL) fail('sheet-wrong', { why: `a cell under ${name.slice(0, 40)} is too long` })
      this.cells++
    }
    if (this.columns.size > MOST_COLUMNS)
      fail('sheet-wrong', { why: `it has more than ${MOST_COLUMNS} columns, which are taken at most` })
    if (this.cells > MOST_CELLS)
      fail('sheet-wrong', { why: `it has more than ${MOST_CELLS} cells, which are taken at most at once` })
    this.all.push(row)
  }

  addAll(rows: Iterable<Row>): void {
    for (const row of rows) this.add(row)
  }

  /** What came of it, in the order in which it came. */
  sheet(format: Format, pictures: Sheet['pictures'] = []): Sheet {
    if (this.all.length === 0) fail('sheet-wrong', { why: 'it holds no rows' })
    return { format, columns: [...this.columns], rows: this.all, pictures }
  }
}

/** The names of columns as they can be told apart: trimmed, none empty, none twice. */
export function columnNames(names: readonly string[]): string[] {
  const seen = new Set<string>()
  return names.map((raw, i) => {
    const plain = raw.trim().slice(0, MOST_NAME) || `Column ${i + 1}`
    let name = plain
    for (let n = 2; seen.has(name); n++) name = `${plain} ${n}`
    seen.add(name)
    return name
  })
}

/** Any value as words in a cell; lists are told apart by semicolons. */
export function cellOf(value: unknown): string {
  if (value === null || value === undefined) return ''
  if (typeof value === 'string') return value
  if (value instanceof Date)
    return Number.isNaN(value.getTime()) ? '' : instantText(value.getTime()).replace(/T00:00:00\.000Z$/, '')
  if (typeof value === 'number') return numberWords(value)
  if (Array.isArray(value)) {
    const words = value.map(cellOf)
    const plain = value.every((v) => typeof v !== 'object') && !words.some((w) => /[;|\n,]/.test(w))
    return plain ? words.join('; ') : JSON.stringify(value)
  }
  return typeof value === 'object' ? JSON.stringify(value) : String(value)
}
