import { type EventHandler, type H3Event, defineEventHandler, getQuery, setResponseStatus } from 'h3'
import { type Problem, ProblemError, fail, problem } from '../../core/problems'
import { refuse } from '../../core/shape'
import { type Role, includesRole } from '../../core/model'
import { asSentence } from '../../core/text'
import { INPUTS, type InputName, type InputOf } from '../../shared/api/schemas'
import type { EditsInput, ErrorAnswer, User } from '../../shared/api/types'
import { isFull } from '../database/full'
import { onDisk } from '../database/on-disk'
import { type Installation, installation } from '../services/installation'
import { log } from '../services/log'
import type { Sent } from '../services/media'

/** The studio is for writers and up; a member signs in to the site, not to the studio. */
export function mayUse(user: User | null, role: Role): boolean {
  return user !== null && includesRole(user.role, role)
}

/** Whoever is signed in, as the database has them now; null when nobody is. */
export async function currentUser(event: H3Event, site: Installation): Promise<User | null> {
  const { cookie } = event.node.req.headers
  const user = await site.sessions.userOf(cookie)
  const renewed = user && site.sessions.renewed(cookie)
  if (renewed) event.node.res.appendHeader('set-cookie', renewed)
  return user && { id: user.id, name: user.name, mail: user.mail, role: user.role }
}

async function requireRole(event: H3Event, site: Installation, role: Role): Promise<User> {
  const user = await currentUser(event, site)
  if (!user) return fail('signed-out')
  return mayUse(user, role) ? user : fail('role-lacking', { role })
}

const sizeName = (bytes: number): string => (bytes >= 1_000_000 ? `${bytes / 1_000_000} MB` : `${bytes / 1000} KB`)

async function readText(event: H3Event, most: number): Promise<string> {
  const { req } = event.node
  const chunks: Buffer[] = []
  let size = Number(req.headers['content-length'] ?? 0)
  if (size <= most) {
    size = 0
    for await (const chunk of req as AsyncIterable<Buffer>) {
      size += chunk.length
      if (size > most) break
      chunks.push(chunk)
    }
  }
  if (size > most) {
    // The rest is not read, so the connection cannot be used again.
    event.node.res.setHeader('connection', 'close')
    fail('body-large', { most: sizeName(most) })
  }
  return Buffer.concat(chunks).toString('utf8')
}

function readJson(text: string): unknown {
  try {
    return JSON.parse(text)
  } catch (error) {
    if (error instanceof SyntaxError) return fail('body-unreadable')
    throw error
  }
}

/** The JSON sent, judged by the shape under its name. Throws a problem when it is too large, unreadable or not as asked. */
export async function readInput<N extends InputName>(event: H3Event, name: N): Promise<InputOf<N>> {
  const { shape, most } = INPUTS[name]
  const json = readJson(await readText(event, most))
  const why = refuse(shape, json)
  return why === null ? (json as InputOf<N>) : fail('body-shape', { why: asSentence(why) })
}

/** Edits that are sent: what surrounds them is judged here, each of them when it is applied. */
export const readEdits = async <E>(event: H3Event): Promise<EditsInput<E>> =>
  (await readInput(event, 'edits')) as EditsInput<E>

/** A file that is sent by itself, as the body of a request, with its name as a parameter. */
export function sentFile(event: H3Event): Sent {
  const { req } = event.node
  const bytes = Number(req.headers['content-length'])
  const name = getQuery(event).name
  return {
    stream: req,
    name: typeof name === 'string' ? name.slice(0, 300) : '',
    ...(Number.isSafeInteger(bytes) && bytes > 0 && { bytes }),
  }
}

/** Sets the status and words the body of a problem. */
export function answerProblem(event: H3Event, found: Problem): ErrorAnswer {
  setResponseStatus(event, found.status)
  return { problem: found }
}

type Work<T> = (context: { event: H3Event; site: Installation; user: User }) => Promise<T>

async function run<T>(event: H3Event, work: (site: Installation) => Promise<T>): Promise<T | ErrorAnswer> {
  event.node.res.setHeader('cache-control', 'no-store')
  try {
    const site = await installation()
    const answer = await work(site)
    // What is said to be kept is kept, whatever happens to the power.
    if (event.method !== 'GET' && event.method !== 'HEAD') await onDisk(site.db)
    return answer
  } catch (failure) {
    const error = isFull(failure) ? new ProblemError(problem('disk-full')) : failure
    if (error instanceof ProblemError) return answerProblem(event, error.problem)
    log('error', 'request-failed', { path: event.path, error: String((error as Error)?.stack ?? error) })
    return answerProblem(event, problem('unexpected'))
  }
}

/** A handler for whoever has at least the role; everybody else is refused before anything is read. */
export function studioHandler<T>(role: Role, work: Work<T>): EventHandler {
  return defineEventHandler((event) =>
    run(event, async (site) => work({ event, site, user: await requireRole(event, site, role) })),
  )
}

/** A handler that anybody may call: signing in, and asking who is signed in. */
export function openHandler<T>(work: (context: { event: H3Event; site: Installation }) => Promise<T>): EventHandler {
  return defineEventHandler((event) => run(event, (site) => work({ event, site })))
}

/** A part of the address that is a number; one that is none stands for nobody. */
export function numberOf(event: H3Event, name: string): number {
  const number = Number(parameter(event, name))
  return Number.isSafeInteger(number) ? number : -1
}

/** A part of the address, without escapes. One that cannot be read names nothing. */
export function parameter(event: H3Event, name: string): string {
  const part = event.context.params?.[name] ?? ''
  try {
    return decodeURIComponent(part)
  } catch (error) {
    if (error instanceof URIError) return fail('address-unknown', { address: event.path.slice(0, 200) })
    throw error
  }
}
