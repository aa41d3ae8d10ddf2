import type { Entry, PageType, Site, SiteSettings } from './types'

/** With what a new site begins: pages and stories, or no page type at all. */
export const BEGINNINGS = ['pages-and-stories', 'nothing'] as const
export type Beginning = (typeof BEGINNINGS)[number]

const type = (more: Pick<PageType, 'id' | 'name' | 'plural' | 'slug'> & Partial<PageType>): PageType => ({
  archive: false,
  dated: false,
  tree: false,
  personLabel: 'Author',
  taxonomies: [],
  fields: [],
  ...more,
})

const TYPES: readonly PageType[] = [
  type({ id: 'page', name: 'Page', plural: 'Pages', slug: '', tree: true }),
  type({
    id: 'story',
    name: 'Story',
    plural: 'Stories',
    slug: 'stories',
    archive: true,
    dated: true,
    taxonomies: ['topic'],
  }),
]

const welcome = (title: string): Entry => ({
  id: 'welcome',
  type: 'page',
  slug: 'welcome',
  title,
  summary: '',
  content: null,
  picture: null,
  person: null,
  parent: null,
  date: null,
  terms: [],
  fields: {},
  published: true,
  chosenFrame: null,
})

/** What somebody who founds a site says of it. */
export type Founded = Pick<SiteSettings, 'name' | 'origin' | 'locale' | 'currency' | 'timeZone'>

/** A site as it is before anybody wrote in it. It answers at its home page, whatever it begins with. */
export function foundSite(said: Founded, beginning: Beginning): Site {
  const settings: SiteSettings = {
    ...said,
    tagline: '',
    logo: null,
    fallbackPicture: null,
    home: { kind: 'archive', type: '' },
    shop: false,
    signIn: false,
  }
  const nothing = { types: [], taxonomies: [], terms: [], people: [], pictures: [], menus: [], entries: [] }
  if (beginning === 'nothing') return { settings, ...nothing }
  return {
    ...nothing,
    settings: { ...settings, home: { kind: 'entry', entry: 'welcome' } },
    types: TYPES.map((t) => ({ ...t })),
    taxonomies: [{ id: 'topic', name: 'Topic', plural: 'Topics', slug: 'topics', pages: true }],
    entries: [welcome(said.name)],
  }
}
