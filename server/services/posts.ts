import type { IncomingMessage } from 'node:http'
import { ProblemError } from '../../core/problems'
import { readAddress, readFields } from '../../core/addresses'
import type { FileStore } from '../media/store'
import { type Answer, sentenceOf } from './answer'
import type { Asking } from './asked'
import type { Forms } from './forms'
import type { Published } from './published'
import { TurnQueue } from './turns'
import { MOST_BYTES, MULTIPART, UploadRefused, dropUploads, readUpload } from './uploads'

/** What forms on published pages send: refused before it is read where it can be, and handed to the page. */

/** What a form without files may send at most. */
const MOST_SENT = 100_000
const FORM = 'application/x-www-form-urlencoded'

/** However many forms come at once, pages are answered between them. */
const line = new TurnQueue()

export interface TakesPosts {
  published: Pick<Published, 'takesPost' | 'fileFields' | 'post'>
  /** Where files go, and how many may come. */
  forms?: Pick<Forms, 'mayUpload' | 'isDrawn'>
  sent?: FileStore
}

/** A form of another site, as far as browsers tell; one that tells nothing is no browser. */
function isForeign({ headers }: IncomingMessage): boolean {
  const site = headers['sec-fetch-site']
  if (site !== undefined && site !== 'same-origin' && site !== 'none') return true
  if (headers.origin === undefined) return false
  return !URL.canParse(headers.origin) || new URL(headers.origin).host !== headers.host
}

async function readForm(request: IncomingMessage): Promise<string | null> {
  const chunks: Buffer[] = []
  let size = 0
  for await (const chunk of request as AsyncIterable<Buffer>) {
    size += chunk.length
    if (size > MOST_SENT) return null
    chunks.push(chunk)
  }
  return Buffer.concat(chunks).toString('utf8')
}

/** An answer to what is not read to its end: the connection cannot be used again. */
function refused(
  request: IncomingMessage,
  status: number,
  sentence: string,
  headers: Record<string, string> = {},
): Answer {
  request.resume()
  return sentenceOf(status, sentence, { ...headers, connection: 'close' })
}

/** Answers what a form sends to an address. */
export async function answerPost(site: TakesPosts, request: IncomingMessage, asking: Asking): Promise<Answer> {
  const address = readAddress(request.url ?? '/')
  if (!site.published.takesPost(address))
    return refused(request, 405, 'This address answers GET and HEAD only.', { allow: 'GET, HEAD' })
  if (isForeign(request))
    return refused(request, 403, 'This form was sent from another site. Send it from its own page.')
  const type = request.headers['content-type'] ?? ''
  if (type.startsWith(MULTIPART) && site.sent && site.forms && site.published.fileFields(address)) {
    const bytes = Number(request.headers['content-length'] ?? MOST_BYTES)
    if (!site.forms.mayUpload(asking.place, bytes))
      return refused(request, 429, 'Too much was sent from your place. Go back, and try again in an hour.')
    return answerUpload(site.published, site.forms, site.sent, request, asking)
  }
  if (!type.startsWith(FORM)) return refused(request, 415, `A form is sent as ${FORM}.`)
  const text = await readForm(request)
  if (text === null)
    return refused(request, 413, 'What was sent is larger than this form takes. Nothing was stored; send less.')
  await line.next()
  return site.published.post(address, readFields(text), asking)
}

/** Files are taken in only for a form that was drawn here and asks for them; what is not kept of them goes at once. */
async function answerUpload(
  published: TakesPosts['published'],
  forms: Pick<Forms, 'isDrawn'>,
  sent: FileStore,
  request: IncomingMessage,
  asking: Asking,
): Promise<Answer> {
  const address = readAddress(request.url ?? '/')
  const asks = published.fileFields(address)
  try {
    const { values, files } = await readUpload(request, sent, (field, { of, proof }) => {
      const form = of?.[0] ?? ''
      return asks !== null && asks.has(form, field) && forms.isDrawn(asks.page, form, proof?.[0] ?? '')
    })
    try {
      return await published.post(address, values, asking, files)
    } finally {
      await dropUploads(sent, files)
    }
  } catch (error) {
    if (error instanceof UploadRefused) return refused(request, error.status, error.message)
    if (error instanceof ProblemError) return refused(request, error.problem.status, error.message)
    throw error
  }
}
