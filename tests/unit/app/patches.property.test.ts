import fc from 'fast-check'
import { HTMLElement, parseHTML } from 'linkedom'
import { Formats, fill, sceneOf } from '#core/drawing'
import { applyEdit, treeToDraw } from '#core/layouts'
import { compileLayout, knownTo, patchesBetween, programOf } from '#core/render'
import { newElement } from '#core/elements'
import { type Layout, emptyLayout, walk } from '#core/tree'
import { writePatches } from '../../../app/composables/writePatches'
import { column, element, layout, observatory, row } from '../../fixtures'
import { diceOf, randomEdit, seeds } from '../core/layouts/random'
import { runs } from '../../runs'

// What compares elements asks for the class that browsers know them by.
Object.assign(globalThis, { HTMLElement })

const catalogue = observatory()
const scene = sceneOf(catalogue, new Formats(catalogue.site.settings), catalogue.page('entry:refractor')!, {})

const whole = (tree: Layout) => fill(compileLayout(treeToDraw(tree), { ids: true }).chunks, scene)

/** A page with a layout drawn in its body, as the bench has it. */
class Paper {
  readonly body: Element

  constructor(html: string) {
    const { document } = parseHTML(`<!DOCTYPE html><html><body><div class="of-body">${html}</div></body></html>`)
    this.body = document.querySelector('.of-body')!
  }

  find = (id: string): Element | null =>
    id === 'L' ? this.body : (this.body.querySelector(`[data-node="${id}"]`) as Element | null)

  /** The order of attributes says nothing. */
  get html(): string {
    const sorted = (all: string) => (all.match(/[\w-]+(="[^"]*")?/g) ?? []).sort().join(' ')
    return this.body.innerHTML.replace(
      /<([a-z0-9]+)\s([^>]*)>/g,
      (_, tag: string, all: string) => `<${tag} ${sorted(all)}>`,
    )
  }
}

const asRead = (html: string) => new Paper(html).html

test('any edits, written into the page one after the other, give the page drawn as a whole', () => {
  let patched = 0
  fc.assert(
    fc.property(seeds, (seed) => {
      const dice = diceOf(seed)
      let current = emptyLayout('L', 'Random', 'body')
      for (let i = 0; i < 30; i++) {
        const result = applyEdit(current, randomEdit(current, dice))
        if (result.ok) current = result.document
      }
      let paper = new Paper(whole(current))
      let known = knownTo([programOf(treeToDraw(current), { ids: true })])
      for (let i = 0; i < 25; i++) {
        const result = applyEdit(current, randomEdit(current, dice))
        if (!result.ok || result.document === current) continue
        const next = result.document
        const change = patchesBetween(treeToDraw(current), treeToDraw(next), scene, known)
        current = next
        const program = compileLayout(treeToDraw(JSON.parse(JSON.stringify(next)) as Layout), { ids: true })
        if (!change) {
          paper = new Paper(whole(next))
          known = knownTo([program])
          continue
        }
        patched++
        writePatches(paper.find, change.patches)
        expect(paper.html).toBe(asRead(whole(next)))
        known = { ...known, rules: new Set([...known.rules, ...change.rules.keys()]) }
        for (const rule of program.rules) expect(known.rules.has(rule.name)).toBe(true)
      }
    }),
    { numRuns: runs(300) },
  )
  expect(patched).toBeGreaterThan(100)
})

describe('one edit', () => {
  const start = layout('L', 'body', row(column(12, element('heading', { text: 'One' }, 'h'), element('text', {}, 't'))))
  const known = knownTo([programOf(treeToDraw(start), { ids: true })])
  const patchesOf = (edit: Parameters<typeof applyEdit>[1]) => {
    const result = applyEdit(start, edit)
    if (!result.ok) throw new Error(result.problem.sentence)
    return patchesBetween(treeToDraw(start), treeToDraw(result.document), scene, known)
  }

  test('of one element draws that element alone', () => {
    const change = patchesOf({ kind: 'setProperty', id: 'h', property: 'text', value: 'Two' })!
    const drawn: unknown[] = change.patches.flatMap((p) =>
      p.kind === 'children' ? p.order.filter((o) => o.drawn) : [],
    )
    expect(change.patches).toHaveLength(1)
    expect(drawn).toEqual([{ id: 'h', drawn: expect.stringContaining('>Two<') as string }])
  })

  test('of the looks of a column leaves alone what stands in it', () => {
    const id = start.children[0]!.children[0]!.id
    const change = patchesOf({ kind: 'setStyle', id, property: 'paddingTop', step: 'wide', value: 7 })!
    expect(change.patches).toEqual([{ kind: 'opening', id, html: expect.not.stringContaining('One') as string }])
    expect(change.rules.size).toBe(1)
  })

  test('that needs more of the sheet, or shows or hides the title, is drawn as a whole', () => {
    const parent = start.children[0]!.children[0]!.id
    const insert = (node: ReturnType<typeof element>) => patchesOf({ kind: 'insert', parent, index: 0, node })
    expect(insert(element('button', { label: 'Go' }))).toBeNull()
    expect(insert(element('heading', { text: 'Two' }))).not.toBeNull()
    expect(insert(element('heading', { text: 'Two', level: '1' }))).toBeNull()
    expect(patchesOf({ kind: 'setDefault', of: 'row', property: 'gap', step: 'wide', value: 3 })).toBeNull()
  })
})

let sections = 0

test('a row of a section is drawn anew behind the title of its section', () => {
  const made = layout(
    'L',
    'body',
    row(
      column(
        12,
        newElement('sections', () => `s${++sections}`),
      ),
    ),
  )
  const inner = [...walk(made)].find((n) => n.kind === 'row' && n.id !== made.children[0]!.id)!
  const result = applyEdit(made, {
    kind: 'setDefault',
    box: inner.id,
    of: 'column',
    property: 'paddingTop',
    step: 'wide',
    value: 9,
  })
  if (!result.ok) throw new Error(result.problem.sentence)
  const program = compileLayout(treeToDraw(made), { ids: true })
  const paper = new Paper(whole(made))
  const change = patchesBetween(treeToDraw(made), treeToDraw(result.document), scene, knownTo([program]))!
  writePatches(paper.find, change.patches)
  expect(change.patches).toMatchObject([{ kind: 'children', order: [{ id: inner.id }] }])
  expect(paper.html).toBe(asRead(whole(result.document)))
})
