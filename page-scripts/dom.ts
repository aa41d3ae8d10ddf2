/** What the scripts of pages have in common. */

/** The element that an event came from, or one around it, that matches; null where there is none. */
export const around = <T extends HTMLElement>(event: Event, selector: string): T | null =>
  event.target instanceof Element ? event.target.closest<T>(selector) : null

/** Whether somebody asks for a new tab or window, which is left to the browser. */
export const isElsewhere = (event: MouseEvent): boolean =>
  event.ctrlKey || event.metaKey || event.shiftKey || event.button > 0

/** A document out of the HTML of a page. */
export const pageOf = (html: string): Document => new DOMParser().parseFromString(html, 'text/html')

/** Whether the visitor asks for less motion. */
export const isCalm = (): boolean => matchMedia('(prefers-reduced-motion:reduce)').matches

/** A list of texts that is kept in this browser; empty where none is, or nothing can be kept. */
export function storedList(key: string): string[] {
  try {
    const list: unknown = JSON.parse(localStorage.getItem(key) ?? '[]')
    return Array.isArray(list) ? list.filter((one) => typeof one === 'string') : []
  } catch {
    return []
  }
}

/** Keeps a list of texts; a browser that keeps nothing is left alone. */
export function storeList(key: string, list: readonly string[]): void {
  try {
    localStorage.setItem(key, JSON.stringify(list))
  } catch {
    // Private windows may keep nothing: the page works all the same.
  }
}
