import type { Circumstance, Request } from './types'

const DAY = new Map<string, Intl.DateTimeFormat>()
const WEEKDAYS = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun']

/** The calendar day (`YYYY-MM-DD`) and the weekday (1 Monday to 7 Sunday) of a moment in a time zone. */
export function dayIn(timeZone: string, at: number): { day: string; weekday: number } {
  let format = DAY.get(timeZone)
  if (!format) {
    const parts = { year: 'numeric', month: '2-digit', day: '2-digit', weekday: 'short' } as const
    DAY.set(timeZone, (format = new Intl.DateTimeFormat('en-GB', { ...parts, timeZone })))
  }
  const part = Object.fromEntries(format.formatToParts(at).map((p) => [p.type, p.value]))
  const day = `${part.year}-${part.month}-${part.day}`
  return { day, weekday: WEEKDAYS.indexOf(part.weekday!) + 1 }
}

const PARAMETER: Record<string, (value: string, asked: string) => boolean> = {
  is: (value, asked) => value === asked,
  contains: (value, asked) => value.toLowerCase().includes(asked.toLowerCase()),
}

type Holds<K extends Circumstance['kind']> = (
  circumstance: Extract<Circumstance, { kind: K }>,
  request: Request,
  timeZone: string,
) => boolean

const HOLDS: { [K in Circumstance['kind']]: Holds<K> } = {
  parameter({ name, op, values }, { parameters }) {
    if (!Object.hasOwn(parameters, name)) return false
    const value = parameters[name]!
    return op === 'present' || values.some((asked) => PARAMETER[op]!(value, asked))
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
