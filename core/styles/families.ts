/**
 * The open families that ship with the product: name, folder of its package, kind, between which weights it is drawn,
 * whether it has an italic of its own, and the letters that it has besides Latin ones. A test holds them against the
 * files of the packages.
 */
export type FamilyKind = 'serif' | 'sans' | 'mono' | 'hand'

export type Shipped = readonly [
  name: string,
  folder: string,
  kind: FamilyKind,
  weights: string,
  italic: boolean,
  /** Subsets (`letters.ts`), with a blank between them. */
  more?: string,
]

export const SHIPPED: readonly Shipped[] = [
  ['Alegreya', 'alegreya', 'serif', '400 900', true, 'vietnamese cyrillic cyrillic-ext greek greek-ext'],
  ['Archivo', 'archivo', 'sans', '100 900', true, 'vietnamese'],
  ['Atkinson Hyperlegible Next', 'atkinson-hyperlegible-next', 'sans', '200 800', true],
  ['Besley', 'besley', 'serif', '400 900', true],
  ['Bitter', 'bitter', 'serif', '100 900', true, 'vietnamese cyrillic cyrillic-ext'],
  ['Bricolage Grotesque', 'bricolage-grotesque', 'sans', '200 800', false, 'vietnamese'],
  ['Caveat', 'caveat', 'hand', '400 700', false, 'cyrillic cyrillic-ext'],
  ['Cormorant', 'cormorant', 'serif', '300 700', true, 'vietnamese cyrillic cyrillic-ext'],
  ['Crimson Pro', 'crimson-pro', 'serif', '200 900', true, 'vietnamese'],
  ['EB Garamond', 'eb-garamond', 'serif', '400 800', true, 'vietnamese cyrillic cyrillic-ext greek greek-ext'],
  ['Figtree', 'figtree', 'sans', '300 900', true],
  ['Fraunces', 'fraunces', 'serif', '100 900', true, 'vietnamese'],
  ['Gelasio', 'gelasio', 'serif', '400 700', true, 'vietnamese'],
  ['Hanken Grotesk', 'hanken-grotesk', 'sans', '100 900', true, 'vietnamese cyrillic-ext'],
  ['Instrument Sans', 'instrument-sans', 'sans', '400 700', true],
  ['Inter', 'inter', 'sans', '100 900', true, 'vietnamese cyrillic cyrillic-ext greek greek-ext'],
  ['JetBrains Mono', 'jetbrains-mono', 'mono', '100 800', true, 'vietnamese cyrillic cyrillic-ext greek'],
  ['Karla', 'karla', 'sans', '200 800', true],
  ['Libre Franklin', 'libre-franklin', 'sans', '100 900', true, 'vietnamese cyrillic cyrillic-ext'],
  ['Literata', 'literata', 'serif', '200 900', true, 'vietnamese cyrillic cyrillic-ext greek greek-ext'],
  ['Lora', 'lora', 'serif', '400 700', true, 'vietnamese cyrillic cyrillic-ext'],
  ['Manrope', 'manrope', 'sans', '200 800', false, 'vietnamese cyrillic cyrillic-ext greek'],
  ['Merriweather', 'merriweather', 'serif', '300 900', true, 'vietnamese cyrillic cyrillic-ext'],
  ['Newsreader', 'newsreader', 'serif', '200 800', true, 'vietnamese'],
  ['Nunito', 'nunito', 'sans', '200 1000', true, 'vietnamese cyrillic cyrillic-ext'],
  ['Open Sans', 'open-sans', 'sans', '300 800', true, 'vietnamese cyrillic cyrillic-ext greek greek-ext hebrew'],
  ['Oswald', 'oswald', 'sans', '200 700', false, 'vietnamese cyrillic cyrillic-ext'],
  ['Outfit', 'outfit', 'sans', '100 900', false],
  ['Playfair Display', 'playfair-display', 'serif', '400 900', true, 'vietnamese cyrillic'],
  ['Public Sans', 'public-sans', 'sans', '100 900', true, 'vietnamese'],
  ['Roboto Slab', 'roboto-slab', 'serif', '100 900', false, 'vietnamese cyrillic cyrillic-ext greek greek-ext'],
  ['Rubik', 'rubik', 'sans', '300 900', true, 'cyrillic cyrillic-ext hebrew arabic'],
  ['Schibsted Grotesk', 'schibsted-grotesk', 'sans', '400 900', true],
  ['Source Code Pro', 'source-code-pro', 'mono', '200 900', true, 'vietnamese cyrillic cyrillic-ext greek greek-ext'],
  ['Source Sans 3', 'source-sans-3', 'sans', '200 900', true, 'vietnamese cyrillic cyrillic-ext greek greek-ext'],
  ['Source Serif 4', 'source-serif-4', 'serif', '200 900', true, 'vietnamese cyrillic cyrillic-ext greek'],
  ['Space Grotesk', 'space-grotesk', 'sans', '300 700', false, 'vietnamese'],
  ['Spline Sans Mono', 'spline-sans-mono', 'mono', '300 700', true],
  ['Vollkorn', 'vollkorn', 'serif', '400 900', true, 'vietnamese cyrillic cyrillic-ext greek'],
  ['Work Sans', 'work-sans', 'sans', '100 900', true, 'vietnamese'],
]
