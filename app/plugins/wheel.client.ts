/** The nearest thing around an element that can be scrolled up and down. */
function scrollerOf(element: Element): Element | null {
  for (let at = element.parentElement; at; at = at.parentElement) {
    if (at.scrollHeight > at.clientHeight && /auto|scroll/.test(getComputedStyle(at).overflowY)) return at
  }
  return null
}

/** A wheel that passes over a number scrolls what is around it; it changes the number only while Alt is held. */
export default defineNuxtPlugin(() => {
  document.addEventListener(
    'wheel',
    (event) => {
      const { target } = event
      if (event.altKey || !(target instanceof HTMLInputElement) || target.type !== 'number') return
      if (document.activeElement !== target) return
      event.preventDefault()
      scrollerOf(target)?.scrollBy({ top: event.deltaY })
    },
    { passive: false, capture: true },
  )
})
