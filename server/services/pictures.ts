import { readPicture } from '../database/content'
import type { Database } from '../database/open'
import { type Answer, answerOf } from './answer'

/** Pictures are drawn by others, so nothing inside them may load or run. */
const POLICY = "default-src 'none'; style-src 'unsafe-inline'; sandbox"

/** The file of a picture at `/pictures/ID/NAME` (a path without escapes), or null when there is none. */
export async function pictureAt(db: Database, path: string): Promise<Answer | null> {
  const id = /^\/pictures\/([^/]+)\/[^/]+$/.exec(path)?.[1]
  const picture = id ? await readPicture(db, id) : undefined
  if (!picture) return null
  const headers = {
    'content-type': picture.mime,
    'content-security-policy': POLICY,
    'cache-control': 'public, max-age=86400',
    vary: 'accept-encoding',
  }
  return answerOf(200, headers, Buffer.from(picture.bytes))
}
