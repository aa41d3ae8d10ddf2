import type { Catalogue } from './catalogue'
import { entryName } from './pages'
import type { Page } from '../model'

/** One stop on the way down to a page; one without an address is only named. */
export interface Stop {
  label: string
  address: string | null
}

/** From home down to the page's parent: archive or taxonomy, then the pages above it in the tree. */
export function stopsAbove(catalogue: Catalogue, page: Page, home: string): Stop[] {
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
