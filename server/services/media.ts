import { nanoid } from 'nanoid'
import { readFile as readText } from 'node:fs/promises'
import { Readable } from 'node:stream'
import { fail, failFirst, problem } from '../../core/problems'
import { type Id, type Picture, pictureShape } from '../../core/site'
import { refuse } from '../../core/shape'
import { asSentence } from '../../core/words'
import type { FilesAnswer, PictureInput, PicturesAnswer, StoredPictureAnswer } from '../../shared/api/types'
import { touchContent } from '../database/content'
import type { Database } from '../database/open'
import {
  type StoredFile,
  type StoredPicture,
  clearFiles,
  clearPictures,
  countPictureUses,
  findPictureByHash,
  readFile,
  readFiles,
  readHashes,
  readPicture,
  readPictureBytes,
  readStoredPictures,
  setFileRemoved,
  setPicturesRemoved,
  sizeDrawings,
  takePictureBytes,
  unsizedPictures,
  writeFile,
  writePicture,
} from '../database/pictures'
import { fileNameOf, judge } from '../media/judge'
import { cleanPicture, makeSizes, photographOf, widthsOf } from '../media/sizes'
import type { FileStore, Incoming } from '../media/store'
import { cleanSvg } from '../media/svg'
import { PICTURE } from './content'
import { log } from './log'

/** Bytes that a picture, a drawing and any other file may have. */
const MOST_PICTURE = 60_000_000
const MOST_DRAWING = 2_000_000
const MOST_FILE = 500_000_000

interface Clean {
  bytes: Buffer
  mime: string
  ending: string
  width: number
  height: number
}

/** A picture that came in and was cleaned; `came` is the hash of the file as it was sent. */
type Taken = Incoming & Omit<Clean, 'bytes'> & { fileName: string; came: string }

/** A file as it is sent: its bytes, how many there are to be, and what it is called. */
export interface Sent {
  stream: Readable
  name: string
  /** As the sender says. */
  bytes?: number
}

/** Pictures and files: taken in, cleaned, made in all their sizes beside everything else, and given out. */
export class Media {
  private queue: Id[] = []
  private working: Promise<void> | null = null
  private ended = false

  constructor(
    private readonly db: Database,
    private readonly files: FileStore,
    /** Told when a picture is another, after it was stored. */
    private readonly changed: () => Promise<void>,
  ) {}

  /** Takes files out of the database that older versions kept there, and goes on with sizes that are not made yet. */
  async open(): Promise<void> {
    let taken = false
    for (;;) {
      const row = await readPictureBytes(this.db)
      if (!row) break
      const { path, hash, size } = await this.files.bring(Buffer.from(row.bytes))
      await this.files.keep({ path, hash })
      await takePictureBytes(this.db, row.id, hash, size)
      taken = true
    }
    await sizeDrawings(this.db)
    if (taken) await touchContent(this.db)
    this.enqueue(await unsizedPictures(this.db))
  }

  /** Makes photographs of some drawings, so that they have sizes as photographs have. */
  async photograph(ids: readonly Id[], by: string): Promise<void> {
    for (const id of ids) {
      const found = await readPicture(this.db, id)
      const bytes = found?.mime === 'image/svg+xml' ? await this.files.read(found.hash) : null
      if (!found || !bytes) continue
      const stream = Readable.from([await photographOf(bytes)])
      await this.replacePicture(id, { stream, name: `${id}.jpg` }, by)
    }
  }

  async list(): Promise<PicturesAnswer> {
    const uses = await countPictureUses(this.db)
    const pictures = await readStoredPictures(this.db, [])
    return { pictures: pictures.map((stored) => answerOf(stored, uses.get(stored.picture.id) ?? 0)) }
  }

  async removed(): Promise<PicturesAnswer> {
    return { pictures: (await readStoredPictures(this.db, [], true)).map((stored) => answerOf(stored, 0)) }
  }

