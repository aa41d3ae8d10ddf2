import { DOCUMENTS } from '#core/documents'
import { BEGINNINGS, foundSite } from '#core/model'
import { Catalogue } from '#core/catalogue'

const said = { name: 'Salt Works', origin: 'http://localhost', locale: 'en-GB', currency: 'EUR', timeZone: 'UTC' }

test.each(BEGINNINGS)('a site that begins with %s is sound, and answers at its home page', (beginning) => {
  const site = foundSite(said, beginning)
  expect(DOCUMENTS.settings(site.settings)).toBeNull()
  for (const type of site.types) expect(DOCUMENTS.type(type)).toBeNull()
  for (const taxonomy of site.taxonomies) expect(DOCUMENTS.taxonomy(taxonomy)).toBeNull()
  for (const entry of site.entries) expect(DOCUMENTS.entry(entry)).toBeNull()
  const catalogue = new Catalogue(site)
  expect(catalogue.pageAt('/')?.kind).toBe('home')
  expect(catalogue.pageAt('/stories')?.kind).toBe(beginning === 'nothing' ? undefined : 'archive')
})
