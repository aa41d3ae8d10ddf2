import { nanoid } from 'nanoid'
import { createReadStream } from 'node:fs'
import type { Readable } from 'node:stream'
import { fail, failFirst, problem } from '../../core/problems'
import { type Id, type Picture, pictureShape } from '../../core/model'
import { refuse } from '../../core/shape'
import { asSentence } from '../../core/text'
import type { FilesAnswer, FontAnswer, PictureInput, PicturesAnswer, StoredPictureAnswer } from '../../shared/api/types'
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
import { type Judged, fileNameOf, judge } from '../media/judge'
import type { CleanPicture } from '../media/sizes'
import { Sizing } from '../media/sizing'
import type { FileStore, Incoming } from '../media/store'
import type { Cleaned } from '../media/work'
import type { Pictures } from '../media/beside'
import { widthsOf } from '../media/widths'
import { PICTURE } from './content'
import { Gate } from './gate'

/** Bytes that a picture and any other file may have. */
const MOST_PICTURE = 60_000_000
const MOST_FILE = 500_000_000
const MOST_FONT = 3_000_000
/** A file that nothing names is left by a server that was stopped once it lies for so long, in milliseconds. */
const UNNAMED = 10 * 60_000
/** Pages of documents larger than this are not counted. */
const MOST_COUNTED = 50_000_000

/** A picture that came in and was cleaned; `came` is the hash of the file as it was sent. */
type Taken = Cleaned & { fileName: string; came: string }

/** A file as it is sent: its bytes, how many there are to be, and what it is called. */
export interface Sent {
  stream: Readable
  name: string
  /** As the sender says. */
  bytes?: number
}

/** Under which id a picture is wanted, where that is free; `among` are those it comes with, which may have the same bytes. */
interface Wanted {
  id: Id
  among: ReadonlySet<Id>
}

/** Pictures and files: taken in, cleaned, made in all their sizes beside everything else, and given out. */
export class Media {
  private readonly sizing: Sizing
  /** Between a file's coming in and its being known nothing is swept away. */
  private readonly gate = new Gate()

