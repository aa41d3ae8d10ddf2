import { elementSpec, kindInKey, nodeName, sortName, propertiesOf } from '../elements'
import { styleProperty } from '../styles'
import type { Id } from '../model'
import { changeKey } from './changes'
import type { Edit } from './edits'
import { type Change, find, type Layout, type TreeNode, type LooksKey, type State, looksOf } from '../tree'

function what(node: TreeNode | undefined): string {
  if (!node) return 'something'
  return node.name || node.kind === 'element' ? nodeName(node) : node.kind
}

const named = (layout: Layout, id: string) => what(find(layout, id)?.node)

/** A part or a state by its name: `label`, `link under the pointer`. */
export function looksWords(type: string, at: LooksKey): string {
  const { part, state } = looksOf(at)
  const label = part && (elementSpec(type)?.parts?.[part]?.label.toLowerCase() ?? part)
  return [label, state && STATE_NAMES[state]].filter(Boolean).join(' ')
}

const STATE_NAMES: Record<State, string> = {
  hover: 'under the pointer',
  focus: 'with the focus',
  current: 'where one is',
  disabled: 'out of reach',
}

function looksName(layout: Layout, id: string, at: LooksKey): string {
  const node = find(layout, id)?.node
  return node?.kind === 'element' ? looksWords(node.type, at) : at
}

function oneOf(layout: Layout, id: string, property: string): string {
  const node = find(layout, id)?.node
  const spec = node && propertiesOf(node)[property]
  return spec?.kind === 'items' ? spec.one.toLowerCase() : 'item'
}

function propertyLabel(layout: Layout, id: string, property: string): string {
  const node = find(layout, id)?.node
  return (node && propertiesOf(node)[property]?.label) ?? property
}

function defaultsName(key: string): string {
  const [of = '', at] = key.split(' ')
  const name = sortName(of) ?? of
  return at ? `${name} ${looksWords(kindInKey(of).kind, at)}` : name
}

/** An edit in a few words, for the undo button and the notes: "Level of Heading". `layout` names what it is about. */
export function describeEdit(edit: Edit, layout: Layout): string {
  switch (edit.kind) {
    case 'insert':
      return `add ${what(edit.node)}`
    case 'remove':
      return `remove ${named(layout, edit.id)}`
    case 'move':
      return `move ${named(layout, edit.id)}`
    case 'rename':
      return edit.id === layout.id ? 'rename the layout' : 'rename'
    case 'describe':
      return 'what the layout is for'
    case 'setWhen':
      return `when ${named(layout, edit.id)} is shown`
    case 'setSpans':
      return `spans ${edit.spans.join(' + ')}`
    case 'setStyle': {
      const label = styleProperty(edit.property)?.label ?? edit.property
      return `${label} of ${edit.at ? `${looksName(layout, edit.id, edit.at)} of ` : ''}${named(layout, edit.id)}`
    }
    case 'hidePart':
      return `${edit.hidden ? 'hide' : 'show'} ${looksName(layout, edit.id, edit.part)} of ${named(layout, edit.id)}`
    case 'setFill':
      return `what ${named(layout, edit.id)} says here`
    case 'setLook':
      return `named look of ${named(layout, edit.id)}`
    case 'setOpen':
      return `${edit.open ? 'leave open' : 'close'} ${propertyLabel(layout, edit.id, edit.property)} of ${named(layout, edit.id)}`
    case 'insertItem':
      return `add ${oneOf(layout, edit.id, edit.property)} to ${named(layout, edit.id)}`
    case 'removeItem':
      return `remove ${oneOf(layout, edit.id, edit.property)} from ${named(layout, edit.id)}`
    case 'moveItem':
      return `move ${oneOf(layout, edit.id, edit.property)} in ${named(layout, edit.id)}`
    case 'setDefault':
      return `${styleProperty(edit.property)?.label ?? edit.property} of every ${defaultsName(edit.of)}${edit.box ? ` in ${named(layout, edit.box)}` : ''}`
    case 'setProperty':
    case 'spliceProperty': {
      const node = find(layout, edit.id)?.node
      const list = node && edit.within && propertiesOf(node)[edit.within.items]
      const property = list?.kind === 'items' ? list.of[edit.property] : node && propertiesOf(node)[edit.property]
      return `${property?.label ?? edit.property} of ${what(node)}`
    }
    case 'own': {
      const keys = new Set([...edit.drop, ...edit.put.map((p) => changeKey(p.change))])
      return keys.size === 1 ? keyWords([...keys][0]!, layout) : `${keys.size} own changes`
    }
    case 'follow':
      return 'follow the base'
    case 'become':
      return 'replace everything'
    case 'standAlone':
      return 'end following'
    case 'batch':
      return edit.label === 'step' && edit.edits[0] ? describeEdit(edit.edits[0], layout) : edit.label
  }
}

/** What an own change is about, by its key. */
function keyWords(key: string, layout: Layout): string {
  const [kind, id = '', ...names] = key.split('/')
  const [first = '', second = ''] = names
  switch (kind) {
    case 'value':
      return describeEdit({ kind: 'setProperty', id, property: first }, layout)
    case 'look':
      return describeEdit(
        { kind: 'setStyle', id, ...(first && { at: first }), property: second, step: 'wide', value: null },
        layout,
      )
    case 'default':
      return describeEdit({ kind: 'setDefault', of: first, property: second, step: 'wide', value: null }, layout)
    case 'part':
      return describeEdit({ kind: 'hidePart', id, part: first, hidden: true }, layout)
    case 'fill':
      return `what ${named(layout, id)} says here`
    case 'named':
      return describeEdit({ kind: 'setLook', id, look: '' }, layout)
    case 'open':
      return describeEdit({ kind: 'setOpen', id, property: first, open: true }, layout)
    case 'when':
      return describeEdit({ kind: 'setWhen', id, when: [] }, layout)
    case 'name':
      return 'rename'
    case 'spans':
      return 'spans'
    default:
      return `where ${named(layout, id)} stands`
  }
}

/**
 * The one thing that an edit changes, the layout itself by its own id; null for several, for what is put or taken away,
 * and for how a layout follows.
 */
export function thingOf(edit: Edit, layout: Id): Id | null {
  switch (edit.kind) {
    case 'insert':
    case 'remove':
      return null
    case 'setSpans':
      return edit.row
    case 'setDefault':
      return edit.box ?? layout
    case 'describe':
      return layout
    case 'batch': {
      const things = new Set(edit.edits.map((e) => thingOf(e, layout)))
      return things.size === 1 ? [...things][0]! : null
    }
    default:
      return 'id' in edit ? edit.id : null
  }
}

/** An own change in a few words. `shown` is what is drawn of the variation, `base` what is drawn of what it follows. */
export function describeChange(change: Change, shown: Layout, base: Layout): string {
  switch (change.kind) {
    case 'put':
      return `${what(change.node)} added`
    case 'move':
      return `${named(find(shown, change.id) ? shown : base, change.id)} moved`
    case 'gone':
      return `${named(base, change.id)} taken out`
    case 'spans':
      return describeEdit({ kind: 'setSpans', row: change.row, spans: Object.values(change.spans) }, shown)
    case 'set':
      return describeEdit(change.edit, shown)
  }
}
