import { createReadStream } from 'node:fs'
import { join } from 'node:path'
import { Readable } from 'node:stream'
import { setImmediate } from 'node:timers/promises'
import { nanoid } from 'nanoid'
import type { PlainEdit } from '../../core/edits'
import { ProblemError, fail } from '../../core/problems'
import { Catalogue, checkEntry, redirectOfEntry, writtenIn } from '../../core/catalogue'
import { ColumnWays } from '../../core/importing'
import { type Id, type PageType, STRUCTURE_EDITING, type Structure, blankType } from '../../core/model'
import type { BringInput, BringPreviewAnswer, ImportAnswer, RowProblem, SheetAnswer } from '../../shared/api/types'
import type { Jobs } from '../aside/work'
import type { SheetInfo } from '../bring/keep'
import { type Needed, asOneEdit, planNeeds } from '../bring/plan'
import { fetchImage } from '../bring/fetch-image'
import {
  type Reading,
  type RowReader,
  baseName,
  imagesIn,
  previewRows,
  rowReader,
  webAddress,
  whyOf,
} from '../bring/rows'
import { KeptSheets, type NamedSheet } from '../bring/sheets'
import type { Row } from '../bring/sheet'
import { REDIRECTS_CHANGED, touchContent } from '../database/content'
import { entryExists, insertEntry, readEntry, updateEntry } from '../database/entries'
import { insertImport, noteImport, noteImported, readImports, readRunningImports } from '../database/imports'
import { takeLock } from '../database/lock'
import type { Database } from '../database/open'
import type { FileStore } from '../media/store'
import type { Content } from './content'
import { makeEdit } from './editing'
import { STRUCTURE, STRUCTURE_ID } from './kept'
import { log } from './log'
import type { Media, Sent } from './media'
import { takeBack } from './take-back'
import { takeTurns } from './turns'

/** So many images are fetched from the web for one import. */
const MOST_FETCHED = 2000
const FETCHED_AT_ONCE = 6
/** Rows stored in one go: visitors are answered in between. */
const AT_ONCE = 25

export interface Running {
  id: Id
  cancelled: boolean
}

/** An import that is ready to run. */
interface Prepared {
  name: string
  total: number
  take(running: Running): Promise<void>
}

/** What is taken along: the rows that were kept, and what they need and are read by. */
interface Load {
  sheet: Id
  info: NamedSheet
  plan: BringInput
  needed: Needed
  ways: ColumnWays
}

/** Content that comes along from elsewhere: looked at first, then taken row by row, undone in one step. */
export class Bring {
  private readonly sheets: KeptSheets
  private running: Running | null = null
  private work: Promise<void> = Promise.resolve()

  constructor(
    private readonly db: Database,
    private readonly folder: string,
    files: FileStore,
    jobs: Pick<Jobs, 'sheet'>,
    private readonly content: Content,
    private readonly media: Media,
    private readonly changed: () => Promise<void>,
    private readonly fetch: typeof fetchImage = fetchImage,
  ) {
    this.sheets = new KeptSheets(join(folder, 'imports'), files, jobs)
  }

  /** Held by the process that takes an import along, over this data folder; null while another one holds it. */
  private hold = (): (() => void) | null => takeLock(join(this.folder, 'importing.lock'))

  /** Takes back imports that a stopped server left in the middle, unless another process is taking one along now. */
  async open(): Promise<void> {
    await this.sheets.open()
    const left = await readRunningImports(this.db)
    const free = left.length > 0 && this.hold()
    if (!free) return
    try {
      for (const { id, name } of left) {
        await this.undo(id, 'the server')
        log('info', 'import-taken-back', { import: id, name })
      }
    } finally {
      free()
    }
  }

  /** Takes in a file and reads it; nothing of the site changes. */
  async receive(sent: Sent, encoding?: string): Promise<SheetAnswer> {
    const { id, info } = await this.sheets.receive(sent, encoding)
    const { name, format, columns, rows, pictures, first, kinds } = info
    return { id, name, format, columns, rows, pictures: pictures.length, first, kinds }
  }

  private async load(sheet: Id, plan: BringInput): Promise<Load> {
    const info = await this.sheets.info(sheet)
    const { document } = await STRUCTURE.read(this.db, STRUCTURE_ID)
    const needed = await planNeeds(document, plan, () => this.sheets.rows(sheet))
    const type = needed.structure.types.find((t) => t.id === needed.type)
    return { sheet, info, plan, needed, ways: await this.waysOf(sheet, needed.columns, type) }
  }

