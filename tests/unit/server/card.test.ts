import sharp from 'sharp'
import type { SharedCard } from '../../../core/machines'
import { cardSvg, drawSharedCard } from '../../../server/media/card'

const FONT = 'node_modules/@fontsource-variable/newsreader/files/newsreader-latin-wght-normal.woff2'
const CARD: SharedCard = {
  title: 'The Night Regulator',
  kind: 'Exhibit',
  below: 'Quillmere',
  locale: 'en-GB',
  ground: '#102030',
  ink: '#f0e8d8',
  font: '',
  weight: 600,
}

test('its letters are shapes of the font, its ground and its ink those of the layout', async () => {
  const svg = await cardSvg(CARD, FONT)
  expect(svg).toContain('<rect width="1200" height="630" fill="#102030"/>')
  expect(svg).not.toContain('<text')
  expect(svg).toContain('fill="#f0e8d8"')
  const { data, info } = await sharp(await drawSharedCard(CARD, FONT))
    .raw()
    .toBuffer({ resolveWithObject: true })
  expect([info.width, info.height]).toEqual([1200, 630])
  // The ground in a corner, and ink somewhere.
  expect([...data.subarray(0, 3)]).toEqual([0x10, 0x20, 0x30])
  expect(data.filter((v, i) => i % info.channels === 0 && v > 0xd0).length).toBeGreaterThan(1000)
})

test.each([
  ['nothing', ''],
  ['one letter', 'i'],
  ['letters that the font lacks', 'ساعة <من> حلب'],
  ['one very long word', 'x'.repeat(140)],
  ['very many words', 'to wind a clock by night '.repeat(6).slice(0, 139)],
  ['marks', '<b>&"\' ]]>'],
])('%s is drawn, and stays within', async (_, title) => {
  const svg = await cardSvg({ ...CARD, title }, FONT)
  expect(svg.match(/<text/g)?.length ?? 0).toBeLessThanOrEqual(3)
  const { data, info } = await sharp(await drawSharedCard({ ...CARD, title }, FONT))
    .raw()
    .toBuffer({ resolveWithObject: true })
  // Nothing of it reaches the right edge.
  for (let y = 0; y < info.height; y++) {
    const at = (y * info.width + info.width - 3) * info.channels
    expect([...data.subarray(at, at + 3)]).toEqual([0x10, 0x20, 0x30])
  }
})
