import fc from 'fast-check'
import { ELEMENTS, elementSpec, newElement } from '#core/elements'
import type { Condition } from '#core/conditions'
import { spliceBetween } from '#core/edits'
import type { Edit } from '#core/layouts'
import {
  evenSpans,
  type Item,
  type Layout,
  STATES,
  STEPS,
  type StyleValue,
  type TreeNode,
  emptyColumn,
  emptyPlace,
  emptyRow,
  looksKey,
  walk,
} from '#core/tree'
import { STYLE_PROPERTIES, type StyleProperty } from '#core/styles'

/** Random edits: most of them possible where they are made, some of them not. */

export interface Dice {
  pick<T>(items: readonly T[]): T
  below(n: number): number
  yes(): boolean
}

export function diceOf(seed: number): Dice {
  let state = seed >>> 0
  const next = () => {
    state = (Math.imul(state, 1664525) + 1013904223) >>> 0
    return state / 4294967296
  }
  return {
    pick: (items) => items[Math.floor(next() * items.length)]!,
    below: (n) => Math.floor(next() * n),
    yes: () => next() > 0.5,
  }
}

let made = 0
const newId = () => `n${++made}`

function randomStyle(property: StyleProperty, dice: Dice): StyleValue {
  const { ask } = property
  if (ask.kind === 'length' || ask.kind === 'number') return ask.min + dice.below(Math.max(1, ask.max - ask.min))
  if (ask.kind === 'choice') return dice.pick(ask.options).value
  return ask.kind === 'colour' ? dice.pick(['@ink', '#c0ffee', '#123456']) : dice.pick(['@heading', 'Newsreader'])
}

function randomNode(dice: Dice): TreeNode {
  if (dice.below(5) === 0) return emptyPlace(newId, dice.pick(['sections', 'text']))
  if (dice.yes()) return newElement(dice.pick(ELEMENTS).type, newId)
  return dice.yes() ? emptyRow(newId, evenSpans(1 + dice.below(4))) : emptyColumn(newId(), 1 + dice.below(12))
}

function randomItemEdit(nodes: readonly TreeNode[], dice: Dice): Edit {
  const list = dice.pick(nodes.filter((n) => n.kind === 'element' && n.type === 'link-list'))
  const id = list?.id ?? 'nowhere'
  const items = (list?.props.links as Item[] | undefined) ?? []
  const item = dice.pick([...items.map((i) => i.id), 'nowhere'])
  const base = { id, property: 'links' }
  const choices: Edit[] = [
    {
      kind: 'insertItem',
      ...base,
      index: dice.below(3),
      item: { id: dice.yes() ? newId() : 'first', props: dice.yes() ? {} : { label: 'Visit', link: '/visit' } },
    },
    { kind: 'removeItem', ...base, item },
    { kind: 'moveItem', ...base, item, index: dice.below(3) },
    {
      kind: 'setProperty',
      id,
      property: dice.pick(['label', 'link', 'unknown']),
      within: { items: 'links', item },
      ...(dice.yes() ? { unset: true as const } : { value: dice.pick(['/a', 'Words', { page: 'home' }]) }),
    },
  ]
  return dice.pick(choices)
}

