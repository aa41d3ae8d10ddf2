import { fieldFor } from '../../conditions'
import { type Scene, AS_USUAL, type Compile, escapeHtml, fill, textChunk, PAGE_STYLES } from '../../drawing'
import type { Totals } from '../../lists'
import type { Id } from '../../model'
import type { LayoutElement, Property, Value } from '../../tree'
import { itemsOf } from '../base'
import type { OnPage } from './listed'

/** What numbers of listed entries may be put together to. */
const PUT_TOGETHER = {
  sum: { label: 'Their sum', of: ({ sum }: Totals) => sum },
  mean: { label: 'Their mean', of: ({ sum, count }: Totals) => sum / count },
  least: { label: 'The least', of: ({ least }: Totals) => least },
  most: { label: 'The most', of: ({ most }: Totals) => most },
} as const

const MOST_SUMS = 8

/** Sums below a list: of all that it holds as it is narrowed, whichever screen is shown. */
export const SUMS: Property = {
  kind: 'items',
  label: 'Puts together below it',
  default: [],
  one: 'Figure',
  named: 'label',
  most: MOST_SUMS,
  of: {
    field: { kind: 'entry-field', label: 'Field', default: null, for: 'sum' },
    how: {
      kind: 'choice',
      label: 'As',
      default: 'sum',
      options: Object.entries(PUT_TOGETHER).map(([value, { label }]) => ({ value, label })),
    },
    label: { kind: 'text', label: 'Called', default: '', most: 80 },
  },
}

/** Sums of numbers that are written with few digits are so too, whatever binary fractions make of them. */
const rounded = (value: number): number => Math.round(value * 1e6) / 1e6

function written(value: number, field: Id, { catalogue, formats }: Scene): string {
  const { kind, unit } = fieldFor(catalogue, null, field)
  return kind === 'money' ? formats.money(rounded(value), AS_USUAL) : formats.number(rounded(value), AS_USUAL, unit)
}

/** Draws what is put together below a list; nothing of a field that none of its entries fills. */
export function sumsOf(element: LayoutElement, compile: Compile, say: (name: string) => Value) {
  const sums = itemsOf(say('sums')).flatMap(({ id, props }) => {
    const field = typeof props.field === 'string' && props.field !== '' ? props.field : null
    const how = PUT_TOGETHER[String(props.how ?? 'sum') as keyof typeof PUT_TOGETHER] ?? PUT_TOGETHER.sum
    const mark = compile.words('label', { items: 'sums', item: id })
    return field ? [{ field, how, label: textChunk(props.label ?? ''), mark }] : []
  })
  if (sums.length === 0) return () => ''
  compile.css(PAGE_STYLES.listSums)
  const open = `<dl${compile.part(element, 'sums', 'sums')}>`
  return ({ listed }: OnPage, scene: Scene): string => {
    const html = sums.map(({ field, how, label, mark }) => {
      const totals = listed.totals(field)
      if (totals.count === 0) return ''
      const said = fill([label], scene) || escapeHtml(how.label)
      return `<div><dt${mark}>${said}</dt><dd>${escapeHtml(written(how.of(totals), field, scene))}</dd></div>`
    })
    return html.join('') && `${open}${html.join('')}</dl>`
  }
}
