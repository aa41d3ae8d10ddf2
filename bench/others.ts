import Handlebars from 'handlebars'
import { createSSRApp } from 'vue'
import { renderToString } from 'vue/server-renderer'
import { escapeHtml } from '../core/drawing'
import type { Entry, Page } from '../core/model'
import { entryName } from '../core/catalogue'
import { ROWS, catalogue, css, exhibits, fieldsOfRow, rowClass } from './exhibit'
import { READ, told, windowTitle } from './strict'

/** The same pages by Handlebars and by Vue's server renderer. What is formatted is kept for them as ours keeps it. */

const { settings } = catalogue.site
const type = catalogue.types.get('exhibit')!
const shared = { locale: escapeHtml(settings.locale), css, rowClass }
const parts = ROWS.map((i) => ({
  part: `Part ${i}`,
  says: `What part ${i} says.`,
  reads: fieldsOfRow(i).map(([title, name]) => [title, READ[name]!] as const),
}))

const modelOf = (page: Page, entry: Entry) => ({
  ...shared,
  title: windowTitle(entryName(entry, type)),
  told: told.get(page)!,
  rows: parts.map(({ part, says, reads }) => ({
    part,
    says,
    facts: reads.flatMap(([title, read]) => {
      const value = read(entry)
      return value ? [{ title, value }] : []
    }),
  })),
})
const modelFor = (i: number) => {
  const page = exhibits[i % exhibits.length]!
  return modelOf(page, catalogue.entries.get(page.entry!)!)
}

/** Values come escaped, since ours keeps them so. */
const handlebars = Handlebars.compile(
  '<!DOCTYPE html><html lang="{{{locale}}}" dir="ltr"><head><meta charset="utf-8"><title>{{{title}}}</title><meta name="viewport" content="width=device-width, initial-scale=1">{{{told}}}<style>{{{css}}}</style></head><body><a class="of-skip" href="#main">Skip to content</a><main id="main"><div class="of-body">' +
    '{{#each rows}}<div class="of-row {{{../rowClass}}}"><div class="of-in"><div class="of-col of-n8"><h2 class="of-heading">{{{part}}}</h2><div class="of-rich"><p>{{{says}}}</p></div><hr class="of-divider"></div><div class="of-col of-n4">{{#each facts}}<div class="of-field"><span class="of-label">{{{title}}}</span> <span class="of-value">{{{value}}}</span></div>{{/each}}<a class="of-btn of-l-filled" href="/visit">Visit</a></div></div></div>{{/each}}' +
    '</div></main></body></html>',
)

export const drawHandlebars = (i: number): string => handlebars(modelFor(i))

/** Vue draws what is inside the body; the shell around it is put on as a server would. */
const component = {
  props: ['rows', 'rowClass'],
  template:
    '<main id="main"><div class="of-body"><div v-for="row in rows" :class="[\'of-row\', rowClass]"><div class="of-in"><div class="of-col of-n8"><h2 class="of-heading">{{ row.part }}</h2><div class="of-rich"><p>{{ row.says }}</p></div><hr class="of-divider"></div><div class="of-col of-n4"><div v-for="fact in row.facts" class="of-field"><span class="of-label">{{ fact.title }}</span> <span class="of-value" v-html="fact.value"></span></div><a class="of-btn of-l-filled" href="/visit">Visit</a></div></div></div></div></main>',
}

export async function drawVue(i: number): Promise<string> {
  const { title, told, rows } = modelFor(i)
  const body = await renderToString(createSSRApp(component, { rows, rowClass }))
  return `<!DOCTYPE html><html lang="${shared.locale}" dir="ltr"><head><meta charset="utf-8"><title>${title}</title><meta name="viewport" content="width=device-width, initial-scale=1">${told}<style>${css}</style></head><body><a class="of-skip" href="#main">Skip to content</a>${body}</body></html>`
}

/** HTML without what the other ways add or write differently: comments, and other forms of the same entity. */
export const normal = (html: string): string =>
  html
    .replace(/<!--.*?-->/gs, '')
    .replaceAll('&#x27;', '&#39;')
    .replaceAll('&#x3D;', '=')
    .replaceAll(' class="row ', ' class="row ')
