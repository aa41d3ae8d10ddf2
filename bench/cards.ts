import Handlebars from 'handlebars'
import { Formats, escapeHtml, sceneOf } from '../core/drawing'
import { resolveInTurn, rulesOf } from '../core/rules'
import { CompiledDesign } from '../core/render'
import { Catalogue, entryName } from '../core/catalogue'
import { type Entry, newestFirst } from '../core/model'
import { makeDemo } from '../demo'
import { column, element, layout, row } from '../demo/design/make'
import { type Result, round, sideBySide } from './measure'

/** A page with a list of sixty cards: ours, written by hand, and by Handlebars, all three to the same bytes. */

const COUNT = 60
const TYPES = ['exhibit', 'talk', 'story']
const list = {
  source: 'newest',
  type: TYPES[0]!,
  types: TYPES.slice(1).map((type, i) => ({ id: `t${i}`, props: { type } })),
  most: COUNT,
  pages: 'none',
}
const BODY = layout('bench-cards', 'Bench', 'body', row('List', {}, column(12, {}, element('entry-list', list))))

const demo = makeDemo()
const pass = { kind: 'pass' as const }
const use = { kind: 'use' as const, layout: 'bench-cards' }
const regions = { header: pass, intro: pass, body: use, footer: pass }
const design = { ...demo.design, layouts: [BODY], frames: [{ ...demo.design.frames.at(-1)!, regions }] }
const catalogue = new Catalogue(demo.site)
const page = catalogue.page('entry:visit')!
const compiled = new CompiledDesign(design)
const formats = new Formats(demo.site.settings)
const visitor = { role: 'visitor', signedIn: false, device: 'desktop', parameters: {}, at: 0 } as const
const outcome = resolveInTurn(rulesOf(design), catalogue, page, visitor)

const drawOurs = (): string => compiled.draw(sceneOf(catalogue, formats, page, { cards: compiled.cards }), outcome).html

/** What stands before the list and behind it is the same for everybody, and kept. */
const whole = drawOurs()
const begins = whole.indexOf('<ul class="of-grid')
const ends = whole.indexOf('</ul>', begins)
const [before, after] = [whole.slice(0, begins), whole.slice(ends)]

/** As ours does: what is written of a picture is kept with it, and texts by what they say. */
const kept = new Map<string, string>()
function escaped(text: string): string {
  let made = kept.get(text)
  if (made === undefined) kept.set(text, (made = escapeHtml(text)))
  return made
}
const pictures = new Map(
  demo.site.pictures.map(({ id, fileName, width, height }) => [
    id,
    `<img src="/pictures/${id}/${encodeURIComponent(fileName)}" alt="" width="${width}" height="${height}" loading="lazy" decoding="async">`,
  ]),
)
const listed: readonly Entry[] = demo.site.entries
  .filter((e) => TYPES.includes(e.type) && catalogue.isOut(e))
  .sort(newestFirst)
  .slice(0, COUNT)

interface Card {
  picture: string
  address: string
  title: string
  summary: string
}
const cardOf = (entry: Entry): Card => ({
  picture: entry.picture ? pictures.get(entry.picture)! : '',
  address: catalogue.addressOf(entry.id)!,
  title: escaped(entryName(entry, catalogue.types.get(entry.type))),
  summary: escaped(entry.summary),
})

function drawByHand(): string {
  let cards = ''
  for (const entry of listed) {
    const { picture, address, title, summary } = cardOf(entry)
    const shown = picture && `<div class="of-pic of-lying">${picture}</div>`
    const says = summary && `<p>${summary}</p>`
    cards += `<li>${shown}<h2 class="of-card-title"><a href="${address}">${title}</a></h2>${says}</li>`
  }
  return `${before}<ul class="of-grid of-k3">${cards}${after}`
}

const handlebars = Handlebars.compile(
  '{{{before}}}<ul class="of-grid of-k3">{{#each cards}}<li>{{#if picture}}<div class="of-pic of-lying">{{{picture}}}</div>{{/if}}<h2 class="of-card-title"><a href="{{{address}}}">{{{title}}}</a></h2>{{#if summary}}<p>{{{summary}}}</p>{{/if}}</li>{{/each}}{{{after}}}',
)
const drawHandlebars = (): string => handlebars({ before, after, cards: listed.map(cardOf) })

export async function benchCards(): Promise<Result[]> {
  if (drawByHand() !== whole) throw new Error('The list written by hand has other bytes than ours.')
  if (drawHandlebars() !== whole) throw new Error('The list by Handlebars has other bytes than ours.')
  const time = await sideBySide({ ours: drawOurs, byHand: drawByHand, handlebars: drawHandlebars })
  const line = (against: string, other: number, ratio: number, bound: string, holds: boolean): Result => ({
    name: 'Drawing a list of 60 cards: our time',
    value: `${round(ratio)} times`,
    against,
    bound,
    holds,
    data: { oursMicroseconds: round(time.ours, 1), otherMicroseconds: round(other, 1), ratio: round(ratio, 3) },
  })
  const [hand, bars] = [time.ours / time.byHand, time.ours / time.handlebars]
  return [
    line('written by hand, values kept, same bytes', time.byHand, hand, 'at most 2', hand <= 2),
    line('Handlebars, compiled, values kept, same bytes', time.handlebars, bars, 'at most 1', bars <= 1),
  ]
}
