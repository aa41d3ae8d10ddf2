import { blankEntry, blankType } from './blank'
import type { PageType, Site, SiteSettings } from './types'

/** With what a new site begins: pages and stories, or no page type at all. */
export const BEGINNINGS = ['pages-and-stories', 'nothing'] as const
export type Beginning = (typeof BEGINNINGS)[number]

const TYPES: readonly PageType[] = [
  { ...blankType('page', 'Page', 'Pages', ''), archive: false, tree: true },
  { ...blankType('story', 'Story', 'Stories', 'stories'), dated: true, taxonomies: ['topic'] },
]

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
    entries: [{ ...blankEntry('welcome', 'page'), title: said.name }],
  }
}
