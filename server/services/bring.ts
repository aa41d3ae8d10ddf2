import { createReadStream } from 'node:fs'
import { mkdir, readFile, readdir, rm, stat, writeFile } from 'node:fs/promises'
import { join } from 'node:path'
import { createInterface } from 'node:readline'
import { nanoid } from 'nanoid'
import { type Problem, ProblemError, fail } from '../../core/problems'
import { type PlainEdit, refusePlainEdit } from '../../core/edits'
import {
  type Bringing,
  Catalogue,
  type Entry,
  type Field,
  type Id,
  type PageType,
  type RichDoc,
  STRUCTURE_EDITING,
  type Structure,
  bringRow,
  checkEntry,
  converted,
  firstFree,
  insertTerm,
  isHeld,
  namedIn,
  newField,
  newPageType,
  newPerson,
  newTerm,
  partsOf,
  redirectOfEntry,
  slugOf,
  takenAddress,
  wordsOf,
} from '../../core/site'
import type { BringInput, BringPreviewAnswer, ImportAnswer, RowProblem, SheetAnswer } from '../../shared/api/types'
import type { Jobs } from '../aside/work'
import { ROWS_FILE, type SheetInfo } from '../bring/keep'
import { looksLikeHtml, richOf } from '../bring/rich'
import type { Row } from '../bring/sheet'
import { touchContent } from '../database/content'
import {
  entryExists,
  insertEntry,
  readEntriesBy,
  readEntry,
  readState,
  setEntryRemoved,
  updateEntry,
} from '../database/entries'
import {
  insertImport,
  noteImport,
  noteImported,
  readImportStructure,
  readImported,
  readImports,
} from '../database/imports'
import type { Database } from '../database/open'
import type { FileStore } from '../media/store'
import type { Content } from './content'
import { makeEdit } from './editing'
import { STRUCTURE, STRUCTURE_ID } from './kept'
import { log } from './log'
import type { Media, Sent } from './media'
import { takeTurns } from './turns'

const MOST_FILE = 200_000_000
/** Rows stored in one go: visitors are answered in between. */
const AT_ONCE = 25
const FIRST = 8
const MOST_TOLD = 200
/** What came and was not taken along is gone after a day. */
const WAITS = 24 * 60 * 60_000

interface Ready {
  type: PageType
  structure: Structure
  edits: PlainEdit[]
  made: { terms: string[]; people: string[] }
  catalogue: Catalogue
}

/** Content that comes along from elsewhere: looked at first, then taken row by row, undone in one step. */
export class Bring {
  private running: { id: Id; cancelled: boolean } | null = null
  private work: Promise<void> = Promise.resolve()

  constructor(
    private readonly db: Database,
    private readonly folder: string,
    private readonly files: FileStore,
    private readonly jobs: Pick<Jobs, 'sheet'>,
    private readonly content: Content,
    private readonly media: Media,
    private readonly changed: () => Promise<void>,
  ) {}

  /** Takes back imports that a stopped server left in the middle, and what came long ago. */
  async open(): Promise<void> {
    const base = this.base()
    await mkdir(base, { recursive: true, mode: 0o700 })
    for (const name of await readdir(base))
      if (Date.now() - (await stat(join(base, name))).mtimeMs > WAITS)
        await rm(join(base, name), { recursive: true, force: true })
    for (const { id, state, name } of await readImports(this.db)) {
      if (state !== 'running') continue
      await this.undo(id, 'the server')
      log('info', 'import-taken-back', { import: id, name })
    }
  }

  private base = (): string => join(this.folder, 'imports')
  private place = (id: Id): string => join(this.base(), id)

  /** Takes in a file and reads it; nothing of the site changes. */
  async receive(sent: Sent, encoding?: string): Promise<SheetAnswer> {
    const incoming = await this.files.receive(sent.stream, MOST_FILE, sent.bytes)
    const id = nanoid(12)
    try {
      if (incoming.size === 0) fail('file-empty')
      await mkdir(this.place(id), { recursive: true, mode: 0o700 })
      const info = await this.jobs.sheet({
        path: incoming.path,
        name: sent.name,
        folder: this.place(id),
        ...(encoding && { encoding }),
      })
      await writeFile(join(this.place(id), 'info.json'), JSON.stringify({ ...info, name: sent.name }), { mode: 0o600 })
      return this.answerOf(id, sent.name, info)
    } catch (error) {
      await rm(this.place(id), { recursive: true, force: true })
      throw error
    } finally {
      await this.files.drop(incoming.path)
    }
  }

