import { mkdir, readFile, writeFile } from 'node:fs/promises'
import { join } from 'node:path'
import { type SiteFile, checkSiteFile } from '../../core/formats'
import { fail, failFirst } from '../../core/problems'
import { isWhole, unpack } from './unpack'

/** A site file as it came, unpacked into a folder: its document, its entries in parts, its images and other files. */

export const DOCUMENT = 'site.json'
/** Its document holds no entries, and is read as one. */
const MOST_DOCUMENT = 16_000_000
const PART = /^entries-(\d{1,4})\.jsonl$/
const CARRIED = /^(images|files)\/([\w-]{1,120})\/([^/\\]{1,300})$/

export interface SiteFileInfo {
  from: string
  made: string
  /** Names of the files that hold entries, in their order. */
  parts: string[]
  /** Ids of images and of other files whose bytes came along. */
  images: string[]
  files: string[]
}

/** The document of a site file that was unpacked, judged again: folders can be written by others. */
export async function readSiteDocument(folder: string): Promise<SiteFile> {
  let file: unknown
  try {
    file = JSON.parse(await readFile(join(folder, DOCUMENT), 'utf8'))
  } catch {
    return fail('site-file', { why: 'its site.json is missing or damaged' })
  }
  failFirst(checkSiteFile(file))
  return file as SiteFile
}

/** Unpacks a site file and judges its document. Throws a problem when it is none. */
export async function unpackSite({ path, folder }: { path: string; folder: string }): Promise<SiteFileInfo> {
  if (!(await isWhole(path))) fail('site-file', { why: 'it is no zip, damaged or cut off' })
  const found = { parts: [] as string[], images: [] as string[], files: [] as string[] }
  for (const kind of ['images', 'files'] as const) await mkdir(join(folder, kind), { recursive: true, mode: 0o700 })
  const wants = (name: string) => name === DOCUMENT || PART.test(name) || CARRIED.test(name)
  await unpack(path, wants, async (name, bytes) => {
    const [, kind, id] = CARRIED.exec(name) ?? []
    if (name === DOCUMENT && bytes.length > MOST_DOCUMENT)
      fail('site-file', { why: `its ${DOCUMENT} is larger than ${MOST_DOCUMENT / 1_000_000} MB` })
    if (kind === 'images' || kind === 'files') found[kind].push(id!)
    else if (name !== DOCUMENT) found.parts.push(name)
    await writeFile(join(folder, kind ? join(kind, id!) : name), bytes, { mode: 0o600 })
  })
  const { from, made } = await readSiteDocument(folder)
  const number = (name: string) => Number(PART.exec(name)![1])
  return { from, made, ...found, parts: found.parts.sort((a, b) => number(a) - number(b)) }
}
