import { around, isElsewhere, pageOf } from './dom'

/**
 * Lists that are narrowed and leafed through without a reload: what a form or a link asks for is fetched, and the forms
 * and lists of the page take the places of those that stand there; a link to more adds to its list. Where that fails the
 * browser goes to the page.
 */

const FILTERS = '[data-filters]'
/** What the items of a list stand in. */
const ITEMS = ':scope>.of-grid,:scope>.of-uneven,:scope>.of-parted,tbody'
/** Somebody who types is asked again when the keys have rested so long, in milliseconds. */
const REST = 400

type Field = HTMLInputElement | HTMLSelectElement

const partsOf = (page: Document): HTMLElement[] => [...page.querySelectorAll<HTMLElement>(`${FILTERS},[data-list]`)]

let calls = 0
let controller: AbortController | undefined

interface Wanted {
  url: string
  /** The link to more that was followed. */
  more?: HTMLElement
  /** Whether the address is one of its own for the way back. */
  push?: boolean
}

/** Puts the items that came behind those that stand there. */
function addTo(part: HTMLElement, coming: HTMLElement): void {
  const [here, there] = [part.querySelector(ITEMS)!, coming.querySelector(ITEMS)!]
  const first = there.firstElementChild
  here.append(...there.children)
  part.querySelector('nav')!.replaceWith(coming.querySelector('nav') ?? '')
  first?.querySelector('a')?.focus()
}

/** Puts what came in the place of what stands there; what was unfolded stays so. */
function takePlace(part: HTMLElement, coming: HTMLElement): void {
  const folds = coming.querySelectorAll('details')
  part.querySelectorAll('details[open]').forEach((_, i) => folds[i]?.setAttribute('open', ''))
  part.replaceWith(coming)
}

/** Gives the focus back to the field that had it. */
function refocus({ name, value, type }: Field): void {
  for (const field of document.querySelectorAll<HTMLInputElement>(`${FILTERS} [name]`)) {
    if (field.name !== name || field.type !== type || (type === 'checkbox' && field.value !== value)) continue
    field.focus()
    if (type === 'search') field.setSelectionRange(field.value.length, field.value.length)
  }
}

async function fetchParts(call: number, { url, more, push }: Wanted): Promise<void> {
  const here = partsOf(document)
  const answer = await fetch(url, { signal: controller!.signal })
  if (!answer.ok) throw new Error(answer.statusText)
  const text = await answer.text()
  if (call !== calls) return
  const there = partsOf(pageOf(text))
  if (there.length !== here.length) throw new Error('The page has other parts.')
  const active = document.activeElement as Field | null
  const field = active?.form ? { name: active.name, value: active.value, type: active.type } : null
  here.forEach((part, i) => {
    if (!more) takePlace(part, there[i]!)
    else if (part.contains(more)) addTo(part, there[i]!)
  })
  if (field) refocus(field as Field)
  if (push) history.pushState({}, '', answer.url)
}

function go(wanted: Wanted): void {
  controller?.abort()
  controller = new AbortController()
  fetchParts(++calls, wanted).catch((error: unknown) => {
    if ((error as Error | undefined)?.name !== 'AbortError') location.href = wanted.url
  })
}

/** The address that a form asks for: what is empty is left out of it. */
function addressOf(form: HTMLFormElement): string {
  const query = new URLSearchParams()
  for (const [name, value] of new FormData(form)) if (value !== '') query.append(name, String(value))
  const text = query.toString()
  return form.action.split('?')[0]! + (text && `?${text}`)
}

const isOfPage = (form: HTMLFormElement): boolean =>
  form.matches(FILTERS) && new URL(form.action).pathname === location.pathname

document.addEventListener('submit', (event) => {
  const form = event.target as HTMLFormElement
  if (!isOfPage(form)) return
  event.preventDefault()
  go({ url: addressOf(form), push: true })
})

let timer = 0
document.addEventListener('input', (event) => {
  const { form, type } = event.target as Field
  if (!form || !isOfPage(form)) return
  clearTimeout(timer)
  const rest = /checkbox|select/.test(type) ? 0 : REST
  timer = window.setTimeout(() => go({ url: addressOf(form), push: true }), rest)
})

document.addEventListener('click', (event) => {
  const link = around<HTMLAnchorElement>(event, '[data-more],.of-chosen a')
  if (!link || isElsewhere(event) || link.pathname !== location.pathname) return
  event.preventDefault()
  go(link.matches('[data-more]') ? { url: link.href, more: link } : { url: link.href, push: true })
})
addEventListener('popstate', () => go({ url: location.href }))
