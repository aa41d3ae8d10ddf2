import { spawn, spawnSync } from 'node:child_process'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { freePort } from '../server'

/** The command that everybody starts with, as it is started. */

const folder = mkdtempSync(join(tmpdir(), 'outer-frame-demo-'))
afterAll(() => rmSync(folder, { recursive: true, force: true }))

interface Running {
  said: string
  stop(): Promise<number | null>
}

function demo(...args: string[]): Promise<Running> {
  const child = spawn(process.execPath, ['scripts/demo.mjs', ...args])
  let said = ''
  const stop = () =>
    new Promise<number | null>((done) => {
      if (child.exitCode !== null) return done(child.exitCode)
      child.once('close', (code) => done(code))
      child.kill('SIGTERM')
    })
  return new Promise((ready) => {
    const settle = () => ready({ said, stop })
    const hear = (chunk: Buffer) => {
      said += String(chunk)
      if (said.includes('Press Ctrl+C')) settle()
    }
    child.stdout.on('data', hear)
    child.stderr.on('data', hear)
    child.on('close', settle)
  })
}

test('starts, says where and how to sign in, keeps its data over a restart, and throws it away when asked', async () => {
  const port = await freePort()
  const data = join(folder, 'bare')
  const first = await demo('--bare', '--port', String(port), '--data', data)
  expect(first.said).toContain(`http://localhost:${port}/studio`)
  expect(first.said).toContain('ada@quillmere.example.org')
  expect(first.said).toContain('wind-me-on-sunday')
  const page = async () => (await fetch(`http://localhost:${port}/visit`)).text()
  expect(await page()).not.toContain('<header>')
  expect(first.said).toContain('"demo-made","bare":true')
  expect(await first.stop()).toBe(0)
  const again = await demo('--port', String(port), '--data', data)
  expect(again.said).not.toContain('demo-made')
  expect(await page()).not.toContain('<header>')
  await again.stop()
  const reset = await demo('--port', String(port), '--data', data, '--reset')
  expect(reset.said).toContain('"demo-made","bare":false')
  expect(await page()).toContain('<header>')
  const taken = await demo('--port', String(port), '--data', join(folder, 'other'))
  expect(taken.said).toContain(`Port ${port} is in use.`)
  await reset.stop()
}, 60_000)

test.each([
  [['--port', 'many'], '--port takes a number'],
  [['--port', '70000'], '--port takes a number'],
  [['--loud'], "Unknown option '--loud'"],
])('%j is refused in a sentence', (args, sentence) => {
  const { status, stderr } = spawnSync(process.execPath, ['scripts/demo.mjs', ...args], { encoding: 'utf8' })
  expect(status).toBe(1)
  expect(stderr).toContain(sentence)
})

test('--help says what there is', () => {
  expect(spawnSync(process.execPath, ['scripts/demo.mjs', '--help'], { encoding: 'utf8' }).stdout).toContain('--reset')
})
