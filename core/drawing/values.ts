import { MOST_FALLBACKS, type FieldValue, type Value, isFieldValue } from '../tree'
import type { Picture } from '../model'
import { readField, withUntil } from '../catalogue'
import { READINGS, type Reading } from '../fields'
import { safeAddress } from '../addresses'
import { escapeHtml } from './escape'
import { AS_USUAL, writeReading } from './format'
import type { Chunk } from './chunk'
import { keptFill } from './kept'
import type { Scene } from './scene'

/** Follows a value to the first field that is filled, or to a literal; null when all of it is empty. */
export function readValue(value: Value | undefined, scene: Scene): Reading | { literal: Value } | null {
  let current = value
  for (let i = 0; i <= MOST_FALLBACKS; i++) {
    if (current === undefined || current === null || current === '') return null
    if (!isFieldValue(current)) return { literal: current }
    const found = readField(current, scene)
    if (found) return found
    current = current.fallback
  }
  return null
}

/** What a reading says as a value asks for it; empty where it says nothing, or is none of words. */
export function writeValue(reading: Reading, value: FieldValue, scene: Scene): string {
  const { format = AS_USUAL } = value
  const whole = format.until === undefined ? reading : withUntil(reading, value, format.until, scene)
  return writeReading(whole, format, scene.formats, scene.catalogue)
}

/** What a reading says as plain text, between the words around it; empty where it says nothing. */
function written(reading: Reading, value: FieldValue, scene: Scene): string {
  const text = writeValue(reading, value, scene)
  return text && (value.before ?? '') + text + (value.after ?? '')
}

/** A field value as plain text: what the field says between `before` and `after`, or its fallback alone. */
export function fieldText(value: FieldValue, scene: Scene): string {
  const found = readField(value, scene)
  return (found && written(found, value, scene)) || plainText(value.fallback, scene)
}

/** A field value as a chunk of escaped HTML. */
export function fieldChunk(value: FieldValue): Chunk {
  const fallback = textChunk(value.fallback)
  return keptFill(
    value,
    (reading, scene) => escapeHtml(written(reading, value, scene)),
    typeof fallback === 'string' ? () => fallback : fallback,
  )
}

/** Any value as plain text, not escaped. */
export function plainText(value: Value | undefined, scene: Scene): string {
  if (isFieldValue(value)) return fieldText(value, scene)
  return typeof value === 'string' || typeof value === 'number' ? String(value) : ''
}

/** A text value as a chunk of escaped HTML. */
export function textChunk(value: Value | undefined): Chunk {
  if (isFieldValue(value)) return fieldChunk(value)
  return typeof value === 'string' || typeof value === 'number' ? escapeHtml(String(value)) : ''
}

/** Where a link leads in this scene, safe to be written into `href`; null when it leads nowhere. */
export function linkAddress(value: Value | undefined, scene: Scene): string | null {
  const found = readValue(value, scene)
  if (!found) return null
  if (!('literal' in found)) return readingAddress(found, scene)
  const link = found.literal
  if (typeof link === 'string') return safeAddress(link)
  if (typeof link === 'object' && link && 'page' in link) return scene.catalogue.page(link.page)?.address || null
  return null
}

/** The `href` of a link: known at once for an address written out, else once there is a scene. Empty when it leads nowhere. */
export function hrefChunk(value: Value | undefined): Chunk {
  if (value === null || value === undefined) return ''
  if (typeof value === 'string') return escapeHtml(safeAddress(value) ?? '')
  if (!isFieldValue(value)) return (scene) => escapeHtml(linkAddress(value, scene) ?? '')
  return keptFill(
    value,
    (reading, scene) => escapeHtml(readingAddress(reading, scene) ?? ''),
    (scene) => escapeHtml(linkAddress(value.fallback, scene) ?? ''),
  )
}

/** The page of what a reading refers to, or the address that it is. */
export function readingAddress(reading: Reading, { catalogue }: Scene): string | null {
  const id = String(reading.value)
  const { leads } = READINGS[reading.kind]
  if (leads === 'person') return catalogue.page(`person:${id}`)?.address ?? null
  if (leads === 'entry') return catalogue.addressOf(id)
  if (leads !== 'address') return null
  return safeAddress(id.includes('@') && !/[:/]/.test(id) ? `mailto:${id}` : id)
}

/** The picture that a value stands for; with `site`, the site's own when there is none. */
export function pictureOf(value: Value | undefined, scene: Scene, site = false): Picture | null {
  const { catalogue } = scene
  const found = readValue(value, scene)
  const id = found && ('literal' in found ? found.literal : Array.isArray(found.value) ? found.value[0] : found.value)
  const own = typeof id === 'string' ? catalogue.pictures.get(id) : undefined
  const fallback = site ? catalogue.site.settings.fallbackPicture : null
  return own ?? (fallback ? (catalogue.pictures.get(fallback) ?? null) : null)
}

/** All pictures that a value stands for, in order: those of the first field that is filled, or the one chosen. */
export function picturesOf(value: Value | undefined, scene: Scene): Picture[] {
  const found = readValue(value, scene)
  const held = found && ('literal' in found ? found.literal : found.value)
  const ids: unknown[] = Array.isArray(held) ? held : [held]
  return ids.flatMap((id) => (typeof id === 'string' ? (scene.catalogue.pictures.get(id) ?? []) : []))
}
