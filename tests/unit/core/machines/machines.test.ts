import { XMLParser, XMLValidator } from 'fast-xml-parser'
import fc from 'fast-check'
import { Formats, sceneOf } from '#core/drawing'
import {
  calendarOf,
  iconAt,
  isMachineAddress,
  linkedData,
  linkedText,
  machineFile,
  machineLinks,
  sharedAs,
  sitemapOf,
} from '#core/machines'
import { Catalogue } from '#core/catalogue'
import { type Entry, blankType } from '#core/model'
import { makeDemo } from '#demo/index'
import { entry, rich, smallSite } from '../../../fixtures'

/** Feeds, calendars and lists of pages, judged by the rules of their own specifications. */

const museum = new Catalogue(makeDemo().site)
const formats = new Formats(museum.site.settings)
const file = (path: string, at = museum) => machineFile(at, new Formats(at.site.settings), path)?.text ?? null
const parser = new XMLParser({
  ignoreAttributes: false,
  attributeNamePrefix: '@',
  isArray: (name) => ['entry', 'link', 'url', 'sitemap', 'category', 'author'].includes(name),
})

/** RFC 3339, as Atom asks for (§3.3). */
const MOMENT = /^\d{4}-\d\d-\d\dT\d\d:\d\d:\d\d(\.\d+)?(Z|[+-]\d\d:\d\d)$/

interface Feed {
  id: string
  title: unknown
  updated: string
  author?: { name: unknown }[]
  link: { '@rel': string; '@href': string }[]
  entry?: (Omit<Feed, 'entry'> & { content?: { '@type': string } })[]
}

