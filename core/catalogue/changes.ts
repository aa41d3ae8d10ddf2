import type { Catalogue, EntryChange, Seen } from './catalogue'
import type { Id, Menu, Picture, Redirect } from '../model'

/** What has changed of a site, each thing as it is now; what is null has not changed. */
export interface SiteChange {
  entries: EntryChange[]
  pictures: { id: Id; picture: Picture | null }[]
  menus: Menu[] | null
  redirects: Redirect[] | null
}

/** A change as it was taken over, and when (milliseconds since 1970): entries come out and go by the time, too. */
export interface TakenChange {
  at: number
  change: SiteChange
}

/** Takes over what time has done until a change came, and the change: two catalogues that do are the same. */
export function followTaken(catalogue: Catalogue, { at, change }: TakenChange): void {
  catalogue.turn(at)
  followChange(catalogue, change)
}

/** Takes a change over into a catalogue; gives what may read otherwise now: see `Catalogue.watch`. */
export function followChange(catalogue: Catalogue, { entries, pictures, menus, redirects }: SiteChange): Seen {
  const stale = catalogue.follow(entries)
  const add = (more: Seen) => more.forEach((key) => stale.add(key))
  for (const { id, picture } of pictures) add(catalogue.followPicture(id, picture))
  if (menus) add(catalogue.followMenus(menus))
  if (redirects) catalogue.followRedirects(redirects)
  return stale
}
