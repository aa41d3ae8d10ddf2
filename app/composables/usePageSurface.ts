import morphdom from 'morphdom'
import type { Ref } from 'vue'
import type { Box } from '#core/layouts'
import type { LayoutRegion } from '#core/tree'
import type { Id } from '#core/site'

const REGION_SELECTORS: Record<string, string> = {
  header: 'body>header',
  intro: '.of-intro',
  body: '.of-body',
  footer: 'body>footer',
}

/** The bench's own looks inside the page: what is not in hand is dimmed, and nothing is selected as text. */
function benchCss(region: LayoutRegion): string {
  const mine = region === 'card' ? 'body' : region
  const others = Object.entries(REGION_SELECTORS)
    .filter(([name]) => name !== mine)
    .map(([, selector]) => selector)
  return (
    `${others.join(',')}{opacity:.38;filter:grayscale(1)}` +
    'html{scrollbar-width:thin}body{user-select:none;-webkit-user-select:none}a,button,input{cursor:default}.of-skip{display:none}' +
    '.of-col[data-node]:empty{min-height:56px;outline:1px dashed #b8b2a5;outline-offset:-4px}' +
    (region === 'card' ? '.of-body{max-width:420px;margin:32px auto}' : '')
  )
}

/** What differs is written anew; what somebody has opened stays open. */
function keepOpen(from: HTMLElement, to: HTMLElement): boolean {
  if (from instanceof from.ownerDocument.defaultView!.HTMLDetailsElement && from.open) to.setAttribute('open', '')
  return !from.isEqualNode(to)
}

/**
 * The page in its frame: writes new HTML into it without a flash, and knows where every node is drawn, in
 * pixels of the frame's own window.
 */
export function usePageSurface(
  frame: Ref<HTMLIFrameElement | undefined>,
  layoutId: Ref<Id>,
  region: Ref<LayoutRegion>,
) {
  const boxes = shallowRef<ReadonlyMap<Id, Box>>(new Map())
  const loaded = ref(false)
  let asked = 0

  const doc = () => frame.value?.contentDocument ?? null

  function measure(): void {
    const page = doc()
    if (!page?.body) return
    const found = new Map<Id, Box>()
    for (const node of page.querySelectorAll<HTMLElement>('[data-node]')) {
      const { x, y, width, height } = node.getBoundingClientRect()
      found.set(node.dataset.node!, { x, y, width, height })
    }
    const mine = page.querySelector(REGION_SELECTORS[region.value === 'card' ? 'body' : region.value]!)
    if (mine) {
      const { x, y, width, height } = mine.getBoundingClientRect()
      found.set(layoutId.value, { x, y, width, height: Math.max(height, 80) })
    }
    boxes.value = found
  }

  function measureSoon(): void {
    cancelAnimationFrame(asked)
    asked = requestAnimationFrame(measure)
  }

  /** Shows a page; the first time as a whole, then only what differs. */
  function show(html: string): void {
    const page = doc()
    if (!page?.body || !html) return
    const next = new DOMParser().parseFromString(html, 'text/html')
    const style = page.querySelector('style:not([data-bench])') ?? page.head.appendChild(page.createElement('style'))
    const css = next.querySelector('style')?.textContent ?? ''
    if (style.textContent !== css) style.textContent = css
    let own = page.querySelector('style[data-bench]')
    if (!own) {
      own = page.createElement('style')
      own.setAttribute('data-bench', '')
      page.head.append(own)
    }
    own.textContent = benchCss(region.value)
    page.documentElement.lang = next.documentElement.lang
    morphdom(page.body, next.body, { onBeforeElUpdated: keepOpen })
    loaded.value = true
    measureSoon()
  }

  /** The id of the innermost node at a point, or null. */
  function nodeAt(x: number, y: number): Id | null {
    return doc()?.elementFromPoint(x, y)?.closest<HTMLElement>('[data-node]')?.dataset.node ?? null
  }

  function reveal(id: Id): void {
    const page = doc()
    const node = page?.querySelector(`[data-node="${CSS.escape(id)}"]`)
    if (!node || !page?.defaultView) return
    // What stands in something that is closed is opened with it.
    for (let at = node.closest('details'); at; at = at.parentElement?.closest('details') ?? null) at.open = true
    const { top, bottom } = node.getBoundingClientRect()
    if (bottom < 40 || top > page.defaultView.innerHeight - 40) node.scrollIntoView({ block: 'center' })
  }

  /** What the browser computes for a CSS property of a node, as a hint of what the house style gives. */
  function computed(id: Id, property: string): string {
    const page = doc()
    const node = page?.querySelector(`[data-node="${CSS.escape(id)}"]`)
    return node && page?.defaultView ? page.defaultView.getComputedStyle(node).getPropertyValue(property) : ''
  }

  return { boxes, loaded, show, measure: measureSoon, nodeAt, reveal, computed, doc }
}

/** The page on the bench, once it is there; for hints of what is drawn now. */
export const useSurface = () => inject('surface', shallowRef<PageSurface>())

export type PageSurface = ReturnType<typeof usePageSurface>