/** What RFC 4287 asks of a feed, and what of it is not so. */
function wrongInAtom(text: string): string[] {
  const valid = XMLValidator.validate(text)
  if (valid !== true) return [valid.err.msg]
  const { feed } = parser.parse(text) as { feed: Feed & { '@xmlns': string } }
  const wrong: string[] = []
  const ask = (holds: boolean, what: string) => void (holds || wrong.push(what))
  ask(feed['@xmlns'] === 'http://www.w3.org/2005/Atom', 'namespace (§2)')
  ask(feed.link.filter((l) => l['@rel'] === 'self').length === 1, 'one link to itself (§4.1.1)')
  const entries = feed.entry ?? []
  for (const one of [feed, ...entries]) {
    ask(/^https?:\/\/\S+$/.test(String(one.id)), `an id that is an address (§4.2.6): ${String(one.id)}`)
    ask(typeof one.title === 'string' || typeof one.title === 'number', 'one title (§4.2.14)')
    ask(MOMENT.test(one.updated), `one moment of its last change (§4.2.15): ${one.updated}`)
    ask(
      one.link.some((l) => l['@rel'] === 'alternate'),
      'where it is read (§4.1.2)',
    )
    for (const link of one.link)
      ask(/^https?:\/\/[^\s<>"]+$/.test(link['@href']), `an address (§4.2.7.1): ${link['@href']}`)
  }
  ask(feed.author !== undefined || entries.every((e) => e.author), 'an author (§4.1.1)')
  ask(new Set(entries.map((e) => e.id)).size === entries.length, 'ids that differ')
  return wrong
}

/** What RFC 5545 asks of a calendar, and what of it is not so. */
function wrongInCalendar(text: string): string[] {
  const wrong: string[] = []
  const ask = (holds: boolean, what: string) => void (holds || wrong.push(what))
  ask(text.endsWith('\r\n') && !/(^|[^\r])\n/.test(text), 'lines end with CRLF (§3.1)')
  const raw = text.split('\r\n').slice(0, -1)
  for (const line of raw) ask(Buffer.byteLength(line) <= 75, `at most 75 octets (§3.1): ${line}`)
  for (const line of raw) ask(!line.includes('�'), 'no character is cut')
  const lines = text.replace(/\r\n /g, '').split('\r\n').slice(0, -1)
  const open: string[] = []
  let event: Map<string, string> | null = null
  for (const line of lines) {
    const [, name = '', value = ''] = /^([A-Z-]+)(?:;[^:]*)?:(.*)$/s.exec(line) ?? []
    ask(name !== '', `a name and a value: ${line}`)
    if (name === 'BEGIN') {
      open.push(value)
      if (value === 'VEVENT') event = new Map()
    } else if (name === 'END') {
      ask(open.pop() === value, `what begins ends: ${value}`)
      if (value !== 'VEVENT') continue
      for (const needed of ['UID', 'DTSTAMP', 'DTSTART']) ask(event!.has(needed), `${needed} (§3.6.1)`)
      for (const at of ['DTSTAMP', 'DTSTART'])
        ask(/^\d{8}T\d{6}Z$/.test(event!.get(at) ?? ''), `${at} is a moment (§3.3.5)`)
      for (const words of ['SUMMARY', 'DESCRIPTION', 'LOCATION'])
        ask(!/(^|[^\\])(\\\\)*[;,]/.test(event!.get(words) ?? ''), `signs are escaped (§3.3.11): ${event!.get(words)}`)
      event = null
    } else {
      ask(!event?.has(name), `${name} stands once`)
      event?.set(name, value)
    }
  }
  ask(open.length === 0 && lines[0] === 'BEGIN:VCALENDAR', 'one calendar')
  for (const needed of ['VERSION:2.0', 'PRODID:'])
    ask(
      lines.some((l) => l.startsWith(needed)),
      `${needed} (§3.6)`,
    )
  return wrong
}

describe('a feed', () => {
  test.each(['/atom.xml', '/stories/atom.xml', '/exhibits/atom.xml', '/rooms/tower-room/atom.xml'])(
    '%s is one',
    (path) => {
      const text = file(path)!
      expect(wrongInAtom(text)).toEqual([])
      expect(text).toContain('<entry>')
      expect(text).not.toMatch(/ (href|src)=&quot;\/(?!\/)/)
    },
  )

  test('there is one of every page that lists entries, and of no other', () => {
    const lists = museum.pages.filter((p) => ['archive', 'term', 'person', 'year', 'month', 'home'].includes(p.kind))
    for (const page of lists) {
      const [feed] = machineLinks(page, museum)
      expect(wrongInAtom(file(feed!.address)!)).toEqual([])
    }
    for (const path of ['/visit/atom.xml', '/nowhere/atom.xml', '/stories/rss.xml', '/exhibits/calendar.ics'])
      expect(file(path)).toBeNull()
  })

  test('holds whatever is written, and is one all the same', () => {
    fc.assert(
      fc.property(
        fc.string({ unit: 'binary', maxLength: 60 }),
        fc.option(fc.constantFrom('2025-01-01', '2026-02-03')),
        (text, date) => {
          const made = entry('n', 'note', { title: text, summary: text, content: rich(text), date, person: 'nell' })
          expect(wrongInAtom(file('/notes/atom.xml', new Catalogue(smallSite([made])))!)).toEqual([])
        },
      ),
    )
  })
})

describe('a calendar', () => {
  test('of all talks, and of one', () => {
    const all = file('/talks/calendar.ics')!
    expect(wrongInCalendar(all)).toEqual([])
    expect(all.match(/BEGIN:VEVENT/g)).toHaveLength(12)
    const [talk] = museum.entriesOfType('talk')
    const one = file(`${museum.addressOf(talk!.id)}/calendar.ics`)!
    expect(wrongInCalendar(one)).toEqual([])
    expect(one.match(/BEGIN:VEVENT/g)).toHaveLength(1)
  })

  test('takes place at the moment of the site’s clocks', () => {
    const types = [
      ...smallSite().types,
      { ...blankType('walk', 'Walk', 'Walks', 'walks'), fields: [{ id: 'at', label: 'At', kind: 'moment' as const }] },
    ]
    const walk = (more: Partial<Entry>) => {
      const catalogue = new Catalogue(smallSite([entry('w', 'walk', more)], { types }))
      return calendarOf(catalogue, catalogue.entriesOfType('walk'), new Formats(catalogue.site.settings))
    }
    expect(walk({ fields: { at: '2026-07-01T10:00' } })).toContain('DTSTART:20260701T090000Z')
    expect(walk({ fields: { at: '2026-12-01T10:00' } })).toContain('DTSTART:20261201T100000Z')
    for (const at of [undefined, null, '', 'soon', 7, {}, '2026-13-45T99:99'])
      expect(walk({ fields: { at } })).toBeNull()
    fc.assert(
      fc.property(fc.string({ unit: 'binary', maxLength: 200 }), (text) => {
        const made = walk({ title: text, summary: text, fields: { at: '2026-07-01T10:00' } })
        expect(wrongInCalendar(made!)).toEqual([])
      }),
    )
  })
})

describe('what programs are told of times', () => {
  const at = (iso: string) => Date.parse(iso)
  const site = (entries: Entry[], times: Record<string, [changed: string, revision: number, out: string]>) => {
    const catalogue = new Catalogue(smallSite(entries), at('2026-06-01T12:00Z'))
    catalogue.times = new Map(
      Object.entries(times).map(([id, [changed, revision, out]]) => [
        id,
        { changed: changed ? at(changed) : 0, revision, out: out ? at(out) : 0 },
      ]),
    )
    return catalogue
  }
  const feedAt = (catalogue: Catalogue) => {
    const { feed } = parser.parse(file('/notes/atom.xml', catalogue)!) as {
      feed: { updated: string; entry: { title: string; published?: string; updated: string }[] }
    }
    return { updated: feed.updated, of: Object.fromEntries([feed.entry].flat().map((e) => [e.title, e])) }
  }

  test('a feed says when an entry was made public and when it changed, on the clocks of the site, and nothing that is to come', () => {
    const note = (id: string, more: Partial<Entry>) => entry(id, 'note', { title: id, ...more })
    const catalogue = site(
      [
        note('today', { date: '2026-05-30' }),
        note('old', { date: '2019-07-01' }),
        note('unknown', { date: '2026-01-05' }),
        note('ahead', { date: '2027-01-01' }),
      ],
      {
        today: ['2026-05-31T08:00Z', 4, '2026-05-30T14:30Z'],
        old: ['2026-05-31T09:00Z', 2, '2026-05-29T10:00Z'],
        ahead: ['2026-05-20T10:00Z', 1, '2026-05-20T10:00Z'],
      },
    )
    const { of, updated } = feedAt(catalogue)
    expect(of.today).toMatchObject({ published: '2026-05-30T14:30:00Z', updated: '2026-05-31T08:00:00Z' })
    // Summer time of the site, which is in London.
    expect(of.old).toMatchObject({ published: '2019-06-30T23:00:00Z', updated: '2026-05-31T09:00:00Z' })
    expect(of.unknown).toMatchObject({ published: '2026-01-05T00:00:00Z', updated: '2026-01-05T00:00:00Z' })
    expect(of.ahead).toMatchObject({ published: '2026-05-20T10:00:00Z', updated: '2026-05-20T10:00:00Z' })
    expect(updated).toBe('2026-05-31T09:00:00Z')
    const map = parser.parse(sitemapOf(catalogue)!) as { urlset: { url: { loc: string; lastmod?: string }[] } }
    const told = new Map(map.urlset.url.map((u) => [u.loc.split('/').pop(), u.lastmod]))
    expect([told.get('today'), told.get('notes')]).toEqual(['2026-05-31T08:00:00Z', undefined])
  })

  test('an event ends where its type says, stands on days where it is of days, and tells each change', () => {
    const fields = [
      { id: 'at', label: 'At', kind: 'moment' as const },
      { id: 'to', label: 'To', kind: 'moment' as const },
      { id: 'on', label: 'On', kind: 'date' as const },
      { id: 'last', label: 'Last', kind: 'date' as const },
      { id: 'where', label: 'Where', kind: 'text' as const },
    ]
    const event = (from: object, given: Record<string, unknown>, revision = 1) => {
      const types = [...smallSite().types, { ...blankType('walk', 'Walk', 'Walks', 'walks'), fields, tells: { from } }]
      const catalogue = new Catalogue(smallSite([entry('w', 'walk', { fields: given })], { types }))
      catalogue.times = new Map([['w', { changed: at('2026-05-01T10:00Z'), revision, out: at('2026-04-01T10:00Z') }]])
      const made = calendarOf(catalogue, catalogue.entriesOfType('walk'), new Formats(catalogue.site.settings))!
      return made.split('\r\n').filter((l) => /^(DT|SEQ|LOC|LAST)/.test(l))
    }
    expect(
      event({ ends: 'to', place: 'where' }, { at: '2026-07-01T10:00', to: '2026-07-01T12:30', where: 'Dome' }, 5),
    ).toEqual([
      'DTSTAMP:20260501T100000Z',
      'SEQUENCE:4',
      'LAST-MODIFIED:20260501T100000Z',
      'DTSTART:20260701T090000Z',
      'DTEND:20260701T113000Z',
      'LOCATION:Dome',
    ])
    // An end before the start is none.
    expect(event({ ends: 'to' }, { at: '2026-07-01T10:00', to: '2026-07-01T09:00' }).join()).not.toContain('DTEND')
    const days = event({ starts: 'on', ends: 'last' }, { on: '2026-02-27', last: '2026-02-28' })
    expect(days).toEqual(expect.arrayContaining(['DTSTART;VALUE=DATE:20260227', 'DTEND;VALUE=DATE:20260301']))
    expect(event({ starts: 'on' }, { on: '2026-12-31' })).toContain('DTEND;VALUE=DATE:20270101')
  })
})

describe('what browsers are told of the site', () => {
  test('how it is searched, and its mark where it has one', () => {
    expect(file('/opensearch.xml')).toContain('template="https://quillmere.example.org/search?q={searchTerms}"')
    const shut = new Catalogue({ ...museum.site, settings: { ...museum.site.settings, search: false } })
    expect(file('/opensearch.xml', shut)).toBeNull()
    const manifest = JSON.parse(file('/site.webmanifest')!) as { name: string; dir: string; icons: { src: string }[] }
    expect(manifest).toMatchObject({ name: 'Quillmere Clock Museum', dir: 'ltr', lang: 'en-GB' })
    for (const { src } of manifest.icons) expect(iconAt(src)).not.toBeNull()
    const arabic = new Catalogue(smallSite([], { settings: { ...smallSite().settings, locale: 'ar-EG' } }))
    expect(JSON.parse(file('/site.webmanifest', arabic)!)).toMatchObject({ dir: 'rtl', icons: [] })
  })
})

describe('the list of all pages', () => {
  test('has every page that visitors come to by themselves, once', () => {
    const { urlset } = parser.parse(file('/sitemap.xml')!) as { urlset: { url: { loc: string }[] } }
    const found = urlset.url.map((u) => u.loc)
    expect(new Set(found).size).toBe(found.length)
    expect(found).toContain('https://quillmere.example.org/exhibits/fenwick-turret-clock')
    expect(found.some((loc) => /search|basket|sign-in/.test(loc))).toBe(false)
    for (const loc of found) expect(museum.pageAt(decodeURI(new URL(loc).pathname))).toBeDefined()
    expect(file('/sitemap-1.xml')).toBeNull()
  })

  test('is parted where it is too long', () => {
    const whole = parser.parse(sitemapOf(museum)!) as { urlset: { url: unknown[] } }
    const index = parser.parse(sitemapOf(museum, null, 40)!) as { sitemapindex: { sitemap: { loc: string }[] } }
    const parts = index.sitemapindex.sitemap.map((_, i) => parser.parse(sitemapOf(museum, i + 1, 40)!) as typeof whole)
    expect(parts.flatMap((p) => p.urlset.url)).toEqual(whole.urlset.url)
    for (const part of [0, parts.length + 1, 999_999]) expect(sitemapOf(museum, part, 40)).toBeNull()
  })
})

describe('what a page is about', () => {
  const told = (key: string, at = museum) =>
    linkedData(sceneOf(at, formats, at.page(key)!)) as { '@context': string; '@graph': Record<string, unknown>[] }

  test.each([
    ['home', 'WebSite'],
    ['entry:fenwick-turret-clock', 'CreativeWork'],
    ['entry:visit', 'WebPage'],
    ['person:ines-calloway', 'Person'],
  ])('%s is a %s', (key, kind) => {
    const { '@context': context, '@graph': graph } = told(key)
    expect(context).toBe('https://schema.org')
    expect(graph[0]!['@type']).toBe(kind)
  })

  test('a talk is an event with its moment and place, a story an article with its day, a ticket goods with a price', () => {
    const first = (type: string) => told(`entry:${museum.entriesOfType(type)[0]!.id}`)['@graph'][0]!
    expect(first('talk')).toMatchObject({
      '@type': 'Event',
      startDate: expect.stringMatching(MOMENT),
      location: { '@type': 'Place' },
    })
    expect(first('story')).toMatchObject({
      '@type': 'Article',
      datePublished: expect.stringMatching(/^\d{4}-\d\d-\d\d$/),
    })
    expect(first('ticket')).toMatchObject({
      '@type': 'Product',
      offers: { price: expect.stringMatching(/^\d+\.\d\d$/), priceCurrency: 'GBP' },
    })
  })

  test('a trail counts its stops', () => {
    for (const page of museum.pages.filter((p) => p.address && p.kind !== 'home')) {
      const trail = told(page.key)['@graph'].find((t) => t['@type'] === 'BreadcrumbList') as {
        itemListElement: { position: number; item: string }[]
      }
      expect(trail.itemListElement.map((s) => s.position)).toEqual(trail.itemListElement.map((_, i) => i + 1))
      expect(trail.itemListElement.at(-1)!.item).toBe(`https://quillmere.example.org${page.address}`)
    }
  })

  test('ends no element, whatever it says, and is shared by its own words', () => {
    const odd = '</script><script>alert(1)</script>'
    const at = new Catalogue(smallSite([entry('o', 'tool', { title: odd, summary: odd })]))
    const scene = sceneOf(at, formats, at.page('entry:o')!)
    expect(linkedText(linkedData(scene)!)).not.toContain('<')
    expect(JSON.parse(linkedText(linkedData(scene)!))).toEqual(linkedData(scene))
    const shared = new Map(sharedAs(scene, 'T', 'D'))
    expect(shared.get('og:url')).toBe('https://hillside.example.org/tools/o')
    expect(shared.has('og:image')).toBe(false)
  })
})

test('what stands there for programs is no dead link; a page of that address answers itself', () => {
  expect(isMachineAddress(museum, '/talks/calendar.ics')).toBe(true)
  expect(isMachineAddress(museum, '/talks/calendar.xml')).toBe(false)
  const at = new Catalogue(smallSite([entry('own', 'page', { slug: 'atom.xml' })]))
  expect(isMachineAddress(at, '/atom.xml')).toBe(at.pageAt('/atom.xml') === undefined)
})
