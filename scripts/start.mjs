import { join, resolve } from 'node:path'
import { readOptions, ready, serve } from './serve.mjs'
import { ROOT } from './steps.mjs'

/** Starts a site of one's own. Over an empty folder it tells the code by which the site is founded. */

const HELP = `npm start -- [options]
  --port N      the port to listen at (3000)
  --host H      the address to listen at (127.0.0.1: this machine alone)
  --data DIR    the data folder (.data/site)`

const options = readOptions(
  {
    port: { type: 'string', default: '3000' },
    host: { type: 'string', default: '127.0.0.1' },
    data: { type: 'string', default: join(ROOT, '.data', 'site') },
  },
  HELP,
)
ready()

const { port, host } = options
const data = resolve(options.data)
let code = null
serve({ port, host, data, env: { OUTER_FRAME_DEMO: '' } }, (event) => {
  if (event.event === 'to-be-founded') code = event.code
  if (event.event === 'founded') code = null
  if (event.event !== 'listening') return
  const address = `http://localhost:${event.port}`
  console.log(
    code
      ? `
  There is no site in ${data} yet. Begin it at

      ${address}/studio/begin

  with the code   ${code}
  It is good once, and for as long as this server runs.

  Press Ctrl+C to stop.
`
      : `
  The site      ${address}/
  The studio    ${address}/studio
  Data          ${data}

  Press Ctrl+C to stop.
`,
  )
})
