import { rmSync } from 'node:fs'
import { join, resolve } from 'node:path'
import { readOptions, ready, serve } from './serve.mjs'
import { ROOT } from './steps.mjs'

/** Starts the made-up museum. */

const HELP = `npm run demo -- [options]
  --bare        the museum with its content and menus, but no layout and no frame
  --port N      the port to listen at (3000)
  --host H      the address to listen at (127.0.0.1: this machine alone; its password is known to everybody)
  --data DIR    the data folder (.data/demo, or .data/bare with --bare)
  --reset       throw the data of that folder away first`

const options = readOptions(
  {
    bare: { type: 'boolean', default: false },
    port: { type: 'string', default: '3000' },
    host: { type: 'string', default: '127.0.0.1' },
    data: { type: 'string' },
    reset: { type: 'boolean', default: false },
  },
  HELP,
)
ready()

const { port, host } = options
const data = resolve(options.data ?? join(ROOT, '.data', options.bare ? 'bare' : 'demo'))
if (options.reset) {
  for (const name of ['outer-frame.sqlite', 'outer-frame.sqlite-wal', 'outer-frame.sqlite-shm'])
    rmSync(join(data, name), { force: true })
  for (const folder of ['files', 'imports', 'sent', 'stand-ins'])
    rmSync(join(data, folder), { recursive: true, force: true })
}

let inbox = ''
serve(
  { port, host, data, env: { OUTER_FRAME_DEMO: options.bare ? 'bare' : 'full', OUTER_FRAME_DEMO_PHOTOGRAPHS: '1' } },
  (event) => {
    if (event.event === 'stand-ins') inbox = event.inbox
    if (event.event !== 'listening') return
    console.log(`
  The site      http://localhost:${port}/
  The studio    http://localhost:${port}/studio
  Sign in as    ada@quillmere.example.org (designer), orla@ (owner) or wim@ (writer)
  Password      wind-me-on-sunday
  Its mail      ${inbox}
  Data          ${data}

  Press Ctrl+C to stop.
`)
  },
)
