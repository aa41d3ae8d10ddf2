import Handlebars from 'handlebars'
import { createSSRApp } from 'vue'
import { renderToString } from 'vue/server-renderer'
import { escapeHtml } from '../core/drawing'
import type { Field } from '../core/site'
import { ROWS, catalogue, css, drawOurs, entry, fieldsOfRow, keptHead, page, rowClass } from './exhibit'

/** The same page written by hand, by Handlebars and by Vue's server renderer. */

const { settings } = catalogue.site
const told = keptHead(drawOurs())
const type = catalogue.types.get(entry.type)!
const day = new Intl.DateTimeFormat(settings.locale, { dateStyle: 'long', timeZone: 'UTC' })
const centimetres = new Intl.NumberFormat(settings.locale, { style: 'unit', unit: 'centimeter', unitDisplay: 'short' })
const list = new Intl.ListFormat(settings.locale, { type: 'conjunction' })
const fieldNamed = (name: string): Field => type.fields.find((f) => f.id === name)!
const label = (name: string, id: unknown) => fieldNamed(name).choices!.find((c) => c.id === id)!.label

/** Reads and formats one field, as somebody would who writes a page by hand. */
const READ: Record<string, () => string> = {
  title: () => entry.title,
  maker: () => String(entry.fields.maker),
  made: () => String(entry.fields.made),
  height: () => centimetres.format(Number(entry.fields.height)),
  accession: () => String(entry.fields.accession),
  mechanism: () => label('mechanism', entry.fields.mechanism),
  materials: () => list.format((entry.fields.materials as string[]).map((m) => label('materials', m))),
  strikes: () => (entry.fields.strikes ? 'Yes' : 'No'),
  date: () => day.format(new Date(`${entry.date}T00:00:00Z`)),
  'terms:room': () =>
    list.format(
      entry.terms.filter((t) => catalogue.terms.get(t)!.taxonomy === 'room').map((t) => catalogue.terms.get(t)!.title),
    ),
}

const fact = (title: string, read: () => string) =>
  `<div class="of-field"><span class="of-label">${title}</span> <span class="of-value">${escapeHtml(read())}</span></div>`

const rowsByHand = ROWS.map((i) => {
  const [[a, x], [b, y]] = fieldsOfRow(i)
  const [first, second] = [READ[x]!, READ[y]!]
  return () =>
    `<div class="of-row ${rowClass}"><div class="of-in"><div class="of-col of-n8"><h2 class="of-heading">Part ${i}</h2><div class="of-rich"><p>What part ${i} says.</p></div><hr class="of-divider"></div><div class="of-col of-n4">${fact(a, first)}${fact(b, second)}<a class="of-btn of-l-filled" href="/visit">Visit</a></div></div></div>`
})

/** A template literal. */
export const drawByHand = (): string =>
  `<!DOCTYPE html><html lang="${escapeHtml(settings.locale)}"><head><meta charset="utf-8"><title>${escapeHtml(`${page.title} – ${settings.name}`)}</title><meta name="viewport" content="width=device-width, initial-scale=1">${told}<style>${css}</style></head><body><a class="of-skip" href="#main">Skip to content</a><main id="main"><div class="of-body">${rowsByHand[0]!()}${rowsByHand[1]!()}${rowsByHand[2]!()}${rowsByHand[3]!()}${rowsByHand[4]!()}${rowsByHand[5]!()}${rowsByHand[6]!()}${rowsByHand[7]!()}${rowsByHand[8]!()}${rowsByHand[9]!()}${rowsByHand[10]!()}${rowsByHand[11]!()}${rowsByHand[12]!()}${rowsByHand[13]!()}${rowsByHand[14]!()}${rowsByHand[15]!()}${rowsByHand[16]!()}${rowsByHand[17]!()}${rowsByHand[18]!()}${rowsByHand[19]!()}</div></main></body></html>`

const model = () => ({
  locale: settings.locale,
  title: `${page.title} – ${settings.name}`,
  told,
  css,
  rowClass,
  rows: ROWS.map((i) => ({
    part: `Part ${i}`,
    says: `What part ${i} says.`,
    facts: fieldsOfRow(i).map(([title, name]) => ({ title, value: READ[name]!() })),
  })),
})

const handlebars = Handlebars.compile(
  '<!DOCTYPE html><html lang="{{locale}}"><head><meta charset="utf-8"><title>{{title}}</title><meta name="viewport" content="width=device-width, initial-scale=1">{{{told}}}<style>{{{css}}}</style></head><body><a class="of-skip" href="#main">Skip to content</a><main id="main"><div class="of-body">' +
    '{{#each rows}}<div class="of-row {{../rowClass}}"><div class="of-in"><div class="of-col of-n8"><h2 class="of-heading">{{part}}</h2><div class="of-rich"><p>{{says}}</p></div><hr class="of-divider"></div><div class="of-col of-n4">{{#each facts}}<div class="of-field"><span class="of-label">{{title}}</span> <span class="of-value">{{value}}</span></div>{{/each}}<a class="of-btn of-l-filled" href="/visit">Visit</a></div></div></div>{{/each}}' +
    '</div></main></body></html>',
)

export const drawHandlebars = (): string => handlebars(model())

/** Vue draws what is inside the body; the shell around it is put on as a server would. */
const component = {
  template:
    '<main id="main"><div class="of-body"><div v-for="row in rows" :class="[\'of-row\', rowClass]"><div class="of-in"><div class="of-col of-n8"><h2 class="of-heading">{{ row.part }}</h2><div class="of-rich"><p>{{ row.says }}</p></div><hr class="of-divider"></div><div class="of-col of-n4"><div v-for="fact in row.facts" class="of-field"><span class="of-label">{{ fact.title }}</span> <span class="of-value">{{ fact.value }}</span></div><a class="of-btn of-l-filled" href="/visit">Visit</a></div></div></div></div></main>',
  data: model,
}
const shell = drawByHand().split(/<main.*<\/main>/s)

export const drawVue = async (): Promise<string> =>
  shell[0]! + (await renderToString(createSSRApp(component))) + shell[1]!

/** HTML without what the other ways add or write differently: comments, and other forms of the same entity. */
export const normal = (html: string): string =>
  html
    .replace(/<!--.*?-->/gs, '')
    .replaceAll('&#x27;', '&#39;')
    .replaceAll('&#x3D;', '=')
    .replaceAll(' class="row ', ' class="row ')