  /** Takes in a picture; one that is there already is given as it is. Its sizes are made afterwards. */
  async addPicture(sent: Sent, by: string): Promise<StoredPictureAnswer> {
    const file = await this.takePicture(sent)
    const there = (await findPictureByHash(this.db, file.came)) ?? (await findPictureByHash(this.db, file.hash))
    if (there) {
      await this.files.drop(file.path)
      return answerOf((await readPicture(this.db, there))!, 0)
    }
    await this.files.keep(file)
    const id = nanoid(12)
    const alt = ''
    const { fileName, width, height, mime, hash, size } = file
    const picture: Picture = { id, fileName, alt, width, height, ...needsNone(file) }
    const stored: StoredPicture = { picture, mime, hash, size, addedAt: Date.now(), addedBy: by }
    await this.store(stored)
    this.enqueue([id])
    return answerOf((await readPicture(this.db, id))!, 0)
  }

  /** Puts another file in the place of a picture's; everything that shows it shows that. */
  async replacePicture(id: Id, sent: Sent, by: string): Promise<StoredPictureAnswer> {
    const before = await this.picture(id)
    const file = await this.takePicture(sent)
    await this.files.keep(file)
    const { fileName, width, height, mime, hash, size } = file
    const { widths: _, ...kept } = before.picture
    const picture: Picture = { ...kept, fileName, width, height, ...needsNone(file) }
    await this.store({ picture, mime, hash, size, addedAt: Date.now(), addedBy: by })
    this.enqueue([id])
    return answerOf((await readPicture(this.db, id))!, 0)
  }

  /** What is said of a picture: its description and its focal point. */
  async describe(id: Id, { alt, focus }: PictureInput): Promise<StoredPictureAnswer> {
    const before = await this.picture(id)
    const { focus: _, ...rest } = before.picture
    const picture: Picture = { ...rest, alt, ...(focus && { focus }) }
    const why = refuse(pictureShape, picture)
    failFirst(why === null ? [] : [problem('body-shape', { why: asSentence(why) })])
    await this.store({ ...before, picture })
    return answerOf((await readPicture(this.db, id))!, 0)
  }

  async setRemoved(ids: readonly Id[], removed: boolean): Promise<number> {
    const count = await this.db.transaction().execute(async (trx) => {
      const done = await setPicturesRemoved(trx, ids, removed)
      if (done > 0)
        await touchContent(
          trx,
          ids.map((id) => PICTURE + id),
        )
      return done
    })
    if (count > 0) await this.changed()
    return count
  }

  private async picture(id: Id): Promise<StoredPicture> {
    const found = await readPicture(this.db, id)
    return found && !found.removed ? found : fail('picture-unknown', { id })
  }

  private async store(stored: StoredPicture): Promise<void> {
    await this.db.transaction().execute(async (trx) => {
      await writePicture(trx, stored)
      await touchContent(trx, [PICTURE + stored.picture.id])
    })
    await this.changed()
  }

  /** What is sent as a picture, judged by what stands in it and cleaned; it is not kept yet. */
  private async takePicture(sent: Sent): Promise<Taken> {
    const incoming = await this.files.receive(sent.stream, MOST_PICTURE, sent.bytes)
    try {
      if (incoming.size === 0) fail('file-empty')
      const { bytes, ...clean } = await this.clean(incoming, sent.name)
      const { path, hash, size } = await this.files.bring(bytes)
      return { ...clean, path, hash, size, came: incoming.hash, fileName: fileNameOf(sent.name, clean.ending) }
    } finally {
      await this.files.drop(incoming.path)
    }
  }

  private async clean({ path, size }: Incoming, name: string): Promise<Clean> {
    const judged = await judge(path, name)
    if (judged?.kind === 'picture') return cleanPicture(path, judged.mime)
    if (judged?.kind !== 'drawing') return fail('file-kind', { name: name.slice(0, 80) || 'This' })
    if (size > MOST_DRAWING) fail('body-large', { most: `${MOST_DRAWING / 1_000_000} MB for a drawing` })
    const drawing = cleanSvg(await readText(path, 'utf8'))
    if (!drawing) return fail('picture-broken')
    const { svg, width, height } = drawing
    return { bytes: Buffer.from(svg), mime: judged.mime, ending: judged.ending, width, height }
  }

  private enqueue(ids: readonly Id[]): void {
    for (const id of ids) if (!this.queue.includes(id)) this.queue.push(id)
    this.working ??= this.work().finally(() => (this.working = null))
  }