  private answerOf(id: Id, name: string, { format, columns, rows, pictures, first, kinds }: SheetInfo): SheetAnswer {
    return { id, name, format, columns, rows, pictures: pictures.length, first, kinds }
  }

  private async info(id: Id): Promise<SheetInfo & { name: string }> {
    if (!/^[\w-]{12}$/.test(id)) fail('import-unknown', { id: id.slice(0, 40) })
    const text = await readFile(join(this.place(id), 'info.json'), 'utf8').catch(() => fail('import-unknown', { id }))
    return JSON.parse(text) as SheetInfo & { name: string }
  }

  private async *rows(id: Id): AsyncGenerator<Row> {
    const lines = createInterface({
      input: createReadStream(join(this.place(id), ROWS_FILE), 'utf8'),
      crlfDelay: Infinity,
    })
    for await (const line of lines) if (line) yield JSON.parse(line) as Row
  }

  /** What a plan needs of the structure: the type and its new fields, and, where asked, terms and people by name. */
  private async ready(id: Id, info: SheetInfo, plan: BringInput): Promise<Ready> {
    const { document: before } = await STRUCTURE.read(this.db, STRUCTURE_ID)
    const edits: PlainEdit[] = []
    let structure = before
    const apply = (edit: PlainEdit): void => {
      const result = STRUCTURE_EDITING.apply(structure, edit)
      if (!result.ok) throw new ProblemError(result.problem)
      structure = result.document
      edits.push(edit)
    }
    const typeId = this.readyType(plan, structure, apply)
    await this.readyFields(id, info, plan, typeId, () => structure, apply)
    const made = plan.make ? await this.readyNames(id, plan, () => structure, apply) : { terms: [], people: [] }
    const type = structure.types.find((t) => t.id === typeId)!
    const { format: _, ...built } = structure
    const catalogue = edits.length
      ? new Catalogue({ ...this.content.catalogue.site, ...built })
      : this.content.catalogue
    return { type, structure, edits, made, catalogue }
  }

  private readyType(plan: BringInput, structure: Structure, apply: (edit: PlainEdit) => void): Id {
    if (plan.type.kind === 'there') {
      const { id } = plan.type
      return structure.types.some((t) => t.id === id) ? id : fail('type-unknown', { id })
    }
    const parts = new Set([...structure.types, ...structure.taxonomies].map((t) => t.slug))
    const ids = new Set(structure.types.map((t) => t.id))
    const taxonomies = Object.values(plan.columns).flatMap((t) =>
      t.startsWith('terms:') ? t.slice('terms:'.length) : [],
    )
    const item = { ...newPageType(plan.type.name.trim(), plan.type.plural.trim(), ids, parts), taxonomies }
    apply({ kind: 'insert', at: ['types'], index: structure.types.length, item })
    return item.id
  }

  /** Columns of which fields are made name those fields from here on. */
  private async readyFields(
    id: Id,
    info: SheetInfo,
    plan: BringInput,
    type: Id,
    now: () => Structure,
    apply: (edit: PlainEdit) => void,
  ) {
    for (const [column, target] of Object.entries(plan.columns)) {
      if (!target.startsWith('new:')) continue
      const kind = target.slice('new:'.length) as Field['kind']
      const { fields } = now().types.find((t) => t.id === type)!
      const field = newField(column, kind, new Set(fields.map((f) => f.id)))
      if (kind === 'choice' || kind === 'choices') field.choices = await this.choicesOf(id, column, kind === 'choices')
      apply({ kind: 'insert', at: ['types', type, 'fields'], index: fields.length, item: field })
      plan.columns[column] = `field:${field.id}`
    }
  }

  private async choicesOf(id: Id, column: string, several: boolean): Promise<NonNullable<Field['choices']>> {
    const found = new Map<string, string>()
    for await (const row of this.rows(id)) {
      const cell = row[column]?.trim() ?? ''
      for (const label of several ? partsOf(cell) : [cell]) {
        if (label && found.size < 200 && !found.has(label.toLowerCase()))
          found.set(label.toLowerCase(), label.slice(0, 200))
      }
    }
    const ids = new Set<string>()
    return [...found.values()].map((label) => {
      const own = firstFree(slugOf(label).replace(/[^a-z0-9-]/g, '') || 'choice', 60, (name) => ids.has(name))
      ids.add(own)
      return { id: own, label }
    })
  }

