import { pageOf } from './dom'

/**
 * The checkout follows what is typed: totals, ways and fields of a country come as the page itself would say them, and
 * what is wrong is told at the field that was left. Without script the same is there at the press of a button.
 */

const FORM = 'of-shop'
const form = document.getElementById(FORM) as HTMLFormElement | null
/** Fields that were filled in and left. */
const left = new Set<string>()
let calls = 0

const questionOf = (page: Document, name: string) => {
  const field = page.getElementById(`of-${name}`)
  const box = field?.closest('.of-question')
  return field && box ? { field, box } : null
}

/** Says at the fields that were left what the page says there. */
function showProblems(page: Document): void {
  for (const name of left) {
    const [here, there] = [questionOf(document, name), questionOf(page, name)]
    if (!here || !there) continue
    for (const attribute of ['aria-invalid', 'aria-describedby']) {
      const value = there.field.getAttribute(attribute)
      if (value === null) here.field.removeAttribute(attribute)
      else here.field.setAttribute(attribute, value)
    }
    here.box.querySelector('.of-problem')?.remove()
    const problem = there.box.querySelector('.of-problem')
    if (problem) here.box.append(problem)
  }
}

/** Puts parts of a page in the place of those that stand here. */
function takeParts(page: Document, names: readonly string[]): void {
  const focused = document.activeElement?.id
  for (const part of document.querySelectorAll<HTMLElement>('[data-shop]')) {
    const { shop = '' } = part.dataset
    const coming = names.includes(shop) && page.querySelector(`[data-shop="${shop}"]`)
    if (coming) part.replaceWith(coming)
  }
  const field = focused && document.getElementById(focused)
  if (field && field !== document.activeElement) field.focus()
}

/** The parts of the checkout that another value of a field changes. */
function changedBy(name: string): string[] {
  const parts = ['sums', 'way', 'saved']
  if (/country$|^d\.same$/.test(name)) parts.push('billing', 'delivery')
  if (name === 'way') parts.push('delivery')
  if (/^n\./.test(name)) parts.push('lines', 'delivery')
  return parts
}

async function follow(form: HTMLFormElement, name: string): Promise<void> {
  const body = new URLSearchParams(new FormData(form) as unknown as Record<string, string>)
  body.set('does', 'look')
  left.add(name)
  const call = ++calls
  form.ariaBusy = 'true'
  try {
    const answer = await fetch(location.href, { method: 'POST', body })
    if (call !== calls) return
    const page = pageOf(await answer.text())
    if (!page.getElementById(FORM)) return
    takeParts(page, changedBy(name))
    showProblems(page)
  } catch {
    // The button of the form says the same, and asks again.
  } finally {
    if (call === calls) form.ariaBusy = null
  }
}

if (form) {
  document.documentElement.classList.add('of-scripted')
  document.addEventListener('change', (event) => {
    const field = event.target as HTMLInputElement
    if (field.form === form && field.name !== 'code') void follow(form, field.name)
  })
}
