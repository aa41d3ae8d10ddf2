/**
 * Rows of a header that turn as the page is scrolled: what is laid over an opening picture is held at the top and takes
 * other colours once the picture has gone; what hides goes on the way down and returns on the way up. Nothing is
 * measured before somebody scrolls.
 */

interface Turning {
  row: HTMLElement
  over: boolean
  hides: boolean
  stays: boolean
  /** From where on it is scrolled past. */
  from: number
}

/** Less is a trembling hand. */
const LEAST = 4

let rows: Turning[] | undefined
let last = 0
const first = document.querySelector('main .of-row')

const measure = (): Turning[] =>
  [...document.querySelectorAll<HTMLElement>('header>.of-over,header>.of-hides,header>.of-turns')].map((row) => {
    const above = row.previousElementSibling
    return {
      row,
      over: row.classList.contains('of-over'),
      hides: row.classList.contains('of-hides'),
      stays: getComputedStyle(row).getPropertyValue('--stays') !== '',
      from: above ? above.getBoundingClientRect().bottom + scrollY : 0,
    }
  })

function turn({ row, over, hides, stays, from }: Turning, y: number): void {
  const isPast = y > from
  if (over && stays) row.classList.toggle('of-fixed', isPast)
  const hasGone = stays && first !== null && first.getBoundingClientRect().bottom < row.offsetHeight
  row.classList.toggle('of-scrolled', over ? hasGone : isPast)
  if (hides && Math.abs(y - last) > LEAST) row.classList.toggle('of-away', y > last && y > from + row.offsetHeight)
}

addEventListener(
  'scroll',
  () => {
    const y = scrollY
    for (const one of (rows ??= measure())) turn(one, y)
    if (Math.abs(y - last) > LEAST) last = y
  },
  { passive: true },
)

export {}
