import { colourCss } from './house'
import { lengthCss } from './lengths'
import { ALL, type Declaration, type StyleProperty, choice, self } from './property'

const edge = (name: string, css: string): StyleProperty => ({
  name: `edge${name}`,
  label: `Edge ${css}`,
  also: 'border',
  group: 'background',
  on: ALL,
  ask: { kind: 'length', min: 0, max: 40 },
  css: (v) => self(`border-${css}-width:${lengthCss(v)}`),
})

const onPicture = (css: string): Declaration[] => [{ target: 'picture', css }]

/** A place that is chosen goes before the focal point of the picture. */
function placeCss(place: string): string {
  const [x, y] = place.split(' ')
  return `--px:${x};--py:${y}`
}

const CORNERS = [
  ['TopLeft', 'top-left', 'top left'],
  ['TopRight', 'top-right', 'top right'],
  ['BottomRight', 'bottom-right', 'bottom right'],
  ['BottomLeft', 'bottom-left', 'bottom left'],
] as const

export const BACKGROUND: readonly StyleProperty[] = [
  {
    name: 'background',
    label: 'Background',
    group: 'background',
    on: ALL,
    ask: { kind: 'colour' },
    css: (v) => self(`background-color:${colourCss(String(v))};--bg:${colourCss(String(v))}`),
  },
  {
    name: 'gradientTo',
    label: 'Runs into the colour',
    also: 'gradient background',
    group: 'background',
    on: ALL,
    ask: { kind: 'colour' },
    css: (v) =>
      self(`background-image:linear-gradient(var(--ga,180deg),var(--bg,transparent),${colourCss(String(v))})`),
  },
  {
    name: 'gradientAngle',
    label: 'Runs towards',
    also: 'gradient angle',
    group: 'background',
    on: ALL,
    ask: {
      kind: 'choice',
      options: [
        { value: '180deg', label: 'Below' },
        { value: '0deg', label: 'Above' },
        { value: '90deg', label: 'The right' },
        { value: '270deg', label: 'The left' },
        { value: '135deg', label: 'Below right' },
        { value: '45deg', label: 'Above right' },
      ],
    },
    css: (v) => self(`--ga:${v}`),
  },
  {
    name: 'pictureFit',
    label: 'Picture is as large',
    also: 'background size cover contain',
    group: 'background',
    on: ['row', 'column'],
    ask: choice(['cover', 'As fills it'], ['contain', 'As fits into it'], ['none', 'As it is']),
    css: (v) => onPicture(`--bf:${v}`),
  },
  {
    name: 'picturePlace',
    label: 'Picture stands',
    also: 'background position',
    group: 'background',
    on: ['row', 'column'],
    ask: choice(
      ['50% 50%', 'In the middle'],
      ['50% 0%', 'At the top'],
      ['50% 100%', 'At the bottom'],
      ['0% 50%', 'At the left'],
      ['100% 50%', 'At the right'],
      ['0% 0%', 'Top left'],
      ['100% 0%', 'Top right'],
      ['0% 100%', 'Bottom left'],
      ['100% 100%', 'Bottom right'],
    ),
    css: (v) => onPicture(placeCss(String(v))),
  },
  {
    name: 'pictureStays',
    label: 'Picture while scrolling',
    also: 'background fixed attachment parallax',
    group: 'background',
    on: ['row', 'column'],
    ask: choice(['scroll', 'Goes along'], ['fixed', 'Stays where it is']),
    // What stays is held in the window, and seen through the box alone.
    css: (v) =>
      onPicture(v === 'fixed' ? '--bp:fixed;--bh:100vh;clip-path:inset(0)' : '--bp:absolute;--bh:100%;clip-path:none'),
  },
  {
    name: 'pictureTint',
    label: 'Tint over the picture',
    also: 'overlay colour dim',
    group: 'background',
    on: ['row', 'column'],
    ask: { kind: 'colour' },
    css: (v) => onPicture(`--tint:${colourCss(String(v))}`),
  },
  {
    name: 'pictureTintTo',
    label: 'Tint runs to the right into',
    also: 'overlay gradient',
    group: 'background',
    on: ['row', 'column'],
    ask: { kind: 'colour' },
    css: (v) => onPicture(`--tint-to:${colourCss(String(v))}`),
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
    name: 'edgeStyle',
    label: 'Edge is drawn',
    also: 'border dashed dotted line',
    group: 'background',
    on: ALL,
    ask: {
      kind: 'choice',
      options: [
        { value: 'solid', label: 'Through' },
        { value: 'dashed', label: 'In dashes' },
        { value: 'dotted', label: 'In dots' },
        { value: 'double', label: 'Double' },
      ],
    },
    css: (v) => self(`border-style:${v}`),
  },
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
    css: (v) => self(`border-radius:${lengthCss(v)}`),
  },
  ...CORNERS.map(([name, css, label]): StyleProperty => ({
    name: `radius${name}`,
    label: `Rounding ${label}`,
    also: 'radius corner',
    group: 'background',
    on: ALL,
    ask: { kind: 'length', min: 0, max: 400 },
    css: (v) => self(`border-${css}-radius:${lengthCss(v)}`),
  })),
]
