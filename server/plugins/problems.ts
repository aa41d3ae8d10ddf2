import { type Problem, problem } from '../../core/problems'

/** Errors that the libraries raise before our handlers run are answered in our own words. */
const BY_STATUS: Record<number, Problem> = { 403: problem('cross-site'), 413: problem('body-large', { most: '1 MB' }) }

export default defineNitroPlugin((nitro) => {
  nitro.hooks.hook('error', (error, { event }) => {
    const status = (error as { statusCode?: number }).statusCode ?? 500
    const found = BY_STATUS[status]
    if (!event?.path.startsWith('/api') || !found || event.node.res.headersSent) return
    event.node.res.writeHead(status, { 'content-type': 'application/json' }).end(JSON.stringify({ problem: found }))
  })
})
