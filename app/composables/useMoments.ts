/** How far a time zone is from UTC at a moment, in milliseconds. */
function offsetOf(timeZone: string, at: number): number {
  const parts = new Intl.DateTimeFormat('en-GB', {
    timeZone,
    hourCycle: 'h23',
    year: 'numeric',
    month: '2-digit',
    day: '2-digit',
    hour: '2-digit',
    minute: '2-digit',
    second: '2-digit',
  }).formatToParts(at)
  const part = Object.fromEntries(parts.map((p) => [p.type, Number(p.value)]))
  return (
    Date.UTC(part.year!, part.month! - 1, part.day, part.hour, part.minute, part.second) - Math.floor(at / 1000) * 1000
  )
}

/** The moment at which the clocks of a time zone show `YYYY-MM-DDTHH:mm`, in milliseconds since 1970. */
export function momentIn(text: string, timeZone: string): number {
  const wall = Date.parse(`${text}Z`)
  if (Number.isNaN(wall)) return Date.now()
  const guess = wall - offsetOf(timeZone, wall)
  return wall - offsetOf(timeZone, guess)
}
