import type { Edit } from './edits'
import { type Layout, type LayoutDocument, type Styles, STEPS, isVariation } from '../tree'

function defaultsEdits(defaults: Record<string, Styles>, take: boolean): Edit[] {
  return Object.entries(defaults).flatMap(([of, styles]) =>
    Object.entries(styles).flatMap(([property, stepped]) =>
      STEPS.flatMap((step): Edit[] => {
        const value = stepped[step]
        return value === undefined ? [] : [{ kind: 'setDefault', of, property, step, value: take ? null : value }]
      }),
    ),
  )
}

/** The edit that turns one layout, variation or not, into another of the same region. */
export function replaceDocument(from: LayoutDocument, to: LayoutDocument): Edit {
  if (isVariation(from) || isVariation(to)) return { kind: 'become', document: to }
  return replaceLayout(from, to)
}

/** The edit that turns one layout into another of the same region, so that even this can be undone. */
export function replaceLayout(from: Layout, to: Pick<Layout, 'name' | 'about' | 'children' | 'defaults'>): Edit {
  return {
    kind: 'batch',
    label: 'replace everything',
    edits: [
      ...from.children.map((row): Edit => ({ kind: 'remove', id: row.id })),
      ...defaultsEdits(from.defaults, true),
      ...to.children.map((node, index): Edit => ({ kind: 'insert', parent: from.id, index, node })),
      ...defaultsEdits(to.defaults, false),
      { kind: 'rename', id: from.id, name: to.name },
      { kind: 'describe', about: to.about ?? '' },
    ],
  }
}
