import { frameSentence } from '#core/frames'
import { useDesign } from '~/stores/design'
import { type Findable, useFinder } from '~/stores/finder'
import { useMap } from '~/stores/map'
import { useSite } from '~/stores/site'

const SCREENS = [
  { to: '/studio', label: 'Map', about: 'every page and region, and why' },
  { to: '/studio/layouts', label: 'Layouts', about: 'the shelf' },
  { to: '/studio/content/entries', label: 'Entries', about: 'what the site says' },
  { to: '/studio/content/types', label: 'Page types', about: 'kinds of pages and their fields' },
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

  const screens = (): Findable[] =>
    SCREENS.map(({ to, label, about }) => ({ key: to, label, about, group: 'Studio', run: go(to) }))

  return (): Findable[] => [...finder.here(), ...layouts(), ...frames(), ...screens(), ...pages(), ...entries()]
}
