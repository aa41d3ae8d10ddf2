import '#nitro-internal-pollyfills'
import { type IncomingMessage, type Server, type ServerResponse, createServer } from 'node:http'
import type { AddressInfo } from 'node:net'
import { toNodeListener } from 'h3'
import { useNitroApp } from 'nitropack/runtime'
import { StartError } from './database/open'
import { closeInstallation, heard, installation } from './services/installation'
import { log } from './services/log'
import { protocolOf } from './services/place'
import { watchProgress } from './services/progress'
import { answerVisitor, isStudioAddress } from './services/visitors'

/** Where the site is reached over https, browsers come back over https alone. */
const HSTS = 'max-age=31536000'
const GRACE = 5_000
/** How often those who wait with nothing asked are let go while it stops, in milliseconds. */
const LET_GO = 25
/** Nobody else hears a server that was not told to be heard: HOST=0.0.0.0 opens it to all. */
const LOOPBACK = '127.0.0.1'

function start(server: Server, port: number, host: string): Promise<void> {
  return new Promise((done, refuse) => {
    server.once('error', (error: NodeJS.ErrnoException) => {
      const taken = error.code === 'EADDRINUSE'
      refuse(
        taken ? new StartError(`Port ${port} is in use. Stop what uses it, or choose another with --port.`) : error,
      )
    })
    server.listen({ port, host }, done)
  })
}

/** Answers what is under way, then closes the database and ends; `letGo` ends what would never end by itself. */
function stopOnSignal(server: Server, letGo: () => void, close: () => Promise<void>): void {
  let stopping = false
  const stop = async (signal: string) => {
    if (stopping) return
    stopping = true
    log('info', 'stopping', { signal })
    setTimeout(() => server.closeAllConnections(), GRACE).unref()
    letGo()
    // Whoever was being answered keeps the connection; it is let go as soon as nothing is asked on it.
    const idle = setInterval(() => server.closeIdleConnections(), LET_GO)
    await new Promise((closed) => server.close(closed))
    clearInterval(idle)
    await close()
    process.exit(0)
  }
  process.once('SIGTERM', () => void stop('SIGTERM'))
  process.once('SIGINT', () => void stop('SIGINT'))
}

/** Starts to listen: visitors are answered directly, the studio and its API by Nitro. */
export async function listen(): Promise<void> {
  const nitro = useNitroApp()
  const studio = toNodeListener(nitro.h3App)
  const site = await installation()
  const who = (cookies: string | undefined) => site.sessions.userOf(cookies)
  const server = createServer((request: IncomingMessage, response: ServerResponse) => {
    if (protocolOf(request.headers) === 'https') response.setHeader('strict-transport-security', HSTS)
    watchProgress(request, response)
    if (isStudioAddress(request.url ?? '/')) void studio(request, response)
    else answerVisitor(site, request, response, who)
  })
  // However long a large file takes on a slow line: it is ended where it stops coming.
  server.requestTimeout = 0
  process.on('unhandledRejection', (error) =>
    log('error', 'unhandled', { error: String((error as Error)?.stack ?? error) }),
  )
  const port = Number(process.env.NITRO_PORT ?? process.env.PORT ?? 3000)
  const host = process.env.NITRO_HOST ?? process.env.HOST ?? LOOPBACK
  await start(server, port, host)
  heard(`http://localhost:${(server.address() as AddressInfo).port}`)
  stopOnSignal(
    server,
    () => site.live.end(),
    async () => {
      await nitro.hooks.callHook('close')
      await closeInstallation()
    },
  )
  const code = await site.founding.begin()
  if (code) log('info', 'to-be-founded', { code })
  log('info', 'listening', {
    host,
    port: (server.address() as AddressInfo).port,
    pages: site.content.catalogue.pages.length,
  })
}
