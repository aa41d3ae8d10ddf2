import { escapeHtml } from '../../drawing'

/** A field with its label, its help and what is wrong with it, as working pages ask for what they need. */

export interface Ask {
  /** In the page. */
  id: string
  name: string
  type: 'text' | 'email' | 'password' | 'tel' | 'textarea'
  autocomplete: string
  value?: string
  required?: boolean
  why?: string | undefined
  /** The form to which it belongs, where it stands outside of it. */
  form?: string
  more?: string
}

/** The opening attributes of what it is made of, and its label as HTML. */
export interface AskParts {
  label: string
  labelled: string
  field: string
  problem: string
}

export function askHtml(ask: Ask, parts: AskParts): string {
  const { id, name, type, autocomplete, value = '', required, why, form, more = '' } = ask
  const attributes =
    ` id="${escapeHtml(id)}" name="${escapeHtml(name)}"${parts.field} autocomplete="${autocomplete}"` +
    (form ? ` form="${escapeHtml(form)}"` : '') +
    (required ? ' aria-required="true"' : '') +
    (why ? ` aria-invalid="true" aria-describedby="${escapeHtml(id)}-why"` : '') +
    more
  const field =
    type === 'textarea'
      ? `<textarea${attributes}>\n${escapeHtml(value)}</textarea>`
      : `<input type="${type}"${attributes} value="${escapeHtml(value)}">`
  const problem = why ? `<p id="${escapeHtml(id)}-why"${parts.problem}>${escapeHtml(why)}</p>` : ''
  return `<div class="of-question"><label for="${escapeHtml(id)}"><span${parts.label}>${parts.labelled}</span></label>${field}${problem}</div>`
}
