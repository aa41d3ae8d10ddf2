import { type Server, type IncomingMessage, createServer } from 'node:http'
import { type AddressInfo, connect } from 'node:net'
import { setTimeout as sleep } from 'node:timers/promises'
import { pipeline } from 'node:stream/promises'
import { Writable } from 'node:stream'
import { watchProgress } from '../../../server/services/progress'

/** Bodies may take as long as they need while they go on arriving, whichever way they are read. */

const EVERY = 150
const LEAST = 1000

async function byIteration(request: IncomingMessage): Promise<number> {
  let size = 0
  for await (const chunk of request as AsyncIterable<Buffer>) size += chunk.length
  return size
}
async function byPipeline(request: IncomingMessage): Promise<number> {
  let size = 0
  const counting = async function* (source: AsyncIterable<Buffer>) {
    for await (const chunk of source) {
      size += chunk.length
      yield chunk
    }
  }
  await pipeline(request, counting, new Writable({ write: (_, __, done) => done() }))
  return size
}
const byEvents = (request: IncomingMessage): Promise<number> =>
  new Promise((done, fail) => {
    let size = 0
    request.on('data', (chunk: Buffer) => (size += chunk.length))
    request.on('end', () => done(size)).on('error', fail)
  })

describe.each([
  ['iterated', byIteration],
  ['through a pipeline', byPipeline],
  ['by events', byEvents],
])('read %s', (_, read) => {
  let server: Server
  let port = 0
  beforeAll(async () => {
    server = createServer((request, response) => {
      watchProgress(request, response, EVERY, LEAST)
      read(request).then(
        (size) => response.headersSent || response.end(`took ${size}`),
        () => undefined,
      )
    })
    server.requestTimeout = 0
    await new Promise<void>((done) => server.listen(0, '127.0.0.1', done))
    port = (server.address() as AddressInfo).port
  })
  afterAll(() => server.closeAllConnections())
  afterAll(() => void server.close())

  /** Sends a head, then parts with pauses between them; gives what was answered. */
  async function send(length: number, parts: number[], pause: number): Promise<string> {
    const socket = connect(port, '127.0.0.1')
    let said = ''
    socket.on('data', (chunk) => (said += String(chunk)))
    const closed = new Promise<void>((done) => socket.on('close', () => done()))
    socket.on('error', () => undefined)
    socket.write(`POST /api/files HTTP/1.1\r\nHost: x\r\nConnection: close\r\nContent-Length: ${length}\r\n\r\n`)
    for (const part of parts) {
      if (socket.destroyed) break
      socket.write(Buffer.alloc(part, 'x'))
      await sleep(pause)
    }
    await Promise.race([closed, sleep(5000)])
    socket.destroy()
    return said
  }

  test('what goes on arriving is taken, however long that lasts', async () => {
    expect(
      await send(
        20_000,
        Array.from({ length: 20 }, () => 1000),
        40,
      ),
    ).toContain('took 20000')
  })

  test('what stops arriving is refused with a sentence, at any size', async () => {
    for (const [length, part] of [
      [1_000_000, 5000],
      [100, 10],
    ] as const) {
      const said = await send(length, [part], 0)
      expect(said).toContain('HTTP/1.1 408')
      expect(said).toContain('next to nothing of what you send arrived')
    }
  })
})