  /** Terms and people that rows name and that are not there. */
  private async readyNames(id: Id, plan: BringInput, now: () => Structure, apply: (edit: PlainEdit) => void) {
    const made = { terms: [] as string[], people: [] as string[] }
    const known = new Set(now().terms.map((t) => `${t.taxonomy} ${t.title.trim().toLowerCase()}`))
    const people = new Set(now().people.map((p) => p.name.trim().toLowerCase()))
    const taxonomies = new Set(now().taxonomies.map((t) => t.id))
    const turn = takeTurns()
    for await (const row of this.rows(id)) {
      await turn()
      for (const [column, target] of Object.entries(plan.columns)) {
        const words = row[column]?.trim() ?? ''
        if (!words) continue
        const taxonomy = target.startsWith('terms:') ? target.slice('terms:'.length) : ''
        for (const title of taxonomies.has(taxonomy) ? partsOf(words) : []) {
          const key = `${taxonomy} ${title.toLowerCase()}`
          if (known.has(key) || made.terms.length >= 1000) continue
          known.add(key)
          const term = newTerm(now(), taxonomy, title.slice(0, 200), nanoid(10))
          apply(insertTerm(now(), term, { parent: null, index: now().terms.length }))
          made.terms.push(title)
        }
        if (target !== 'person' || people.has(words.toLowerCase()) || made.people.length >= 500) continue
        people.add(words.toLowerCase())
        apply({
          kind: 'insert',
          at: ['people'],
          index: now().people.length,
          item: newPerson(now(), words.slice(0, 200)),
        })
        made.people.push(words)
      }
    }
    return made
  }

  /** How rows become entries: by what is there, by what the plan makes, and by the pictures that came along. */
  private bringing(
    { type, catalogue }: Ready,
    plan: BringInput,
    brought: ReadonlyMap<string, Id>,
    now: () => Catalogue,
  ): Bringing {
    const named = namedIn(catalogue)
    const pictureNamed = (words: string): Id | undefined => {
      const name = decodeSafely(words).split(/[/\\]/).pop()!.trim().toLowerCase()
      return brought.get(name) ?? brought.get(name.replace(/\.\w+$/, '')) ?? named.picture(words)
    }
    const terms = new Map(catalogue.site.terms.map((t) => [`${t.taxonomy} ${t.title.trim().toLowerCase()}`, t.id]))
    const bySlug = new Map(catalogue.site.entries.filter((e) => e.type === type.id).map((e) => [e.slug, e.id]))
    return {
      type,
      columns: plan.columns,
      published: plan.published,
      named: { ...named, picture: pictureNamed },
      term: (taxonomy, title) => terms.get(`${taxonomy} ${title.trim().toLowerCase()}`),
      rich: (words) => (looksLikeHtml(words) ? richOf(words, pictureNamed) : paragraphs(words)),
      existing(own, slug) {
        const { entries } = now()
        const found = entries.get(own) ?? entries.get(bySlug.get(slug) ?? '')
        return found?.type === type.id ? found : undefined
      },
      newId: () => nanoid(12),
      free(entry, wanted) {
        // Those of this import that came before may not be stored yet.
        const taken = (slug: string) => bySlug.has(slug) || takenAddress({ ...entry, slug }, type, now()) !== null
        const free = firstFree(slugOf(wanted) || 'untitled', 80, taken)
        bySlug.set(free, entry.id)
        return free
      },
    }
  }

  /** What taking the rows along would come to; nothing of the site changes. */
  async preview(id: Id, input: BringInput): Promise<BringPreviewAnswer> {
    const plan = { ...input, columns: { ...input.columns } }
    const info = await this.info(id)
    const ready = await this.ready(id, info, plan)
    // Pictures that came along count as there, under names of their own.
    const brought = new Map(info.pictures.map((p, i) => [baseName(p.name), `picture-${i}`]))
    const by = this.bringing(ready, plan, brought, () => ready.catalogue)
    const answer: BringPreviewAnswer = { entries: [], fresh: 0, replaced: 0, made: ready.made, problems: [], wrong: 0 }
    const turn = takeTurns()
    let number = 0
    for await (const row of this.rows(id)) {
      await turn()
      number++
      const { entry, replaces, lost } = bringRow(row, by)
      const why = [...lost, ...this.refusals(entry, ready.catalogue, brought)]
      answer[replaces ? 'replaced' : 'fresh']++
      if (why.length) answer.wrong++
      for (const one of why) if (answer.problems.length < MOST_TOLD) answer.problems.push({ row: number, why: one })
      if (answer.entries.length < FIRST)
        answer.entries.push({ title: entry.title, slug: entry.slug, replaces, fields: shownFields(entry, ready) })
    }
    return answer
  }

