import { createReadStream } from 'node:fs'
import { join } from 'node:path'
import { createInterface } from 'node:readline'
import { type SiteCount, type SiteFile, countComing } from '../../core/formats'
import type { Design } from '../../core/design'
import { fail } from '../../core/problems'
import { Catalogue, checkEntry } from '../../core/catalogue'
import { type Entry, type Id, entryShape } from '../../core/model'
import { refuse } from '../../core/shape'
import { type SiteFileInfo, readSiteDocument } from '../bring/site'
import type { Content } from './content'
import { takeTurns } from './turns'

/** What a site file would do here. */

export interface SitePlan {
  from: string
  made: string
  counts: SiteCount[]
  /** Entries that cannot stand here, and why; the first of them. */
  problems: { entry: Id; title: string; why: string }[]
  /** How many of them there are. */
  wrong: number
}

const MOST_TOLD = 100

/** The entries of a site file one by one, judged by their shape alone. */
export async function* entriesIn(folder: string, parts: readonly string[]): AsyncGenerator<Entry> {
  for (const part of parts) {
    const lines = createInterface({ input: createReadStream(join(folder, part), 'utf8'), crlfDelay: Infinity })
    let number = 0
    for await (const line of lines) {
      number++
      if (line) yield soundEntry(line, `line ${number} of its ${part}`)
    }
  }
}

function soundEntry(line: string, where: string): Entry {
  let entry: unknown
  try {
    entry = JSON.parse(line)
  } catch {
    return fail('site-file', { why: `${where} is damaged` })
  }
  const why = refuse(entryShape, entry)
  return why === null ? (entry as Entry) : fail('site-file', { why: `${where}: ${why}` })
}

/** Things by id, those that come in the place of those that are here. */
const merged = <T extends { id: Id }>(here: readonly T[], coming: readonly T[]): T[] => [
  ...new Map([...here, ...coming].map((one) => [one.id, one])).values(),
]

/** The site as it would be with all that comes. */
function siteWith(here: Catalogue, { structure, pictures }: SiteFile, entries: readonly Entry[]): Catalogue {
  const { site } = here
  return new Catalogue({
    ...site,
    types: merged(site.types, structure.types),
    taxonomies: merged(site.taxonomies, structure.taxonomies),
    terms: merged(site.terms, structure.terms),
    people: merged(site.people, structure.people),
    pictures: merged(site.pictures, pictures),
    entries: merged(site.entries, entries),
  })
}

/** Says what bringing a site file in would do; nothing is changed. */
export async function planSite(
  { folder, info }: { folder: string; info: SiteFileInfo },
  { catalogue }: Pick<Content, 'catalogue'>,
  design: Design,
): Promise<SitePlan> {
  const file = await readSiteDocument(folder)
  const turn = takeTurns()
  const entries: Entry[] = []
  for await (const entry of entriesIn(folder, info.parts)) entries.push(entry)
  const coming = siteWith(catalogue, file, entries)
  const problems: SitePlan['problems'] = []
  let wrong = 0
  for (const entry of entries) {
    await turn()
    const [refused] = checkEntry(entry, coming)
    if (!refused || wrong++ >= MOST_TOLD) continue
    problems.push({ entry: entry.id, title: entry.title, why: refused.sentence })
  }
  const by = <T extends { id: Id }>(all: readonly T[] = []) => {
    const known = new Map(all.map((one) => [one.id, one]))
    return (id: Id) => known.get(id)
  }
  const { types, taxonomies, terms, people } = file.structure
  const { layouts, frames, menus = [] } = file.design
  const { site } = catalogue
  const counts: SiteCount[] = [
    countComing('types', types, by(site.types)),
    countComing('taxonomies', taxonomies, by(site.taxonomies)),
    countComing('terms', terms, by(site.terms)),
    countComing('people', people, by(site.people)),
    countComing('entries', entries, by(site.entries)),
    countComing('pictures', file.pictures, by(site.pictures.map(({ widths: _, ...p }) => p))),
    { what: 'files', fresh: info.files.length, differ: 0, same: 0 },
    countComing('layouts', layouts, by(design.layouts)),
    countComing('frames', frames, by(design.frames)),
    countComing('menus', menus, by(design.menus)),
  ]
  return { from: file.from, made: file.made, counts, problems, wrong }
}
