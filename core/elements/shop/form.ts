import { asHeading } from '../../forms'
import { type Scene, escapeHtml } from '../../drawing'
import { SHOP_FORM } from './bits'

/**
 * The form of the shop stands before all that belongs to it, and begins with a button that nobody sees: whoever presses
 * Enter in a field has what was typed looked at, and neither orders nor takes anything out.
 */
export const SHOP_FORM_HTML =
  `<form id="${SHOP_FORM}" method="post" action="#of-says" novalidate><input type="hidden" name="form" value="shop">` +
  '<button type="submit" class="of-sr" name="does" value="update" tabindex="-1" aria-hidden="true">Update</button></form>'

/** What is wrong with all that was said in the shop, summed up above it, with the way to each. */
export function shopSays({ shopping, catalogue }: Scene): string {
  if (!shopping?.says) return '<div id="of-says"></div>'
  const changed = shopping.says === 'changed' ? shopping.lines.filter((l) => l.changes.length > 0) : []
  const lines = changed.map(({ line, goods, changes }) => {
    const title = goods?.title ?? catalogue.entries.get(line.entry)?.title ?? ''
    const words = changes.map((change) => shopping.words[change]).join(' ')
    return `<li>${escapeHtml(title)}: ${escapeHtml(words)}</li>`
  })
  const each = Object.entries(shopping.problems).map(
    ([name, word]) =>
      `<li><a href="#of-${escapeHtml(name)}">${escapeHtml(asHeading(shopping.labels[name] ?? name))}</a>: ${escapeHtml(shopping.words[word])}</li>`,
  )
  return `<div id="of-says" class="of-row"><div class="of-in"><div class="of-form-says" role="alert"><p>${escapeHtml(shopping.words[shopping.says])}</p>${lines.length + each.length > 0 ? `<ul>${[...lines, ...each].join('')}</ul>` : ''}</div></div></div>`
}
