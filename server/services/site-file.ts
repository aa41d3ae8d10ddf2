import { instantText } from '../../core/time'
import { createReadStream } from 'node:fs'
import { mkdir, readFile, rm, stat, writeFile } from 'node:fs/promises'
import { join } from 'node:path'
import { Zip, ZipDeflate, ZipPassThrough } from 'fflate'
import { nanoid } from 'nanoid'
import {
  type ImportChoice,
  MOST_ENTRIES_IN_PART,
  type SiteFile,
  entryCalled,
  mergeStructure,
  settingsCalled,
  structureCalled,
} from '../../core/formats'
import { ProblemError, fail } from '../../core/problems'
import type { Id, SiteSettings, Structure } from '../../core/model'
import type { ImportAnswer, SiteFileAnswer, SiteFileInput } from '../../shared/api/types'
import type { Jobs } from '../aside/work'
import { MOST_EACH } from '../bring/unpack'
import { type SiteFileInfo, readSiteDocument } from '../bring/site'
import { touchContent } from '../database/content'
import { entryExists, insertEntry, readEntriesBy, readEntry, updateEntry } from '../database/entries'
import { noteImport, noteImported } from '../database/imports'
import type { Database } from '../database/open'
import { writeRedirects } from '../database/redirects'
import type { FileStore } from '../media/store'
import type { Bring, Running } from './bring'
import type { Content } from './content'
import { STRUCTURE, STRUCTURE_ID } from './kept'
import { log } from './log'
import type { Media, Sent } from './media'
import type { Parcels } from './parcels'
import type { Settings } from './settings'
import { entriesIn } from './site-plan'
import { giveTurn, takeTurns } from './turns'

/** A site file may have so many bytes. */
const MOST_SITE = 800_000_000
/** Bytes that are packed in one go. */
const AT_A_TIME = 64_000
/** Entries stored in one go: visitors are answered in between. */
const AT_ONCE = 25
const INFO = 'site-info.json'
/** What a site file does not change where it comes: the site stays at its own address. */
const OWN_SETTINGS: readonly (keyof SiteSettings)[] = ['origin']

type Called = (picture: Id) => Id

/** A whole site on its way out, and one that comes in: content, images, files and design as one zip. */
export class SiteFiles {
  constructor(
    private readonly db: Database,
    private readonly folder: string,
    private readonly files: FileStore,
    private readonly content: Content,
    private readonly media: Media,
    private readonly parts: {
      parcels: Pick<Parcels, 'export' | 'plan' | 'import'>
      settings: Pick<Settings, 'change'>
      bring: Pick<Bring, 'start' | 'makeStructure'>
    },
    private readonly jobs: Pick<Jobs, 'unpackSite' | 'planSite'>,
    private readonly changed: () => Promise<void>,
  ) {}

  private place = (id: Id): string => join(this.folder, 'imports', id)

  /** The whole site as the bytes of a zip, as they are read. Files of more than 60 MB stay behind. */
  async *write(): AsyncGenerator<Buffer> {
    const ready: Buffer[] = []
    let failed: Error | null = null
    const zip = new Zip((error, bytes) => {
      if (error) failed = error
      else ready.push(Buffer.from(bytes))
    })
    async function* add(name: string, bytes: Uint8Array, packed = false): AsyncGenerator<Buffer> {
      const file = packed ? new ZipDeflate(name, { level: 6 }) : new ZipPassThrough(name)
      zip.add(file)
      for (let at = 0; at === 0 || at < bytes.length; at += AT_A_TIME) {
        file.push(bytes.subarray(at, at + AT_A_TIME), at + AT_A_TIME >= bytes.length)
        if (failed) throw failed as Error
        yield* ready.splice(0)
        await giveTurn()
      }
    }
    const { catalogue } = this.content
    const { files } = await this.media.listFiles()
    const carried = files.filter((f) => f.size <= MOST_EACH)
    yield* add('site.json', Buffer.from(JSON.stringify(await this.document(carried))), true)
    const ids = catalogue.site.entries.map((e) => e.id)
    for (let i = 0; i * MOST_ENTRIES_IN_PART < ids.length; i++) {
      const part = ids.slice(i * MOST_ENTRIES_IN_PART, (i + 1) * MOST_ENTRIES_IN_PART)
      yield* add(`entries-${i + 1}.jsonl`, await this.lines(part), true)
    }
    for (const { id, fileName } of catalogue.site.pictures) {
      const found = await this.media.bytesOf(id)
      if (found && found.bytes.length <= MOST_EACH) yield* add(`images/${id}/${fileName}`, found.bytes)
    }
    for (const { id, fileName } of carried) {
      const bytes = await this.media.file(id).then((file) => file && readFile(file.path).catch(() => null))
      if (bytes) yield* add(`files/${id}/${fileName}`, bytes)
    }
    zip.end()
    yield* ready
  }

