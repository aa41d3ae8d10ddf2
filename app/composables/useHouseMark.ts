/** What of the house is in hand: a selector, or a colour as `colour ID`; it is marked wherever it is seen on the pages beside. */
const mark = ref('')

export const useHouseMark = () => ({ mark })

const rgbOf = (element: Element, view: Window, property: string): string =>
  view.getComputedStyle(element).getPropertyValue(property)

/** How a browser writes a colour that it computed. */
function computedColour(document: Document, css: string): string {
  const probe = document.createElement('i')
  probe.style.color = css
  document.body.append(probe)
  const colour = document.defaultView!.getComputedStyle(probe).color
  probe.remove()
  return colour
}

const hasOwnWords = (element: Element): boolean =>
  [...element.childNodes].some((n) => n.nodeType === 3 && n.textContent!.trim() !== '')

function showsColour(element: Element, colour: string): boolean {
  const view = element.ownerDocument.defaultView!
  if (hasOwnWords(element) && rgbOf(element, view, 'color') === colour) return true
  if (rgbOf(element, view, 'background-color') === colour) return true
  return (
    Number.parseFloat(rgbOf(element, view, 'border-top-width')) > 0 &&
    rgbOf(element, view, 'border-top-color') === colour
  )
}

/** Marks what is in hand wherever a page shows it; gives how often that is. */
export function markOn(document: Document, what: string): number {
  for (const marked of document.querySelectorAll('[data-house]')) marked.removeAttribute('data-house')
  if (!what) return 0
  const colour = what.startsWith('colour ') ? computedColour(document, `var(--c-${what.slice(7)})`) : null
  const found = colour
    ? [...document.querySelectorAll('body *:not(.of-skip)')].filter((e) => showsColour(e, colour))
    : [...document.querySelectorAll(what)]
  for (const element of found) element.setAttribute('data-house', '')
  return found.length
}
