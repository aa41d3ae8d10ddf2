import fc from 'fast-check'
import { isSlug, pathOf, readAddress, slugOf } from '#core/addresses'
import { Catalogue } from '#core/catalogue'
import { entry, smallSite } from '../../../fixtures'

/** Titles in scripts other than the Latin one give addresses of their own, under which browsers find their pages. */

const WORDS = {
  Hangul: ['시계', '박물관', '태엽', '한글날', '종탑의', '밤'],
  Devanagari: ['घड़ी', 'संग्रहालय', 'कुंजी', 'क्षितिज', 'ज़माना', 'हिन्दी'],
  Thai: ['นาฬิกา', 'พิพิธภัณฑ์', 'ลูกตุ้ม', 'น้ำ', 'เที่ยงคืน', 'ที่'],
  Arabic: ['ساعة', 'متحف', 'البرج', 'نُحاس', 'السّاعات', 'لا'],
}
const title = fc
  .constantFrom(...(Object.keys(WORDS) as (keyof typeof WORDS)[]))
  .chain((script) => fc.array(fc.constantFrom(...WORDS[script]), { minLength: 1, maxLength: 5 }))
  .chain((words) =>
    fc.constantFrom(' ', ' – ', ', ', '؟ ', '। ').map((between) => ({ words, title: words.join(between) })),
  )

/** As browsers and programs may ask for one path. */
const asAsked = (path: string): string[] => [
  path,
  encodeURI(path),
  encodeURI(path).toLowerCase(),
  encodeURI(path.normalize('NFD')),
  encodeURI(path.normalize('NFD')).replace(/%[0-9A-F]{2}/g, (sign) => sign.toLowerCase()),
]

test('a title in Hangul, Devanagari, Thai or Arabic keeps its words in its address', () => {
  fc.assert(
    fc.property(title, ({ words, title }) => {
      const slug = slugOf(title)
      expect([slug, isSlug(slug)]).toEqual([slug, true])
      expect(slug).toBe(
        words
          .map((word) => word.normalize('NFC'))
          .join('-')
          .normalize('NFKC')
          .normalize('NFC'),
      )
      expect(slugOf(slug)).toBe(slug)
    }),
  )
})

test('its page is found by its address, however that is escaped and composed', () => {
  fc.assert(
    fc.property(fc.uniqueArray(title, { minLength: 1, maxLength: 4, selector: (t) => slugOf(t.title) }), (titles) => {
      const site = smallSite()
      const made = titles.map(({ title }, i) => entry(`e${i}`, 'tool', { title, slug: slugOf(title), published: true }))
      const catalogue = new Catalogue({ ...site, entries: [...site.entries, ...made] })
      for (const { id, slug } of made) {
        const address = catalogue.addressOf(id)!
        expect(address.endsWith(pathOf(slug))).toBe(true)
        for (const asked of asAsked(address)) {
          const { path } = readAddress(`${asked}?a=1`)
          expect([asked, path && catalogue.pageAt(path)?.entry]).toEqual([asked, id])
        }
      }
    }),
    { numRuns: 40 },
  )
})
