import { chanceOf } from './chance'
import { circle, line, path, polar, rect, stroke, svg, words } from './svg'

/** What the museum's shop has, 800 by 800, each drawn by what it is. */

const WALLS = ['#e9e1d0', '#dfe3df', '#e6dcd3']

function teeth(cx: number, cy: number, r: number, count: number, colour: string): string {
  let all = ''
  for (let i = 0; i < count; i++) all += line(polar(cx, cy, r, i / count), polar(cx, cy, r + 12, i / count), colour, 7)
  return circle(cx, cy, r, 'none', stroke(colour, 10)) + all + circle(cx, cy, r * 0.18, colour)
}

function dial(cx: number, cy: number, r: number, turn: number, paper = '#f8f0dc', ink = '#23262b'): string {
  let ticks = ''
  for (let i = 0; i < 12; i++)
    ticks += line(polar(cx, cy, r * 0.8, i / 12), polar(cx, cy, r * 0.92, i / 12), ink, r * 0.04)
  return (
    circle(cx, cy, r, paper) +
    ticks +
    line([cx, cy], polar(cx, cy, r * 0.72, turn), ink, r * 0.05) +
    line([cx, cy], polar(cx, cy, r * 0.46, turn * 12), ink, r * 0.08)
  )
}

const GIFTS: Readonly<Record<string, (turn: number) => string>> = {
  key: () =>
    circle(300, 300, 96, 'none', stroke('#b8934f', 44)) +
    circle(470, 300, 96, 'none', stroke('#b8934f', 44)) +
    rect(355, 370, 60, 250, '#a68041', ' rx="8"') +
    rect(338, 600, 94, 70, '#b8934f', ' rx="10"') +
    rect(366, 622, 38, 48, '#5c4a26'),
  calendar: (turn) =>
    rect(190, 110, 420, 580, '#fdfbf5', ' rx="6"') +
    rect(190, 110, 420, 46, '#35586a', ' rx="6"') +
    dial(400, 350, 150, turn, '#f1ebde') +
    [0, 1, 2, 3]
      .map((r) =>
        [0, 1, 2, 3, 4, 5, 6]
          .map((c) => rect(222 + c * 52, 540 + r * 32, 34, 18, r + c === 5 ? '#c0442c' : '#d8cfbd'))
          .join(''),
      )
      .join(''),
  book: (turn) =>
    path('M170 640L170 170L560 130L560 600Z', '#7a3f2f') +
    path('M560 130L620 170L620 640L560 600Z', '#f6f1e4') +
    path('M170 640L560 600L620 640L230 680Z', '#e6dfd1') +
    teeth(365, 350, 90, 18, '#e9c98a') +
    line([365, 350], polar(365, 350, 120, turn), '#e9c98a', 8) +
    words(365, 540, 34, '#f6e9cb', 'ESCAPEMENTS', ' letter-spacing="4"'),
  towel: () =>
    path(
      'M210 120H590V660Q560 690 530 660Q500 690 470 660Q440 690 410 660Q380 690 350 660Q320 690 290 660Q260 690 210 660Z',
      '#46525a',
    ) +
    teeth(330, 260, 62, 16, '#e6dfd1') +
    teeth(470, 330, 80, 20, '#d9b87a') +
    teeth(340, 450, 70, 18, '#e6dfd1') +
    teeth(480, 540, 52, 14, '#d9b87a') +
    rect(210, 120, 380, 22, '#c0442c'),
  apron: () =>
    path('M300 170Q400 90 500 170', 'none', stroke('#5b4a36', 16)) +
    path('M300 170H500L540 330H620V700H180V330H260Z', '#3f4a3a') +
    rect(250, 430, 300, 150, '#4f5d49', ' rx="10"') +
    [0, 1, 2, 3]
      .map(
        (i) =>
          rect(282 + i * 70, 390, 14, 110, '#b8934f', ' rx="5"') +
          rect(278 + i * 70, 370, 22, 40, '#7a3f2f', ' rx="6"'),
      )
      .join('') +
    line([180, 350], [110, 400], '#5b4a36', 14) +
    line([620, 350], [690, 400], '#5b4a36', 14),
  paper: (turn) =>
    path('M260 680V300L400 150L540 300V680Z', '#fdfbf5') +
    path('M540 300L610 340V700L540 680Z', '#d9d2c1') +
    path('M400 150L470 180L610 340L540 300Z', '#e9e2d2') +
    dial(400, 400, 104, turn, '#f1ebde', '#b03a22') +
    [0, 1, 2].map((i) => line([300, 560 + i * 36], [500, 560 + i * 36], '#d8cfbd', 4)).join(''),
}

export function drawGift(id: string, what: string): string {
  const chance = chanceOf(id)
  const wall = chance.pick(WALLS)
  return svg(
    800,
    800,
    rect(0, 0, 800, 800, wall),
    `<ellipse cx="400" cy="704" rx="300" ry="26" fill="#000" opacity=".1"/>`,
    GIFTS[what]!(chance.next()),
  )
}
