import type { PlainEdit } from '#core/edits'
import type { Parcel } from '#core/formats'
import type { Entry, Structure } from '#core/model'
import type { Layout } from '#core/tree'
import { jobsOver } from '../../../server/aside/jobs'
import { Content } from '../../../server/services/content'
import { Draft } from '../../../server/services/draft'
import { openDocument } from '../../../server/services/editing'
import { Entries } from '../../../server/services/entries'
import { STRUCTURE, STRUCTURE_ID } from '../../../server/services/kept'
import { Settings } from '../../../server/services/settings'
import { Parcels } from '../../../server/services/parcels'
import { seedDemo } from '../../../server/services/seed'
import { element, frame } from '../../fixtures'
import { freshDatabase } from './database'

const ADA = { id: 1, name: 'Ada' }
const { db } = freshDatabase()
let content: Content
let draft: Draft
let entries: Entries
let settings: Settings
let parcels: Parcels

beforeAll(async () => {
  await seedDemo(db(), false, { hash: async () => 'hashed' })
  content = new Content(db())
  await content.reload()
  draft = new Draft(db())
  entries = new Entries(db(), draft, content)
  settings = new Settings(db(), content)
  parcels = new Parcels(db(), draft, () => content.catalogue, jobsOver(db()), { bytesOf: async () => null })
})

describe('entries', () => {
  const read = () => entries.open('fenwick-turret-clock', ADA)

  test('are stored on top of the revision they were made from; a stale one gets the entry as it stands', async () => {
    const { entry, revision } = await read()
    const before = content.version
    expect(await entries.put({ ...entry, title: 'Fenwick clock' }, revision, ADA)).toMatchObject({
      stored: { revision: revision + 1 },
    })
    expect(await entries.put({ ...entry, title: 'Other' }, revision, ADA)).toMatchObject({
      stale: { current: { revision: revision + 1, entry: { title: 'Fenwick clock' } }, base: { title: entry.title } },
    })
    await content.reload()
    expect(content.version).toBeGreaterThan(before)
    expect(content.catalogue.page('entry:fenwick-turret-clock')!.title).toBe('Fenwick clock')
  })

  test.each<[string, (e: Entry) => unknown, string]>([
    ['a title that goes on', (e) => ({ ...e, title: 'x'.repeat(501) }), 'at most 500'],
    ['an address with markup', (e) => ({ ...e, slug: '<b>' }), 'small letters'],
    ['an address that another has', (e) => ({ ...e, slug: 'the-night-regulator' }), 'has this address already'],
    ['a person who is not there', (e) => ({ ...e, person: 'nobody' }), 'no person with the id'],
    ['a term that is not there', (e) => ({ ...e, terms: ['nowhere'] }), 'no term with the id'],
    ['a date that is none', (e) => ({ ...e, date: '2026-13-40' }), 'A date is written'],
    ['content that is none', (e) => ({ ...e, content: '<p>' }), 'must be rich text'],
    [
      'a field that its type does not have',
      (e) => ({ ...e, fields: { ...e.fields, secret: 1 } }),
      'no field called secret',
    ],
    ['a number that is text', (e) => ({ ...e, fields: { ...e.fields, height: 'tall' } }), 'Height cannot hold'],
    ['a choice that is none', (e) => ({ ...e, fields: { ...e.fields, mechanism: 'steam' } }), 'Mechanism cannot hold'],
    ['another page type', (e) => ({ ...e, type: 'page', fields: {}, terms: [] }), 'keeps its page type'],
    ['to stand below itself', (e) => ({ ...e, parent: e.id }), 'stand below itself'],
    ['a frame that is not offered', (e) => ({ ...e, chosenFrame: 'site' }), 'not offered'],
    ['a page type that is not there', (e) => ({ ...e, type: 'planet' }), 'no page type with the id'],
  ])('%s is refused, and nothing is stored', async (_, spoil, sentence) => {
    const { entry, revision } = await read()
    await expect(entries.put(spoil(entry) as Entry, revision, ADA)).rejects.toThrow(sentence)
    expect(await read()).toMatchObject({ entry, revision })
  })

  test('a writer may choose a frame that is offered to the page type', async () => {
    await draft.putFrame(frame('choice', [], { header: { kind: 'empty' } }, { offeredTo: ['exhibit'] }), 0, 'Ada')
    const { entry, revision } = await read()
    expect(await entries.put({ ...entry, chosenFrame: 'choice' }, revision, ADA)).toMatchObject({
      stored: { entry: { chosenFrame: 'choice' } },
    })
  })

  test('home shows a published entry or an archive, nothing else', async () => {
    await settings.change({ home: { kind: 'archive', type: 'exhibit' } })
    await content.reload()
    expect(content.catalogue.pages[0]).toMatchObject({ key: 'home', type: 'exhibit' })
    await expect(settings.change({ home: { kind: 'entry', entry: 'nowhere' } })).rejects.toThrow('published entry')
    await expect(settings.change({ home: { kind: 'archive', type: 'page' } })).rejects.toThrow(
      'page type with an archive',
    )
    await settings.change({ home: { kind: 'entry', entry: 'welcome' } })
    await content.reload()
    await expect(entries.open('nowhere', ADA)).rejects.toThrow('no entry with the id nowhere')
  })
})

