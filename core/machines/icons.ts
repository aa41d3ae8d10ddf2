import type { Catalogue } from '../catalogue'
import type { Picture } from '../model'

/** The mark by which browsers show a site: a picture of its own, or its logo, as squares. */

/** In pixels: beside a title, on a phone, among applications. */
export const ICON_SIZES = [32, 180, 512] as const
export const ICONS = '/_of/icon/'

export function iconPicture({ pictures, site }: Catalogue): Picture | undefined {
  const { icon, logo } = site.settings
  return (icon ? pictures.get(icon) : undefined) ?? (logo ? pictures.get(logo) : undefined)
}

/** Where the mark stands in a size: another picture, another address. Null for a site without one. */
export function iconAddress(catalogue: Catalogue, size: number): string | null {
  const hash = iconPicture(catalogue)?.hash
  return hash ? `${ICONS}${hash.slice(0, 16)}/${size}.png` : null
}

/** Which size a path asks for; null for other paths. */
export function iconAt(path: string): number | null {
  if (!path.startsWith(ICONS)) return null
  const size = Number(/\/(\d{1,4})\.png$/.exec(path)?.[1])
  return ICON_SIZES.find((s) => s === size) ?? null
}
