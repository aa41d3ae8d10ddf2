import { type PROBLEMS, problem } from '../../core/problems'

/** Errors that the libraries raise before our handlers run are answered in our own words. */
const BY_STATUS: Record<number, keyof typeof PROBLEMS> = { 403: 'cross-site', 413: 'body-large' }

export default defineNitroPlugin((nitro) => {
  nitro.hooks.hook('error', (error, { event }) => {
    const status = (error as { statusCode?: number }).statusCode ?? 500
    const code = BY_STATUS[status]
    if (!event?.path.startsWith('/api') || !code || event.node.res.headersSent) return
    event.node.res
      .writeHead(status, { 'content-type': 'application/json' })
      .end(JSON.stringify({ problem: problem(code, { most: '1 MB' }) }))
  })
})
