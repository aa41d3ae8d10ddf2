import { around, isCalm, isElsewhere } from './dom'

/**
 * A picture that is pressed is shown large, with those beside it: in a dialog that Esc closes, stepped by arrows and
 * buttons, swiped by the platform itself. Without script the link leads to the picture's file.
 */

const make = <K extends keyof HTMLElementTagNameMap>(
  tag: K,
  values: Partial<HTMLElementTagNameMap[K]> = {},
): HTMLElementTagNameMap[K] => Object.assign(document.createElement(tag), values)

/** A picture as it stands in the dialog, with its caption. */
function itemOf(link: HTMLElement): HTMLLIElement {
  const item = make('li')
  const picture = link.firstElementChild!.cloneNode(true) as HTMLElement
  for (const part of [picture, ...picture.querySelectorAll<HTMLElement>('*')]) {
    if ('sizes' in part) part.sizes = '100vw'
    if ('loading' in part && part.loading) part.loading = 'lazy'
  }
  item.append(picture)
  const caption = link.parentElement!.querySelector('figcaption')
  if (caption) item.append(make('span', { textContent: caption.textContent }))
  return item
}

function open(set: HTMLElement, at: HTMLElement): void {
  const links = [...set.querySelectorAll<HTMLElement>('[data-large]')]
  const { name = '', previous = '', next = '', close = '' } = set.dataset
  const box = make('dialog', { className: 'of-large', ariaLabel: name })
  const list = make('ol', { tabIndex: 0 })
  const bar = make('div')
  const place = make('p')
  place.setAttribute('aria-live', 'polite')
  const now = () => Math.round(list.scrollLeft / list.clientWidth)
  const go = (to: number, behavior: ScrollBehavior = isCalm() ? 'auto' : 'smooth') => {
    const count = list.children.length
    list.scrollTo({ left: ((to + count) % count) * list.clientWidth, behavior })
  }
  const tell = () => (place.textContent = `${now() + 1} / ${links.length}`)
  const button = (sign: string, ariaLabel: string, onclick: () => void) =>
    bar.append(make('button', { type: 'button', textContent: sign, ariaLabel, onclick }))
  bar.append(place)
  if (links.length > 1) {
    button('‹', previous, () => go(now() - 1))
    button('›', next, () => go(now() + 1))
  }
  button('✕', close, () => box.close())
  list.append(...links.map(itemOf))
  box.append(list, bar)
  document.body.append(box)
  list.onscroll = tell
  box.onclose = () => box.remove()
  box.onkeydown = (event) => {
    const by = event.key === 'ArrowLeft' ? -1 : event.key === 'ArrowRight' ? 1 : 0
    if (by === 0) return
    event.preventDefault()
    go(now() + by)
  }
  box.showModal()
  go(links.indexOf(at), 'instant')
  tell()
}

addEventListener('click', (event) => {
  const at = around(event, '[data-large]')
  const set = at?.closest<HTMLElement>('.of-set')
  if (!at || !set || isElsewhere(event)) return
  event.preventDefault()
  open(set, at)
})
