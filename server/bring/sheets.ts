import { createReadStream } from 'node:fs'
import { mkdir, readFile, readdir, rm, stat, writeFile } from 'node:fs/promises'
import { join } from 'node:path'
import { createInterface } from 'node:readline'
import { nanoid } from 'nanoid'
import { fail } from '../../core/problems'
import { exact, isRecord, list, oneOf, record, refuse, text, whole, shapeOf } from '../../core/shape'
import type { Id } from '../../core/model'
import { FIELD_KINDS } from '../../core/fields'
import type { Jobs } from '../aside/work'
import type { FileStore } from '../media/store'
import type { Sent } from '../services/media'
import { ROWS_FILE, type SheetInfo } from './keep'
import { FORMATS, MOST_COLUMNS, MOST_ROWS, type Row } from './sheet'

const MOST_FILE = 200_000_000
/** What came and was not taken along is gone after a day. */
const WAITS = 24 * 60 * 60_000
const INFO_FILE = 'info.json'
const ANY = /^[\s\S]{0,200}$/

const MOST_PICTURES = 100_000
const infoShape = shapeOf<NamedSheet>()(
  exact({
    name: text(300),
    format: oneOf(FORMATS),
    columns: list(text(200), MOST_COLUMNS),
    rows: whole(0, MOST_ROWS),
    pictures: list(exact({ name: text(2000), path: text(4000) }), MOST_PICTURES),
    first: list(record(ANY, text(1000), MOST_COLUMNS), 20),
    kinds: record(ANY, oneOf(FIELD_KINDS), MOST_COLUMNS),
  }),
)
const isRow = (value: unknown): value is Row =>
  isRecord(value) && Object.values(value).every((cell) => typeof cell === 'string')
const isInfo = (value: unknown): value is NamedSheet => refuse(infoShape, value) === null

export type NamedSheet = SheetInfo & { name: string }

/** Files that came to be taken along, read and kept in a folder of their own until they are, or a day has gone. */
export class KeptSheets {
  constructor(
    private readonly folder: string,
    private readonly files: FileStore,
    private readonly jobs: Pick<Jobs, 'sheet'>,
  ) {}

  private place = (id: Id): string => join(this.folder, id)

  /** Makes the folder, and clears what came long ago. */
  async open(): Promise<void> {
    await mkdir(this.folder, { recursive: true, mode: 0o700 })
    for (const name of await readdir(this.folder)) {
      const place = join(this.folder, name)
      if (Date.now() - (await stat(place)).mtimeMs > WAITS) await rm(place, { recursive: true, force: true })
    }
  }

  /** Takes in a file and reads it beside everything else. */
  async receive(sent: Sent, encoding?: string): Promise<{ id: Id; info: NamedSheet }> {
    const incoming = await this.files.receive(sent.stream, MOST_FILE, sent.bytes)
    const id = nanoid(12)
    const { name } = sent
    try {
      if (incoming.size === 0) fail('file-empty')
      await mkdir(this.place(id), { recursive: true, mode: 0o700 })
      const job = { path: incoming.path, name, folder: this.place(id), ...(encoding && { encoding }) }
      const info = { ...(await this.jobs.sheet(job)), name }
      await writeFile(join(this.place(id), INFO_FILE), JSON.stringify(info), { mode: 0o600 })
      return { id, info }
    } catch (error) {
      await this.drop(id)
      throw error
    } finally {
      await this.files.drop(incoming.path)
    }
  }

  /** What is known of a file that came; one that cannot be read back is as good as gone. */
  async info(id: Id): Promise<NamedSheet> {
    if (!/^[\w-]{12}$/.test(id)) fail('import-unknown', { id: id.slice(0, 40) })
    const words = await readFile(join(this.place(id), INFO_FILE), 'utf8').catch(() => fail('import-unknown', { id }))
    return soundLine(words, isInfo) ?? fail('import-unknown', { id })
  }

  /** The rows of a file that came, one by one, as they were kept. A row that cannot be read back refuses them all. */
  async *rows(id: Id): AsyncGenerator<Row> {
    const lines = createInterface({
      input: createReadStream(join(this.place(id), ROWS_FILE), 'utf8'),
      crlfDelay: Infinity,
    })
    let number = 0
    for await (const line of lines) {
      number++
      if (!line) continue
      yield soundLine(line, isRow) ?? fail('sheet-wrong', { why: `row ${number} of what was kept is damaged` })
    }
  }

  async drop(id: Id): Promise<void> {
    await rm(this.place(id), { recursive: true, force: true })
  }
}

/** What stands in a kept line of JSON, or null where it is not what was written. */
function soundLine<T>(line: string, isSound: (value: unknown) => value is T): T | null {
  try {
    const read: unknown = JSON.parse(line)
    return isSound(read) ? read : null
  } catch (error) {
    if (error instanceof SyntaxError) return null
    throw error
  }
}