  private refusals(entry: Entry, catalogue: Catalogue, brought?: ReadonlyMap<string, Id>): string[] {
    const coming = new Set(brought?.values())
    const own = entry.picture && coming.has(entry.picture) ? { ...entry, picture: null } : entry
    return checkEntry(own, catalogue)
      .filter(({ code }) => !(coming.size > 0 && code === 'field-value'))
      .map(sentenceOf)
  }

  /** Takes the rows along; one import at a time. Gives its id at once: how far it is, is asked for. */
  async run(id: Id, input: BringInput, by: string): Promise<ImportAnswer> {
    if (this.running) fail('import-running')
    this.running = { id: '', cancelled: false }
    try {
      const plan = { ...input, columns: { ...input.columns } }
      const info = await this.info(id)
      const running = { id: nanoid(12), cancelled: false }
      const ready = await this.ready(id, info, plan)
      await insertImport(this.db, running.id, info.name, info.rows, by)
      this.running = running
      this.work = this.take(id, running, info, plan, ready, by)
        .catch(async (error: unknown) => {
          log('error', 'import-failed', { import: running.id, error: String((error as Error)?.stack ?? error) })
          await this.undo(running.id, by).catch(() => {})
        })
        .finally(() => (this.running = null))
      return (await this.find(running.id))!
    } catch (error) {
      this.running = null
      throw error
    }
  }

  private async take(
    sheet: Id,
    running: { id: Id; cancelled: boolean },
    info: SheetInfo,
    plan: BringInput,
    ready: Ready,
    by: string,
  ): Promise<void> {
    await this.makeStructure(running.id, ready.edits, by)
    const brought = await this.takePictures(info, by)
    const now = { ...ready, catalogue: this.content.catalogue }
    const bringing = this.bringing(now, plan, brought, () => this.content.catalogue)
    const problems: RowProblem[] = []
    let number = 0
    let batch: Row[] = []
    const flush = async () => {
      const first = number - batch.length
      problems.push(...(await this.store(running.id, batch, first, bringing, by)))
      batch = []
      await noteImport(this.db, running.id, { done: number, problems })
      await this.changed()
    }
    for await (const row of this.rows(sheet)) {
      if (running.cancelled) break
      number++
      batch.push(row)
      if (batch.length >= AT_ONCE) await flush()
    }
    if (batch.length) await flush()
    await noteImport(this.db, running.id, { state: running.cancelled ? 'cancelled' : 'done', problems })
    await rm(this.place(sheet), { recursive: true, force: true })
  }

