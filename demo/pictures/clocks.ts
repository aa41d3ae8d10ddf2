import { type Chance, chanceOf } from './chance'
import { type Ink, dial } from './dial'
import { circle, line, n, path, polar, rect, stroke, svg } from './svg'

const INKS: readonly Ink[] = [
  {
    ground: '#ece4d4',
    wood: '#6b4a2d',
    shade: '#4d341f',
    brass: '#b8934f',
    face: '#f8f0dc',
    ink: '#23262b',
    spot: '#c0442c',
  },
  {
    ground: '#dfe4e1',
    wood: '#3d4a4a',
    shade: '#2a3536',
    brass: '#a98d54',
    face: '#f4f1e6',
    ink: '#1f2a2c',
    spot: '#b4522f',
  },
  {
    ground: '#e8ddd6',
    wood: '#7a3f2f',
    shade: '#582b20',
    brass: '#c19a56',
    face: '#faf3e3',
    ink: '#2c1f1b',
    spot: '#35586a',
  },
  {
    ground: '#e3e1ea',
    wood: '#3b3a55',
    shade: '#29283e',
    brass: '#b3955c',
    face: '#f6f2ea',
    ink: '#23223a',
    spot: '#b0483a',
  },
  {
    ground: '#e6e6d6',
    wood: '#57562f',
    shade: '#3e3d20',
    brass: '#b79a4b',
    face: '#f7f3df',
    ink: '#2a2a18',
    spot: '#a8432e',
  },
  {
    ground: '#d9e2e8',
    wood: '#2f4a5c',
    shade: '#203544',
    brass: '#b08f52',
    face: '#f3f1e8',
    ink: '#1c2c38',
    spot: '#bd5433',
  },
]

/** A toothed wheel with crossed-out spokes. */
function wheel(cx: number, cy: number, r: number, teeth: number, colour: string, ground: string): string {
  let d = ''
  for (let i = 0; i < teeth; i++) {
    for (const [k, radius] of [
      [0, r * 0.93],
      [0.25, r],
      [0.55, r],
      [0.8, r * 0.93],
    ] as const) {
      const [x, y] = polar(cx, cy, radius, (i + k) / teeth)
      d += `${d ? 'L' : 'M'}${n(x)} ${n(y)}`
    }
  }
  let spokes = ''
  for (let i = 0; i < 5; i++) spokes += line([cx, cy], polar(cx, cy, r * 0.8, i / 5), colour, r * 0.1)
  return (
    path(d + 'Z', colour) +
    circle(cx, cy, r * 0.78, ground) +
    spokes +
    circle(cx, cy, r * 0.16, colour) +
    circle(cx, cy, r * 0.06, ground)
  )
}

type Draw = (ink: Ink, chance: Chance) => string

const floor = (y: number, shade: string): string =>
  `<ellipse cx="400" cy="${y}" rx="250" ry="22" fill="${shade}" opacity=".16"/>`

/** A wrought frame with its two trains, for clocks of towers. */
const turret: Draw = (ink, chance) => {
  const posts = [170, 400, 630].map((x) => rect(x - 14, 150, 28, 480, ink.wood) + circle(x, 140, 24, ink.wood)).join('')
  const bars = [200, 590].map((y) => rect(130, y, 540, 26, ink.shade)).join('')
  const left = wheel(285, 430, 100, 40, ink.brass, ink.ground) + wheel(300, 290, 58, 26, ink.brass, ink.ground)
  const right = wheel(520, 450, 88, 36, ink.brass, ink.ground) + rect(470, 250, 110, 66, ink.wood, ' rx="8"')
  const rod = line([400, 330], [400 + chance.between(-50, 50), 720], ink.shade, 8)
  return (
    floor(690, ink.shade) +
    left +
    right +
    bars +
    posts +
    rod +
    circle(400, 720, 34, ink.brass) +
    dial(400, 268, 74, ink, chance)
  )
}

/** A tall case with hood, trunk and plinth. */
const longcase: Draw = (ink, chance) => {
  const hood = chance.pick([
    'M270 190Q400 60 530 190Z',
    'M270 190C300 120 350 150 380 100Q400 70 420 100C450 150 500 120 530 190Z',
    'M260 190L400 100L540 190Z',
  ])
  return (
    floor(755, ink.shade) +
    path(hood, ink.wood) +
    rect(270, 180, 260, 240, ink.wood) +
    rect(255, 178, 290, 16, ink.shade) +
    rect(255, 412, 290, 18, ink.shade) +
    rect(310, 430, 180, 220, ink.wood) +
    rect(340, 455, 120, 170, ink.shade, ' rx="4"') +
    line([400, 455], [400, 560], ink.brass, 5) +
    circle(400, 575, 26, ink.brass) +
    rect(275, 650, 250, 100, ink.wood) +
    rect(260, 644, 280, 14, ink.shade) +
    rect(262, 742, 276, 14, ink.shade) +
    dial(400, 302, 98, ink, chance)
  )
}

/** A spring clock for a shelf, with a handle on top. */
const bracket: Draw = (ink, chance) => {
  const top = chance.pick([
    'M240 330Q240 170 400 170Q560 170 560 330Z',
    'M240 300Q320 290 340 210H460Q480 290 560 300V330H240Z',
  ])
  const handle = path('M350 176Q350 110 400 110Q450 110 450 176', 'none', stroke(ink.brass, 14))
  const feet = [262, 538].map((x) => circle(x, 688, 18, ink.brass)).join('')
  return (
    floor(704, ink.shade) +
    handle +
    path(top, ink.wood) +
    rect(240, 310, 320, 340, ink.wood) +
    rect(222, 640, 356, 38, ink.shade) +
    rect(262, 330, 276, 290, ink.shade, ' rx="6"') +
    feet +
    dial(400, 470, 118, ink, chance)
  )
}

