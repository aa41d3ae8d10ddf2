import type { IncomingMessage, ServerResponse } from 'node:http'
import { problem } from '../../core/problems'

/** What is sent may take as long as its way needs, as long as it goes on coming. */

/** How often it is checked, in milliseconds, and how many bytes must have arrived since the last check. */
const EVERY = 30_000
const LEAST = 16_000

/** Refuses a request once next to nothing of its body arrives any more. */
export function watchProgress(request: IncomingMessage, response: ServerResponse, every = EVERY, least = LEAST): void {
  const { headers, socket } = request
  if (!headers['transfer-encoding'] && !(Number(headers['content-length']) > 0)) return
  let before = socket.bytesRead
  const look = setInterval(() => {
    const came = socket.bytesRead - before
    before = socket.bytesRead
    // Bytes that wait here to be read are no fault of the sender.
    if (came >= least || request.complete || request.readableLength > 0 || response.headersSent) return
    clearInterval(look)
    const told = problem('sent-too-slowly')
    const isApi = request.url?.startsWith('/api/') ?? false
    const type = isApi ? 'application/json' : 'text/plain; charset=utf-8'
    response.writeHead(told.status, { 'content-type': type, connection: 'close' })
    response.end(isApi ? JSON.stringify({ problem: told }) : `${told.sentence}\n`, () => request.destroy())
  }, every).unref()
  const stop = () => clearInterval(look)
  request.once('close', stop)
  response.once('close', stop)
}
