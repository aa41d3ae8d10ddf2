import equal from 'fast-deep-equal'
import { propertiesOf } from '../elements'
import type { Id } from '../model'
import { type Change, type Layout, type Setting, type Standing, type Value, type Within, find, mayHold } from '../tree'
import type { OwnPatch } from './edits'

/** Own changes as a list in which each is known by what it is about. */

const path = (...names: (string | undefined)[]) => names.filter((n) => n !== undefined).join('/')

/** What a setting sets, by a name: two that set the same have the same. */
export function settingKey(edit: Setting): string {
  switch (edit.kind) {
    case 'setProperty':
      return path('value', edit.id, edit.property, edit.within?.item)
    case 'setStyle':
      return path('look', edit.id, edit.at ?? '', edit.property, edit.step)
    case 'setDefault':
      return path('default', edit.box ?? '', edit.of, edit.property, edit.step)
    case 'setWhen':
      return path('when', edit.id)
    case 'rename':
      return path('name', edit.id)
    case 'hidePart':
      return path('part', edit.id, edit.part)
    case 'setFill':
      return path('fill', edit.id, settingKey(edit.fill))
    case 'setLook':
      return path('named', edit.id)
    case 'setOpen':
      return path('open', edit.id, edit.property)
  }
}

/** What a change is about: no two of a variation are about the same. */
export function changeKey(change: Change): string {
  switch (change.kind) {
    case 'put':
      return path('put', change.node.id)
    case 'move':
    case 'gone':
      return path(change.kind, change.id)
    case 'spans':
      return path('spans', change.row)
    case 'set':
      return settingKey(change.edit)
  }
}

/** The thing that a change is about; null for the layout itself. */
export function changedThing(change: Change): Id | null {
  switch (change.kind) {
    case 'put':
      return change.node.id
    case 'spans':
      return change.row
    case 'set':
      return change.edit.kind === 'setDefault' ? (change.edit.box ?? null) : change.edit.id
    default:
      return change.id
  }
}

/** What makes one list of own changes another; null where they are the same. */
export function patchBetween(before: readonly Change[], after: readonly Change[]): OwnPatch | null {
  const were = new Map(before.map((c, i) => [changeKey(c), i]))
  const keys = after.map(changeKey)
  const are = new Set(keys)
  const drop = [...were.keys()].filter((key) => !are.has(key))
  const put: OwnPatch['put'] = []
  let reached = -1
  after.forEach((change, i) => {
    const at = were.get(keys[i]!)
    const stays = at !== undefined && at > reached && equal(before[at], change)
    if (stays) reached = at
    else put.push({ change, before: keys[i + 1] ?? null })
  })
  return drop.length + put.length > 0 ? { drop, put } : null
}

/** A list of own changes with what a patch says. What comes before something that is not there comes last. */
export function patched(changes: readonly Change[], { drop, put }: OwnPatch): Change[] {
  const leave = new Set([...drop, ...put.map((p) => changeKey(p.change))])
  const list = changes.map((change) => ({ change, key: changeKey(change) })).filter(({ key }) => !leave.has(key))
  for (const { change, before } of [...put].reverse()) {
    const at = before === null ? -1 : list.findIndex(({ key }) => key === before)
    list.splice(at < 0 ? list.length : at, 0, { change, key: changeKey(change) })
  }
  return list.map(({ change }) => change)
}

/**
 * A change that names what is not there, pointed at something that is: a value of another thing, or another place for
 * what is put or moved, in `at` where that may hold it, else behind it. Null where it says nothing of one thing.
 */
export function pointedAt(change: Change, at: Standing, tree: Layout): Change | null {
  const { id } = at.node
  switch (change.kind) {
    case 'gone':
      return { kind: 'gone', id }
    case 'set':
      if (change.edit.kind !== 'setDefault') return { kind: 'set', edit: { ...change.edit, id } }
      return change.edit.box === undefined ? null : { kind: 'set', edit: { ...change.edit, box: id } }
    case 'spans':
      return null
    default: {
      const child = change.kind === 'put' ? change.node.kind : find(tree, change.id)?.node.kind
      if (!child) return null
      return mayHold(at.node.kind, child)
        ? { ...change, parent: id, after: at.node.children?.at(-1)?.id ?? null }
        : mayHold(at.parent.kind, child)
          ? { ...change, parent: at.parent.id, after: id }
          : null
    }
  }
}

/** The value of something, or of one of the items that a property of it holds; undefined where none is set. */
export function valueIn(
  layout: Layout,
  { id, property, within }: { id: string; property: string; within?: Within },
): Value | undefined {
  const props = find(layout, id)?.node.props
  if (!props || !within) return props?.[property]
  const items = props[within.items]
  return Array.isArray(items) ? items.find((i) => i.id === within.item)?.props[property] : undefined
}

/** A value as an edit sets it: what is missing cannot be sent as JSON. */
export const orUnset = (value: Value | undefined) => (value === undefined ? { unset: true as const } : { value })

/** A setting as a layout itself says it: with the value that stands there, or the one that holds where none does. */
export function settingIn(layout: Layout, edit: Setting): Setting {
  const node = 'id' in edit ? find(layout, edit.id)?.node : undefined
  switch (edit.kind) {
    case 'setProperty': {
      const { value: _v, unset: _u, ...rest } = edit
      const usual = node && !edit.within ? propertiesOf(node)[edit.property]?.default : undefined
      return { ...rest, ...orUnset(valueIn(layout, edit) ?? usual) }
    }
    case 'setStyle': {
      const styles = edit.at ? node?.kind === 'element' && node.looks?.[edit.at] : node?.styles
      return { ...edit, value: (styles || {})[edit.property]?.[edit.step] ?? null }
    }
    case 'setDefault': {
      const box = edit.box === undefined ? layout : find(layout, edit.box)?.node
      const given = box?.kind === 'layout' ? box.defaults : box && 'gives' in box ? box.gives : {}
      return { ...edit, value: given?.[edit.of]?.[edit.property]?.[edit.step] ?? null }
    }
    case 'hidePart':
      return { ...edit, hidden: node?.kind === 'element' && (node.hides?.includes(edit.part) ?? false) }
    case 'setWhen':
      return { ...edit, when: node?.when ?? [] }
    case 'setFill': {
      const { unset: _, ...rest } = edit
      const said =
        node?.kind === 'element' ? node.fills?.find((f) => settingKey(f) === settingKey(edit.fill)) : undefined
      return said ? { ...rest, fill: said } : { ...rest, unset: true }
    }
    case 'setLook':
      return { ...edit, look: node?.look ?? '' }
    case 'setOpen':
      return { ...edit, open: node?.open?.includes(edit.property) ?? false }
    case 'rename':
      return { ...edit, name: node?.name ?? '' }
  }
}
