import { readAsking } from '../../../server/services/asking'
import { deviceOf } from '../../../server/services/device'
import { explain, pageFor } from '../../../server/services/explain'
import { Catalogue } from '#core/catalogue'
import { makeDemo } from '#demo/index'

const IPHONE =
  'Mozilla/5.0 (iPhone; CPU iPhone OS 18_1 like Mac OS X) AppleWebKit/605.1.15 (KHTML, like Gecko) Version/18.1 Mobile/15E148 Safari/604.1'
const IPAD =
  'Mozilla/5.0 (iPad; CPU OS 16_6 like Mac OS X) AppleWebKit/605.1.15 (KHTML, like Gecko) Version/16.6 Mobile/15E148 Safari/604.1'
const LAPTOP = 'Mozilla/5.0 (X11; Linux x86_64) AppleWebKit/537.36 (KHTML, like Gecko) Chrome/130.0.0.0 Safari/537.36'

describe('deviceOf', () => {
  test.each([
    ['an iPhone', { 'user-agent': IPHONE }, 'phone'],
    ['an iPad', { 'user-agent': IPAD }, 'tablet'],
    ['a laptop', { 'user-agent': LAPTOP }, 'desktop'],
    ['a hint before the agent', { 'user-agent': LAPTOP, 'sec-ch-ua-mobile': '?1' }, 'phone'],
    [
      'a tablet that asks for desktop pages',
      { 'user-agent': LAPTOP, 'sec-ch-ua-mobile': '?0', 'sec-ch-ua-platform': '"Android"' },
      'tablet',
    ],
    ['nothing', {}, 'desktop'],
    ['nonsense', { 'user-agent': '<script>'.repeat(200) }, 'desktop'],
  ])('%s', (_, headers, expected) => {
    expect(deviceOf(headers)).toBe(expected)
  })
})

describe('readAsking', () => {
  test('a visitor on a desktop now, unless said otherwise', () => {
    expect(readAsking({}, {}, 'UTC')).toMatchObject({
      role: 'visitor',
      signedIn: false,
      device: 'desktop',
      parameters: {},
    })
    expect(readAsking({ role: 'member' }, {}, 'UTC').signedIn).toBe(true)
    expect(readAsking({ role: 'member', signedIn: 'no' }, {}, 'UTC').signedIn).toBe(false)
    expect(readAsking({}, { kiosk: [''] }, 'UTC').parameters).toEqual({ kiosk: [''] })
  })

  test('days and times are those of the site, wherever the machine stands', () => {
    const at = (text: string) => new Date(readAsking({ at: text }, {}, 'Pacific/Auckland').at).toISOString()
    expect(at('2026-03-29')).toBe('2026-03-28T11:00:00.000Z')
    expect(at('2026-07-01T09:30')).toBe('2026-06-30T21:30:00.000Z')
    expect(at('2026-07-01T09:30Z')).toBe('2026-07-01T09:30:00.000Z')
  })

  test.each([
    [{ role: 'king' }],
    [{ device: 'fridge' }],
    [{ at: 'soon' }],
    [{ at: '2026-02-30' }],
    [{ at: '1' }],
    [{ signedIn: 'maybe' }],
  ])('%j is refused in a sentence', (asking) => {
    expect(() => readAsking(asking, {}, 'UTC')).toThrow(/is one of|is written as|yes or no/)
  })
})

describe('explain', () => {
  const { site, design } = makeDemo()
  const catalogue = new Catalogue(site)
  const why = (address: string, asking = {}) => {
    const { page, parameters } = pageFor(catalogue, address)
    return explain(design, 'draft', catalogue, page, readAsking(asking, parameters, 'Europe/London'))
  }

  test('names who decided, who lost and why, and who nearly matched', () => {
    const { regions, near, page } = why('/exhibits/fenwick-turret-clock')
    expect(page.key).toBe('entry:fenwick-turret-clock')
    expect(regions.header).toMatchObject({
      says: 'Tower header',
      by: { frame: 'tower' },
      losers: [{ frame: 'site', rule: 'narrowness', why: 'Every page is broader than Exhibits in Tower Room' }],
    })
    expect(regions.intro.says).toBe('left empty')
    // Programs are told of every candidate in rank order, those that passed too, and what each said.
    expect(regions.header.candidates.map((c) => [c.frame, c.say.kind, c.rule])).toEqual([
      ['tower', 'use', null],
      ['exhibits', 'pass', 'passed'],
      ['site', 'use', 'narrowness'],
    ])
    expect(near).toMatchObject([{ frame: 'kiosk' }])
    expect(why('/exhibits/the-night-regulator').near).toContainEqual({
      frame: 'tower',
      name: 'Exhibits in Tower Room, except The Night Regulator',
      code: 'excepted',
      target: 0,
      why: 'excepts The Night Regulator',
    })
  })

  test('parameters stand in the address; unknown addresses are the lost page; home is home', () => {
    expect(why('/visit?kiosk').regions.header).toMatchObject({ says: 'left empty', by: { frame: 'kiosk' } })
    expect(why('/no/such').page.key).toBe('not-found')
    expect(why('/welcome').page.key).toBe('home')
    expect(why('https://elsewhere.example.org/visit/').page.key).toBe('entry:visit')
    expect(pageFor(catalogue, '/%E0%A4%A').page.kind).toBe('not-found')
  })
})
