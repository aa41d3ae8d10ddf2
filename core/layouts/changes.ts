import equal from 'fast-deep-equal'
import { type Change, type Layout, type NodePosition, find, mayHold } from '../tree'
import { changeKey } from './change-keys'
import { type OwnPatch, settingOfOther } from './edits'

/** Own changes as a list in which each is known by what it is about. */

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
export function pointedAt(change: Change, at: NodePosition, tree: Layout): Change | null {
  const { id } = at.node
  switch (change.kind) {
    case 'gone':
      return { kind: 'gone', id }
    case 'set': {
      const edit = settingOfOther(change.edit, id)
      return edit && { kind: 'set', edit }
    }
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
