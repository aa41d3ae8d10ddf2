import { dayIn } from '../site'
import type { Circumstance, Request } from './types'

/** Names and values are compared exactly. */
const PARAMETER: Record<string, (value: string, asked: string) => boolean> = {
  is: (value, asked) => value === asked,
  contains: (value, asked) => value.includes(asked),
}

type Holds<K extends Circumstance['kind']> = (
  circumstance: Extract<Circumstance, { kind: K }>,
  request: Request,
  timeZone: string,
) => boolean

const HOLDS: { [K in Circumstance['kind']]: Holds<K> } = {
  parameter({ name, op, values }, { parameters }) {
    if (!Object.hasOwn(parameters, name)) return false
    const given = parameters[name]!
    return op === 'present' || values.some((asked) => given.some((value) => PARAMETER[op]!(value, asked)))
  },
  device: ({ devices }, { device }) => devices.includes(device),
  role: ({ roles }, { role }) => roles.includes(role),
  'signed-in': ({ yes }, { signedIn }) => signedIn === yes,
  date({ from, until, weekdays }, { at }, timeZone) {
    const today = dayIn(timeZone, at)
    if (from && today.day < from) return false
    if (until && today.day > until) return false
    return weekdays.length === 0 || weekdays.includes(today.weekday)
  },
}

/** Whether a circumstance holds for a request, with days counted in the site's time zone. */
export function holds(circumstance: Circumstance, request: Request, timeZone: string): boolean {
  return (HOLDS[circumstance.kind] as Holds<Circumstance['kind']>)(circumstance, request, timeZone)
}