/** A watch with its bow and chain. */
const watch: Draw = (ink, chance) => {
  let chain = ''
  for (let i = 0; i < 13; i++) {
    const x = 400 + i * 26
    const y = 150 - Math.sin(i / 2.1) * 46 - i * 2
    chain += `<ellipse cx="${n(x)}" cy="${n(y)}" rx="17" ry="10" fill="none" transform="rotate(${n(i * 23)} ${n(x)} ${n(y)})"${stroke(ink.brass, 6)}/>`
  }
  return (
    `<ellipse cx="415" cy="480" rx="262" ry="258" fill="${ink.shade}" opacity=".16"/>` +
    chain +
    circle(400, 180, 42, 'none', stroke(ink.brass, 16)) +
    rect(376, 200, 48, 50, ink.brass, ' rx="8"') +
    circle(400, 460, 242, ink.brass) +
    circle(400, 460, 226, ink.wood) +
    dial(400, 460, 196, ink, chance)
  )
}

/** A wall clock with a long pendulum behind glass. */
const regulator: Draw = (ink, chance) => {
  const swing = chance.between(-36, 36)
  return (
    `<rect x="262" y="92" width="296" height="640" fill="${ink.shade}" opacity=".16" rx="8"/>` +
    path('M250 120Q400 20 550 120Z', ink.wood) +
    rect(250, 112, 300, 600, ink.wood) +
    rect(276, 138, 248, 548, ink.ground) +
    rect(276, 138, 248, 548, ink.shade, ' opacity=".24"') +
    line([400, 330], [400 + swing, 600], ink.shade, 7) +
    circle(400 + swing, 610, 46, ink.brass) +
    circle(400 + swing, 610, 30, ink.face, ' opacity=".35"') +
    rect(236, 704, 328, 26, ink.shade) +
    dial(400, 266, 106, ink, chance)
  )
}

/** The going train by itself, between its plates. */
const movement: Draw = (ink, chance) => {
  const plates =
    rect(190, 150, 420, 520, ink.wood, ' rx="14" opacity=".22"') +
    rect(190, 150, 420, 520, 'none', ` rx="14"${stroke(ink.wood, 12)}`)
  const pillars = [
    [220, 180],
    [580, 180],
    [220, 640],
    [580, 640],
  ]
    .map(([x, y]) => circle(x!, y!, 20, ink.brass) + circle(x!, y!, 8, ink.shade))
    .join('')
  const ground = ink.ground
  return (
    floor(705, ink.shade) +
    plates +
    wheel(330, 500, 124, 56, ink.brass, ground) +
    wheel(480, 400, 92, 44, ink.shade, ground) +
    wheel(370, 290, 74, 34, ink.brass, ground) +
    wheel(500, 240, 50, Math.round(chance.between(15, 24)), ink.spot, ground) +
    pillars
  )
}

const DRAW = { turret, longcase, bracket, watch, regulator, movement }
export type ClockKind = keyof typeof DRAW

/** A clock, drawn the same each time for the same id, 800 by 800. */
export function drawClock(id: string, kind: ClockKind): string {
  const chance = chanceOf(id)
  const ink = chance.pick(INKS)
  return svg(800, 800, rect(0, 0, 800, 800, ink.ground), DRAW[kind](ink, chance))
}

/** A close look at one of them, for stories: part of a dial, cropped, 1200 by 800. */
export function drawDetail(id: string): string {
  const chance = chanceOf(id)
  const ink = chance.pick(INKS)
  const x = chance.between(300, 900)
  const wheels =
    wheel(x + 420, 200, 180, 48, ink.brass, ink.ground) + wheel(x + 250, 620, 240, 64, ink.shade, ink.ground)
  return svg(
    1200,
    800,
    rect(0, 0, 1200, 800, ink.ground),
    wheels,
    dial(x - 60, 470, chance.between(280, 360), ink, chance),
  )
}

/** The dial by itself, as large as the picture. */
export function drawDial(id: string): string {
  const chance = chanceOf(`${id} dial`)
  const ink = chance.pick(INKS)
  return svg(800, 1000, rect(0, 0, 800, 1000, ink.ground) + dial(400, 500, 330, ink, chance))
}

/** The wheels behind it, each driving the next. */
export function drawTrain(id: string): string {
  const chance = chanceOf(`${id} train`)
  const ink = chance.pick(INKS)
  const [a, b, c] = [chance.between(150, 190), chance.between(100, 130), chance.between(60, 90)]
  const second: [number, number] = [260 + a * 0.7 + b * 0.7, 560 - a * 0.68 - b * 0.68]
  const third: [number, number] = [second[0] + b * 0.7 + c * 0.7, second[1] + b * 0.68 + c * 0.68]
  const wheels =
    wheel(260, 560, a, 60, ink.brass, ink.ground) +
    wheel(...second, b, 40, ink.shade, ink.ground) +
    wheel(...third, c, 24, ink.brass, ink.ground)
  return svg(1000, 800, rect(0, 0, 1000, 800, ink.ground) + rect(0, 720, 1000, 26, ink.wood) + wheels)
}
