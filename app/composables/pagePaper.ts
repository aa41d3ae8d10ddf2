import morphdom from 'morphdom'

/** Nothing in a page may run; scripts are allowed to its frame only because some browsers hear no clicks without. */
const POLICY = "script-src 'none'; form-action 'none'; connect-src 'none'"

/** An empty page, into which others are written. */
export const EMPTY_PAGE = `<!DOCTYPE html><html><head><meta http-equiv="Content-Security-Policy" content="${POLICY}"></head><body></body></html>`

interface Keeping {
  /** Stands as it is, whatever is drawn. */
  held?(node: Node): boolean
  /** Looks that stand over those of the page: the bench's own. */
  looks: string
}

/** Writes a page into a document that stands: only what differs, so that it stays scrolled, and nothing flashes. */
export function writePage(page: Document, html: string, { held = () => false, looks }: Keeping): void {
  const next = new DOMParser().parseFromString(html, 'text/html')
  const style =
    page.querySelector('style:not([data-bench],[data-more])') ?? page.head.appendChild(page.createElement('style'))
  const css = next.querySelector('style')?.textContent ?? ''
  if (style.textContent !== css) style.textContent = css
  page.querySelector('style[data-more]')?.remove()
  let own = page.querySelector('style[data-bench]')
  if (!own) {
    own = page.createElement('style')
    own.setAttribute('data-bench', '')
    page.head.append(own)
  }
  own.textContent = looks
  page.documentElement.lang = next.documentElement.lang
  morphdom(page.body, next.body, {
    onBeforeElUpdated: (from, to) => !held(from) && keepOpen(from, to),
    onBeforeNodeDiscarded: (node) => !held(node),
  })
}
