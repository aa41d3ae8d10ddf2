import { colourCss } from './house'
import { lengthCss } from './lengths'
import { BOXES, ALL, type StyleProperty, choice, self } from './property'

/** Shadows by name, so that those of one site are alike; they are of the ink, thinly. */
const SHADOWS: Readonly<Record<string, string>> = {
  none: 'none',
  low: '0 1px 3px rgb(0 0 0/.18)',
  middle: '0 4px 14px rgb(0 0 0/.18)',
  high: '0 12px 36px rgb(0 0 0/.22)',
}

const WORD_SHADOWS: Readonly<Record<string, string>> = {
  none: 'none',
  dark: '0 1px 3px rgb(0 0 0/.65)',
  light: '0 1px 3px rgb(255 255 255/.75)',
}

/** What may change gently: never sizes, which would move what stands around. */
const GENTLE = 'color,background-color,border-color,box-shadow,opacity,translate,scale,rotate'

export const EFFECTS: readonly StyleProperty[] = [
  {
    name: 'shadow',
    label: 'Shadow',
    group: 'effects',
    on: ALL,
    ask: choice(['none', 'None'], ['low', 'Low'], ['middle', 'Middle'], ['high', 'High']),
    css: (v) => self(`box-shadow:${SHADOWS[String(v)] ?? 'none'}`),
  },
  {
    name: 'wordShadow',
    label: 'Shadow of words',
    also: 'text',
    group: 'effects',
    suits: 'words',
    on: ALL,
    ask: choice(['none', 'None'], ['dark', 'Dark'], ['light', 'Light']),
    css: (v) => self(`text-shadow:${WORD_SHADOWS[String(v)] ?? 'none'}`),
  },
  {
    name: 'opacity',
    label: 'Opacity',
    also: 'see through transparent',
    group: 'effects',
    on: ALL,
    ask: { kind: 'number', min: 0, max: 100, step: 5, unit: '%' },
    css: (v) => self(`opacity:${Number(v) / 100}`),
  },
  {
    name: 'blend',
    label: 'Blends with what is behind',
    also: 'mix multiply screen',
    group: 'effects',
    on: BOXES,
    ask: choice(
      ['normal', 'Not at all'],
      ['multiply', 'Darker'],
      ['screen', 'Lighter'],
      ['overlay', 'Stronger'],
      ['luminosity', 'Its light alone'],
    ),
    css: (v) => self(`mix-blend-mode:${v}`),
  },
  {
    name: 'moveDown',
    label: 'Moved down',
    also: 'shift translate lift up',
    group: 'effects',
    on: ALL,
    ask: { kind: 'length', min: -400, max: 400 },
    css: (v) => self(`translate:0 ${lengthCss(v)}`),
  },
  {
    name: 'grow',
    label: 'Drawn at',
    also: 'scale zoom larger smaller',
    group: 'effects',
    on: ALL,
    ask: { kind: 'number', min: 10, max: 300, step: 1, unit: '%' },
    css: (v) => self(`scale:${Number(v) / 100}`),
  },
  {
    name: 'turn',
    label: 'Turned by',
    also: 'rotate angle',
    group: 'effects',
    on: ALL,
    ask: { kind: 'number', min: -180, max: 180, step: 1, unit: '°' },
    css: (v) => self(`rotate:${v}deg`),
  },
  {
    name: 'scrolledBackground',
    label: 'Background once scrolled',
    also: 'header sticky over',
    group: 'effects',
    on: ['row'],
    ask: { kind: 'colour' },
    css: (v) => self(`--sb:${colourCss(String(v))}`),
  },
  {
    name: 'scrolledColour',
    label: 'Words once scrolled',
    also: 'header sticky over colour',
    group: 'effects',
    on: ['row'],
    ask: { kind: 'colour' },
    css: (v) => self(`--sc:${colourCss(String(v))}`),
  },
  {
    name: 'gently',
    label: 'Changes within',
    also: 'transition hover animation milliseconds',
    group: 'effects',
    on: ALL,
    ask: { kind: 'number', min: 0, max: 1000, step: 50, unit: 'ms' },
    css: (v) => self(`transition:${v}ms;transition-property:${GENTLE}`),
  },
]
