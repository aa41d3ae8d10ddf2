import { escapeHtml } from '../core/drawing'
import type { Entry, Page } from '../core/model'
import { entryName } from '../core/catalogue'
import { ROWS, catalogue, css, drawOursOf, exhibits, fieldsOfRow, keptHead, rowClass } from './exhibit'

/**
 * The page as somebody would write it by hand who keeps what has been formatted and escaped, as ours does: the same
 * bytes for every exhibit, also where fields are empty.
 */

const { settings } = catalogue.site
const type = catalogue.types.get('exhibit')!
const centimetres = new Intl.NumberFormat(settings.locale, { style: 'unit', unit: 'centimeter', unitDisplay: 'short' })
const day = new Intl.DateTimeFormat(settings.locale, { dateStyle: 'long', timeZone: 'UTC' })
const list = new Intl.ListFormat(settings.locale, { type: 'conjunction' })

/** Keeps what is written for each value. */
function keep<V>(write: (value: V) => string): (value: V) => string {
  const texts = new Map<V, string>()
  return (value) => {
    let text = texts.get(value)
    if (text === undefined) texts.set(value, (text = escapeHtml(write(value))))
    return text
  }
}

const choiceOf = (name: string) => {
  const choices = new Map(type.fields.find((f) => f.id === name)!.choices!.map((c) => [c.id, c.label]))
  return (id: unknown) => choices.get(String(id)) ?? String(id)
}
const text = keep((v: string) => v)
const height = keep((v: number) => centimetres.format(v))
const mechanism = keep(choiceOf('mechanism'))
const material = choiceOf('materials')
const materials = keep((v: string[]) => list.format(v.map(material)))
const yesNo = keep((v: boolean) => (v ? 'Yes' : 'No'))
const date = keep((v: string) => day.format(new Date(`${v}T00:00:00Z`)))
const room = keep((terms: string[]) =>
  list.format(terms.flatMap((t) => (catalogue.terms.get(t)?.taxonomy === 'room' ? catalogue.terms.get(t)!.title : []))),
)

type Read = (entry: Entry) => string
const string = (v: unknown): string => (typeof v === 'string' && v.trim() !== '' ? text(v) : '')
export const READ: Record<string, Read> = {
  title: (e) => string(e.title),
  maker: (e) => string(e.fields.maker),
  made: (e) => string(e.fields.made),
  height: (e) => (typeof e.fields.height === 'number' ? height(e.fields.height) : ''),
  accession: (e) => string(e.fields.accession),
  mechanism: (e) => (e.fields.mechanism ? mechanism(e.fields.mechanism) : ''),
  materials: (e) =>
    (e.fields.materials as string[] | undefined)?.length ? materials(e.fields.materials as string[]) : '',
  strikes: (e) => (typeof e.fields.strikes === 'boolean' ? yesNo(e.fields.strikes) : ''),
  date: (e) => (e.date ? date(e.date) : ''),
  'terms:room': (e) => (e.terms.length ? room(e.terms) : ''),
}

const fact = (label: string, value: string): string =>
  value && `<div class="of-field"><span class="of-label">${label}</span> <span class="of-value">${value}</span></div>`

const rows = ROWS.map((i) => {
  const [[a, x], [b, y]] = fieldsOfRow(i)
  const [first, second] = [READ[x]!, READ[y]!]
  return (entry: Entry) =>
    `<div class="of-row ${rowClass}"><div class="of-in"><div class="of-col of-n8"><h2 class="of-heading">Part ${i}</h2><div class="of-rich"><p>What part ${i} says.</p></div><hr class="of-divider"></div><div class="of-col of-n4">${fact(a, first(entry))}${fact(b, second(entry))}<a class="of-btn of-l-filled" href="/visit">Visit</a></div></div></div>`
})

export const windowTitle = keep((title: string) => `${title} – ${settings.name}`)
/** By the place of the exhibit among all. */
export const told = new Map<Page, string>(exhibits.map((page, i) => [page, keptHead(drawOursOf(i))]))

function draw(page: Page): string {
  const entry = catalogue.entries.get(page.entry!)!
  return `<!DOCTYPE html><html lang="en-GB" dir="ltr"><head><meta charset="utf-8"><title>${windowTitle(entryName(entry, type))}</title><meta name="viewport" content="width=device-width, initial-scale=1">${told.get(page)!}<style>${css}</style></head><body><a class="of-skip" href="#main">Skip to content</a><main id="main"><div class="of-body">${rows[0]!(entry)}${rows[1]!(entry)}${rows[2]!(entry)}${rows[3]!(entry)}${rows[4]!(entry)}${rows[5]!(entry)}${rows[6]!(entry)}${rows[7]!(entry)}${rows[8]!(entry)}${rows[9]!(entry)}${rows[10]!(entry)}${rows[11]!(entry)}${rows[12]!(entry)}${rows[13]!(entry)}${rows[14]!(entry)}${rows[15]!(entry)}${rows[16]!(entry)}${rows[17]!(entry)}${rows[18]!(entry)}${rows[19]!(entry)}</div></main></body></html>`
}

export const drawStrict = (i: number): string => draw(exhibits[i % exhibits.length]!)