export function randomEdit(layout: Layout, dice: Dice, depth = 0): Edit {
  const nodes = [...walk(layout)]
  const ids = [layout.id, ...nodes.map((n) => n.id), 'nowhere']
  const property = dice.pick(STYLE_PROPERTIES)
  const choices: (() => Edit)[] = [
    () => ({ kind: 'insert', parent: dice.pick(ids), index: dice.below(4), node: randomNode(dice) }),
    () => ({
      kind: 'insert',
      parent: layout.id,
      index: dice.below(3),
      node: emptyRow(newId, evenSpans(1 + dice.below(4))),
    }),
    () => {
      const column = nodes.filter((n) => n.kind === 'column')
      return {
        kind: 'insert',
        parent: column.length ? dice.pick(column).id : layout.id,
        index: 0,
        node: dice.yes() ? newElement(dice.pick(ELEMENTS).type, newId) : emptyRow(newId, [6, 6]),
      }
    },
    () => {
      const once = dice.pick(ELEMENTS.filter((e) => e.once))
      const columns = nodes.filter((n) => n.kind === 'column')
      const parent = columns.length ? dice.pick(columns).id : layout.id
      return { kind: 'insert', parent, index: 0, node: newElement(once.type, newId) }
    },
    () => ({ kind: 'remove', id: dice.pick(ids) }),
    () => ({ kind: 'move', id: dice.pick(ids), parent: dice.pick(ids), index: dice.below(4) }),
    () => ({
      kind: 'setStyle',
      id: dice.pick(ids),
      property: property.name,
      step: dice.pick(STEPS),
      value: dice.yes() ? null : randomStyle(property, dice),
    }),
    () => ({
      kind: 'setDefault',
      ...(dice.yes() && { box: dice.pick(ids) }),
      of: dice.pick([
        'row',
        'column',
        'place',
        'heading',
        'heading.2',
        'button.outlined',
        'heading.9',
        'button :hover',
        'field label',
        'field label:hover',
        'nothing',
      ]),
      property: property.name,
      step: dice.pick(STEPS),
      value: dice.yes() ? null : randomStyle(property, dice),
    }),
    () => ({
      kind: 'setProperty',
      id: dice.pick(ids),
      property: dice.pick(['text', 'level', 'menu', 'unknown']),
      ...(dice.yes() ? { unset: true as const } : { value: dice.pick(['1', '2', 'Words', null]) }),
    }),
    () => {
      const node = dice.pick(nodes.filter((n) => n.props.text !== undefined))
      const before = JSON.stringify(node?.props.text ?? '')
      const splice = spliceBetween(before, dice.yes() ? before.replace('"', '"x') : '"Words"')
      return { kind: 'spliceProperty', id: node?.id ?? 'nowhere', property: 'text', ...splice }
    },
    () => {
      const rows = nodes.filter((n) => n.kind === 'row')
      const row = rows.length ? dice.pick(rows) : null
      const spans = row ? evenSpans(row.children.length) : [12]
      return {
        kind: 'setSpans',
        row: row?.id ?? 'nowhere',
        spans: dice.yes() ? [...spans].reverse() : spans.map(() => 1 + dice.below(12)),
      }
    },
    () => randomItemEdit(nodes, dice),
    () => {
      const node = dice.pick(nodes.filter((n) => n.kind === 'element'))
      const spec = node && elementSpec(node.type)
      const part = dice.pick(['', 'nothing', ...Object.keys(spec?.parts ?? {})])
      const state = dice.yes() ? null : dice.pick(STATES)
      const id = node?.id ?? 'nowhere'
      if (dice.below(3) === 0) return { kind: 'hidePart', id, part: part || 'label', hidden: dice.yes() }
      const at = looksKey(part, state)
      return {
        kind: 'setStyle',
        id,
        ...(at && { at }),
        property: property.name,
        step: dice.pick(STEPS),
        value: dice.below(3) === 0 ? null : randomStyle(property, dice),
      }
    },
    () => {
      const holder = nodes.find((n) => n.kind === 'element' && n.type === 'sections')
      const place = emptyPlace(newId, 'sections')
      return { kind: 'insert', parent: holder?.id ?? 'nowhere', index: dice.below(2), node: place }
    },
    () => ({
      kind: 'setWhen',
      id: dice.pick(ids),
      when: dice.pick<Condition[]>([
        [],
        [{ kind: 'signed-in', yes: dice.yes() }],
        [{ kind: 'field', field: dice.pick(['summary', 'made', 'nothing']), op: 'is-not-empty', value: null }],
        [{ kind: 'parameter', name: 'kiosk', op: 'present', values: [] }],
      ]),
    }),
    () => ({ kind: 'setLook', id: dice.pick(ids), look: dice.pick(['', 'calm', 'loud', 'gone']) }),
    () => ({
      kind: 'setOpen',
      id: dice.pick(ids),
      property: dice.pick(['text', 'label', 'unknown']),
      open: dice.yes(),
    }),
    () => ({ kind: 'describe', about: dice.pick(['', 'For all', 'x'.repeat(300)]) }),
    () => ({ kind: 'rename', id: dice.pick(ids), name: dice.pick(['', 'Opening', 'Facts']) }),
  ]
  if (depth < 2 && dice.below(6) === 0) {
    return {
      kind: 'batch',
      label: 'some',
      edits: Array.from({ length: 1 + dice.below(3) }, () => randomEdit(layout, dice, depth + 1)),
    }
  }
  return dice.pick(choices)()
}

export const seeds = fc.integer({ min: 1, max: 2 ** 31 })
