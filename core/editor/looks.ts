import { looksAskedOf, sortOf } from '../elements'
import type { Id } from '../model'
import { type Layout, type LooksKey, type Styles, type TreeNode, STEPS, find } from '../tree'
import { together } from './columns'
import type { Edit } from '../layouts'

/** What a hand does to looks as a whole. */

type SetStyle = Extract<Edit, { kind: 'setStyle' }>

/** The edits that make own looks into others, of those properties that are asked of the thing. */
function toLooks(node: TreeNode, looks: Styles, only: (property: string) => boolean): SetStyle[] {
  const { id, styles } = node
  const asked = looksAskedOf(node).filter((p) => only(p.name))
  return asked.flatMap(({ name: property }) =>
    STEPS.flatMap((step): SetStyle[] => {
      const [has, gets] = [styles[property]?.[step], looks[property]?.[step]]
      return has === gets ? [] : [{ kind: 'setStyle', id, property, step, value: gets ?? null }]
    }),
  )
}

/**
 * Gives several things the looks of one, as far as they suit them, all or only some properties; null when they look so
 * already.
 */
export function giveLooks(
  layout: Layout,
  looks: Styles,
  to: readonly Id[],
  only: (property: string) => boolean = () => true,
): Edit | null {
  const edits = to.flatMap((id) => {
    const node = find(layout, id)?.node
    return node ? toLooks(node, looks, only) : []
  })
  return together(`looks of ${to.length === 1 ? 'one thing' : `${to.length} things`}`, edits)
}

/**
 * Makes the own looks of one thing those of all of its kind here (of its sort, where the kind has sorts), and takes
 * them from it, since it has them from there now. Others that say something else go on saying it.
 */
export function giveLooksToAll(layout: Layout, id: Id): Edit | null {
  const node = find(layout, id)?.node
  if (!node) return null
  const of = node.kind === 'element' ? (sortOf(node) ?? node.type) : node.kind
  const edits = Object.entries(node.styles).flatMap(([property, stepped]) =>
    STEPS.flatMap((step): Edit[] => {
      const value = stepped[step]
      if (value === undefined) return []
      return [
        { kind: 'setDefault', of, property, step, value },
        { kind: 'setStyle', id, property, step, value: null },
      ]
    }),
  )
  return together('looks of all of a kind', edits)
}

/** The edits that take away one thing's own looks, at rest and of its parts and states. */
function withoutLooks(node: TreeNode): SetStyle[] {
  const parts = node.kind === 'element' ? Object.entries(node.looks ?? {}) : []
  const all: [at: LooksKey | undefined, styles: Styles][] = [[undefined, node.styles], ...parts]
  return all.flatMap(([at, styles]) =>
    Object.entries(styles).flatMap(([property, stepped]) =>
      STEPS.filter((step) => stepped[step] !== undefined).map((step): SetStyle => ({
        kind: 'setStyle',
        id: node.id,
        ...(at !== undefined && { at }),
        property,
        step,
        value: null,
      })),
    ),
  )
}

/** Gives a thing a named look that was made of its own looks, and takes these from it, since it has them from there now. */
export function becomesLook(layout: Layout, id: Id, look: { id: Id; name: string }): Edit | null {
  const node = find(layout, id)?.node
  return node
    ? {
        kind: 'batch',
        label: `look ${look.name}`,
        edits: [{ kind: 'setLook', id, look: look.id }, ...withoutLooks(node)],
      }
    : null
}

/** Gives several things a named look; an empty one takes it away. */
export const giveNamedLook = (ids: readonly Id[], look: Id): Edit | null =>
  together(
    'give a look',
    ids.map((id) => ({ kind: 'setLook', id, look })),
  )
