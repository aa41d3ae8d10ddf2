import { spawn } from 'node:child_process'
import { rmSync } from 'node:fs'
import { join, resolve } from 'node:path'
import { parseArgs } from 'node:util'
import { ROOT, build, checkNode, install } from './steps.mjs'

const HELP = `npm run demo -- [options]
  --bare        the museum with its content and menus, but no layout and no frame
  --port N      the port to listen at (3000)
  --host H      the address to listen at (127.0.0.1: this machine alone; its password is known to everybody)
  --data DIR    the data folder (.data/demo, or .data/bare with --bare)
  --reset       throw the data of that folder away first`

function readOptions() {
  try {
    const { values } = parseArgs({
      options: {
        bare: { type: 'boolean', default: false },
        port: { type: 'string', default: '3000' },
        host: { type: 'string', default: '127.0.0.1' },
        data: { type: 'string' },
        reset: { type: 'boolean', default: false },
        help: { type: 'boolean', default: false },
      },
    })
    return values
  } catch (error) {
    console.error(`${error.message}\n\n${HELP}`)
    process.exit(1)
  }
}

const options = readOptions()
if (options.help) {
  console.log(HELP)
  process.exit(0)
}
const port = Number(options.port)
if (!Number.isInteger(port) || port < 1 || port > 65535) {
  console.error(`--port takes a number from 1 to 65535; ${options.port} is not.`)
  process.exit(1)
}

checkNode()
install()
build()

const data = resolve(options.data ?? join(ROOT, '.data', options.bare ? 'bare' : 'demo'))
if (options.reset) {
  for (const name of ['outer-frame.sqlite', 'outer-frame.sqlite-wal', 'outer-frame.sqlite-shm'])
    rmSync(join(data, name), { force: true })
}

const server = spawn(process.execPath, [join(ROOT, '.output', 'server', 'index.mjs')], {
  stdio: ['inherit', 'pipe', 'inherit'],
  env: {
    ...process.env,
    PORT: String(port),
    HOST: options.host,
    OUTER_FRAME_DATA: data,
    OUTER_FRAME_DEMO: options.bare ? 'bare' : 'full',
  },
})
let told = false
server.stdout.on('data', (chunk) => {
  process.stdout.write(chunk)
  if (told || !String(chunk).includes('"listening"')) return
  told = true
  console.log(`
  The site      http://localhost:${port}/
  The studio    http://localhost:${port}/studio
  Sign in as    ada@quillmere.example.org (designer), orla@ (owner) or wim@ (writer)
  Password      wind-me-on-sunday
  Data          ${data}

  Press Ctrl+C to stop.
`)
})
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => server.kill(signal))
server.on('close', (code) => process.exit(code ?? 0))
