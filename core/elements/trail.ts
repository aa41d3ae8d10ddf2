import { type Page, entryName } from '../site'
import { attribute, escapeHtml, type Scene, plainText } from '../drawing'
import { type ElementSpec, prop } from './spec'

interface Stop {
  label: string
  address: string | null
}

/** From home down to the page's parent: archive or taxonomy, then the pages above it in the tree. */
function stopsAbove({ catalogue }: Scene, page: Page, home: string): Stop[] {
  const stops: Stop[] = [{ label: home, address: '/' }]
  const entry = page.entry ? catalogue.entries.get(page.entry) : undefined
  const archive = page.type ? catalogue.page(`archive:${page.type}`) : undefined
  // An archive that home shows is home itself.
  if (archive && archive.kind !== 'home' && archive.key !== page.key)
    stops.push({ label: archive.title, address: archive.address })
  const year = page.kind === 'month' ? catalogue.page(`year:${page.type}:${page.time!.slice(0, 4)}`) : undefined
  if (year) stops.push({ label: page.time!.slice(0, 4), address: year.address })
  if (page.taxonomy) stops.push({ label: catalogue.taxonomies.get(page.taxonomy)?.plural ?? '', address: null })
  if (entry) {
    for (const id of catalogue.ancestors(entry).reverse()) {
      const above = catalogue.entries.get(id)
      if (above)
        stops.push({ label: entryName(above, catalogue.types.get(above.type)), address: catalogue.addressOf(id) })
    }
  }
  return stops.filter((s) => s.label)
}

export const trail: ElementSpec = {
  type: 'trail',
  name: 'Trail',
  about: 'The way from the home page down to this one.',
  group: 'Site',
  props: {
    home: { kind: 'text', label: 'Begins with', default: 'Home', most: 60 },
    own: { kind: 'yes-no', label: 'Ends with this page', default: false },
  },
  css: [
    '.of-trail ol{list-style:none;padding:0;font-size:.85em}.of-trail li{display:inline}.of-trail li+li::before{content:"/";margin:0 .5em;opacity:.6}.of-trail a{color:inherit}',
  ],
  parts: { link: { label: 'Link', hides: false, states: ['hover', 'focus'] } },
  summary: () => '',
  draw(element, compile) {
    const home = prop(element, trail, 'home')
    const own = prop(element, trail, 'own') === true
    const open = `<nav${compile.attributes(element, 'trail')} aria-label="Trail"><ol>`
    const link = compile.part(element, 'link')
    return (scene) => {
      if (scene.page.kind === 'home') return ''
      const stops = stopsAbove(scene, scene.page, plainText(home, scene))
      if (own) stops.push({ label: scene.page.title, address: null })
      let html = ''
      for (const { label, address } of stops) {
        const text = escapeHtml(label)
        html += `<li>${address ? `<a${link}${attribute('href', address)}>${text}</a>` : text}</li>`
      }
      return `${open}${html}</ol></nav>`
    }
  },
}
