import { withoutEnds } from '../../text'
import type { PlainEdit } from '../../edits'
import { refuse } from '../../shape'
import {
  FAMILIES,
  type SiteStyle,
  type PaletteColour,
  SCALE_STEPS,
  type ScaleStep,
  familyNamed,
  houseShape,
  ownFamily,
  sizeOf,
  paletteColour,
} from '../../styles'
import equal from 'fast-deep-equal'
import { type Token, type Untaken, readTokens } from './flat'
import { readColour, readDimension, readFamilies, readNumber, writeColour, writeDimension } from './values'

/** Where what no other tool asks for is kept in a file. */
const OURS = 'org.outer-frame'
const MOST_COLOURS = 60

interface TokenTarget {
  path: string
  type: string
  write(house: SiteStyle): unknown
  /** The house with what the token says, or null where it says nothing that can stand there. */
  read(value: unknown, house: SiteStyle): SiteStyle | null
}

type Measure = 'textSize' | 'contentWidth' | 'gap' | 'edge' | 'flow' | 'radius'

const measure = (path: string, key: Measure): TokenTarget => ({
  path,
  type: 'dimension',
  write: (house) => writeDimension(house[key]),
  read(value, house) {
    const px = readDimension(value)
    return px === null ? null : { ...house, [key]: px }
  },
})

const number = (path: string, key: 'lineHeight' | 'headingWeight', type: string): TokenTarget => ({
  path,
  type,
  write: (house) => house[key],
  read(value, house) {
    const n = readNumber(value)
    return n === null ? null : { ...house, [key]: n }
  },
})

const step = (of: ScaleStep): TokenTarget => ({
  path: `size.${of}`,
  type: 'dimension',
  write: (house) => writeDimension(sizeOf(house, of)),
  read(value, house) {
    const px = readDimension(value)
    if (px === null) return null
    if (px === sizeOf(house, of)) return house
    return { ...house, scale: { ...house.scale, byHand: { ...house.scale.byHand, [of]: px } } }
  },
})

const family = (path: string, key: 'headingFamily' | 'textFamily' | 'interfaceFamily'): TokenTarget => ({
  path,
  type: 'fontFamily',
  write: (house) => [familyNamed(house[key], house).name],
  read(value, house) {
    const named = readFamilies(value).map((name) => familyCalled(name, house))
    const found = named.find((name) => name !== null)
    return found ? { ...house, [key]: found } : null
  },
})

/** The family of the house, or one that ships, that is called so. */
function familyCalled(name: string, { fonts }: SiteStyle): string | null {
  const same = (other: string) => other.toLowerCase() === name.trim().toLowerCase()
  const own = fonts.find((f) => same(f.name))
  return own ? ownFamily(own.id) : (FAMILIES.find((f) => same(f.name))?.name ?? null)
}

/** A colour that the house itself is drawn in: an alias of the palette where it is one of it. */
const role = (
  path: string,
  get: (h: SiteStyle) => string,
  set: (h: SiteStyle, c: string) => SiteStyle,
): TokenTarget => ({
  path,
  type: 'color',
  write: (house) =>
    get(house).startsWith('@') ? `{palette.${paletteColour(get(house)).id}}` : writeColour(get(house).slice(0, 7)),
  read(value, house) {
    const hex = readColour(value)
    if (hex === null) return null
    const same = house.palette.find((c) => c.value.toLowerCase() === hex)
    return set(house, same ? `@${same.id}` : hex)
  },
})

/** What of a house stands where in a file of tokens. */
const PLACES: readonly TokenTarget[] = [
  role(
    'colour.ink',
    (h) => h.ink,
    (h, ink) => ({ ...h, ink }),
  ),
  role(
    'colour.paper',
    (h) => h.paper,
    (h, paper) => ({ ...h, paper }),
  ),
  role(
    'colour.link',
    (h) => h.links.colour,
    (h, colour) => ({ ...h, links: { ...h.links, colour } }),
  ),
  family('family.heading', 'headingFamily'),
  family('family.text', 'textFamily'),
  family('family.interface', 'interfaceFamily'),
  measure('size.text', 'textSize'),
  ...SCALE_STEPS.map(step),
  number('line-height', 'lineHeight', 'number'),
  number('weight.heading', 'headingWeight', 'fontWeight'),
  measure('space.gap', 'gap'),
  measure('space.edge', 'edge'),
  measure('space.flow', 'flow'),
  measure('width.content', 'contentWidth'),
  measure('radius', 'radius'),
]
const BY_PATH = new Map(PLACES.map((p) => [p.path, p]))

