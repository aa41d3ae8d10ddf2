import { DEVICES, type Request } from '../../core/conditions'
import { fail } from '../../core/problems'
import type { Parameters } from '../../core/addresses'
import { ROLES } from '../../core/model'
import { momentIn } from '../../core/time'

/** A visitor described by words, as programs and the command line do it. */
export interface Asking {
  role?: string
  device?: string
  at?: string
  signedIn?: string
}

const isOneOf = <T extends string>(words: readonly T[], word: string): word is T => words.includes(word as T)

const YES: readonly string[] = ['yes', 'true', '1']
const NO: readonly string[] = ['no', 'false', '0']

function readSignedIn(text: string): boolean {
  if (!isOneOf([...YES, ...NO], text)) fail('asking-wrong', { why: 'Signed in is yes or no' })
  return YES.includes(text)
}

/**
 * Reads a described visitor; days and times without a zone are those of the site. Whoever has a role other than
 * visitor is signed in unless it is said otherwise. Throws a problem.
 */
export function readAsking(
  { role = 'visitor', device = 'desktop', at, signedIn }: Asking,
  parameters: Parameters,
  timeZone: string,
): Request {
  if (!isOneOf(ROLES, role)) return fail('asking-wrong', { why: `A role is one of ${ROLES.join(', ')}` })
  if (!isOneOf(DEVICES, device)) return fail('asking-wrong', { why: `A device is one of ${DEVICES.join(', ')}` })
  const time = at === undefined ? Date.now() : momentIn(at, timeZone)
  if (time === null) return fail('asking-wrong', { why: 'A time is written as 2026-03-29T14:00 or 2026-03-29' })
  const known = signedIn === undefined ? role !== 'visitor' : readSignedIn(signedIn)
  return { role, device, at: time, parameters, signedIn: known }
}
