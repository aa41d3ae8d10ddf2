import { colourCss } from './house'
import { ALL, type StyleProperty, self } from './property'

const edge = (name: string, css: string): StyleProperty => ({
  name: `edge${name}`,
  label: `Edge ${css}`,
  also: 'border',
  group: 'background',
  on: ALL,
  ask: { kind: 'length', min: 0, max: 40 },
  css: (v) => self(`border-${css}-width:${v}px`),
})

export const BACKGROUND: readonly StyleProperty[] = [
  {
    name: 'background',
    label: 'Background',
    group: 'background',
    on: ALL,
    ask: { kind: 'colour' },
    css: (v) => self(`background-color:${colourCss(String(v))}`),
  },
  {
    name: 'pictureStrength',
    label: 'Picture strength',
    also: 'opacity',
    group: 'background',
    on: ['row', 'column'],
    ask: { kind: 'number', min: 0, max: 100, step: 5, unit: '%' },
    css: (v) => [{ target: 'picture', css: `opacity:${Number(v) / 100}` }],
  },
  edge('Top', 'top'),
  edge('Right', 'right'),
  edge('Bottom', 'bottom'),
  edge('Left', 'left'),
  {
    name: 'edgeColour',
    label: 'Edge colour',
    also: 'border',
    group: 'background',
    on: ALL,
    ask: { kind: 'colour' },
    css: (v) => self(`border-color:${colourCss(String(v))}`),
  },
  {
    name: 'radius',
    label: 'Rounding',
    also: 'radius corner',
    group: 'background',
    on: ALL,
    ask: { kind: 'length', min: 0, max: 400 },
    css: (v) => self(`border-radius:${v}px`),
  },
]
