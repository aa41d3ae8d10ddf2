/** Texts cut in one pass, however long they are: expressions that look for an end at every start are not. */

/** What stands before the first of some characters; all of it where there is none of them. */
export function before(text: string, marks: string): string {
  for (let i = 0; i < text.length; i++) if (marks.includes(text[i]!)) return text.slice(0, i)
  return text
}

/** A text without some characters at its end. */
export function withoutEnd(text: string, marks: string): string {
  let end = text.length
  while (end > 0 && marks.includes(text[end - 1]!)) end--
  return text.slice(0, end)
}

/** A text without some characters at its beginning and its end. */
export function withoutEnds(text: string, marks: string): string {
  let start = 0
  while (start < text.length && marks.includes(text[start]!)) start++
  return withoutEnd(text.slice(start), marks)
}

/** A text without every part from `open` to the next `close`; one that is not closed goes to the end. */
export function without(text: string, open: string, close: string): string {
  let kept = ''
  for (let at = 0; ;) {
    const from = text.indexOf(open, at)
    if (from < 0) return kept + text.slice(at)
    kept += text.slice(at, from)
    const to = text.indexOf(close, from + open.length)
    if (to < 0) return kept
    at = to + close.length
  }
}
