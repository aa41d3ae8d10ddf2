import { readFileSync } from 'node:fs'
import { get } from 'node:http'
import { performance } from 'node:perf_hooks'
import { Catalogue } from '../core/catalogue'
import { makeDemo } from '../demo'
import { type TestServer, startServer } from '../tests/server'
import { bareServer, ensureTools, nginxServer, requestsPerSecond } from './load'
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

/** A page as it stands ready once it has been compressed; pages that are never kept as they come. */
async function compressed(origin: string, path: string): Promise<Answer> {
  await ask(origin, path)
  await new Promise((done) => setTimeout(done, 150))
  return ask(origin, path)
}

const ROUNDS = 10
/** So many pages are asked for before the memory is read. */
const DIFFERENT = 300
const SECONDS = 2

/** Rounds of each in turn, so that what the machine does meanwhile touches all alike; the median of the rounds' ratios. */
async function benchReady(server: TestServer): Promise<Result[]> {
  ensureTools()
  const path = '/exhibits/fenwick-turret-clock'
  const served = await compressed(server.origin, path)
  const [bare, nginx] = [await bareServer(served), await nginxServer(served)]
  const rounds: { ours: number; bare: number; nginx: number }[] = []
  try {
    for (let i = -1; i < ROUNDS; i++) {
      const round = {
        ours: await requestsPerSecond(`http://127.0.0.1:${server.port}${path}`, SECONDS),
        bare: await requestsPerSecond(bare.url, SECONDS),
        nginx: await requestsPerSecond(nginx.url, SECONDS),
      }
      // The first warms all of them up.
      if (i >= 0) rounds.push(round)
    }
  } finally {
    bare.close()
    nginx.close()
  }
  const beside = (other: 'bare' | 'nginx') => median(rounds.map((r) => r.ours / r[other]))
  const ours = median(rounds.map((r) => r.ours))
  const line = (other: 'bare' | 'nginx', against: string, bound: string, holds: boolean): Result => ({
    name: 'Answering a ready page: our requests per second',
    value: `${round(beside(other) * 100, 0)}%`,
    against,
    bound,
    holds,
    data: {
      ours: round(ours, 0),
      other: round(median(rounds.map((r) => r[other])), 0),
      ratio: round(beside(other), 3),
    },
  })
  return [
    line('bare', 'a bare Node http server, same bytes and headers', 'at least 90%', beside('bare') >= 0.9),
    line('nginx', 'nginx with one worker, same bytes and headers', 'none', true),
  ]
}

async function benchAnew(server: TestServer): Promise<Result> {
  const samples: number[] = []
  for (let i = -60; i < 400; i++) {
    const start = performance.now()
    await ask(server.origin, '/exhibits/fenwick-turret-clock')
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
    const { body } = await compressed(server.origin, address)
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
  // Every page of the museum, and each screen of its lists by several orders: so many different pages are drawn.
  const pages = new Catalogue(makeDemo().site).pages.map((p) => encodeURI(p.address || '/lost'))
  const orders = ['', '?sort=title', '?sort=-title', '?sort=date']
  const different = pages.flatMap((address) => orders.map((order) => address + order)).slice(0, DIFFERENT)
  for (const address of different) await ask(server.origin, address)
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
      name: `Resident memory after ${different.length} different pages`,
      value: `${round(memory, 0)} MB`,
      against: 'a bound',
      bound: 'under 200 MB',
      holds: memory < 200,
      data: { megabytes: round(memory, 1) },
    },
  ]
}

/** A server over the demo data; `ready` says how many megabytes of pages it keeps ready. */
async function over<T>(ready: string, measure: (server: TestServer) => Promise<T>): Promise<T> {
  const server = await startServer({ env: { OUTER_FRAME_READY: ready } })
  try {
    return await measure(server)
  } finally {
    await server.stop()
  }
}

/** The built server with the demo data, over real sockets. */
export async function benchServing(): Promise<Result[]> {
  return [
    ...(await over('64', benchReady)),
    // One that keeps nothing draws every page anew.
    await over('0', benchAnew),
    ...(await over('64', async (server) => [await benchWeight(server), ...(await benchStart(server))])),
  ]
}
