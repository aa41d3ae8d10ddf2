import type { Ref } from 'vue'
import type { Box } from '#core/editor'
import type { Patched } from '#core/render'
import { rulesCss } from '#core/styles'
import type { LayoutRegion, Region } from '#core/tree'
import type { Id } from '#core/model'

const REGION_SELECTORS: Record<string, string> = {
  header: 'body>header',
  intro: '.of-intro',
  body: '.of-body',
  footer: 'body>footer',
}

/** Where on a page a layout is looked at: cards and pieces, which have no region of their own, where the body would be. */
export const regionSeen = (region: LayoutRegion): Region => (region === 'card' || region === 'piece' ? 'body' : region)

/** The bench's own looks inside the page: what is not in hand is dimmed, and nothing is selected as text. */
function benchCss(region: LayoutRegion): string {
  const mine = regionSeen(region)
  const others = Object.entries(REGION_SELECTORS)
    .filter(([name]) => name !== mine)
    .map(([, selector]) => selector)
  return (
    `${others.join(',')}{opacity:.38;filter:grayscale(1)}` +
    'html{scrollbar-width:thin}body{user-select:none;-webkit-user-select:none}a,button,input{cursor:default}.of-skip{display:none}' +
    '[data-written]{user-select:text;-webkit-user-select:text;cursor:text;outline:1px solid #c4472b;outline-offset:4px;white-space:pre-wrap;min-width:1ch}' +
    '[data-written] .chip-field{background:#dfe7ea;color:#2f5560;padding:0 .25em;border-radius:2px;text-decoration:none}' +
    '[data-written] .chip-field::before{content:attr(data-name) " ";font-size:.72em;opacity:.75}' +
    '[data-written] .ProseMirror-selectednode{outline:2px solid #c4472b}' +
    // What waits for a script that does not run here.
    '[data-node][hidden]{display:inline-block!important}' +
    '.of-col[data-node]:empty{outline:1px dashed #b8b2a5;outline-offset:-4px}.of-col[data-node]:empty::after{content:"";height:40px}' +
    (region === 'card' ? '.of-body:not(:has(.of-grid)){max-width:420px;margin:32px auto}' : '')
  )
}

/**
 * The page in its frame: writes new HTML into it without a flash, and knows where every node is drawn, in
 * pixels of the frame's own window.
 */
