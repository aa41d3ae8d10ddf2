import type { IncomingHttpHeaders, IncomingMessage } from 'node:http'
import busboy from 'busboy'
import type { CameIn } from '../../core/forms'
import type { Parameters } from '../../core/addresses'
import { fileNameOf, judge } from '../media/judge'
import { type FileStore, filesError } from '../media/store'

/** What a form with files sends (RFC 7578): its values, and its files, each judged by what stands in it. */

/** All of one form at most, */
export const MOST_BYTES = 55_000_000
/** and of it what is typed. */
const MOST_FIELDS = 100_000
const MOST_PARTS = 2000
const MOST_FILES = 12
/** No question takes a larger one. */
const MOST_FILE = 10_000_000

export const MULTIPART = 'multipart/form-data'

/** A file that came in, before it is named by a seal; where it lies until the form that it came with is judged. */
export type Upload = Omit<CameIn, 'seal'> & { path: string | null }
/** Whether a file is wanted, by the field that it is for and by what was sent before it. */
export type Wanted = (field: string, before: Parameters) => boolean
export interface Uploaded {
  values: Parameters
  files: Record<string, Upload[]>
}

/** More than a form sends, or none that a browser makes. */
export class UploadRefused extends Error {
  constructor(
    readonly status: number,
    sentence: string,
  ) {
    super(sentence)
  }
}
const TOO_LARGE = () =>
  new UploadRefused(413, 'What was sent is larger than this form takes. Nothing was stored; send less.')

const reader = (headers: IncomingHttpHeaders) =>
  busboy({
    headers,
    limits: { fieldSize: MOST_FIELDS, fields: MOST_PARTS, parts: MOST_PARTS, files: MOST_FILES, fieldNameSize: 200 },
    defParamCharset: 'utf8',
  })

/** A file as it may be kept: by its hash, under a name that is safe everywhere. One of no kind comes to nothing. */
async function taken(
  store: FileStore,
  stream: NodeJS.ReadableStream & { truncated?: boolean },
  name: string,
): Promise<Upload | null> {
  const came = await store.receive(stream as never, MOST_FILE)
  if (came.size === 0 && name === '') {
    await store.drop(came.path)
    return null
  }
  const judged = came.size > 0 ? await judge(came.path, name) : null
  const { hash, size } = came
  // What visitors send is nothing that a browser might run.
  if (!judged || judged.kind === 'drawing') {
    await store.drop(came.path)
    return { name: name.slice(0, 150), hash, size: 0, mime: 'application/octet-stream', kind: 'other', path: null }
  }
  const kind = judged.kind === 'picture' || judged.kind === 'document' ? judged.kind : 'other'
  return { name: fileNameOf(name, judged.ending), hash, size, mime: judged.mime, kind, path: came.path }
}

/** Takes away what came in and was not kept. */
export async function dropUploads(store: FileStore, files: Uploaded['files']): Promise<void> {
  const paths = Object.values(files).flatMap((all) => all.flatMap(({ path }) => path ?? []))
  await Promise.all(paths.map((path) => store.drop(path)))
}

/**
 * Reads what a form sends. A file that nobody wants is never written; the others lie beside what is kept until they are
 * kept or dropped. Throws `UploadRefused`; what came in of it before is dropped.
 */
export async function readUpload(request: IncomingMessage, store: FileStore, wanted: Wanted): Promise<Uploaded> {
  if (Number(request.headers['content-length'] ?? 0) > MOST_BYTES) throw TOO_LARGE()
  const values: Record<string, string[]> = {}
  const files: Record<string, Upload[]> = {}
  const keeping: Promise<void>[] = []
  let [bytes, typed] = [0, 0]
  const reading = new Promise<void>((done, refuse) => {
    const parts = reader(request.headers)
    const large = () => refuse(TOO_LARGE())
    request.on('data', (chunk: Buffer) => {
      bytes += chunk.length
      if (bytes > MOST_BYTES) large()
    })
    parts.on('field', (name, value, { valueTruncated, nameTruncated }) => {
      typed += name.length + value.length
      if (valueTruncated || nameTruncated || typed > MOST_FIELDS) return large()
      if (Object.hasOwn(values, name)) values[name]!.push(value)
      else Object.defineProperty(values, name, { value: [value], enumerable: true })
    })
    parts.on('file', (name, stream, { filename = '' }) => {
      if (!wanted(name, values)) return void stream.resume()
      const keep = taken(store, stream, filename).then((file) => {
        if (!file) return
        if (!Object.hasOwn(files, name)) Object.defineProperty(files, name, { value: [], enumerable: true })
        files[name]!.push(file)
      })
      keep.catch((error: unknown) => refuse(filesError(error)))
      keeping.push(keep)
    })
    for (const limit of ['fieldsLimit', 'partsLimit', 'filesLimit'] as const) parts.on(limit, large)
    parts.on('error', () => refuse(new UploadRefused(400, 'What was sent is no form that can be read.')))
    parts.on('close', () => Promise.all(keeping).then(() => done(), refuse))
    request.on('error', refuse)
    request.on('aborted', () => refuse(new UploadRefused(400, 'What was sent ended too early.')))
    request.pipe(parts)
  })
  try {
    await reading
    return { values, files }
  } catch (error) {
    // Those that are still coming in end with the request.
    void Promise.allSettled(keeping).then(() => dropUploads(store, files))
    throw error
  }
}
