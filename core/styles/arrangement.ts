import { lengthCss } from './lengths'
import { ALL, BOXES, type StyleProperty, inner, self } from './property'

/** The outer box takes the edge on both sides, so content inside it is exactly the content width. */
const HELD = 'calc(var(--w) + 2*var(--e))'

export const ARRANGEMENT: readonly StyleProperty[] = [
  {
    name: 'width',
    label: 'Width',
    group: 'arrangement',
    on: ['row'],
    ask: {
      kind: 'choice',
      options: [
        { value: 'content', label: 'Content width' },
        { value: 'band', label: 'Full background' },
        { value: 'full', label: 'All of it full' },
      ],
    },
    css: (v) => [
      { target: 'self', css: `max-width:${v === 'content' ? HELD : 'none'}` },
      { target: 'inner', css: `max-width:${v === 'full' ? 'none' : 'var(--w)'}` },
    ],
  },
  {
    name: 'align',
    label: 'Align',
    group: 'arrangement',
    on: ALL,
    ask: {
      kind: 'choice',
      options: [
        { value: 'start', label: 'Left' },
        { value: 'center', label: 'Centre' },
        { value: 'end', label: 'Right' },
      ],
    },
    css: (v) => self(`text-align:${v};--a:${v}`),
  },
  {
    name: 'stand',
    label: 'Vertical align',
    group: 'arrangement',
    on: ['row'],
    ask: {
      kind: 'choice',
      options: [
        { value: 'stretch', label: 'Full height' },
        { value: 'start', label: 'At the top' },
        { value: 'center', label: 'In the middle' },
        { value: 'end', label: 'At the bottom' },
      ],
    },
    // What stands in several lines is kept together; a row with a minimum height is taller than its lines.
    css: (v) => inner(v === 'stretch' ? 'align-items:stretch' : `align-items:${v};align-content:${v}`),
  },
  {
    name: 'things',
    label: 'Vertical align',
    group: 'arrangement',
    on: ['column'],
    ask: {
      kind: 'choice',
      options: [
        { value: 'start', label: 'At the top' },
        { value: 'center', label: 'In the middle' },
        { value: 'end', label: 'At the bottom' },
        { value: 'space-between', label: 'Spread out' },
      ],
    },
    css: (v) => self(`justify-content:${v}`),
  },
  {
    name: 'stack',
    label: 'Columns',
    group: 'arrangement',
    on: ['row'],
    ask: {
      kind: 'choice',
      options: [
        { value: 'beside', label: 'Beside each other' },
        { value: 'stacked', label: 'One below the other' },
      ],
    },
    css: (v) => inner(v === 'stacked' ? '--s:12' : '--s:initial'),
  },
  {
    name: 'split',
    label: 'Middle column',
    also: 'split header centre logo optical',
    group: 'arrangement',
    on: ['row'],
    ask: {
      kind: 'choice',
      options: [
        { value: 'span', label: 'By its span' },
        { value: 'content', label: 'As wide as what is in it' },
      ],
    },
    // Both sides get the same, so that the middle stands in the middle however long either of them is.
    css: (v) =>
      v === 'content'
        ? inner('display:grid;grid-template-columns:minmax(0,1fr) auto minmax(0,1fr);--cw:auto')
        : inner('display:flex;--cw:initial'),
  },
  {
    name: 'order',
    label: 'Order',
    also: 'stacked below each other first last',
    group: 'arrangement',
    on: ['column'],
    ask: { kind: 'number', min: -12, max: 12, step: 1 },
    css: (v) => self(`order:${v}`),
  },
  {
    name: 'shown',
    label: 'Shown',
    also: 'hide hidden display',
    group: 'arrangement',
    on: BOXES,
    ask: {
      kind: 'choice',
      options: [
        { value: 'shown', label: 'Shown' },
        { value: 'hidden', label: 'Hidden' },
      ],
    },
    alone: true,
    css: (v) => (v === 'hidden' ? self('display:none') : []),
  },
  {
    name: 'gap',
    label: 'Gap',
    group: 'arrangement',
    on: ['row'],
    ask: { kind: 'length', min: 0, max: 200 },
    css: (v) => inner(`--gap:${lengthCss(v)}`),
  },
  {
    name: 'gapDown',
    label: 'Gap between lines',
    also: 'rows down below each other',
    group: 'arrangement',
    on: ['row'],
    ask: { kind: 'length', min: 0, max: 200 },
    css: (v) => inner(`row-gap:${lengthCss(v)}`),
  },
  {
    name: 'flow',
    label: 'Gap',
    group: 'arrangement',
    on: ['column'],
    ask: { kind: 'length', min: 0, max: 200 },
    css: (v) => self(`gap:${lengthCss(v)}`),
  },
  {
    name: 'minHeight',
    label: 'Minimum height',
    group: 'arrangement',
    on: BOXES,
    ask: { kind: 'length', min: 0, max: 1600 },
    css: (v) => self(`min-height:${lengthCss(v)}`),
  },
  {
    name: 'pictureHeight',
    label: 'Picture height',
    also: 'crop image',
    group: 'arrangement',
    on: ['element'],
    suits: 'pictures',
    ask: { kind: 'length', min: 20, max: 1600 },
    css: (v) => self(`--ph:${lengthCss(v)};--pw:100%`),
  },
  {
    name: 'maxWidth',
    label: 'Maximum width',
    group: 'arrangement',
    on: ['element'],
    ask: { kind: 'length', min: 20, max: 2000 },
    css: (v) => self(`max-width:${lengthCss(v)};width:100%;align-self:var(--a,start)`),
  },
  {
    name: 'share',
    label: 'Part of the width',
    also: 'percent',
    group: 'arrangement',
    on: ['element'],
    ask: { kind: 'number', min: 5, max: 100, step: 1, unit: '%' },
    css: (v) => self(`width:${v}%;align-self:var(--a,start)`),
  },
  {
    name: 'spot',
    label: 'Stands in its column',
    also: 'align self position',
    group: 'arrangement',
    on: ['element'],
    ask: {
      kind: 'choice',
      options: [
        { value: 'stretch', label: 'As wide as it' },
        { value: 'start', label: 'At the left' },
        { value: 'center', label: 'In the middle' },
        { value: 'end', label: 'At the right' },
      ],
    },
    css: (v) => self(`align-self:${v}`),
  },
  {
    name: 'aspect',
    label: 'Proportions',
    also: 'aspect ratio square',
    group: 'arrangement',
    on: BOXES,
    ask: {
      kind: 'choice',
      options: [
        { value: 'auto', label: 'As it comes' },
        { value: '1', label: 'Square' },
        { value: '4/3', label: '4 to 3' },
        { value: '3/2', label: '3 to 2' },
        { value: '16/9', label: '16 to 9' },
        { value: '3/4', label: '3 to 4, upright' },
      ],
    },
    css: (v) => self(`aspect-ratio:${v}`),
  },
  {
    name: 'overflow',
    label: 'What is too large',
    also: 'overflow clip scroll',
    group: 'arrangement',
    on: BOXES,
    ask: {
      kind: 'choice',
      options: [
        { value: 'visible', label: 'Runs over' },
        { value: 'clip', label: 'Is cut off' },
        { value: 'auto', label: 'Can be scrolled' },
      ],
    },
    css: (v) => self(`overflow:${v}`),
  },
  {
    name: 'sticks',
    label: 'Stays while scrolling, from the top',
    also: 'sticky fixed',
    group: 'arrangement',
    on: ['element', 'column', 'row'],
    ask: { kind: 'length', min: -400, max: 400 },
    css: (v) => self(`position:sticky;top:${lengthCss(v)};z-index:1;--stays:1`),
  },
]
