import { type FamilyKind, SHIPPED, type Shipped } from './families'
import type { FontFace, SiteStyle, OwnFont } from './house'
import { type Letters, RANGES } from './letters'

/** The families that texts are set in: those that ship with the product, those of the system, and one's own. */

export interface Face {
  style: 'normal' | 'italic'
  weight: string
  /** The address at which the site itself serves it. */
  address: string
  /** The subset that is in the file; all that anybody asks for where it is not said. */
  letters?: Letters
}

export interface Family {
  name: string
  kind: FamilyKind | 'system' | 'own'
  /** What is written in CSS, with what stands in while the file loads. */
  stack: string
  /** Empty for families of the system. */
  faces: readonly Face[]
}

const INSTEAD: Record<FamilyKind, string> = {
  serif: "Georgia,'Times New Roman',serif",
  sans: "system-ui,'Segoe UI',Arial,sans-serif",
  mono: 'ui-monospace,Menlo,Consolas,monospace',
  hand: "'Segoe Script',cursive",
}

function shipped([name, folder, kind, weight, italic, more = '']: Shipped): Family {
  const styles = italic ? (['normal', 'italic'] as const) : (['normal'] as const)
  const subsets = ['latin', 'latin-ext', ...more.split(' ').filter(Boolean)] as Letters[]
  return {
    name,
    kind,
    stack: `'${name} Variable',${INSTEAD[kind]}`,
    faces: styles.flatMap((style) =>
      subsets.map((letters) => ({
        style,
        weight,
        address: `/_of/fonts/${folder}/${folder}-${letters}-wght-${style}.woff2`,
        letters,
      })),
    ),
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
export function familyNamed(name: string, house?: Pick<SiteStyle, 'fonts'>): Family {
  const own = name.startsWith('+') ? house?.fonts.find((f) => ownFamily(f.id) === name) : undefined
  return (own && ofOwn(own)) ?? BY_NAME.get(name) ?? BY_NAME.get('System sans')!
}

/** What is written in CSS for a family; one's own needs no house to be written. */
export const familyStack = (name: string): string =>
  OWN.test(name) ? ownStack(name.slice(1)) : familyNamed(name).stack

/** The files of a family that texts in some letters need. */
export const facesFor = ({ faces }: Family, wanted: readonly Letters[]): Face[] =>
  faces.filter(({ letters }) => !letters || wanted.includes(letters))

/** True where a family has no file for some of the letters; what is missing is drawn in a family of the system. */
export const lacksLetters = ({ kind, faces }: Family, wanted: readonly Letters[]): boolean =>
  kind !== 'system' &&
  kind !== 'own' &&
  // Extensions of a script hold rare letters, and many families do without them.
  wanted.some((letters) => !letters.endsWith('-ext') && !faces.some((f) => f.letters === letters))

/** The `@font-face` rules of a family for some letters; a browser fetches a file when one of its letters is drawn. */
export function fontFaceCss(family: Family, wanted: readonly Letters[]): string {
  const name = family.stack.split(',')[0]
  return facesFor(family, wanted)
    .map(
      ({ style, weight, address, letters }) =>
        `@font-face{font-family:${name};font-style:${style};font-weight:${weight};font-display:swap;` +
        `src:url(${address}) format("woff2")${letters ? `;unicode-range:${RANGES[letters]}` : ''}}`,
    )
    .join('')
}
