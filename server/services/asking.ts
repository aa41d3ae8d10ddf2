import type { Device, Request } from '../../core/frames'
import { fail } from '../../core/problems'

/** A visitor described by words, as programs and the command line do it. */
export interface Asking {
  role?: string
  device?: string
  at?: string
  signedIn?: string
}

const DEVICES: readonly string[] = ['phone', 'tablet', 'desktop']
const ROLES: readonly string[] = ['visitor', 'member', 'writer', 'designer', 'owner']

/** Reads a described visitor. A role other than visitor is signed in unless it says otherwise. Throws a problem. */
export function readAsking(
  { role = 'visitor', device = 'desktop', at, signedIn }: Asking,
  parameters: Record<string, string>,
): Request {
  if (!ROLES.includes(role)) fail('input-wrong', { why: `A role is one of ${ROLES.join(', ')}` })
  if (!DEVICES.includes(device)) fail('input-wrong', { why: `A device is one of ${DEVICES.join(', ')}` })
  const time = at === undefined ? Date.now() : Date.parse(at)
  if (Number.isNaN(time)) fail('input-wrong', { why: 'A time is written as 2026-03-29T14:00 or 2026-03-29' })
  const known =
    signedIn === undefined ? role !== 'visitor' : signedIn === 'true' || signedIn === 'yes' || signedIn === '1'
  return { role, device: device as Device, at: time, parameters, signedIn: known }
}
