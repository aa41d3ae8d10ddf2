import { frameSentence } from '#core/rules'
import { useDesign } from '~/stores/design'
import { type Findable, useFinder } from '~/stores/finder'
import { useMap } from '~/stores/map'
import { useSite } from '~/stores/site'

const SCREENS = [
  { to: '/studio', label: 'Map', about: 'every page and region, and why' },
  { to: '/studio/layouts', label: 'Layouts', about: 'the shelf' },
  { to: '/studio/content/entries', label: 'Entries', about: 'what the site says' },
  { to: '/studio/content/types', label: 'Page types', about: 'kinds of pages and their fields' },
  { to: '/studio/content/terms', label: 'Terms', about: 'of every taxonomy, as trees' },
  { to: '/studio/content/people', label: 'People', about: 'who writes and looks after entries' },
  { to: '/studio/content/menus', label: 'Menus', about: 'trees of links' },
  { to: '/studio/content/pictures', label: 'Pictures', about: 'and other files, on one wall' },
  { to: '/studio/visitors', label: 'Lost addresses', about: 'asked for, and no page' },
  { to: '/studio/visitors/orders', label: 'Orders', about: 'what was bought, and what was taken' },
  { to: '/studio/visitors/messages', label: 'Messages', about: 'that visitors sent by forms' },
  { to: '/studio/visitors/newsletters', label: 'Newsletters', about: 'who asked for them' },
  { to: '/studio/visitors/mail', label: 'Mail', about: 'on its way out, and by which server' },
  { to: '/studio/visitors/searches', label: 'Searches', about: 'that found nothing' },
  { to: '/studio/visitors/redirects', label: 'Redirects', about: 'addresses that lead elsewhere' },
  { to: '/studio/house', label: 'House', about: 'palette, type, buttons' },
  { to: '/studio/content/bring', label: 'Bring along', about: 'content from files, and out into files' },
  { to: '/studio/content/settings', label: 'Settings', about: 'name, locale, currency, time zone, logo, search' },
  { to: '/studio/content/settings', label: 'People who work here', about: 'users, roles, passwords' },
  { to: '/studio/checks', label: 'Checks', about: 'what will not do what was meant' },
  { to: '/studio/releases', label: 'Releases', about: 'what visitors saw, and see' },
]

/** Everything that can be found in the studio: what is on the screen first. */
export function useFindables() {
  const design = useDesign()
  const site = useSite()
  const map = useMap()
  const finder = useFinder()
  const go = (to: string) => () => void navigateTo(to)

  const layouts = (): Findable[] =>
    design.layouts.map(({ layout }) => ({
      key: `layout ${layout.id}`,
      label: layout.name,
      about: `${layout.region} layout`,
      group: 'Layouts',
      run: go(`/studio/layouts/${layout.id}`),
    }))

  const frames = (): Findable[] =>
    design.frames.map(({ frame }) => ({
      key: `frame ${frame.id}`,
      label: frame.name || (map.names ? frameSentence(frame, map.names) : frame.id),
      about: frame.name && map.names ? frameSentence(frame, map.names) : 'frame on the Map',
      group: 'Frames',
      run: go(`/studio?frame=${frame.id}`),
    }))

  const pages = (): Findable[] =>
    (site.catalogue?.pages ?? []).map((page) => ({
      key: `page ${page.key}`,
      label: page.title,
      about: `${page.address || 'not found'} on the Map`,
      group: 'Pages',
      run: go(`/studio?page=${encodeURIComponent(page.key)}`),
    }))

  const entries = (): Findable[] =>
    (site.catalogue?.site.entries ?? []).map((entry) => ({
      key: `entry ${entry.id}`,
      label: entry.title || 'Untitled',
      about: `${site.catalogue!.types.get(entry.type)?.name ?? 'entry'}, to write in`,
      group: 'Entries',
      run: go(`/studio/content/entries/${entry.id}`),
    }))

  const things = (): Findable[] => {
    const all = site.catalogue?.site
    if (!all) return []
    const found = (group: Findable['group'], id: string, label: string, about: string, to: string): Findable => ({
      key: `${group} ${id}`,
      label: label || 'Untitled',
      about,
      group,
      run: go(to),
    })
    const taxonomy = (id: string) => site.catalogue!.taxonomies.get(id)?.name.toLowerCase() ?? 'term'
    return [
      ...all.menus.map((m) => found('Menus', m.id, m.name, 'menu', `/studio/content/menus?menu=${m.id}`)),
      ...all.types.map((t) => found('Page types', t.id, t.plural, 'page type', `/studio/content/types?type=${t.id}`)),
      ...all.terms.map((t) =>
        found('Terms', t.id, t.title, taxonomy(t.taxonomy), `/studio/content/terms?term=${t.id}`),
      ),
      ...all.people.map((p) =>
        found('People', p.id, p.name, p.role || 'person', `/studio/content/people?person=${p.id}`),
      ),
      ...all.pictures.map((p) =>
        found('Pictures', p.id, p.alt || p.fileName, p.fileName, `/studio/content/pictures?picture=${p.id}`),
      ),
    ]
  }

  const screens = (): Findable[] =>
    SCREENS.map(({ to, label, about }) => ({ key: `${to} ${label}`, label, about, group: 'Studio', run: go(to) }))

  return (): Findable[] => [
    ...finder.here(),
    ...layouts(),
    ...frames(),
    ...screens(),
    ...pages(),
    ...entries(),
    ...things(),
  ]
}
