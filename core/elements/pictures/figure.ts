import { PAGE_STYLES, img, attribute, escapeHtml, linkAddress, pictureOf, plainText, type Chunk } from '../../drawing'
import type { Value, Property } from '../../tree'

/** Shapes a picture can be cropped to, as CSS aspect ratios. */
export const SHAPE: Extract<Property, { kind: 'choice' }> = {
  kind: 'choice',
  label: 'Shape',
  default: 'own',
  options: [
    { value: 'own', label: 'As it is' },
    { value: 'square', label: 'Square' },
    { value: 'standing', label: 'Standing, 3 to 4' },
    { value: 'lying', label: 'Lying, 4 to 3' },
    { value: 'broad', label: 'Broad, 16 to 9' },
  ],
}

export const PICTURE_CSS = PAGE_STYLES.picture

/** A figure with a picture, linked or not; nothing when there is no picture. */
export function figure(options: {
  open: string
  picture: Value
  alt: Value
  link: Value
  site: boolean
  eager: boolean
  sizes: string
  caption?: { open: string; words: Value }
}): Chunk {
  return (scene) => {
    const picture = pictureOf(options.picture, scene, options.site)
    if (!picture) return ''
    const alt = plainText(options.alt, scene) || picture.alt
    const html = img(picture, alt, options)
    const href = linkAddress(options.link, scene)
    const { caption } = options
    const words = caption ? escapeHtml(plainText(caption.words, scene)) : ''
    const below = words && `${caption!.open}${words}</figcaption>`
    return options.open + (href ? `<a${attribute('href', href)}>${html}</a>` : html) + below + '</figure>'
  }
}
