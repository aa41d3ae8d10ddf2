import { fail } from '../../core/problems'
import { type Catalogue, refuseRedirect, settledRedirect } from '../../core/catalogue'
import type { Redirect } from '../../core/model'
import type { RedirectsInput } from '../../shared/api/types'
import { REDIRECTS_CHANGED, touchContent } from '../database/content'
import type { Database } from '../database/open'
import { readRedirects, removeRedirect, writeRedirects } from '../database/redirects'

/** Addresses that lead elsewhere: those that pages have had, and those led by hand. */
export class Redirects {
  constructor(
    private readonly db: Database,
    private readonly catalogue: () => Catalogue,
  ) {}

  list(): Promise<(Redirect & { at: number })[]> {
    return readRedirects(this.db, [])
  }

  /** Leads some addresses elsewhere and others nowhere any more; all of it or nothing. */
  async change({ put = [], remove = [] }: RedirectsInput): Promise<void> {
    const catalogue = this.catalogue()
    for (const redirect of put) {
      const why = refuseRedirect(redirect, catalogue)
      if (why !== null) fail('redirect-wrong', { why })
    }
    await this.db.transaction().execute(async (trx) => {
      await writeRedirects(
        trx,
        put.map((r) => settledRedirect(r, catalogue)),
      )
      for (const address of remove) await removeRedirect(trx, address)
      await touchContent(trx, [REDIRECTS_CHANGED])
    })
  }
}