  private async document(files: readonly { id: Id; fileName: string }[]): Promise<SiteFile> {
    const { site } = this.content.catalogue
    const { document: structure } = await STRUCTURE.read(this.db, STRUCTURE_ID)
    const { pictures: _, structure: _s, names: _n, ...design } = await this.parts.parcels.export()
    return {
      kind: 'outer-frame-site',
      format: 1,
      from: site.settings.name,
      made: instantText(Date.now()),
      entries: site.entries.length,
      settings: site.settings,
      structure,
      redirects: site.redirects ?? [],
      pictures: site.pictures.map(({ widths: _w, ...picture }) => picture),
      files: files.map(({ id, fileName }) => ({ id, fileName })),
      design,
    }
  }

  private async lines(ids: readonly Id[]): Promise<Buffer> {
    const parts: string[] = []
    const turn = takeTurns()
    for (let i = 0; i < ids.length; i += AT_ONCE) {
      const some = ids.slice(i, i + AT_ONCE)
      const found = new Map((await readEntriesBy(this.db, some)).map((s) => [s.entry.id, s.entry]))
      for (const id of some) if (found.has(id)) parts.push(JSON.stringify(found.get(id)) + '\n')
      await turn()
    }
    return Buffer.from(parts.join(''))
  }

  /** Takes in a site file, and says what it would do here. */
  async receive(sent: Sent): Promise<SiteFileAnswer> {
    const incoming = await this.files.receive(sent.stream, MOST_SITE, sent.bytes)
    const id = nanoid(12)
    const folder = this.place(id)
    try {
      if (incoming.size === 0) fail('file-empty')
      await mkdir(folder, { recursive: true, mode: 0o700 })
      const info = await this.jobs.unpackSite({ path: incoming.path, folder })
      await writeFile(join(folder, INFO), JSON.stringify(info), { mode: 0o600 })
      return { id, ...(await this.jobs.planSite({ folder, info })) }
    } catch (error) {
      await rm(folder, { recursive: true, force: true })
      throw error
    } finally {
      await this.files.drop(incoming.path)
    }
  }

  private async info(id: Id): Promise<SiteFileInfo> {
    if (!/^[\w-]{12}$/.test(id)) fail('import-unknown', { id: id.slice(0, 40) })
    const words = await readFile(join(this.place(id), INFO), 'utf8').catch(() => fail('import-unknown', { id }))
    return JSON.parse(words) as SiteFileInfo
  }

  /** Brings the site in, step by step; gives its import at once. */
  async run(id: Id, input: SiteFileInput, by: string): Promise<ImportAnswer> {
    const info = await this.info(id)
    const folder = this.place(id)
    const file = await readSiteDocument(folder)
    return this.parts.bring.start(by, async () => ({
      name: `${file.from} (whole site)`,
      total: file.entries,
      take: async (running) => {
        await this.take(running, { folder, info, file, input }, by)
        await rm(folder, { recursive: true, force: true })
      },
    }))
  }

  private async take(running: Running, from: Coming, by: string): Promise<void> {
    const { file, folder, info, input } = from
    const to = await this.takeImages(from, by)
    for (const id of info.files) await this.takeFile(from, id, by)
    await this.takeStructure(running.id, structureCalled(file.structure, to), input.replace, by)
    let [done, batch] = [0, [] as Parameters<SiteFiles['store']>[1]]
    const flush = async () => {
      await this.store(running.id, batch, input.replace, by)
      done += batch.length
      batch = []
      await noteImport(this.db, running.id, { done })
      await this.changed()
    }
    for await (const entry of entriesIn(folder, info.parts)) {
      if (running.cancelled) break
      batch.push(entryCalled(entry, file.structure, to))
      if (batch.length >= AT_ONCE) await flush()
    }
    await flush()
    if (running.cancelled) return void (await noteImport(this.db, running.id, { state: 'cancelled' }))
    await this.takeDesign(from, to, by)
    await this.takeRest(from, to)
    await noteImport(this.db, running.id, { state: 'done' })
    await this.changed()
  }