  /** How the columns are written that could be read in two ways: all their values are looked at before any is read. */
  private async waysOf(sheet: Id, columns: Needed['columns'], type: PageType | undefined): Promise<ColumnWays> {
    const ways = new ColumnWays(type ? columns : {}, type ?? blankType('none', '', '', ''))
    if (!ways.isAsked) return ways
    const turn = takeTurns()
    for await (const row of this.sheets.rows(sheet)) {
      await turn()
      ways.see(row)
    }
    return ways
  }

  private readingOf({ plan, needed, ways }: Load, catalogue: Catalogue, brought: ReadonlyMap<string, Id>): Reading {
    const type = catalogue.types.get(needed.type) ?? fail('type-unknown', { id: needed.type })
    return {
      type,
      columns: needed.columns,
      published: plan.published,
      catalogue,
      brought,
      ways: ways.ways(plan.ways ?? {}),
    }
  }

  /** What taking the rows along would come to; nothing of the site changes. */
  async preview(sheet: Id, plan: BringInput): Promise<BringPreviewAnswer> {
    const load = await this.load(sheet, plan)
    const { info, needed } = load
    const { format: _, ...built } = needed.structure
    const { catalogue } = this.content
    const coming = needed.edits.length > 0 ? new Catalogue({ ...catalogue.site, ...built }) : catalogue
    // Pictures that came along count as there, under names of their own.
    const brought = new Map(info.pictures.map((p, i) => [baseName(p.name), `picture-${i}`]))
    const questions = load.ways.questions(writtenIn(catalogue.site.settings), plan.ways ?? {})
    const reading = { ...this.readingOf(load, coming, brought), fetches: plan.fetchImages === true }
    return previewRows(this.sheets.rows(sheet), reading, needed.made, questions)
  }

  /** Takes the rows along; one import at a time. Gives its id at once: how far it is, is asked for. */
  async run(sheet: Id, plan: BringInput, by: string): Promise<ImportAnswer> {
    return this.start(by, async () => {
      const load = await this.load(sheet, plan)
      const { name, rows } = load.info
      return { name, total: rows, take: (running) => this.take(running, load, by) }
    })
  }

  /**
   * Begins an import, one at a time over this data folder: `prepare` gives its name, how much it takes along, and what
   * does so. One that fails is taken back.
   */
  async start(by: string, prepare: () => Promise<Prepared>): Promise<ImportAnswer> {
    if (this.running) fail('import-running')
    const running = (this.running = { id: nanoid(12), cancelled: false })
    const free = this.hold()
    const over = () => {
      free?.()
      this.running = null
    }
    try {
      if (!free) fail('import-running')
      const { name, total, take } = await prepare()
      await insertImport(this.db, running.id, name, total, by)
      this.work = take(running)
        .catch(async (error: unknown) => {
          log('error', 'import-failed', { import: running.id, error: String((error as Error)?.stack ?? error) })
          await takeBack(this.db, running.id, by, this.changed).catch(() => {})
        })
        .finally(over)
      return (await this.find(running.id))!
    } catch (error) {
      over()
      throw error
    }
  }

  private async take(running: Running, load: Load, by: string): Promise<void> {
    const { sheet, info, needed } = load
    await this.makeStructure(running.id, needed.edits, by)
    const brought = await this.takePictures(info, by)
    if (load.plan.fetchImages) await this.fetchImages(running, load, brought, by)
    const reading = this.readingOf(load, this.content.catalogue, brought)
    const reader = await rowReader(reading, () => this.content.catalogue)
    const problems: RowProblem[] = []
    let number = 0
    let batch: Row[] = []
    const flush = async () => {
      const first = number - batch.length
      problems.push(...(await this.store(running.id, batch, first, reader, by)))
      batch = []
      await noteImport(this.db, running.id, { done: number, problems })
      await setImmediate()
      await this.changed()
      reader.stored()
      await setImmediate()
    }
    for await (const row of this.sheets.rows(sheet)) {
      if (running.cancelled) break
      number++
      batch.push(row)
      if (batch.length >= AT_ONCE) await flush()
    }
    if (batch.length) await flush()
    await noteImport(this.db, running.id, { state: running.cancelled ? 'cancelled' : 'done', problems })
    await this.sheets.drop(sheet)
  }

  /** Everything that is made of the structure at once, with the edit that takes it back. */
  async makeStructure(id: Id, edits: readonly PlainEdit[], by: string): Promise<void> {
    if (edits.length === 0) return
    const edit = asOneEdit(edits)
    await this.db.transaction().execute(async (trx) => {
      const { document } = await STRUCTURE.read(trx, STRUCTURE_ID)
      const result = STRUCTURE_EDITING.apply(document, edit)
      if (!result.ok) throw new ProblemError(result.problem)
      await makeEdit<Structure, PlainEdit>(trx, STRUCTURE, STRUCTURE_ID, edit, by)
      await noteImport(trx, id, { structure: result.inverse })
    })
    await this.changed()
  }

