import { before } from '../../core/text'
import type { IncomingMessage } from 'node:http'
import { type Answer, sentenceOf } from '../services/answer'
import type { Till } from './till'

/** Where providers say what came of a payment: signed, and judged by their adapter. */
export const NOTICES = '/_of/pay/'

const LARGEST = 20_000

/** Hears what a provider sends. One whose signature is wrong changes nothing, and is told so. */
export async function hearNotice(till: Pick<Till, 'hear'>, request: IncomingMessage): Promise<Answer> {
  const provider = before((request.url ?? '').slice(NOTICES.length), '/?')
  const chunks: Buffer[] = []
  let size = 0
  for await (const chunk of request as AsyncIterable<Buffer>) {
    size += chunk.length
    if (size > LARGEST) return sentenceOf(413, 'A notice is smaller.', { connection: 'close' })
    chunks.push(chunk)
  }
  const headers = Object.fromEntries(
    Object.entries(request.headers).flatMap(([name, value]) => (typeof value === 'string' ? [[name, value]] : [])),
  )
  const heard = await till.hear(provider, headers, Buffer.concat(chunks).toString('utf8'))
  return heard ? sentenceOf(200, 'Heard.') : sentenceOf(401, 'This notice is not signed as it has to be.')
}
