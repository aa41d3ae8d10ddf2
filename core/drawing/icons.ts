import { PAGE_STYLES } from './page-styles'
import type { Chunk } from './chunk'
import { SHAPES } from './icon-shapes'
import { plainText } from './values'
import { type Value, isFieldValue } from '../tree'

/** Icons of an open set (lucide, ISC): the shapes of those that are offered. Only what is drawn is sent. */

export const ICONS: readonly string[] = Object.keys(SHAPES).sort()

export const isIcon = (name: unknown): name is string => typeof name === 'string' && Object.hasOwn(SHAPES, name)

/** An icon as it stands among words, as high as they are; nothing for a name that is none. */
export const iconSvg = (name: string): string =>
  isIcon(name) ? `<svg class="of-i" viewBox="0 0 24 24" aria-hidden="true">${SHAPES[name]}</svg>` : ''

export const ICON_CSS = PAGE_STYLES.iconShape

/** The icon that a value names: written here, or by a field. */
export const iconChunk = (value: Value): Chunk =>
  isFieldValue(value)
    ? (scene) => iconSvg(plainText(value, scene).trim().toLowerCase())
    : typeof value === 'string'
      ? iconSvg(value)
      : ''
