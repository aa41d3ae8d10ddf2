import { spawn } from 'node:child_process'
import { join } from 'node:path'
import { parseArgs } from 'node:util'
import { ROOT, build, checkNode, install } from './steps.mjs'

/** What the commands that start a server have in common. */

/** The options of a call; ends with the help when it is asked for, or with what was wrong. */
export function readOptions(options, help) {
  const end = (code, text) => {
    ;(code ? console.error : console.log)(text)
    process.exit(code)
  }
  let values
  try {
    values = parseArgs({ options: { ...options, help: { type: 'boolean', default: false } } }).values
  } catch (error) {
    return end(1, `${error.message}\n\n${help}`)
  }
  if (values.help) return end(0, help)
  const port = Number(values.port)
  if (!Number.isInteger(port) || port < 1 || port > 65535)
    return end(1, `--port takes a number from 1 to 65535; ${values.port} is not.`)
  return { ...values, port }
}

/** Readies what is needed: Node, the packages, the build. */
export function ready() {
  checkNode()
  install()
  build()
}

/** Runs the server until it ends or is stopped; `told` hears each event of its log, and may say something. */
export function serve({ port, host, data, env = {} }, told) {
  const server = spawn(process.execPath, [join(ROOT, '.output', 'server', 'index.mjs')], {
    stdio: ['inherit', 'pipe', 'inherit'],
    env: { ...process.env, PORT: String(port), HOST: host, OUTER_FRAME_DATA: data, ...env },
  })
  let rest = ''
  server.stdout.on('data', (chunk) => {
    process.stdout.write(chunk)
    const lines = (rest + chunk).split('\n')
    rest = lines.pop()
    for (const line of lines) {
      let event
      try {
        event = JSON.parse(line)
      } catch {
        continue
      }
      told(event)
    }
  })
  for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => server.kill(signal))
  server.on('close', (code) => process.exit(code ?? 0))
}
