import { fail } from '../../core/problems'
import type { Catalogue } from '../../core/catalogue'
import type { SiteSettings } from '../../core/model'
import { updateSettings } from '../database/content'
import type { Database } from '../database/open'
import type { Content } from './content'

/** The settings of the site. */
export class Settings {
  constructor(
    private readonly db: Database,
    private readonly content: Pick<Content, 'catalogue' | 'spoilt'>,
  ) {}

  /** Changes some settings; what they name must be there. Settings that could not be read are not written over. */
  async change(change: Partial<SiteSettings>): Promise<void> {
    const lost = this.content.spoilt.find((s) => s.what === 'settings')
    if (lost) fail('spoilt', { what: 'the settings', why: lost.why })
    const { catalogue } = this.content
    for (const id of [change.logo, change.icon, change.fallbackPicture])
      if (id && !catalogue.pictures.has(id)) fail('reference-unknown', { what: 'picture', id })
    if (change.home) checkHome(change.home, catalogue)
    await updateSettings(this.db, change)
  }
}

function checkHome(home: SiteSettings['home'], catalogue: Catalogue): void {
  const exists =
    home.kind === 'entry'
      ? catalogue.entries.has(home.entry) && catalogue.isOut({ id: home.entry })
      : catalogue.types.get(home.type)?.archive
  if (!exists) fail('home-needs', { what: home.kind === 'entry' ? 'a published entry' : 'a page type with an archive' })
}