  private async takePictures({ pictures }: SheetInfo, by: string): Promise<Map<string, Id>> {
    const found = new Map<string, Id>()
    for (const { name, path } of pictures) {
      try {
        const { picture } = await this.media.addPicture({ stream: createReadStream(path), name }, by)
        found.set(baseName(name), picture.id)
        found.set(baseName(name).replace(/\.\w+$/, ''), picture.id)
      } catch (error) {
        // One that cannot be read is missed by the rows that name it, and told there.
        if (!(error instanceof ProblemError)) throw error
      }
    }
    return found
  }

  /** Fetches the images that texts show from the web; one that cannot be fetched is missed by its row, and told there. */
  private async fetchImages(running: Running, load: Load, brought: Map<string, Id>, by: string): Promise<void> {
    const reading = this.readingOf(load, this.content.catalogue, brought)
    const found = new Set<string>()
    for await (const row of this.sheets.rows(load.sheet))
      for (const address of await imagesIn(row, reading)) if (found.size < MOST_FETCHED) found.add(address)
    const addresses = [...found]
    for (let i = 0; i < addresses.length && !running.cancelled; i += FETCHED_AT_ONCE) {
      const some = addresses.slice(i, i + FETCHED_AT_ONCE)
      const files = await Promise.all(some.map((address) => this.fetch(webAddress(address)!)))
      for (const [n, bytes] of files.entries()) if (bytes) await this.keepFetched(some[n]!, bytes, brought, by)
    }
  }

  private async keepFetched(address: string, bytes: Buffer, brought: Map<string, Id>, by: string): Promise<void> {
    try {
      const name = baseName(decodeURI(new URL(webAddress(address)!).pathname)) || 'image'
      const { picture } = await this.media.addPicture({ stream: Readable.from([bytes]), name }, by)
      brought.set(address, picture.id)
    } catch (error) {
      // What is no image is missed by its row, and told there.
      if (!(error instanceof ProblemError || error instanceof URIError)) throw error
    }
  }

  /** Stores some rows, all at once; gives why those that were refused were. */
  private async store(
    id: Id,
    rows: readonly Row[],
    first: number,
    reader: RowReader,
    by: string,
  ): Promise<RowProblem[]> {
    const problems: RowProblem[] = []
    const touched: Id[] = []
    const { catalogue } = this.content
    const turn = takeTurns()
    await this.db.transaction().execute(async (trx) => {
      for (const [i, row] of rows.entries()) {
        await turn()
        const tell = (why: string) => problems.push({ row: first + i + 1, why })
        const { entry, changed, lost } = reader.take(row)
        lost.forEach(tell)
        // What is there as the row says it is left alone.
        if (!changed) continue
        const [refused] = checkEntry(entry, catalogue)
        if (refused) {
          tell(whyOf(refused))
          continue
        }
        const was = await readEntry(trx, entry.id)
        if (!was && (await entryExists(trx, entry.id))) {
          tell(`an entry with the id ${entry.id} waits under Removed`)
          continue
        }
        const moved = was && redirectOfEntry(was.entry, entry, catalogue)
        if (was) await updateEntry(trx, { entry, revision: was.revision + 1 }, by, moved)
        else await insertEntry(trx, entry, by)
        await noteImported(trx, id, entry.id, was?.revision ?? null, (was?.revision ?? 0) + 1)
        touched.push(entry.id, ...(moved ? [REDIRECTS_CHANGED] : []))
      }
      if (touched.length) await touchContent(trx, [...new Set(touched)])
    })
    return problems
  }

  cancel(id: Id): void {
    if (this.running?.id !== id) fail('import-unknown', { id })
    this.running!.cancelled = true
  }

  async list(): Promise<ImportAnswer[]> {
    return readImports(this.db)
  }

  private async find(id: Id): Promise<ImportAnswer | undefined> {
    return (await readImports(this.db, id))[0]
  }

  /** Takes a whole import back: see `takeBack`. */
  async undo(id: Id, by: string): Promise<ImportAnswer> {
    if (!(await this.find(id))) fail('import-unknown', { id })
    if (this.running?.id === id) {
      this.running.cancelled = true
      await this.work
    }
    await takeBack(this.db, id, by, this.changed)
    return (await this.find(id))!
  }

  /** Waits until what runs is done: for tests, and for what measures. */
  async settled(): Promise<void> {
    await this.work
  }

  async end(): Promise<void> {
    if (this.running) this.running.cancelled = true
    await this.work
  }
}
