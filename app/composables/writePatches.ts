import morphdom from 'morphdom'
import type { Patch } from '#core/render'
import type { Id } from '#core/model'

/** Finds the element in which a node of the layout is drawn, or, by the layout's id, its region. */
export type FindDrawn = (id: Id) => Element | null

/** What differs is written anew; what somebody has opened stays open. */
export function keepOpen(from: Element, to: Element): boolean {
  if (from.localName === 'details' && from.hasAttribute('open')) to.setAttribute('open', '')
  return !from.isEqualNode(to)
}

function parsed(document: Document, html: string): Element | null {
  const template = document.createElement('template')
  template.innerHTML = html
  return template.content.firstElementChild
}

const idOf = (element: Element): Id | null => element.getAttribute('data-node')

/** Where the things in a row, a column or a region stand. */
function holderOf(drawn: Element): Element {
  return [...drawn.children].find((c) => c.classList.contains('of-in')) ?? drawn
}

const isBackground = (element: Element | null | undefined) => element?.classList.contains('of-bg') ?? false

function writeOpening(drawn: Element, html: string): void {
  const next = parsed(drawn.ownerDocument, html)!
  for (const { name } of [...drawn.attributes]) if (!next.hasAttribute(name)) drawn.removeAttribute(name)
  for (const { name, value } of next.attributes) drawn.setAttribute(name, value)
  const [had, has] = [drawn.firstElementChild, next.firstElementChild]
  const same = isBackground(had) && isBackground(has) && had!.isEqualNode(has)
  if (same) return
  if (isBackground(had)) had!.remove()
  if (isBackground(has)) drawn.prepend(has!)
}

function drawAnew(document: Document, standing: Element | undefined, html: string): Element | undefined {
  const next = parsed(document, html) ?? undefined
  if (!next) standing?.remove()
  return standing && next ? (morphdom(standing, next, { onBeforeElUpdated: keepOpen }) as Element) : next
}

function writeChildren(holder: Element, order: Extract<Patch, { kind: 'children' }>['order'], held: Id | null): void {
  const standing = new Map([...holder.children].filter((c) => idOf(c) !== null).map((c) => [idOf(c)!, c]))
  // What its element draws of itself (a background, the title of a section) stands before all of them.
  let at: Element | undefined = [...holder.children].find((c) => idOf(c) !== null)
  for (const { id, drawn } of order) {
    const had = standing.get(id)
    const [wasNext, after] = [had !== undefined && had === at, at?.nextElementSibling ?? undefined]
    standing.delete(id)
    const element = drawn === undefined || (had && id === held) ? had : drawAnew(holder.ownerDocument, had, drawn)
    if (wasNext) at = after
    else if (element) holder.insertBefore(element, at ?? null)
  }
  for (const gone of standing.values()) gone.remove()
}

/** Writes what has changed of a layout into the page that stands, but for what is `held` by a hand that writes in it. */
export function writePatches(find: FindDrawn, patches: readonly Patch[], held: Id | null = null): void {
  for (const patch of patches) {
    const drawn = find(patch.id)
    if (!drawn) continue
    if (patch.kind === 'opening') writeOpening(drawn, patch.html)
    else writeChildren(holderOf(drawn), patch.order, held)
  }
}