describe('parcels', () => {
  test('go out and come back as they were', async () => {
    const parcel = await parcels.export()
    const { items, unfit } = await parcels.plan(parcel)
    expect(items.every((i) => i.state === 'same')).toBe(true)
    expect(unfit).toEqual([])
    expect((await parcels.import({ parcel, choices: {}, leaveOut: [] }, 'Ada')).items).toEqual([])
  })

  test('change nothing until confirmed; then replace by an edit that can be undone, and bring back what was removed', async () => {
    const parcel = JSON.parse(JSON.stringify(await parcels.export())) as Parcel
    parcel.layouts.find((l) => l.id === 'slim-footer')!.name = 'Slimmer footer'
    await draft.removeLayout('title-band', 'Ada')
    const before = await draft.read()
    const plan = await parcels.plan(parcel)
    expect(plan.items.filter((i) => i.state !== 'same').map((i) => [i.id, i.state])).toEqual([
      ['title-band', 'new'],
      ['slim-footer', 'replaces'],
    ])
    expect(await draft.read()).toEqual(before)
    await parcels.import({ parcel, choices: {}, leaveOut: [] }, 'Ada')
    const footer = await draft.layout('slim-footer')
    expect(footer.layout.name).toBe('Slimmer footer')
    expect(footer.log.at(-1)!.inverse?.kind).toBe('batch')
    expect((await draft.layout('title-band')).layout.name).toBe('Title band')
  })

  test('what the site lacks is created with it, in one step that its page types can undo', async () => {
    const parcel = JSON.parse(JSON.stringify(await parcels.export())) as Parcel
    const like = parcel.structure!.types.find((t) => t.id === 'exhibit')!
    const field = { id: 'pressure', label: 'Pressure', kind: 'number' as const }
    const type = { ...like, id: 'barometer', name: 'Barometer', plural: 'Barometers', fields: [field] }
    parcel.structure!.types.push(type)
    const footer = parcel.layouts.find((l) => l.id === 'slim-footer') as Layout
    footer.children[0]!.children[0]!.children.push(
      element('field', { value: { kind: 'field', of: 'page', field: 'pressure' } }, 'shows-pressure'),
    )
    const { unfit } = await parcels.plan(parcel)
    expect(unfit).toMatchObject([{ key: 'field pressure', name: 'Pressure', carried: true }])
    await parcels.import({ parcel, choices: { 'field pressure': { do: 'create' } } }, 'Ada')
    await content.reload()
    // The field needs its page type, which gets another address than the one that is taken.
    expect(content.catalogue.types.get('barometer')).toMatchObject({ fields: [field], slug: 'exhibits-2' })
    expect((await parcels.plan(parcel)).unfit).toEqual([])
    const { log } = await openDocument<Structure, PlainEdit>(db(), STRUCTURE, STRUCTURE_ID)
    expect(log.at(-1)).toMatchObject({ edit: { kind: 'batch' }, inverse: { kind: 'batch' } })
  })

  test('what is left out is left out, and a layout for another region is refused with all the rest', async () => {
    const parcel = JSON.parse(JSON.stringify(await parcels.export())) as Parcel
    parcel.layouts.find((l) => l.id === 'slim-footer')!.name = 'Slim again'
    await parcels.import({ parcel, choices: {}, leaveOut: ['layout slim-footer'] }, 'Ada')
    expect((await draft.layout('slim-footer')).layout.name).toBe('Slimmer footer')
    parcel.layouts.find((l) => l.id === 'results')!.region = 'intro'
    const header = parcel.layouts.find((l) => l.id === 'house-header')!
    header.name = 'Never stored'
    await expect(parcels.import({ parcel, choices: {}, leaveOut: [] }, 'Ada')).rejects.toThrow()
    expect((await draft.layout('house-header')).layout.name).toBe('House header')
  })
})
