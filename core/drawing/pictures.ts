import type { Picture } from '../model'
import { escapeHtml } from './escape'

/** The address of a picture's file. */
export function pictureAddress(picture: { id: string; fileName: string }): string {
  return `/pictures/${encodeURIComponent(picture.id)}/${encodeURIComponent(picture.fileName)}`
}

/** The kinds in which pictures lie ready beside that of their file, smallest first. */
export const READY_KINDS = ['avif', 'webp'] as const

/** The kind of a file by its name: what stands behind its last dot. */
export const kindOfFile = (fileName: string): string => /\.([a-z0-9]+)$/i.exec(fileName)?.[1]?.toLowerCase() ?? ''

/** The address of a picture in one of its widths, in a kind. */
export const sizedAddress = ({ id, hash }: Picture, width: number, kind: string): string =>
  `/pictures/${encodeURIComponent(id)}/${hash}/${width}.${kind}`

const srcset = (picture: Picture, kind: string): string =>
  picture.widths!.map((width) => `${sizedAddress(picture, width, kind)} ${width}w`).join(', ')

/** The focal point as classes: so fine, and no finer, so that few rules say all. */
export const FOCUS_STEPS = 10
const stepOf = (part: number): number => Math.round(part * FOCUS_STEPS)

function focusClasses({ focus }: Picture): string {
  if (!focus) return ''
  return ` class="of-fx${stepOf(focus.x)} of-fy${stepOf(focus.y)}"`
}

/** What the classes of focal points mean, for every picture that is cropped. */
export const FOCUS_CSS =
  Array.from({ length: FOCUS_STEPS + 1 }, (_, i) => {
    const at = `${(i * 100) / FOCUS_STEPS}%`
    return `.of-fx${i}{--fx:${at}}.of-fy${i}{--fy:${at}}`
  }).join('') + 'img{object-position:var(--px,var(--fx,50%)) var(--py,var(--fy,50%))}'

export interface ImageOptions {
  /** Fetched at once and first; else when it comes near. */
  eager?: boolean
  /** How wide it is drawn: see `Compile.sizes`. Browsers that can tell by themselves do for those not fetched at once. */
  sizes?: string
}

/** What was written of a picture, by how it is drawn; another state of it is another object. */
const WRITTEN = new WeakMap<Picture, Map<string, string>>()
/** A picture is drawn in few ways; one with more is written anew now and then. */
const MOST_WAYS = 40

/** An `img` with its own size, so that nothing jumps while it loads, and with all the widths it lies ready in. */
export function img(picture: Picture, alt: string, { eager = false, sizes = '100vw' }: ImageOptions = {}): string {
  let written = WRITTEN.get(picture)
  if (!written) WRITTEN.set(picture, (written = new Map()))
  const key = `${eager} ${sizes} ${alt}`
  let html = written.get(key)
  if (html !== undefined) return html
  if (written.size >= MOST_WAYS) written.clear()
  html = writeImg(picture, alt, eager, sizes)
  written.set(key, html)
  return html
}

function writeImg(picture: Picture, alt: string, eager: boolean, sizes: string): string {
  const { width, height, widths, hash } = picture
  const src = escapeHtml(pictureAddress(picture))
  const how = eager ? ' fetchpriority="high"' : ' loading="lazy"'
  const end = `${focusClasses(picture)} alt="${escapeHtml(alt)}" width="${width}" height="${height}"${how} decoding="async">`
  if (!widths?.length || !hash) return `<img src="${src}"${end}`
  const wide = ` sizes="${eager ? sizes : `auto,${sizes}`}"`
  const sources = READY_KINDS.map(
    (kind) => `<source type="image/${kind}" srcset="${escapeHtml(srcset(picture, kind))}"${wide}>`,
  )
  const own = escapeHtml(srcset(picture, kindOfFile(picture.fileName)))
  return `<picture>${sources.join('')}<img src="${src}" srcset="${own}"${wide}${end}</picture>`
}
