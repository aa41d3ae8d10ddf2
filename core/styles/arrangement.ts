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
    css: (v) => inner(`--gap:${v}px`),
  },
  {
    name: 'flow',
    label: 'Gap',
    group: 'arrangement',
    on: ['column'],
    ask: { kind: 'length', min: 0, max: 200 },
    css: (v) => self(`gap:${v}px`),
  },
  {
    name: 'minHeight',
    label: 'Minimum height',
    group: 'arrangement',
    on: BOXES,
    ask: { kind: 'length', min: 0, max: 1600 },
    css: (v) => self(`min-height:${v}px`),
  },
  {
    name: 'pictureHeight',
    label: 'Picture height',
    also: 'crop image',
    group: 'arrangement',
    on: ['element'],
    suits: 'pictures',
    ask: { kind: 'length', min: 20, max: 1600 },
    css: (v) => self(`--ph:${v}px;--pw:100%`),
  },
  {
    name: 'maxWidth',
    label: 'Maximum width',
    group: 'arrangement',
    on: ['element'],
    ask: { kind: 'length', min: 20, max: 2000 },
    css: (v) => self(`max-width:${v}px;width:100%;align-self:var(--a,start)`),
  },
]
