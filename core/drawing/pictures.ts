import type { Picture } from '../site'
import { escapeHtml } from './escape'

/** The address of a picture's file. */
export function pictureAddress(picture: { id: string; fileName: string }): string {
  return `/pictures/${encodeURIComponent(picture.id)}/${encodeURIComponent(picture.fileName)}`
}

/** An `img` with its own size, so that nothing jumps while it loads. */
export function img(picture: Picture, alt: string, eager = false): string {
  const src = escapeHtml(pictureAddress(picture))
  const size = ` width="${picture.width}" height="${picture.height}"`
  return `<img src="${src}" alt="${escapeHtml(alt)}"${size}${eager ? '' : ' loading="lazy"'} decoding="async">`
}