  /** One picture after the other, so that there is always time for visitors. */
  private async work(): Promise<void> {
    for (let id = this.queue.shift(); id !== undefined && !this.ended; id = this.queue.shift()) {
      await this.makeSizesOf(id).catch((error: unknown) => {
        log('error', 'sizes-not-made', { picture: id, error: String((error as Error)?.stack ?? error) })
      })
    }
  }

  private async makeSizesOf(id: Id): Promise<void> {
    const before = await readPicture(this.db, id)
    const bytes = before && (await this.files.read(before.hash))
    if (!before || !bytes) return
    const { picture, hash } = before
    const ending = /\.([a-z0-9]+)$/.exec(picture.fileName)?.[1] ?? ''
    const widths = await makeSizes(bytes, { width: picture.width, ending }, async (name, made) => {
      if (!this.ended) await this.files.keepSize(hash, name, made)
    })
    // It may have been replaced or described meanwhile.
    const now = await readPicture(this.db, id)
    if (now?.hash === hash && !this.ended) await this.store({ ...now, picture: { ...now.picture, widths } })
  }

  /** Waits until all sizes are made: for tests, and for what measures. */
  async settled(): Promise<void> {
    while (this.working) await this.working
  }

  async end(): Promise<void> {
    this.ended = true
    await this.working
  }

  /** What was removed is gone for good, with every file that nothing has any more. Gives how many things went. */
  async clearRemoved(): Promise<number> {
    const gone = (await clearPictures(this.db)) + (await clearFiles(this.db))
    await this.files.clearBut(await readHashes(this.db))
    return gone
  }

  async listFiles(): Promise<FilesAnswer> {
    return { files: await readFiles(this.db) }
  }

  /** Takes in a document, a sound or a film. */
  async addFile(sent: Sent, by: string): Promise<StoredFile> {
    const incoming = await this.files.receive(sent.stream, MOST_FILE, sent.bytes)
    try {
      if (incoming.size === 0) fail('file-empty')
      const judged = await judge(incoming.path, sent.name)
      if (!judged || judged.kind === 'picture' || judged.kind === 'drawing')
        return fail('file-kind', { name: sent.name.slice(0, 80) || 'This' })
      await this.files.keep(incoming)
      const { hash, size } = incoming
      const file: StoredFile = {
        id: nanoid(12),
        fileName: fileNameOf(sent.name, judged.ending),
        mime: judged.mime,
        hash,
        size,
        addedAt: Date.now(),
        addedBy: by,
      }
      await writeFile(this.db, file)
      return file
    } finally {
      await this.files.drop(incoming.path)
    }
  }

  async setFileRemoved(id: Id, removed: boolean): Promise<void> {
    if (!(await setFileRemoved(this.db, id, removed))) fail('file-unknown', { id })
  }

  /** A file by its id, with where it lies. */
  async file(id: Id): Promise<(StoredFile & { path: string }) | null> {
    const found = await readFile(this.db, id)
    return found && { ...found, path: this.files.path(found.hash) }
  }

  /** The bytes of a picture, whole or in one of its sizes, with what they are; null when there is none. */
  async bytesOf(id: Id, size?: { hash: string; name: string }): Promise<{ bytes: Buffer; mime: string } | null> {
    const found = await readPicture(this.db, id)
    if (!found || found.removed || (size && !found.hash.startsWith(size.hash))) return null
    const bytes = await this.files.read(found.hash, size?.name)
    return bytes && { bytes, mime: size ? `image/${MIMES[size.name.split('.').pop()!] ?? ''}` : found.mime }
  }
}

/** What fits everywhere as it is has no sizes, and none to wait for. */
const needsNone = ({ width, ending }: Pick<Clean, 'width' | 'ending'>): { widths?: number[] } =>
  widthsOf(width, ending).length === 0 ? { widths: [] } : {}

const MIMES: Readonly<Record<string, string>> = { avif: 'avif', webp: 'webp', jpg: 'jpeg', png: 'png' }

const answerOf = ({ picture, mime, size, addedAt, addedBy }: StoredPicture, entries: number): StoredPictureAnswer => ({
  picture,
  mime,
  size,
  addedAt,
  addedBy,
  entries,
})
