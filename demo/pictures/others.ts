import { chanceOf } from './chance'
import { circle, line, n, path, polar, rect, stroke, svg, words } from './svg'

const COATS = ['#35586a', '#6b4a2d', '#4f5d3a', '#7a3f2f', '#3b3a55']
const HAIRS = ['#2c1f1b', '#8a8478', '#5b3a22', '#c2a878', '#1f2328']

/** A portrait in silhouette, 640 by 640. */
export function drawPortrait(id: string, initials: string): string {
  const chance = chanceOf(id)
  const coat = chance.pick(COATS)
  const hair = chance.pick(HAIRS)
  const long = chance.next() > 0.5
  const head = long
    ? path('M212 300C190 120 450 120 428 300C440 380 430 430 404 452H236C210 430 200 380 212 300Z', hair)
    : path('M222 290C210 140 430 140 418 290L408 250C360 230 280 230 232 250Z', hair)
  return svg(
    640,
    640,
    rect(0, 0, 640, 640, '#e6dfd1'),
    circle(320, 320, 288, '#ded5c3'),
    long ? head : '',
    path('M110 640C120 500 220 470 320 470C420 470 520 500 530 640Z', coat),
    path('M270 430H370V490Q320 530 270 490Z', '#d9b596'),
    `<ellipse cx="320" cy="330" rx="88" ry="112" fill="#e5c5a8"/>`,
    long ? path('M230 300C240 210 400 210 410 300C380 250 300 240 230 300Z', hair) : head,
    words(320, 606, 30, '#f6f1e4', initials, ' letter-spacing="4"'),
  )
}

/** A ticket stub with a small dial, 800 by 500. */
export function drawTicket(id: string, mark: string): string {
  const chance = chanceOf(id)
  const colour = chance.pick(COATS)
  let holes = ''
  for (let i = 0; i < 9; i++) holes += circle(560, 90 + i * 40, 6, '#ece4d4')
  let ticks = ''
  for (let i = 0; i < 12; i++) ticks += line(polar(660, 250, 46, i / 12), polar(660, 250, 58, i / 12), '#f8f0dc', 5)
  return svg(
    800,
    500,
    rect(0, 0, 800, 500, '#ece4d4'),
    rect(70, 60, 660, 380, colour, ' rx="18"'),
    holes,
    rect(104, 94, 422, 312, 'none', ` rx="8"${stroke('#f8f0dc', 3)}`),
    words(315, 250, 96, '#f8f0dc', mark, ' font-weight="600"'),
    words(315, 320, 30, '#f8f0dc', 'QUILLMERE', ' letter-spacing="10"'),
    circle(660, 250, 66, 'none', stroke('#f8f0dc', 5)),
    ticks,
    line([660, 250], polar(660, 250, 36, chance.next()), '#f8f0dc', 6),
  )
}

/** A room of the museum with clocks along its wall, 1600 by 900. */
export function drawRoom(id: string): string {
  const chance = chanceOf(id)
  const dark = chance.next() > 0.5
  const wall = dark ? '#2f3b42' : chance.pick(['#d9d2c1', '#cfd6d3', '#ddd0c4'])
  const ink = dark ? '#e8dfcb' : '#3a3128'
  let clocks = ''
  for (let i = 0; i < 6; i++) {
    const x = 170 + i * 250 + chance.between(-20, 20)
    const r = chance.between(46, 84)
    const y = chance.between(250, 360)
    const tall = chance.next() > 0.45
    if (tall)
      clocks +=
        rect(x - r - 16, y - r - 20, 2 * r + 32, 720 - y + r, dark ? '#5a4330' : '#6b4a2d') +
        rect(x - 22, y + r + 40, 44, 160, dark ? '#3d2c1e' : '#4d341f')
    clocks += circle(x, y, r + 8, '#b8934f') + circle(x, y, r, '#f8f0dc')
    const turn = chance.next()
    clocks +=
      line([x, y], polar(x, y, r * 0.78, turn), '#23262b', 5) +
      line([x, y], polar(x, y, r * 0.5, turn * 12), '#23262b', 8)
  }
  let boards = ''
  for (let i = 0; i < 12; i++) boards += `M${n(i * 160 - 80)} 900L${n(460 + i * 62)} 720`
  return svg(
    1600,
    900,
    rect(0, 0, 1600, 900, wall),
    rect(0, 700, 1600, 24, ink, ' opacity=".3"'),
    clocks,
    rect(0, 720, 1600, 180, dark ? '#1f2529' : '#a58b68'),
    path(boards, 'none', `${stroke(dark ? '#30383d' : '#8d744f', 3)}`),
  )
}

/** The mark of the museum, 240 by 80: a dial that is also a Q. */
export function drawMark(): string {
  let ticks = ''
  for (let i = 0; i < 12; i++) ticks += line(polar(40, 40, 26, i / 12), polar(40, 40, 30, i / 12), '#c0442c', 3)
  return svg(
    80,
    80,
    circle(40, 40, 34, 'none', stroke('#c0442c', 5)),
    ticks,
    line([40, 40], [40, 20], '#c0442c', 4),
    line([40, 40], [70, 72], '#c0442c', 6),
  )
}

/** An empty case with a shadow where the clock should be, 1600 by 1000. */
export function drawEmptyCase(): string {
  return svg(
    1600,
    1000,
    rect(0, 0, 1600, 1000, '#23282c'),
    path('M480 300Q800 40 1120 300V900H480Z', '#2f363b'),
    circle(800, 420, 210, '#23282c'),
    circle(800, 420, 210, 'none', stroke('#4b555b', 4)),
    line([800, 420], [800, 300], '#4b555b', 8),
    line([800, 420], [884, 470], '#4b555b', 8),
    rect(560, 690, 480, 6, '#4b555b'),
    words(800, 780, 44, '#6c777e', 'OUT FOR REPAIR', ' letter-spacing="14"'),
  )
}