  constructor(
    private readonly db: Database,
    private readonly files: FileStore,
    /** Told when a picture is another, after it was stored. */
    private readonly changed: () => Promise<void>,
    private readonly work: Pictures,
  ) {
    this.sizing = new Sizing(db, work, (stored) => this.store(stored))
  }

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
    this.sizing.enqueue(await unsizedPictures(this.db))
  }

  /** Makes photographs of some drawings, so that they have sizes as photographs have. */
  async photograph(ids: readonly Id[], by: string): Promise<void> {
    for (const id of ids) {
      const found = await readPicture(this.db, id)
      if (found?.mime !== 'image/svg+xml' || !(await this.files.has(found.hash))) continue
      const { path } = await this.work.photograph({ hash: found.hash })
      await this.replacePicture(id, { stream: createReadStream(path), name: `${id}.jpg` }, by).finally(() =>
        this.files.drop(path),
      )
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
  async addPicture(sent: Sent, by: string, as?: Wanted): Promise<StoredPictureAnswer> {
    return this.takePicture(sent, (file) => this.keepPicture(file, by, as))
  }

  private async keepPicture(file: Taken, by: string, wanted?: Wanted): Promise<StoredPictureAnswer> {
    const there = (await findPictureByHash(this.db, file.came)) ?? (await findPictureByHash(this.db, file.hash))
    if (there && !wanted?.among.has(there)) {
      await this.files.drop(file.path)
      return answerOf((await readPicture(this.db, there))!, 0)
    }
    await this.files.keep(file)
    const id = wanted && !(await readPicture(this.db, wanted.id)) ? wanted.id : nanoid(12)
    const alt = ''
    const { fileName, width, height, mime, hash, size } = file
    const picture: Picture = { id, fileName, alt, width, height, ...needsNone(file) }
    const stored: StoredPicture = { picture, mime, hash, size, addedAt: Date.now(), addedBy: by }
    await this.store(stored)
    this.sizing.enqueue([id])
    return answerOf((await readPicture(this.db, id))!, 0)
  }

  /** Puts another file in the place of a picture's; everything that shows it shows that. */
  async replacePicture(id: Id, sent: Sent, by: string): Promise<StoredPictureAnswer> {
    const before = await this.picture(id)
    return this.takePicture(sent, (file) => this.keepOther(before, file, by))
  }

  private async keepOther(before: StoredPicture, file: Taken, by: string): Promise<StoredPictureAnswer> {
    const { id } = before.picture
    await this.files.keep(file)
    const { fileName, width, height, mime, hash, size } = file
    const { widths: _, ...kept } = before.picture
    const picture: Picture = { ...kept, fileName, width, height, ...needsNone(file) }
    await this.store({ picture, mime, hash, size, addedAt: Date.now(), addedBy: by })
    this.sizing.enqueue([id])
    return answerOf((await readPicture(this.db, id))!, 0)
  }

  /** What is said of a picture: its description and its focal point. */
  async describe(id: Id, { alt, focus, caption }: PictureInput): Promise<StoredPictureAnswer> {
    const before = await this.picture(id)
    const { focus: _, caption: was = '', ...rest } = before.picture
    const below = caption ?? was
    const picture: Picture = { ...rest, alt, ...(below && { caption: below }), ...(focus && { focus }) }
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

  /** What is sent as a picture, judged by what stands in it and cleaned; `keep` is given it to be kept. */
  private async takePicture<T>(sent: Sent, keep: (file: Taken) => Promise<T>): Promise<T> {
    const incoming = await this.files.receive(sent.stream, MOST_PICTURE, sent.bytes)
    try {
      if (incoming.size === 0) fail('file-empty')
      return await this.gate.among(async () => {
        const clean = await this.work.clean({ incoming, name: sent.name })
        return keep({ ...clean, came: incoming.hash, fileName: fileNameOf(sent.name, clean.ending) })
      })
    } finally {
      await this.files.drop(incoming.path)
    }
  }

  /** Waits until all sizes are made: for tests, and for what measures. */
  settled(): Promise<void> {
    return this.sizing.settled()
  }

  async end(): Promise<void> {
    this.sizing.stop()
    await this.work.end()
    await this.sizing.settled()
  }

  /** What was removed is gone for good, with every file that nothing has any more. Gives how many things went. */
  async clearRemoved(): Promise<number> {
    return this.gate.alone(async () => {
      const before = await readHashes(this.db)
      const gone = (await clearPictures(this.db)) + (await clearFiles(this.db))
      const wanted = await readHashes(this.db)
      const cleared = new Set([...before].filter((hash) => !wanted.has(hash)))
      // Another process may be bringing in others just now: what nothing names goes once it lies for long enough.
      await this.files.clearBut(wanted, Date.now() - UNNAMED, cleared)
      return gone
    })
  }

  async listFiles(): Promise<FilesAnswer> {
    return { files: await readFiles(this.db) }
  }

  /** Takes in a document, a sound or a film; under an id of its own, unless it is said. */
  async addFile(sent: Sent, by: string, id?: Id): Promise<StoredFile> {
    const incoming = await this.files.receive(sent.stream, MOST_FILE, sent.bytes)
    try {
      if (incoming.size === 0) fail('file-empty')
      const judged = await judge(incoming.path, sent.name)
      if (!judged || judged.kind === 'picture' || judged.kind === 'drawing')
        return fail('file-kind', { name: sent.name.slice(0, 80) || 'This' })
      return await this.keepFile(incoming, sent.name, judged, by, id)
    } finally {
      await this.files.drop(incoming.path)
    }
  }

  /** Takes in a font file, and tells what face it holds. It is kept among the files. */
  async addFont(sent: Sent, by: string, id?: Id): Promise<FontAnswer> {
    const incoming = await this.files.receive(sent.stream, MOST_FONT, sent.bytes)
    try {
      if (incoming.size === 0) fail('file-empty')
      const face = await this.work.font({ incoming })
      const file = await this.keepFile(incoming, sent.name, { mime: 'font/woff2', ending: 'woff2' }, by, id)
      return { file: file.id, fileName: file.fileName, ...face }
    } finally {
      await this.files.drop(incoming.path)
    }
  }

  private async keepFile(
    incoming: Incoming,
    name: string,
    { mime, ending }: Pick<Judged, 'mime' | 'ending'>,
    by: string,
    id: Id = nanoid(12),
  ): Promise<StoredFile> {
    return this.gate.among(() => this.keepNow(incoming, name, { mime, ending }, by, id))
  }

  private async keepNow(
    incoming: Incoming,
    name: string,
    { mime, ending }: Pick<Judged, 'mime' | 'ending'>,
    by: string,
    id: Id,
  ): Promise<StoredFile> {
    await this.files.keep(incoming)
    const { hash, size } = incoming
    const fileName = fileNameOf(name, ending)
    const pages = mime === 'application/pdf' && size <= MOST_COUNTED ? await this.work.pages({ hash }) : null
    const file: StoredFile = { id, fileName, mime, hash, size, addedAt: Date.now(), addedBy: by, pages }
    await writeFile(this.db, file)
    return file
  }

  async setFileRemoved(id: Id, removed: boolean): Promise<void> {
    if (!(await setFileRemoved(this.db, id, removed))) fail('file-unknown', { id })
  }

  /** A file by its id, with where it lies. */
  async file(id: Id): Promise<(StoredFile & { path: string }) | null> {
    const found = await readFile(this.db, id)
    return found && { ...found, path: this.files.path(found.hash) }
  }

  /** A picture as a square of PNG, so many pixels wide, made when it is asked for first; null when there is none. */
  async icon(id: Id, size: number): Promise<Buffer | null> {
    const found = await readPicture(this.db, id)
    if (!found || found.removed) return null
    const name = `icon-${size}.png`
    const made = await this.files.read(found.hash, name)
    if (made) return made
    await this.work.icon({ hash: found.hash, size })
    return this.files.read(found.hash, name)
  }

  /** The bytes of a picture, whole or in one of its sizes, with what they are; null when there is none. */
  async bytesOf(id: Id, size?: { hash: string; name: string }): Promise<{ bytes: Buffer; mime: string } | null> {
    return pictureBytes(this.db, this.files, id, size)
  }
}

/** The same, for whoever has no more than the database and the files. */
export async function pictureBytes(
  db: Database,
  files: FileStore,
  id: Id,
  size?: { hash: string; name: string },
): Promise<{ bytes: Buffer; mime: string } | null> {
  const found = await readPicture(db, id)
  if (!found || found.removed || (size && !found.hash.startsWith(size.hash))) return null
  const bytes = await files.read(found.hash, size?.name)
  return bytes && { bytes, mime: size ? `image/${MIMES[size.name.split('.').pop()!] ?? ''}` : found.mime }
}

/** What fits everywhere as it is has no sizes, and none to wait for. */
const needsNone = ({ width, ending }: Pick<CleanPicture, 'width' | 'ending'>): { widths?: number[] } =>
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
