import { type Design, type Frame, checkFrame } from '../frames'
import { type Layout, checkLayout } from '../layouts'
import { type Problem, problem } from '../problems'
import type { Id } from '../site'
import { type HouseStyle, isColour } from '../styles'

/** Layouts, frames, pieces and house style on their way from one site to another: one JSON document. */
export interface Parcel {
  kind: 'outer-frame-parcel'
  format: 1
  /** The name of the site it comes from. */
  from: string
  /** ISO 8601. */
  made: string
  layouts: Layout[]
  frames: Frame[]
  /** Shared pieces; there are none in this format's first edition, and the list is empty. */
  pieces: []
  house: HouseStyle | null
}

export const PARCEL_FORMAT = 1
const MOST_THINGS = 2000

export function makeParcel(design: Design, from: string, made: string): Parcel {
  return {
    kind: 'outer-frame-parcel',
    format: PARCEL_FORMAT,
    from,
    made,
    layouts: design.layouts,
    frames: design.frames,
    pieces: [],
    house: design.house,
  }
}

const isRecord = (v: unknown): v is Record<string, unknown> => typeof v === 'object' && v !== null && !Array.isArray(v)
const isText = (v: unknown, most: number): boolean => typeof v === 'string' && v.length > 0 && v.length <= most
const isNumber = (v: unknown, least: number, most: number): boolean => typeof v === 'number' && v >= least && v <= most

/** Why a house style cannot be used, or null when it can. Everything in it is written into CSS. */
export function refuseHouse(house: HouseStyle): string | null {
  if (!isRecord(house) || house.format !== 1) return 'its house style cannot be read'
  const palette = Array.isArray(house.palette) && house.palette.length <= 60
  if (
    !palette ||
    !house.palette.every(
      (c) =>
        isRecord(c) &&
        /^[a-z0-9-]{1,40}$/.test(String(c.id)) &&
        isText(c.name, 60) &&
        /^#[0-9a-f]{6}$/i.test(String(c.value)),
    )
  ) {
    return 'its palette cannot be read'
  }
  if (![house.ink, house.paper, house.link, house.button?.background, house.button?.colour].every(isColour))
    return 'a colour of its house style is none'
  const sizes = [
    house.textSize,
    house.contentWidth,
    house.gap,
    house.edge,
    house.flow,
    house.radius,
    house.headingWeight,
    house.lineHeight,
    house.button.radius,
  ]
  if (!sizes.every((n) => isNumber(n, 0, 4000))) return 'a measure of its house style is none'
  if (
    !Array.isArray(house.headingSizes) ||
    house.headingSizes.length !== 4 ||
    !house.headingSizes.every((n) => isNumber(n, 6, 400))
  )
    return 'its heading sizes cannot be read'
  return isText(house.headingFamily, 80) && isText(house.textFamily, 80) ? null : 'a family of its house style is none'
}

const duplicate = (ids: readonly Id[]): Id | undefined => ids.find((id, i) => ids.indexOf(id) !== i)

/** Every way in which a document is no parcel that this version reads; none when it is one. Takes anything at all. */
export function checkParcel(parcel: Parcel): Problem[] {
  if (!isRecord(parcel) || parcel.kind !== 'outer-frame-parcel')
    return [problem('parcel-shape', { why: 'it is something else' })]
  if (typeof parcel.format !== 'number') return [problem('parcel-shape', { why: 'it has no format number' })]
  if (parcel.format > PARCEL_FORMAT) return [problem('parcel-newer', { format: parcel.format, known: PARCEL_FORMAT })]
  const { layouts, frames, house } = parcel
  if (!Array.isArray(layouts) || !Array.isArray(frames))
    return [problem('parcel-shape', { why: 'its lists of layouts and frames are missing' })]
  if (layouts.length + frames.length > MOST_THINGS)
    return [problem('parcel-shape', { why: `it holds more than ${MOST_THINGS} things` })]
  if (!isText(parcel.from, 200) || !isText(parcel.made, 40))
    return [problem('parcel-shape', { why: 'it does not say where it comes from' })]
  const refused = house === null ? null : refuseHouse(house)
  const twice = duplicate(layouts.map((l) => String(l?.id))) ?? duplicate(frames.map((f) => String(f?.id)))
  return [
    ...layouts.flatMap((l) => checkLayout(l)),
    ...frames.flatMap((f) => checkFrame(f)),
    ...(refused ? [problem('parcel-shape', { why: refused })] : []),
    ...(twice ? [problem('id-taken', { id: twice })] : []),
  ]
}
