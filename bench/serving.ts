import { spawn } from 'node:child_process'
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { get } from 'node:http'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { performance } from 'node:perf_hooks'
import autocannon from 'autocannon'
import { Catalogue } from '../core/site'
import { makeDemo } from '../demo'
import { type TestServer, freePort, startServer } from '../tests/server'
import { type Result, median, round } from './measure'

interface Answer {
  status: number
  headers: Record<string, string | string[] | undefined>
  body: Buffer
}

function ask(origin: string, path: string): Promise<Answer> {
  return new Promise((done, fail) => {
    get(origin + path, { headers: { 'accept-encoding': 'gzip' } }, (answer) => {
      const chunks: Buffer[] = []
      answer.on('data', (c: Buffer) => chunks.push(c))
      answer.on('end', () => done({ status: answer.statusCode!, headers: answer.headers, body: Buffer.concat(chunks) }))
    }).on('error', fail)
  })
}

async function load(url: string): Promise<number> {
  const result = await autocannon({ url, connections: 10, duration: 3, headers: { 'accept-encoding': 'gzip' } })
  return result.requests.average
}

/** A bare Node server in a process of its own that gives the same bytes with the same headers. */
async function bareServer(answer: Answer): Promise<{ url: string; close(): void }> {
  const { date: _date, connection: _connection, 'keep-alive': _keep, ...headers } = answer.headers
  const folder = mkdtempSync(join(tmpdir(), 'outer-frame-bare-'))
  const file = join(folder, 'answer.json')
  writeFileSync(file, JSON.stringify({ headers, body: answer.body.toString('base64') }))
  const port = await freePort()
  const child = spawn(process.execPath, ['bench/bare.mjs', file, String(port)])
  await new Promise((done) => child.stdout.once('data', done))
  const close = () => {
    child.kill()
    rmSync(folder, { recursive: true, force: true })
  }
  return { url: `http://localhost:${port}/`, close }
}

async function benchReady(server: TestServer): Promise<Result> {
  const path = '/exhibits/fenwick-turret-clock'
  const bare = await bareServer(await ask(server.origin, path))
  const ours: number[] = []
  const theirs: number[] = []
  for (let i = 0; i < 3; i++) {
    ours.push(await load(server.origin + path))
    theirs.push(await load(bare.url))
  }
  bare.close()
  const ratio = median(ours) / median(theirs)
  return {
    name: 'Answering a ready page: our requests per second',
    value: `${round(ratio * 100, 0)}%`,
    against: 'a bare Node http server, same bytes and headers',
    bound: 'at least 60%',
    holds: ratio >= 0.6,
    data: { ours: round(median(ours), 0), bare: round(median(theirs), 0), ratio: round(ratio, 3) },
  }
}

async function benchAnew(server: TestServer): Promise<Result> {
  const samples: number[] = []
  for (let i = -60; i < 400; i++) {
    // A parameter makes the page be drawn for this request alone.
    const start = performance.now()
    await ask(server.origin, `/exhibits/fenwick-turret-clock?n=${i}`)
    if (i >= 0) samples.push(performance.now() - start)
  }
  const value = median(samples)
  return {
    name: 'A page drawn anew, whole answer, median',
    value: `${round(value)} ms`,
    against: 'a bound',
    bound: 'at most 3 ms',
    holds: value <= 3,
    data: { medianMilliseconds: round(value, 3) },
  }
}

async function benchWeight(server: TestServer): Promise<Result> {
  let most = { address: '', bytes: 0 }
  for (const page of new Catalogue(makeDemo().site).pages) {
    const address = encodeURI(page.address || '/lost')
    const { body } = await ask(server.origin, address)
    if (body.length > most.bytes) most = { address, bytes: body.length }
  }
  return {
    name: `Heaviest demo page, compressed (${most.address})`,
    value: `${round(most.bytes / 1024, 1)} KB`,
    against: 'a bound',
    bound: 'under 14 KB',
    holds: most.bytes < 14 * 1024,
    data: { bytes: most.bytes },
  }
}

function residentBytes(pid: number): number {
  const line = /VmRSS:\s+(\d+) kB/.exec(readFileSync(`/proc/${pid}/status`, 'utf8'))
  return Number(line?.[1] ?? 0) * 1024
}

async function benchStart(server: TestServer): Promise<Result[]> {
  const samples: number[] = []
  for (let i = 0; i < 5; i++) {
    const start = performance.now()
    await server.restart()
    await ask(server.origin, '/')
    samples.push(performance.now() - start)
  }
  const value = median(samples)
  for (let i = 0; i < 300; i++) await ask(server.origin, `/exhibits?n=${i}`)
  const memory = residentBytes(server.pid()) / 1024 / 1024
  return [
    {
      name: 'Cold start to the first answered page',
      value: `${round(value / 1000)} s`,
      against: 'a bound',
      bound: 'under 1.5 s',
      holds: value < 1500,
      data: { milliseconds: round(value, 0) },
    },
    {
      name: 'Resident memory after 300 drawn pages',
      value: `${round(memory, 0)} MB`,
      against: 'a bound',
      bound: 'under 200 MB',
      holds: memory < 200,
      data: { megabytes: round(memory, 1) },
    },
  ]
}

/** The built server with the demo data, over real sockets. */
export async function benchServing(): Promise<Result[]> {
  const server = await startServer()
  try {
    return [await benchReady(server), await benchAnew(server), await benchWeight(server), ...(await benchStart(server))]
  } finally {
    await server.stop()
  }
}
