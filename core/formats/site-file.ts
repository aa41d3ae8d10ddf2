import { renamedIn } from '../fields'
import equal from 'fast-deep-equal'
import type { PlainEdit } from '../edits'
import { type Problem, problem } from '../problems'
import { exact, isRecord, judged, list, oneOf, refuse, text, whole } from '../shape'
import {
  type Entry,
  type Id,
  type Picture,
  type Redirect,
  type SiteSettings,
  type Structure,
  pictureShape,
  refuseStructure,
  settingsShape,
} from '../model'
import type { RichNode } from '../rich'
import { redirectShape } from '../catalogue'
import { type Parcel, checkParcel } from './parcel'

/**
 * A whole site in one file: a zip with `site.json` (this document), entries as JSON lines (`entries-1.jsonl` and so on),
 * images in `images/ID/NAME` and other files in `files/ID/NAME`.
 */
export interface SiteFile {
  kind: 'outer-frame-site'
  format: 1
  /** The name of the site it comes from. */
  from: string
  /** ISO 8601. */
  made: string
  /** How many entries stand in the files beside it. */
  entries: number
  settings: SiteSettings
  structure: Structure
  redirects: Redirect[]
  pictures: Omit<Picture, 'widths'>[]
  files: { id: Id; fileName: string }[]
  design: Parcel
}

const MOST_PICTURES = 100_000
const anything = judged(() => null)
const siteFileShape = exact({
  kind: oneOf(['outer-frame-site'], 'it is something else'),
  format: oneOf([1]),
  from: text(200),
  made: text(40),
  entries: whole(0, 10_000_000),
  settings: settingsShape,
  structure: anything,
  redirects: list(redirectShape, MOST_PICTURES),
  pictures: list(pictureShape, MOST_PICTURES),
  files: list(exact({ id: text(120), fileName: text(300) }), MOST_PICTURES),
  design: anything,
})

/** Every way in which a document is no site that this version reads; none when it is one. Takes anything at all. */
export function checkSiteFile(file: unknown): Problem[] {
  if (isRecord(file) && file.kind === 'outer-frame-site' && typeof file.format === 'number' && file.format > 1)
    return [problem('parcel-newer', { format: file.format, known: 1 })]
  const why = refuse(siteFileShape, file)
  if (why !== null) return [problem('site-file', { why })]
  const { structure, design } = file as SiteFile
  const refused = refuseStructure(structure)
  return refused ? [refused] : checkParcel(design)
}

/** The things of a site's structure that travel, by the list in which they stand. */
const LISTS = ['taxonomies', 'types', 'terms', 'people'] as const
export const MOST_ENTRIES_IN_PART = 5000

/** How many things of a kind are new, others here, and here exactly so. */
export interface SiteCount {
  what: 'types' | 'taxonomies' | 'terms' | 'people' | 'entries' | 'pictures' | 'files' | 'layouts' | 'frames' | 'menus'
  fresh: number
  differ: number
  same: number
}

/** Counts things that come, by id, against those that are here. */
export function countComing<T extends { id: Id }>(
  what: SiteCount['what'],
  coming: Iterable<T>,
  here: (id: Id) => unknown,
  seen: (thing: T) => unknown = (thing) => thing,
): SiteCount {
  const count: SiteCount = { what, fresh: 0, differ: 0, same: 0 }
  for (const one of coming) {
    const there = here(one.id)
    if (there === undefined) count.fresh++
    else if (equal(there, seen(one))) count.same++
    else count.differ++
  }
  return count
}

/** The edits that bring a structure in: what is new is put behind what is here, what differs replaced where it is asked. */
export function mergeStructure(here: Structure, coming: Structure, replace: boolean): PlainEdit[] {
  return LISTS.flatMap((name): PlainEdit[] => {
    const known = new Map((here[name] as { id: Id }[]).map((one) => [one.id, one]))
    let last = known.size
    return (coming[name] as { id: Id }[]).flatMap((item): PlainEdit[] => {
      const old = known.get(item.id)
      if (old === undefined) return [{ kind: 'insert', at: [name], index: last++, item }]
      return replace && !equal(old, item) ? [{ kind: 'set', at: [name, item.id], value: item }] : []
    })
  })
}

type Called = (picture: Id) => Id
const called = (id: Id | null, to: Called): Id | null => (id === null ? null : to(id))

function richCalled(node: RichNode, to: Called): RichNode {
  const attrs =
    node.type === 'picture' && typeof node.attrs?.id === 'string'
      ? { ...node.attrs, id: to(node.attrs.id) }
      : node.attrs
  return {
    ...node,
    ...(attrs && { attrs }),
    ...(node.content && { content: node.content.map((n) => richCalled(n, to)) }),
  }
}

/** An entry with its pictures by the ids that they have here. */
export function entryCalled(entry: Entry, { types }: Pick<Structure, 'types'>, to: Called): Entry {
  const kinds = new Map(types.find((t) => t.id === entry.type)?.fields.map((f) => [f.id, f.kind]))
  const fields = Object.entries(entry.fields).map(([id, value]) => {
    const kind = kinds.get(id)
    return [id, kind ? renamedIn(kind, value, 'picture', to) : value]
  })
  return {
    ...entry,
    picture: called(entry.picture, to),
    content: entry.content && { ...entry.content, content: entry.content.content?.map((n) => richCalled(n, to)) },
    fields: Object.fromEntries(fields) as Entry['fields'],
  }
}

/** Terms and people with their pictures by the ids that they have here. */
export const structureCalled = (structure: Structure, to: Called): Structure => ({
  ...structure,
  terms: structure.terms.map((t) => ({ ...t, picture: called(t.picture, to) })),
  people: structure.people.map((p) => ({ ...p, picture: called(p.picture, to) })),
})

export const settingsCalled = (settings: SiteSettings, to: Called): SiteSettings => ({
  ...settings,
  logo: called(settings.logo, to),
  ...(settings.icon !== undefined && { icon: called(settings.icon, to) }),
  fallbackPicture: called(settings.fallbackPicture, to),
})
