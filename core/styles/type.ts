import { familyNamed } from './fonts'
import { colourCss } from './house'
import { ALL, type StyleProperty, self } from './property'

/** `@heading` and `@text` are the house style's families. */
export function familyCss(value: string): string {
  if (value === '@heading') return 'var(--f-heading)'
  if (value === '@text') return 'var(--f-text)'
  return familyNamed(value).stack
}

export const TYPE: readonly StyleProperty[] = [
  {
    name: 'family',
    label: 'Family',
    group: 'type',
    suits: 'words',
    on: ALL,
    ask: { kind: 'family' },
    css: (v) => self(`font-family:${familyCss(String(v))}`),
  },
  {
    name: 'size',
    label: 'Size',
    group: 'type',
    suits: 'words',
    on: ALL,
    ask: { kind: 'length', min: 8, max: 200 },
    css: (v) => self(`font-size:${v}px`),
  },
  {
    name: 'weight',
    label: 'Weight',
    group: 'type',
    suits: 'words',
    on: ALL,
    ask: { kind: 'number', min: 200, max: 900, step: 50 },
    css: (v) => self(`font-weight:${v}`),
  },
  {
    name: 'lineHeight',
    label: 'Line height',
    group: 'type',
    suits: 'words',
    on: ALL,
    ask: { kind: 'number', min: 0.8, max: 3, step: 0.05 },
    css: (v) => self(`line-height:${v}`),
  },
  {
    name: 'letterSpacing',
    label: 'Letter spacing',
    group: 'type',
    suits: 'words',
    on: ALL,
    ask: { kind: 'number', min: -0.1, max: 0.5, step: 0.01, unit: 'em' },
    css: (v) => self(`letter-spacing:${v}em`),
  },
  {
    name: 'case',
    label: 'Case',
    group: 'type',
    suits: 'words',
    on: ALL,
    ask: {
      kind: 'choice',
      options: [
        { value: 'none', label: 'As written' },
        { value: 'uppercase', label: 'CAPITALS' },
        { value: 'lowercase', label: 'small letters' },
        { value: 'capitalize', label: 'First Letters' },
      ],
    },
    css: (v) => self(`text-transform:${v}`),
  },
  {
    name: 'colour',
    label: 'Colour',
    group: 'type',
    suits: 'words',
    on: ALL,
    ask: { kind: 'colour' },
    css: (v) => self(`color:${colourCss(String(v))}`),
  },
  {
    name: 'linkColour',
    label: 'Link colour',
    also: 'anchor',
    group: 'type',
    suits: 'words',
    on: ALL,
    ask: { kind: 'colour' },
    css: (v) => self(`--c-link:${colourCss(String(v))}`),
  },
]
