import { type Family, fontFaceCss, lettersOf } from '#core/styles'

/** Faces are written into the studio's own page once each. */
const written = new Set<string>()

/** How words are set in a family in the studio itself. */
export function familyFace(family: Family): { fontFamily: string } {
  if (!written.has(family.stack)) {
    written.add(family.stack)
    const style = document.createElement('style')
    style.textContent = fontFaceCss(family, lettersOf('en'))
    document.head.append(style)
  }
  return { fontFamily: family.stack }
}