  /** Everything that is made of the structure at once, with the edit that takes it back. */
  private async makeStructure(id: Id, edits: readonly PlainEdit[], by: string): Promise<void> {
    if (edits.length === 0) return
    await this.db.transaction().execute(async (trx) => {
      const { document } = await STRUCTURE.read(trx, STRUCTURE_ID)
      const nested: PlainEdit[] = []
      for (let i = 0; i < edits.length; i += 500)
        nested.push({ kind: 'batch', label: 'what comes along', edits: edits.slice(i, i + 500) as PlainEdit[] })
      const edit: PlainEdit = { kind: 'batch', label: 'what comes along', edits: nested }
      const result = STRUCTURE_EDITING.apply(document, edit)
      if (!result.ok) throw new ProblemError(result.problem)
      await makeEdit<Structure, PlainEdit>(trx, STRUCTURE, STRUCTURE_ID, edit as PlainEdit, by)
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

  private async store(
    id: Id,
    rows: readonly Row[],
    first: number,
    bringing: Bringing,
    by: string,
  ): Promise<RowProblem[]> {
    const problems: RowProblem[] = []
    const touched: Id[] = []
    const { catalogue } = this.content
    const turn = takeTurns()
    await this.db.transaction().execute(async (trx) => {
      for (const [i, row] of rows.entries()) {
        await turn()
        const number = first + i + 1
        const { entry, lost } = bringRow(row, bringing)
        for (const why of lost) problems.push({ row: number, why })
        const [refused] = checkEntry(entry, catalogue)
        if (refused) {
          problems.push({ row: number, why: sentenceOf(refused) })
          continue
        }
        const was = await readEntry(trx, entry.id)
        if (!was && (await entryExists(trx, entry.id))) {
          problems.push({ row: number, why: `an entry with the id ${entry.id} waits under Removed` })
          continue
        }
        if (was)
          await updateEntry(
            trx,
            { entry, revision: was.revision + 1 },
            by,
            redirectOfEntry(was.entry, entry, catalogue),
          )
        else await insertEntry(trx, entry, by)
        await noteImported(trx, id, entry.id, was?.revision ?? null, (was?.revision ?? 0) + 1)
        touched.push(entry.id)
      }
      if (touched.length) await touchContent(trx, touched)
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
    return (await this.list()).find((i) => i.id === id)
  }

  /**
   * Takes a whole import back: what it made goes to Removed, what it changed is as it was before, unless somebody has
   * stored it since; what was made of the structure for it goes.
   */
  async undo(id: Id, by: string): Promise<ImportAnswer> {
    if (this.running?.id === id) this.running.cancelled = true
    if (!(await this.find(id))) fail('import-unknown', { id })
    const turn = takeTurns()
    const stored = await readImported(this.db, id)
    for (let i = 0; i < stored.length; i += AT_ONCE) {
      const part = stored.slice(i, i + AT_ONCE)
      await this.db.transaction().execute(async (trx) => {
        const now = new Map(
          (
            await readEntriesBy(
              trx,
              part.map((p) => p.entry),
            )
          ).map((s) => [s.entry.id, s]),
        )
        for (const { entry, before, after } of part) {
          await turn()
          const is = now.get(entry)
          if (!is || is.revision !== after) continue
          const was = before === null ? null : await readState(trx, entry, before)
          if (before === null) await setEntryRemoved(trx, entry, true, by)
          else if (was) await updateEntry(trx, { entry: was, revision: after + 1 }, by)
        }
        await touchContent(
          trx,
          part.map((p) => p.entry),
        )
      })
      await this.changed()
    }
    await this.undoStructure(id, by)
    await noteImport(this.db, id, { state: 'undone' })
    await this.changed()
    return (await this.find(id))!
  }

  /** What was made of the structure stays where something else has come to need it. */
  private async undoStructure(id: Id, by: string): Promise<void> {
    const edit = await readImportStructure(this.db, id)
    if (edit === null) return
    const spoilt = refusePlainEdit(edit)
    if (spoilt) return log('warn', 'import-structure-spoilt', { import: id, why: spoilt.sentence })
    await this.db
      .transaction()
      .execute((trx) => makeEdit<Structure, PlainEdit>(trx, STRUCTURE, STRUCTURE_ID, edit as PlainEdit, by))
      .catch((error: unknown) => {
        if (!(error instanceof ProblemError)) throw error
        log('info', 'import-structure-stays', { import: id, why: error.problem.sentence })
      })
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

const sentenceOf = ({ sentence }: Problem): string => sentence.replace(/\.? Nothing was stored\.$/, '')
const baseName = (name: string): string => name.split(/[/\\]/).pop()!.trim().toLowerCase()

function decodeSafely(words: string): string {
  try {
    return decodeURIComponent(words.replace(/[?#].*$/, ''))
  } catch (error) {
    if (error instanceof URIError) return words
    throw error
  }
}

function paragraphs(words: string): RichDoc | null {
  return converted({ id: 'content', label: 'Content', kind: 'rich' }, words) as RichDoc | null
}

/** The fields of an entry in words, by their labels, for looking at. */
function shownFields(entry: Entry, { type, catalogue }: Ready): Record<string, string> {
  const person = entry.person ? [[type.personLabel || 'Person', catalogue.people.get(entry.person)?.name ?? '']] : []
  const terms = entry.terms.flatMap((t) => catalogue.terms.get(t)?.title ?? [])
  const own = type.fields
    .filter((f) => entry.fields[f.id] !== undefined && isHeld(f, entry.fields[f.id]))
    .map((f) => [f.label, wordsOf(entry.fields[f.id], f).slice(0, 120)])
  return Object.fromEntries([
    ...(entry.date ? [['Date', entry.date]] : []),
    ...person,
    ...(terms.length ? [['Terms', terms.join(', ')]] : []),
    ...own,
    ...(entry.content ? [['Content', wordsOf(entry.content).slice(0, 120)]] : []),
  ] as [string, string][])
}
