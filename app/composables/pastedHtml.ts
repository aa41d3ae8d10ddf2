/** Comments, styles and elements of the office formats, which say nothing about the words. */
const NOISE = 'style, script, meta, link, title, xml'

/** The mark that a word processor writes before a paragraph that it shows as an item of a list. */
const NUMBERED = /^\s*(\d{1,3}|[a-z]{1,3})[.)]/i

function isListParagraph(p: Element): boolean {
  return /MsoListParagraph/.test(p.className) || /mso-list:/.test(p.getAttribute('style') ?? '')
}

/** Takes the bullet or number off a paragraph; gives whether it was a number. */
function takeMark(p: Element): boolean {
  const ignored = p.querySelector('[style*="mso-list:Ignore"], [style*="mso-list: Ignore"]')
  const text = ignored?.textContent ?? /^\s*[·•§o‣-]\s+/.exec(p.textContent ?? '')?.[0] ?? ''
  ignored?.remove()
  return NUMBERED.test(text)
}

function toItem(p: Element): Element {
  const document = p.ownerDocument
  const item = document.createElement('li')
  const inside = document.createElement('p')
  inside.append(...Array.from(p.childNodes))
  item.append(inside)
  return item
}

/** Paragraphs that only look like lists become lists. */
function makeLists(root: Element): void {
  for (const p of Array.from(root.querySelectorAll('p')).filter(isListParagraph)) {
    const tag = takeMark(p) ? 'ol' : 'ul'
    const before = p.previousElementSibling
    const item = toItem(p)
    if (before?.hasAttribute('data-made') && before.localName === tag) {
      before.append(item)
      p.remove()
    } else {
      const list = p.ownerDocument.createElement(tag)
      list.setAttribute('data-made', '')
      list.append(item)
      p.replaceWith(list)
    }
  }
}

/** Titles of other documents come in below the title of the page. */
function lowerHeadings(root: Element): void {
  for (const [from, to] of [
    ['h1', 'h2'],
    ['h5', 'h4'],
    ['h6', 'h4'],
  ] as const) {
    for (const heading of Array.from(root.querySelectorAll(from))) {
      const next = heading.ownerDocument.createElement(to)
      next.append(...Array.from(heading.childNodes))
      heading.replaceWith(next)
    }
  }
}

/** Emphasis that is said by styles alone, as some writers of web pages do. */
function nameEmphasis(root: Element): void {
  for (const span of Array.from(root.querySelectorAll('span[style], b[style]'))) {
    const style = span.getAttribute('style') ?? ''
    const weight = /font-weight:\s*([\w]+)/.exec(style)?.[1]
    const bold = weight && (weight === 'bold' || Number(weight) >= 600)
    const italic = /font-style:\s*italic/.test(style)
    const plain = span.localName === 'b' && weight && !bold
    if (!bold && !italic && !plain) continue
    let content: Node[] = Array.from(span.childNodes)
    for (const tag of [bold && span.localName !== 'b' && 'strong', italic && 'em'].filter(
      (t) => typeof t === 'string',
    )) {
      const wrap = span.ownerDocument.createElement(tag)
      wrap.append(...content)
      content = [wrap]
    }
    if (span.localName === 'b' && bold) span.replaceChildren(...content)
    else span.replaceWith(...content)
  }
}

/**
 * What is pasted from a word processor or a web page, without what only they know: lists that are lists, headings that
 * stand below the page's title, emphasis by its name. What no text holds is left out by the editor's own schema.
 */
export function pastedHtml(html: string, parse: (html: string) => Document): string {
  const body = parse(html.replace(/<!--[\s\S]*?-->/g, '').replace(/<\/?o:p[^>]*>/g, '')).body
  for (const noise of Array.from(body.querySelectorAll(NOISE))) noise.remove()
  makeLists(body)
  lowerHeadings(body)
  nameEmphasis(body)
  for (const made of Array.from(body.querySelectorAll('[data-made]'))) made.removeAttribute('data-made')
  return body.innerHTML
}
