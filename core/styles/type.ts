import { familyStack } from './fonts'
import { colourCss } from './house'
import { lengthCss } from './lengths'
import { ALL, type StyleProperty, self } from './property'

/** The families that the house style has chosen, as looks name them. */
export const HOUSE_FAMILIES: Readonly<Record<string, string>> = {
  '@heading': 'var(--f-heading)',
  '@text': 'var(--f-text)',
  '@interface': 'var(--f-interface)',
}

const familyCss = (value: string): string => HOUSE_FAMILIES[value] ?? familyStack(value)

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
    ask: { kind: 'length', min: 8, max: 200, steps: true },
    css: (v) => self(`font-size:${lengthCss(v)}`),
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
    name: 'decoration',
    label: 'Line',
    also: 'underline strike decoration',
    group: 'type',
    suits: 'words',
    on: ALL,
    ask: {
      kind: 'choice',
      options: [
        { value: 'none', label: 'None' },
        { value: 'underline', label: 'Below the words' },
        { value: 'overline', label: 'Above them' },
        { value: 'line-through', label: 'Through them' },
      ],
    },
    css: (v) => self(`text-decoration-line:${v}`),
  },
  {
    name: 'textColumns',
    label: 'Columns of text',
    group: 'type',
    suits: 'words',
    on: ['element'],
    ask: { kind: 'number', min: 1, max: 4, step: 1 },
    css: (v) => self(`columns:${v} 14em;column-gap:var(--g)`),
  },
  {
    name: 'hyphens',
    label: 'Words are parted',
    also: 'hyphenation hyphens',
    group: 'type',
    suits: 'words',
    on: ALL,
    ask: {
      kind: 'choice',
      options: [
        { value: 'manual', label: 'Where it is said' },
        { value: 'auto', label: 'Where they need it' },
      ],
    },
    css: (v) => self(`hyphens:${v}`),
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