export function usePageSurface(
  frame: Ref<HTMLIFrameElement | undefined>,
  layoutId: Ref<Id>,
  region: Ref<LayoutRegion>,
  /** The places of pieces that something is, or that stand in it. */
  placesIn: (id: Id) => readonly Id[] = () => [],
) {
  /** Grows whenever what is drawn may stand elsewhere: then boxes are asked for again. */
  const moved = ref(0)
  const loaded = ref(false)
  /** What a hand is writing in: nothing else writes there meanwhile. */
  const held = ref<Id | null>(null)
  const drawn = new Map<Id, HTMLElement>()
  let asked = 0

  const doc = () => frame.value?.contentDocument ?? null

  function measureSoon(): void {
    cancelAnimationFrame(asked)
    asked = requestAnimationFrame(() => void moved.value++)
  }

  const regionElement = () => doc()?.querySelector<HTMLElement>(REGION_SELECTORS[regionSeen(region.value)]!) ?? null

  /** Where a node is drawn; the layout in its region. */
  function elementOf(id: Id): HTMLElement | null {
    if (id === layoutId.value) return regionElement()
    const known = drawn.get(id)
    if (known?.isConnected && known.dataset.node === id) return known
    const found = doc()?.querySelector<HTMLElement>(`[data-node="${CSS.escape(id)}"]`) ?? null
    if (found) drawn.set(id, found)
    return found
  }

  /** What is drawn of the pieces that stand in something, where it draws nothing itself. */
  const piecesOf = (id: Id): HTMLElement[] =>
    placesIn(id).flatMap((place) => [
      ...(doc()?.querySelectorAll<HTMLElement>(`[data-node^="${CSS.escape(place)}."]`) ?? []),
    ])

  /** The box of a node as it is drawn now; undefined where it draws nothing. */
  function boxOf(id: Id): Box | undefined {
    const element = elementOf(id)
    const boxes = (element ? [element] : piecesOf(id)).map((e) => e.getBoundingClientRect())
    if (boxes.length === 0) return undefined
    const [x, y] = [Math.min(...boxes.map((b) => b.left)), Math.min(...boxes.map((b) => b.top))]
    const width = Math.max(...boxes.map((b) => b.right)) - x
    const height = Math.max(...boxes.map((b) => b.bottom)) - y
    return { x, y, width, height: id === layoutId.value ? Math.max(height, 80) : height }
  }

  /** Shows a page; the first time as a whole, then only what differs. */
  function show(html: string): void {
    const page = doc()
    if (!page?.body || !html) return
    const isHeld = (node: Node) => held.value !== null && (node as HTMLElement).dataset?.node === held.value
    writePage(page, html, { held: isHeld, looks: benchCss(region.value) })
    drawn.clear()
    if (!loaded.value) reveal(layoutId.value)
    loaded.value = true
    measureSoon()
  }

  /** Writes what an edit has touched, and the rules that it needs behind those that stand. */
  function patch({ patches, rules }: Patched): void {
    const page = doc()
    if (!page?.body) return
    if (rules.size > 0) moreRules(page).insertRule(`@media all{${rulesCss(rules.values())}}`)
    writePatches(elementOf, patches, held.value)
    measureSoon()
  }

  function moreRules(page: Document): CSSStyleSheet {
    let more = page.querySelector<HTMLStyleElement>('style[data-more]')
    if (!more) {
      more = page.createElement('style')
      more.setAttribute('data-more', '')
      page.querySelector('style')!.after(more)
    }
    return more.sheet!
  }

  /** The id of the innermost node at a point, or null. */
  function nodeAt(x: number, y: number): Id | null {
    return doc()?.elementFromPoint(x, y)?.closest<HTMLElement>('[data-node]')?.dataset.node ?? null
  }

  function reveal(id: Id): void {
    const page = doc()
    const node = elementOf(id) ?? piecesOf(id)[0]
    if (!node || !page?.defaultView) return
    // What stands in something that is closed is opened with it.
    for (let at = node.closest('details'); at; at = at.parentElement?.closest('details') ?? null) at.open = true
    for (let at = node.closest('.of-tabs>div'); at; at = at.parentElement?.closest('.of-tabs>div') ?? null)
      at.parentElement!.querySelector<HTMLInputElement>(
        `#${CSS.escape(at.previousElementSibling!.getAttribute('for')!)}`,
      )!.checked = true
    const { top, bottom } = node.getBoundingClientRect()
    const { innerHeight } = page.defaultView
    // The whole of it where it fits, else its beginning.
    if (bottom < 40 || top > innerHeight - 40)
      node.scrollIntoView({ block: bottom - top < innerHeight ? 'center' : 'start' })
  }

  /** How far the page can be scrolled, in pixels. */
  const mostScrolled = (view: Window) => view.document.documentElement.scrollHeight - view.innerHeight

  /** How far the page is scrolled, as a share of all it can be. */
  function scrolled(): number {
    const view = doc()?.defaultView
    const most = view ? mostScrolled(view) : 0
    return view && most > 0 ? view.scrollY / most : 0
  }
  function scrollTo(share: number): void {
    const view = doc()?.defaultView
    const top = view ? share * mostScrolled(view) : 0
    if (view && Math.abs(view.scrollY - top) > 2) view.scrollTo(0, top)
  }

  /** What the browser computes for a CSS property of a node, as a hint of what the house style gives. */
  function computed(id: Id, property: string): string {
    const page = doc()
    const node = elementOf(id)
    return node && page?.defaultView ? page.defaultView.getComputedStyle(node).getPropertyValue(property) : ''
  }

  return {
    moved,
    loaded,
    held,
    elementOf,
    show,
    patch,
    boxOf,
    measure: measureSoon,
    nodeAt,
    reveal,
    scrolled,
    scrollTo,
    computed,
    doc,
  }
}

/** The page on the bench, once it is there; for hints of what is drawn now. */
export const useSurface = () => inject('surface', shallowRef<PageSurface>())

export type PageSurface = ReturnType<typeof usePageSurface>
