/** The families that ship with the product and are served by the site itself. */

export interface Family {
  name: string
  /** What is written in CSS, with what stands in while the file loads. */
  stack: string
  /** Faces served under `/_of/fonts/`; empty for families of the system. */
  faces: { style: 'normal' | 'italic'; weight: string; file: string; range: string }[]
}

const LATIN =
  'U+0000-00FF,U+0131,U+0152-0153,U+02BB-02BC,U+02C6,U+02DA,U+02DC,U+0304,U+0308,U+0329,U+2000-206F,U+20AC,U+2122,U+2191,U+2193,U+2212,U+2215,U+FEFF,U+FFFD'

function faces(folder: string, weight: string, styles: ('normal' | 'italic')[]): Family['faces'] {
  const base = folder.split('/').pop()
  return styles.map((style) => ({
    style,
    weight,
    file: `${folder}/${base}-latin-wght-${style}.woff2`,
    range: LATIN,
  }))
}

export const FAMILIES: readonly Family[] = [
  {
    name: 'Newsreader',
    stack: "'Newsreader Variable',Georgia,'Times New Roman',serif",
    faces: faces('newsreader', '200 800', ['normal', 'italic']),
  },
  {
    name: 'Schibsted Grotesk',
    stack: "'Schibsted Grotesk Variable',system-ui,'Segoe UI',Arial,sans-serif",
    faces: faces('schibsted-grotesk', '400 900', ['normal', 'italic']),
  },
  {
    name: 'Spline Sans Mono',
    stack: "'Spline Sans Mono Variable',ui-monospace,Menlo,Consolas,monospace",
    faces: faces('spline-sans-mono', '300 700', ['normal']),
  },
  { name: 'System sans', stack: "system-ui,'Segoe UI',Roboto,Arial,sans-serif", faces: [] },
  { name: 'System serif', stack: "Georgia,'Times New Roman',serif", faces: [] },
]

export function familyNamed(name: string): Family {
  return FAMILIES.find((f) => f.name === name) ?? FAMILIES[3]!
}

/** The `@font-face` rules of a family; only what a page uses is written into it. */
export function fontFaceCss(family: Family): string {
  const name = family.stack.split(',')[0]
  return family.faces
    .map(
      (f) =>
        `@font-face{font-family:${name};font-style:${f.style};font-weight:${f.weight};font-display:swap;` +
        `src:url(/_of/fonts/${f.file}) format("woff2");unicode-range:${f.range}}`,
    )
    .join('')
}
