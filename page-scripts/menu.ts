/**
 * Menus with lists that drop down: arrows go from link to link, Esc closes and gives the focus back, one is open at a
 * time, and none stays open behind a hand that has gone elsewhere. Without it they open by hand, pointer and focus.
 */

const LINK = 'a,summary'
const linkIn = (item: Element): HTMLElement | null => item.querySelector<HTMLElement>(LINK)
const linksOf = (list: Element): HTMLElement[] => [...list.children].flatMap((item) => linkIn(item) ?? [])

function attend(nav: HTMLElement): void {
  nav.dataset.on = ''
  const open = () => [...nav.querySelectorAll<HTMLDetailsElement>('details[open]')]
  const closeAllBut = (node: Node | null) => {
    for (const details of open()) if (!details.parentNode!.contains(node)) details.open = false
  }
  nav.addEventListener(
    'toggle',
    (event) => {
      if (event.target instanceof HTMLDetailsElement && event.target.open) closeAllBut(event.target)
    },
    true,
  )
  addEventListener('pointerdown', (event) => {
    if (!nav.contains(event.target as Node)) closeAllBut(null)
  })
  nav.addEventListener('focusout', ({ relatedTarget }) => {
    if (relatedTarget && !nav.contains(relatedTarget as Node)) closeAllBut(null)
  })
  nav.addEventListener('keydown', (event) => {
    const item = (event.target as Element).closest('li')
    if (item && pressed(event.key, item, open)) event.preventDefault()
  })
}

/** Does what a key asks for at an item; false where it asks for nothing. */
function pressed(key: string, item: Element, open: () => HTMLDetailsElement[]): boolean {
  const list = item.parentElement!
  const details = item.querySelector<HTMLDetailsElement>(':scope>details')
  const above = list.closest('li')
  const [next, previous, into] = above
    ? ['ArrowDown', 'ArrowUp', 'ArrowRight']
    : ['ArrowRight', 'ArrowLeft', 'ArrowDown']
  const go = (by: number) => {
    const links = linksOf(list)
    const at = links.findIndex((link) => item.contains(link))
    links[(at + by + links.length) % links.length]?.focus()
  }
  if (key === 'Escape') {
    const last = open().pop()
    if (!last) return false
    last.open = false
    ;(last.firstChild as HTMLElement).focus()
  } else if (key === next) go(1)
  else if (key === previous) go(-1)
  else if (details && key === into) {
    details.open = true
    linksOf(item.querySelector(':scope>ul')!)[0]?.focus()
  } else if (above && key === 'ArrowLeft') {
    above.querySelector<HTMLDetailsElement>(':scope>details')!.open = false
    linkIn(above)?.focus()
  } else return false
  return true
}

for (const nav of document.querySelectorAll<HTMLElement>('.of-drops')) attend(nav)

export {}