  /** Takes in the images; gives what each is called here. One with the same bytes as one that is here is that one. */
  private async takeImages({ file, folder, info }: Coming, by: string): Promise<Called> {
    const names = new Map<Id, Id>()
    const came = new Set(info.images)
    for (const { id, fileName, alt, caption, focus } of file.pictures) {
      if (!came.has(id)) continue
      try {
        const stream = createReadStream(join(folder, 'images', id))
        const { picture } = await this.media.addPicture({ stream, name: fileName }, by, { id, among: came })
        names.set(id, picture.id)
        if (picture.alt === '' && (alt || caption || focus))
          await this.media.describe(picture.id, { alt, ...(caption && { caption }), focus: focus ?? null })
      } catch (error) {
        // One that cannot be read is missed where it is named, and told by the checks.
        if (!(error instanceof ProblemError)) throw error
        log('warn', 'site-image-refused', { id, why: error.problem.sentence })
      }
    }
    return (id) => names.get(id) ?? id
  }

  private async takeFile({ file, folder }: Coming, id: Id, by: string): Promise<void> {
    const name = file.files.find((f) => f.id === id)?.fileName
    if (!name || (await this.media.file(id))) return
    const path = join(folder, 'files', id)
    const sent = async () => ({ stream: createReadStream(path), name, bytes: (await stat(path)).size })
    try {
      if (name.endsWith('.woff2')) await this.media.addFont(await sent(), by, id)
      else await this.media.addFile(await sent(), by, id)
    } catch (error) {
      if (!(error instanceof ProblemError)) throw error
      log('warn', 'site-file-refused', { id, why: error.problem.sentence })
    }
  }

  private async takeStructure(id: Id, coming: Structure, replace: boolean, by: string): Promise<void> {
    const { document } = await STRUCTURE.read(this.db, STRUCTURE_ID)
    await this.parts.bring.makeStructure(id, mergeStructure(document, coming, replace), by)
  }

  private async store(
    id: Id,
    entries: Parameters<typeof entryCalled>[0][],
    replace: boolean,
    by: string,
  ): Promise<void> {
    const touched: Id[] = []
    const turn = takeTurns()
    await this.db.transaction().execute(async (trx) => {
      for (const entry of entries) {
        await turn()
        const was = await readEntry(trx, entry.id)
        if (was ? !replace : await entryExists(trx, entry.id)) continue
        if (was) await updateEntry(trx, { entry, revision: was.revision + 1 }, by)
        else await insertEntry(trx, entry, by)
        await noteImported(trx, id, entry.id, was?.revision ?? null, (was?.revision ?? 0) + 1)
        touched.push(entry.id)
      }
      if (touched.length) await touchContent(trx, touched)
    })
  }

  private async takeDesign({ file, input }: Coming, to: Called, by: string): Promise<void> {
    const choices = Object.fromEntries(
      file.pictures
        .filter(({ id }) => to(id) !== id)
        .map(({ id }): [string, ImportChoice] => [`picture ${id}`, { do: 'use', id: to(id) }]),
    )
    const { design } = file
    const { items } = await this.parts.parcels.plan(design)
    const here = items.filter((i) => i.state === 'replaces').map((i) => `${i.what} ${i.id}`)
    await this.parts.parcels.import({ parcel: design, choices, leaveOut: input.replace ? [] : here }, by)
  }

  /** Redirects, and the settings where they are asked for: last, since they name what has come. */
  private async takeRest({ file, input }: Coming, to: Called): Promise<void> {
    await writeRedirects(this.db, file.redirects)
    await touchContent(this.db)
    await this.changed()
    if (!input.settings) return
    const settings: Partial<SiteSettings> = { ...settingsCalled(file.settings, to) }
    for (const name of OWN_SETTINGS) delete settings[name]
    await this.parts.settings.change(settings)
  }
}

interface Coming {
  folder: string
  info: SiteFileInfo
  file: SiteFile
  input: SiteFileInput
}
