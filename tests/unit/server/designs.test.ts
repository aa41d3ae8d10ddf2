import { makeDemo } from '#demo/index'
import type { Spoilt } from '#core/documents'
import type { Design } from '#core/design'
import { type LayoutDocument, emptyLayout } from '#core/tree'
import { frozen, keepDesign, newParts, readDesign } from '../../../server/database/designs'
import { insertLayout, readLayouts } from '../../../server/database/layouts'
import { freshDatabase } from './database'

/** Designs as they are kept: each document once, read back as it was, and one object for whoever reads it. */

const { db } = freshDatabase()
const { design } = makeDemo()
const without = (id: string): Design => ({ ...design, layouts: design.layouts.filter((l) => l.id !== id) })
const texts = () => db().selectFrom('parts').selectAll().execute()

test('what was kept is read as it was, in its order', async () => {
  const menus = makeDemo().site.menus
  const text = await keepDesign(db(), { ...design, menus })
  expect(text).not.toContain('children')
  const spoilt: Spoilt[] = []
  expect(await readDesign(db(), text, spoilt)).toEqual({ ...design, menus })
  expect(spoilt).toEqual([])
})

test('a second design keeps only what is new in it', async () => {
  const before = (await texts()).length
  const added = emptyLayout('one-more', 'One more', 'footer')
  const next = { ...without('talk-page'), layouts: [...without('talk-page').layouts, added] }
  expect((await newParts(db(), await frozen(next))).map((part) => part.doc)).toEqual([JSON.stringify(added)])
  const text = await keepDesign(db(), next)
  expect(await texts()).toHaveLength(before + 1)
  expect((await readDesign(db(), text, [])).layouts.map((l) => l.id)).toEqual(next.layouts.map((l) => l.id))
})

test('a layout that stands alike in the draft and in two releases is one object, which nobody changes', async () => {
  const [layout] = design.layouts as [LayoutDocument]
  await insertLayout(db(), layout, 'Ada')
  const [text, other] = [await keepDesign(db(), design), await keepDesign(db(), without('talk-page'))]
  const [draft] = await readLayouts(db(), [])
  const read = [await readDesign(db(), text, []), await readDesign(db(), other, [])]
  for (const { layouts } of read) expect(layouts.find((l) => l.id === layout.id)).toBe(draft!.layout)
  expect(() => ((draft!.layout as { name: string }).name = 'Another')).toThrow(TypeError)
})

test('the first releases hold their documents themselves, and are read all the same', async () => {
  const spoilt: Spoilt[] = []
  expect(await readDesign(db(), JSON.stringify(design), spoilt)).toEqual(design)
  const broken = { ...design, layouts: [...design.layouts, { kind: 'layout', id: 'odd' }], frames: 'none' }
  const read = await readDesign(db(), JSON.stringify(broken), spoilt)
  expect(read.layouts).toHaveLength(design.layouts.length)
  expect(read.frames).toEqual([])
  expect(spoilt.map((s) => `${s.what} ${s.id}`)).toEqual(['layout odd', 'frame all'])
})

test('texts that are gone, spoilt, or of something else are left out and told, and take nothing with them', async () => {
  const three = ['a', 'b', 'c', 'd'].map((id) => emptyLayout(`spoilt-${id}`, id, 'footer'))
  const made = await frozen({ ...design, layouts: three })
  const parts = await newParts(db(), made)
  const named = (id: string) => parts.find((part) => part.doc.includes(`spoilt-${id}`))!
  const kept = parts
    .filter((part) => part !== named('a'))
    .map((part) => (part === named('b') ? { ...part, mark: '', doc: '{"kind":"layout"}' } : part))
    .map((part) => (part === named('c') ? { ...part, mark: '', doc: named('d').doc } : part))
  const spoilt: Spoilt[] = []
  const read = await readDesign(db(), made.text, spoilt, kept)
  expect(read.layouts.map((l) => l.id)).toEqual(['spoilt-d'])
  expect(spoilt.map((s) => s.id)).toEqual(['spoilt-a', 'spoilt-b', 'spoilt-c'])
  for (const text of ['', 'null', '[]', '{"layouts":[["a"],[1,2],null]}', '{"layouts":[["a","b"]],"menus":7}'])
    expect((await readDesign(db(), text, [])).layouts).toEqual([])
})

test('what was kept with its mark is not judged again; without it, it is', async () => {
  const odd = { ...emptyLayout('marked', 'Marked', 'footer'), region: 'attic' } as unknown as LayoutDocument
  const made = await frozen({ ...design, layouts: [odd] })
  const parts = await newParts(db(), made)
  const spoilt: Spoilt[] = []
  await readDesign(
    db(),
    made.text,
    spoilt,
    parts.map((part) => ({ ...part, mark: 'of other shapes' })),
  )
  expect(spoilt.map((s) => s.id)).toEqual(['marked'])
  // Whoever keeps a design answers for its documents.
  expect((await readDesign(db(), made.text, [], parts)).layouts).toHaveLength(1)
})
