import { FILES_TAKEN, type Option, type Question, QUESTION_KINDS, type QuestionKind } from '../../forms'
import { type Scene, plainText } from '../../drawing'
import { type Decimal, decimalOf, readNumber } from '../../numbers'
import type { Id } from '../../model'
import { slugOf } from '../../addresses'
import type { Value } from '../../tree'

/** What a question of a form asks on a page: its words and its limits, with fields filled in. */

/** How a language writes numbers: asked of `Intl` once. */
const DECIMALS = new Map<string, Decimal>()
function decimalIn(locale: string): Decimal {
  const known = DECIMALS.get(locale) ?? decimalOf(locale)
  DECIMALS.set(locale, known)
  return known
}

const limit = (value: unknown): number | null => (typeof value === 'number' && value > 0 ? value : null)

/** `props` are those of the question with `id`, as they are set or by default. */
export function readQuestion(id: Id, props: Readonly<Record<string, Value>>, scene: Scene): Question {
  const text = (name: string): string => plainText(props[name], scene)
  const kind: QuestionKind = QUESTION_KINDS.find((k) => k === props.kind) ?? 'short'
  const label = text('label')
  const decimal = decimalIn(scene.catalogue.site.settings.locale)
  const options: Option[] = Array.isArray(props.options)
    ? props.options.map((item) => ({ id: item.id, label: plainText(item.props.label ?? 'Answer', scene) }))
    : []
  return {
    id,
    kind,
    label,
    key: text('key').trim() || slugOf(label) || id,
    required: props.required === true,
    least: kind === 'number' ? readNumber(text('low'), decimal) : limit(props.least),
    most: kind === 'number' ? readNumber(text('high'), decimal) : limit(kind === 'file' ? props.files : props.most),
    from: text('from').trim(),
    until: text('until').trim(),
    options,
    when: text('by').trim() ? { key: text('by').trim(), is: text('is') } : null,
    value: kind === 'hidden' ? text('value') : '',
    takes: FILES_TAKEN.find((one) => one === props.takes) ?? 'any',
    heaviest: Number(props.heaviest) || 5,
    decimal,
  }
}
