import { type CheckoutWord, type Shopping, sampleShopping } from '../../shop'
import { writeMoney } from '../../selling'
import { PAGE_STYLES, AS_USUAL, type Scene, escapeHtml, plainText } from '../../drawing'
import { isDay } from '../../time'
import type { LayoutElement } from '../../tree'
import { type ElementSpec, prop } from '../base'
import { type Ask, type AskParts, askHtml } from '../forms'

/** What the elements of a shop are made of. */

/** The one form of a page to which all that is asked in its shop belongs, wherever it stands. */
export const SHOP_FORM = 'of-shop'

export const SHOP_CSS = PAGE_STYLES.shop

/** What the visitor has and says; on the bench, and wherever nobody is asked, something to design by. */
export const shoppingOf = (scene: Scene): Shopping => scene.shopping ?? sampleShopping(scene.catalogue)

export const money = ({ catalogue }: Scene, minor: number, currency?: string): string => {
  const { settings } = catalogue.site
  return escapeHtml(writeMoney(minor, currency ?? settings.currency, settings.locale))
}

/** A day or a moment of the site's clocks, as it is written there. */
export const when = ({ formats }: Scene, on: string): string =>
  isDay(on) ? formats.date(on, AS_USUAL) : formats.moment(on, AS_USUAL)

/** Says the words of a property of an element; escaped. */
export const saying =
  (element: LayoutElement, spec: ElementSpec) =>
  (name: string, scene: Scene): string =>
    escapeHtml(plainText(prop(element, spec, name), scene))

/** A field of the checkout: filled with what was said, with what is wrong with it. */
export function field(scene: Scene, ask: Omit<Ask, 'id' | 'form' | 'value' | 'why'>, parts: AskParts): string {
  const { said, problems, words } = shoppingOf(scene)
  const word = own(problems, ask.name)
  return askHtml(
    {
      ...ask,
      id: `of-${ask.name}`,
      form: SHOP_FORM,
      value: own(said, ask.name) ?? '',
      ...(word && { why: words[word] }),
    },
    parts,
  )
}

export const own = <T>(of: Readonly<Record<string, T>>, name: string): T | undefined =>
  Object.hasOwn(of, name) ? of[name] : undefined

/** What is wrong with something that is no text field. */
export function problemOf(scene: Scene, name: string, attributes: string): string {
  const { problems, words } = shoppingOf(scene)
  const word: CheckoutWord | undefined = own(problems, name)
  return word ? `<p id="of-${escapeHtml(name)}-why"${attributes}>${escapeHtml(words[word])}</p>` : ''
}
