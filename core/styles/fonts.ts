import { type FamilyKind, SHIPPED, type Shipped } from './families'
import type { FontFace, HouseStyle, OwnFont } from './house'

/** The families that texts are set in: those that ship with the product, those of the system, and one's own. */

export interface Face {
  style: 'normal' | 'italic'
  weight: string
  /** The address at which the site itself serves it. */
  address: string
  /** The letters that are in it; all that anybody asks for where it is not said. */
  range?: string
}

export interface Family {
  name: string
  kind: FamilyKind | 'system' | 'own'
  /** What is written in CSS, with what stands in while the file loads. */
  stack: string
  /** Empty for families of the system. */
  faces: readonly Face[]
}

const LATIN =
  'U+0000-00FF,U+0131,U+0152-0153,U+02BB-02BC,U+02C6,U+02DA,U+02DC,U+0304,U+0308,U+0329,U+2000-206F,U+20AC,U+2122,U+2191,U+2193,U+2212,U+2215,U+FEFF,U+FFFD'

const INSTEAD: Record<FamilyKind, string> = {
  serif: "Georgia,'Times New Roman',serif",
  sans: "system-ui,'Segoe UI',Arial,sans-serif",
  mono: 'ui-monospace,Menlo,Consolas,monospace',
  hand: "'Segoe Script',cursive",
}

function shipped([name, folder, kind, weight, italic]: Shipped): Family {
  const styles = italic ? (['normal', 'italic'] as const) : (['normal'] as const)
  return {
    name,
    kind,
    stack: `'${name} Variable',${INSTEAD[kind]}`,
    faces: styles.map((style) => ({
      style,
      weight,
      address: `/_of/fonts/${folder}/${folder}-latin-wght-${style}.woff2`,
      range: LATIN,
    })),
  }
}

const SYSTEM: readonly Family[] = [
  { name: 'System sans', kind: 'system', stack: "system-ui,'Segoe UI',Roboto,Arial,sans-serif", faces: [] },
  { name: 'System serif', kind: 'system', stack: INSTEAD.serif, faces: [] },
]

/** Every family that needs no file of one's own, by name. */
export const FAMILIES: readonly Family[] = [...SHIPPED.map(shipped), ...SYSTEM].sort((a, b) =>
  a.name < b.name ? -1 : 1,
)

const BY_NAME = new Map(FAMILIES.map((f) => [f.name, f]))
const OWN = /^\+[\w-]{1,40}$/

/** How a family of one's own is named in looks. */
export const ownFamily = (id: string): string => `+${id}`

/** True for what may be named as a family: one that ships, or one of one's own, which may be gone. */
export const isFamily = (name: unknown): name is string =>
  typeof name === 'string' && (BY_NAME.has(name) || OWN.test(name))

const ownStack = (id: string): string => `'of-${id}',${INSTEAD.sans}`

/** The file of an uploaded face, by the id that it has among the files of the site. */
export const fontAddress = ({ file, fileName }: Pick<FontFace, 'file' | 'fileName'>): string =>
  `/files/${file}/${encodeURIComponent(fileName)}`

function ofOwn({ id, name, faces }: OwnFont): Family {
  return {
    name,
    kind: 'own',
    stack: ownStack(id),
    faces: faces.map((face) => ({ style: face.style, weight: face.weight, address: fontAddress(face) })),
  }
}

/** A family by the name that looks have for it; one that is gone is drawn as the system's. */
export function familyNamed(name: string, house?: Pick<HouseStyle, 'fonts'>): Family {
  const own = name.startsWith('+') ? house?.fonts.find((f) => ownFamily(f.id) === name) : undefined
  return (own && ofOwn(own)) ?? BY_NAME.get(name) ?? BY_NAME.get('System sans')!
}

/** What is written in CSS for a family; one's own needs no house to be written. */
export const familyStack = (name: string): string =>
  OWN.test(name) ? ownStack(name.slice(1)) : familyNamed(name).stack

/** The `@font-face` rules of a family; only what a page uses is written into it. */
export function fontFaceCss({ stack, faces }: Family): string {
  const name = stack.split(',')[0]
  return faces
    .map(
      ({ style, weight, address, range }) =>
        `@font-face{font-family:${name};font-style:${style};font-weight:${weight};font-display:swap;` +
        `src:url(${address}) format("woff2")${range ? `;unicode-range:${range}` : ''}}`,
    )
    .join('')
}
