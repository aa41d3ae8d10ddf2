import {
  PAGE_STYLES,
  type Chunk,
  type Scene,
  ICON_CSS,
  both,
  escapeHtml,
  iconChunk,
  join,
  textChunk,
  wrapFilled,
} from '../../drawing'
import { type Catalogue, fieldLabel } from '../../catalogue'
import { type FieldValue, type Item, isFieldValue } from '../../tree'
import { valueFill } from './field-html'
import { ICON } from '../words'
import { COLUMNS_CSS, headingLevel, type ElementSpec, prop, describeItems, itemsOf } from '../base'

/** What a field is called now, read once for each state of the site. */
function labelOf(value: FieldValue): Chunk {
  let last: { of: Catalogue; html: string } | null = null
  return ({ catalogue }: Scene) => {
    if (last?.of !== catalogue) last = { of: catalogue, html: escapeHtml(fieldLabel(catalogue, value) ?? '') }
    return last.html
  }
}

/** What a fact shows that is not said yet. */
const TITLE: FieldValue = { kind: 'field', of: 'page', field: 'title' }

const BETWEEN = [
  { value: 'dot', label: 'A dot' },
  { value: 'slash', label: 'A slash' },
  { value: 'line', label: 'A line' },
]

/** Facts that stand together, under the heading of their group. */
interface Group {
  heading: Item['props'][string]
  item: Item['id']
  facts: Item[]
}

function grouped(items: readonly Item[]): Group[] {
  const groups: Group[] = []
  for (const item of items) {
    const heading = item.props.group ?? ''
    if (groups.length === 0 || heading !== '') groups.push({ heading, item: item.id, facts: [] })
    groups.at(-1)!.facts.push(item)
  }
  return groups
}

export const facts: ElementSpec = {
  type: 'facts',
  name: 'Facts',
  about: 'Several fields with their labels, in columns, a table or one line; what is empty is left out.',
  group: 'Entry',
  props: {
    facts: {
      kind: 'items',
      label: 'Facts',
      default: [],
      one: 'Fact',
      named: 'value',
      most: 60,
      of: {
        value: { kind: 'field', essential: true, label: 'Field', default: TITLE },
        label: { kind: 'text', label: 'Label', default: '', most: 120, hint: 'Empty: what the field is called.' },
        icon: { ...ICON, default: '' },
        linked: { kind: 'yes-no', label: 'Lead to its page', default: true },
        group: { kind: 'text', label: 'Begins a group called', default: '', most: 120 },
      },
    },
    arrange: {
      kind: 'choice',
      label: 'Stand',
      default: 'columns',
      options: [
        { value: 'columns', label: 'In columns' },
        { value: 'table', label: 'In a table' },
        { value: 'line', label: 'In one line' },
      ],
    },
    columns: {
      kind: 'number',
      label: 'Columns',
      default: 2,
      min: 1,
      max: 4,
      asked: { by: 'arrange', is: ['columns', 'table'] },
    },
    between: {
      kind: 'choice',
      label: 'Between them',
      default: 'dot',
      options: BETWEEN,
      asked: { by: 'arrange', is: ['line'] },
    },
    level: headingLevel('Groups are'),
  },
  begins: { facts: [{ id: 'first', props: { value: { kind: 'field', of: 'page', field: 'date' } } }] },
  parts: {
    label: { label: 'Label' },
    value: { label: 'Value', hides: false },
    icon: { label: 'Icon' },
    heading: { label: 'Heading of a group', hides: false },
  },
  linked: true,
  css: [ICON_CSS, COLUMNS_CSS, PAGE_STYLES.facts],
  summary: (props, names) => describeItems(props.facts, 'value', names),
  draw(element, compile) {
    const arrange = String(prop(element, facts, 'arrange'))
    const between = { dot: [], slash: ['slash'], line: ['bar'] }[String(prop(element, facts, 'between'))] ?? []
    const own = arrange === 'line' ? ['line', ...between] : arrange === 'table' ? ['table'] : []
    const columns = arrange === 'line' ? [] : [`k${Number(prop(element, facts, 'columns'))}`]
    const level = String(prop(element, facts, 'level'))
    const open = `<div${compile.attributes(element, 'facts', ...own, ...columns)}>`
    const labelOpen = `<dt${compile.part(element, 'label')}`
    const valueOpen = `<dd${compile.part(element, 'value')}>`
    const iconOpen = `<span${compile.part(element, 'icon')}>`
    const headOpen = `<h${level}${compile.part(element, 'heading')}`
    const labelled = compile.shows(element, 'label')
    const iconed = compile.shows(element, 'icon')
    const fact = ({ id, props }: Item): Chunk => {
      const value = props.value ?? TITLE
      if (!isFieldValue(value)) return ''
      const said = props.label === undefined || props.label === '' ? labelOf(value) : textChunk(props.label)
      const icon = iconed ? wrapFilled(iconOpen, iconChunk(props.icon ?? null), '</span>') : ''
      const mark = compile.words('label', { items: 'facts', item: id })
      // A label that is not shown is heard all the same.
      const label = labelled
        ? join(`${labelOpen}${mark}>`, icon, said, '</dt>')
        : join(`${labelOpen}>`, icon, '<span class="of-sr">', said, '</span></dt>')
      const shown = valueFill(value, props.linked !== false)
      return both(label, shown, (dt, html) => html && `<div>${dt}${valueOpen}${html}</dd></div>`)
    }
    const group = ({ heading, item, facts: within }: Group): Chunk => {
      const list = wrapFilled('<dl>', join(...within.map(fact)), '</dl>')
      const mark = compile.words('group', { items: 'facts', item })
      const head = wrapFilled(`${headOpen}${mark}>`, textChunk(heading), `</h${level}>`)
      return both(head, list, (title, html) => html && title + html)
    }
    const groups = grouped(itemsOf(prop(element, facts, 'facts'))).map(group)
    return wrapFilled(open, join(...groups), '</div>')
  },
}
