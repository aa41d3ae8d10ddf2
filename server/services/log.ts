import { instantText } from '../../core/time'
/** Structured log: one JSON object a line, on standard output; problems on standard error. */

type Level = 'info' | 'warn' | 'error'

const LEVELS: readonly string[] = ['debug', 'info', 'warn', 'error', 'silent']

/** Details never stand in the place of what every line says: those of the same names are set apart. */
const renamed = ({ at, level, event, ...details }: Record<string, unknown>): Record<string, unknown> => ({
  ...details,
  ...(at !== undefined && { 'detail-at': at }),
  ...(level !== undefined && { 'detail-level': level }),
  ...(event !== undefined && { 'detail-event': event }),
})

export function log(level: Level, event: string, details: Record<string, unknown> = {}): void {
  if (LEVELS.indexOf(level) < LEVELS.indexOf(process.env.OUTER_FRAME_LOG ?? 'info')) return
  const line = JSON.stringify({ at: instantText(Date.now()), level, event, ...renamed(details) })
  ;(level === 'info' ? process.stdout : process.stderr).write(line + '\n')
}

/** Whoever reads the log may go away: what is written then is lost, and the server goes on without. */
export function outliveReaders(): void {
  for (const stream of [process.stdout, process.stderr]) {
    stream.on('error', (error: NodeJS.ErrnoException) => {
      if (error.code !== 'EPIPE' && error.code !== 'ERR_STREAM_DESTROYED' && error.code !== 'EIO') throw error
    })
  }
}
