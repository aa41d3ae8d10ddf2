import { createReadStream } from 'node:fs'
import { open } from 'node:fs/promises'
import { Unzip, UnzipInflate, type UnzipFile } from 'fflate'
import { ProblemError, fail } from '../../core/problems'

/** Zips that others made, unpacked within bounds. */

const MOST_FILES = 20_000
/** Bytes that a zip may hold in all, and that one file may have, in it or by itself. */
const MOST_UNPACKED = 800_000_000
export const MOST_EACH = 60_000_000
/** So small a part of a zip unpacks to little more than a thousand times as much. */
const STEP = 16_384
export const DAMAGED = 'it is damaged or cut off'

/** So many bytes of a file from where it begins, or before its end. */
export async function someBytes(path: string, count: number, from: 'start' | 'end'): Promise<Buffer> {
  const file = await open(path)
  try {
    const at = from === 'start' ? 0 : Math.max(0, (await file.stat()).size - count)
    const { buffer, bytesRead } = await file.read(Buffer.alloc(count), 0, count, at)
    return buffer.subarray(0, bytesRead)
  } finally {
    await file.close()
  }
}

/** A zip that is whole ends with a list of what is in it, and a comment of 64 KiB at most behind that. */
const LIST_ENDS = Buffer.from('PK\x05\x06', 'latin1')
export const isWhole = async (path: string): Promise<boolean> =>
  (await someBytes(path, 65_600, 'end')).includes(LIST_ENDS)

/** Files that systems write beside others, and what could lie outside of the folder. */
const isNoise = (name: string): boolean => /(^|\/)(__MACOSX|\.[^/]*|Thumbs\.db)/.test(name) || name.endsWith('/')
const isOutside = (name: string): boolean => /(^|[/\\])\.\.([/\\]|$)|^[/\\]|^[a-z]:/i.test(name) || name.includes('\0')

const WRONG_SIZE = `it unpacks to more than ${MOST_UNPACKED / 1_000_000} MB, or a file in it to more than ${MOST_EACH / 1_000_000} MB`

/**
 * Hands on the files of a zip one by one as they are unpacked, counted as they come, whatever it says of itself: no more
 * than one of them is held at a time.
 */
export async function unpack(
  path: string,
  wants: (name: string) => boolean,
  take: (name: string, bytes: Buffer) => Promise<void>,
): Promise<void> {
  const ready: { name: string; bytes: Buffer }[] = []
  let [count, total] = [0, 0]
  let wrong: { why: string } | { error: unknown } | null = null
  const unzip = new Unzip((file: UnzipFile) => {
    if (++count > MOST_FILES) fail('sheet-wrong', { why: `it holds more than ${MOST_FILES} files` })
    if (isOutside(file.name))
      fail('sheet-wrong', { why: `it names a file outside of itself: ${file.name.slice(0, 60)}` })
    if (isNoise(file.name) || !wants(file.name)) return
    const parts: Uint8Array[] = []
    let size = 0
    file.ondata = (error, chunk, final) => {
      if (error) wrong ??= { why: DAMAGED }
      if (wrong) return
      size += chunk.length
      total += chunk.length
      if (size > MOST_EACH || total > MOST_UNPACKED) {
        wrong = { why: WRONG_SIZE }
        parts.length = 0
        return file.terminate()
      }
      parts.push(chunk)
      if (final) ready.push({ name: file.name, bytes: Buffer.concat(parts) })
    }
    file.start()
  })
  unzip.register(UnzipInflate)
  const push = (bytes: Uint8Array, isLast: boolean) => {
    try {
      unzip.push(bytes, isLast)
    } catch (error) {
      wrong ??= error instanceof ProblemError ? { error } : { why: DAMAGED }
    }
  }
  for await (const chunk of createReadStream(path, { highWaterMark: STEP }) as AsyncIterable<Buffer>) {
    push(chunk, false)
    if (wrong) break
    for (const { name, bytes } of ready.splice(0)) await take(name, bytes)
  }
  if (!wrong) push(new Uint8Array(), true)
  const found = wrong as { why: string } | { error: unknown } | null
  if (found && 'error' in found) throw found.error
  if (found) fail('sheet-wrong', { why: found.why })
  for (const { name, bytes } of ready) await take(name, bytes)
}
