import { type ChildProcess, spawn } from 'node:child_process'
import { mkdtempSync, rmSync } from 'node:fs'
import { createServer } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'

/** Starts the built server on a free port over a database of its own. */

export interface TestServer {
  origin: string
  port: number
  data: string
  /** What it has said so far. */
  said(): string
  pid(): number
  stop(): Promise<number | null>
  restart(): Promise<void>
}

export interface StartOptions {
  demo?: 'full' | 'bare' | 'none'
  data?: string
  port?: number
  /** More of the environment that it runs in. */
  env?: Record<string, string>
}

const SERVER = join(process.cwd(), '.output', 'server', 'index.mjs')
const PATIENCE = 120_000

/** A port that is free, below those that systems give to whoever asks for any: nothing that is started meanwhile takes it. */
export function freePort(): Promise<number> {
  return new Promise((done) => {
    const probe = createServer()
    probe.once('error', () => done(freePort()))
    const port = 10_000 + Math.floor(Math.random() * 20_000)
    probe.listen(port, () => probe.close(() => done(port)))
  })
}

/** Runs the server until it listens or ends; gives what it said. */
export function launch(
  port: number,
  data: string,
  demo: string,
  more: Record<string, string> = {},
): { child: ChildProcess; said: () => string; ready: Promise<boolean> } {
  const env = {
    ...process.env,
    PORT: String(port),
    OUTER_FRAME_DATA: data,
    OUTER_FRAME_DEMO: demo === 'none' ? '' : demo,
    ...more,
  }
  const child = spawn(process.execPath, [SERVER], { env })
  let text = ''
  const ready = new Promise<boolean>((done) => {
    const timer = setTimeout(() => done(false), PATIENCE)
    const settle = (value: boolean) => {
      clearTimeout(timer)
      done(value)
    }
    const hear = (chunk: Buffer) => {
      text += String(chunk)
      if (text.includes('"listening"')) settle(true)
    }
    child.stdout!.on('data', hear)
    child.stderr!.on('data', hear)
    child.on('exit', () => settle(false))
  })
  return { child, said: () => text, ready }
}

export async function startServer(options: StartOptions = {}): Promise<TestServer> {
  const port = options.port ?? (await freePort())
  const data = options.data ?? mkdtempSync(join(tmpdir(), 'outer-frame-'))
  const demo = options.demo ?? 'full'
  let running = launch(port, data, demo, options.env)
  if (!(await running.ready)) throw new Error(`The server did not start:\n${running.said()}`)
  const end = () =>
    new Promise<number | null>((done) => {
      const { exitCode, signalCode } = running.child
      if (exitCode !== null || signalCode !== null) return done(exitCode)
      running.child.once('exit', (code) => done(code))
      running.child.kill('SIGTERM')
    })
  return {
    origin: `http://localhost:${port}`,
    port,
    data,
    said: () => running.said(),
    pid: () => running.child.pid!,
    async stop() {
      const code = await end()
      if (!options.data) rmSync(data, { recursive: true, force: true })
      return code
    },
    async restart() {
      await end()
      running = launch(port, data, demo, options.env)
      if (!(await running.ready)) throw new Error(`The server did not start again:\n${running.said()}`)
    },
  }
}
