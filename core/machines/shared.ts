import { type Scene, kindOfFile, pictureAddress, sizedAddress } from '../drawing'
import type { Picture } from '../model'
import { CARD_SIZE, type TitleLook, cardAddress, cardOf } from './card'
import { pictureOfPage, toldAs } from './told'

/** How wide a picture is that is shown where a page is shared. */
const WIDE = 1200
const SHOWN: ReadonlySet<string> = new Set(['jpg', 'jpeg', 'png', 'webp', 'gif'])

/** A picture as it can be shown elsewhere: one made of points, in a width that suits; null for drawings. */
export function sharedPicture(picture: Picture | undefined): string | null {
  if (!picture) return null
  const kind = kindOfFile(picture.fileName)
  const width = picture.widths?.filter((w) => w <= WIDE).at(-1)
  if (width && picture.hash && SHOWN.has(kind)) return sizedAddress(picture, width, kind)
  return SHOWN.has(kind) ? pictureAddress(picture) : null
}

const DRAWN: [property: string, content: string][] = [
  ['og:image:width', String(CARD_SIZE.width)],
  ['og:image:height', String(CARD_SIZE.height)],
]

/** What a page says of itself where it is shared, by the names of its properties (The Open Graph protocol). */
export function sharedAs(
  scene: Scene,
  title: string,
  description: string,
  look?: TitleLook,
  /** Of the page's own address, where it is asked for something. */
  query = '',
): [property: string, content: string][] {
  const { page, catalogue, subject } = scene
  const { origin, name, locale } = catalogue.site.settings
  const picture = pictureOfPage(scene)
  const own = sharedPicture(picture)
  const drawn = !own && look ? cardAddress(page, cardOf(scene, look)) : null
  const image = own ?? drawn
  const isArticle = subject.kind === 'entry' && toldAs(subject.type) === 'article'
  return [
    ['og:title', title],
    ['og:type', isArticle ? 'article' : 'website'],
    ['og:url', origin + page.address + query],
    ['og:site_name', name],
    ['og:locale', locale.replace('-', '_')],
    ...(description ? [['og:description', description] as [string, string]] : []),
    ...(image ? [['og:image', origin + image] as [string, string]] : []),
    ...(drawn ? DRAWN : []),
    ...(own && picture?.alt ? [['og:image:alt', picture.alt] as [string, string]] : []),
    ...(drawn ? [['og:image:alt', title] as [string, string]] : []),
  ]
}