type Group = Record<string, unknown>

function put(into: Group, path: readonly string[], token: Group): void {
  const [name = '', ...rest] = path
  if (rest.length === 0) into[name] = token
  else put((into[name] ??= {}) as Group, rest, token)
}

/** The house style as a file of design tokens. */
export function writeHouseTokens(house: SiteStyle): Group {
  const file: Group = {}
  for (const { id, name, value, dark } of house.palette)
    put(file, ['palette', id], {
      $type: 'color',
      $value: writeColour(value),
      $description: name,
      ...(dark && { $extensions: { [OURS]: { dark } } }),
    })
  for (const { path, type, write } of PLACES) put(file, path.split('.'), { $type: type, $value: write(house) })
  return file
}

const idOf = (path: readonly string[]): string =>
  withoutEnds(
    path
      .join('-')
      .toLowerCase()
      .replace(/[^a-z0-9-]+/g, '-'),
    '-',
  ).slice(0, 40) || 'colour'

/** What a colour of somebody else's file is called: by what is said of it, else by its names. */
const nameOf = ({ path, description }: Token): string => (description || path.join(' ')).slice(0, 60)

function colourOf(token: Token): PaletteColour | null {
  const value = readColour(token.value)
  if (value === null) return null
  const ours = token.extensions[OURS] as { dark?: unknown } | undefined
  const dark = ours && readColour(ours.dark)
  const path = token.path[0] === 'palette' && token.path.length > 1 ? token.path.slice(1) : token.path
  return { id: idOf(path), name: nameOf(token), value, ...(dark && { dark }) }
}

function withColour(house: SiteStyle, colour: PaletteColour): SiteStyle | null {
  const there = house.palette.findIndex((c) => c.id === colour.id)
  if (there < 0) return house.palette.length < MOST_COLOURS ? { ...house, palette: [...house.palette, colour] } : null
  return { ...house, palette: house.palette.map((c, i) => (i === there ? { ...c, ...colour } : c)) }
}

/** What a token changes; or why it changes nothing. */
function taken(house: SiteStyle, token: Token): SiteStyle | string {
  const place = BY_PATH.get(token.path.join('.'))
  if (place) {
    const next = place.read(token.value, house)
    if (!next) return 'what it says cannot stand there'
    return refuse(houseShape, next) ?? next
  }
  if (token.type !== 'color') return 'the house style has no place for it'
  const colour = colourOf(token)
  if (!colour) return 'it is no colour that can be read'
  return withColour(house, colour) ?? `the palette holds ${MOST_COLOURS} colours`
}

export interface TokensRead {
  house: SiteStyle
  taken: number
  untaken: Untaken[]
}

/** A house style with what a file of design tokens says; null for what is no such file. Takes anything. */
export function readHouseTokens(file: unknown, house: SiteStyle): TokensRead | null {
  const read = readTokens(file)
  if (!read) return null
  const untaken = [...read.untaken]
  let [next, count] = [house, 0]
  // Colours of the palette come before what may be one of them.
  const isPlace = (token: Token) => BY_PATH.has(token.path.join('.'))
  for (const token of [...read.tokens.filter((t) => !isPlace(t)), ...read.tokens.filter(isPlace)]) {
    const done = taken(next, token)
    if (typeof done === 'string') untaken.push({ path: token.path.join('.'), why: done })
    else [next, count] = [done, count + 1]
  }
  return { house: next, taken: count, untaken }
}

/** What makes one house style of another, as one edit, which says only what differs; null for nothing. */
export function editBetween(before: SiteStyle, after: SiteStyle, label: string): PlainEdit | null {
  const keys = (Object.keys(after) as (keyof SiteStyle)[]).filter((key) => !equal(before[key], after[key]))
  if (keys.length === 0) return null
  return { kind: 'batch', label, edits: keys.map((key) => ({ kind: 'set', at: [key], value: after[key] })) }
}
