import { seenThrough } from '#core/styles'
import type { Id } from '#core/model'

/** So many spots of a picture are looked at along each side. */
const SPOTS = 6

const canvas = () => Object.assign(document.createElement('canvas'), { width: SPOTS, height: SPOTS })

/** The colours of a picture that fills a box where another box lies on it, so strong; none while it is not there yet. */
function coloursUnder(picture: HTMLImageElement, box: DOMRect, strength: number): string[] {
  const { naturalWidth, naturalHeight } = picture
  const frame = picture.getBoundingClientRect()
  const context = canvas().getContext('2d', { willReadFrequently: true })
  if (!naturalWidth || !frame.width || !context) return []
  // Drawn to fill its frame, what is too much cut off evenly at both sides.
  const scale = Math.max(frame.width / naturalWidth, frame.height / naturalHeight)
  const left = (naturalWidth - frame.width / scale) / 2 + (box.left - frame.left) / scale
  const top = (naturalHeight - frame.height / scale) / 2 + (box.top - frame.top) / scale
  context.drawImage(picture, left, top, box.width / scale, box.height / scale, 0, 0, SPOTS, SPOTS)
  const { data } = context.getImageData(0, 0, SPOTS, SPOTS)
  return Array.from({ length: SPOTS * SPOTS }, (_, i) => {
    const [r, g, b, a] = data.slice(4 * i, 4 * i + 4)
    return `rgb(${r} ${g} ${b} / ${(a! / 255) * strength})`
  })
}

/**
 * What lies behind a thing on the page, as the browser draws it now: one colour, or, where a picture lies there, as
 * many as are seen of it. `self` says whether its own background counts.
 */
export function groundBehind(surface: PageSurface, id: Id, self = true): string[] {
  const view = surface.doc()?.defaultView
  const node = surface.elementOf(id)
  if (!view || !node) return []
  const box = node.getBoundingClientRect()
  const layers: string[] = []
  for (let at = self ? node : node.parentElement; at; at = at.parentElement) {
    const behindAll = at.querySelector(':scope>.of-bg')
    const picture = behindAll?.querySelector('img')
    const strength = behindAll ? Number(view.getComputedStyle(behindAll).opacity) : 1
    const tint = behindAll ? view.getComputedStyle(behindAll).getPropertyValue('--tint').trim() : ''
    if (tint) layers.push(tint)
    const spots = picture ? coloursUnder(picture, box, strength) : []
    const behind = view.getComputedStyle(at).backgroundColor
    if (spots.length > 0) return spots.map((spot) => seenThrough([...layers, spot, behind]))
    layers.push(behind)
  }
  return [seenThrough(layers)]
}
