import { resolve } from 'node:path'
import { type Aside, openAside } from '../aside'
import { hasSite } from '../database/content'
import { standAll } from '../database/stand-in'
import { closeLog } from '../database/on-disk'
import { type Database, openDatabase } from '../database/open'
import { Accounts } from './accounts'
import { Bring } from './bring'
import { Content, type Stale } from './content'
import { Draft } from './draft'
import { DraftWalk, onTheSiteAlone } from './draft-walk'
import { Entries } from './entries'
import { EntryTable } from './entry-table'
import { Export } from './export'
import { Forms } from './forms'
import { Messages } from './messages'
import { hourOf } from '../../core/forms'
import type { Page, SiteSettings } from '../../core/model'
import { createHash, randomBytes } from 'node:crypto'
import { Founding } from './founding'
import { MailSettings } from '../mail/settings'
import { Outbox } from '../mail/outbox'
import { openPictureWork } from '../media/beside'
import { FileStore } from '../media/store'
import { Live } from './live'
import { log } from './log'
import { Newsletters } from './newsletters'
import { Lost } from './lost'
import { Media } from './media'
import { Parcels } from './parcels'
import { Passwords } from './passwords'
import { Plans } from './plans'
import { Published } from './published'
import { Redirects } from './redirects'
import { Releases } from './release'
import { findBeside } from './search'
import { Sessions } from './sessions'
import { type Shop, openShop } from '../shop'
import { standInProvider } from '../shop/stand-in'
import { Settings } from './settings'
import { SiteFiles } from './site-file'
import { SharedCards } from './shared-cards'
import { AttemptLimit } from './sign-in'
import { Terms } from './terms'
import { Users } from './users'
import { watchOthers } from './watch'

/** One running site: its database, and the services over it. */
export interface Installation {
  db: Database
  aside: Aside
  content: Content
  draft: Draft
  releases: Releases
  plans: Plans
  walk: DraftWalk
  entries: Entries
  parcels: Parcels
  siteFiles: SiteFiles
  published: Published
  passwords: Passwords
  sessions: Sessions
  attempts: AttemptLimit
  live: Live
  founding: Founding
  terms: Terms
  table: EntryTable
  redirects: Redirects
  media: Media
  cards: SharedCards
  forms: Forms
  messages: Messages
  shop: Shop
  newsletters: Newsletters
  /** Files that visitors sent. */
  sent: FileStore
  mail: MailSettings
  outbox: Outbox
  settings: Settings
  users: Users
  bring: Bring
  export: Export
  lost: Lost
  /** Ends what runs beside, and closes the database. */
  close(): Promise<void>
}

/** Drawings of the demo that are photographs in the museum that people look at. */
const PHOTOGRAPHED = ['room-tower-room', 'empty-case', 'detail-story-0', 'detail-story-1', 'clock-fenwick-turret-clock']

/** How often it is asked whether the time of an entry has come, in milliseconds. */
const CLOCK = 5_000
const HOUR = 60 * 60_000

/** What mail of the site says of itself: its name, and the name of its machine. */
const senderOf = ({ name, origin }: SiteSettings) => ({
  name,
  host: URL.canParse(origin) ? new URL(origin).hostname : '',
})

export function dataFolder(): string {
  return resolve(process.env.OUTER_FRAME_DATA ?? '.data')
}

async function open(): Promise<Installation> {
  const folder = dataFolder()
  const db = await openDatabase(folder)
  const passwords = new Passwords()
  const sessions = new Sessions(db)
  const files = new FileStore(folder)
  await files.open()
  const demo = process.env.OUTER_FRAME_DEMO
  // The museum is drawn where it is wanted for the first time, and nowhere else.
  if (demo && !(await hasSite(db))) {
    const { seedDemo } = await import('./seed')
    await seedDemo(db, demo === 'bare', passwords, files)
    log('info', 'demo-made', { bare: demo === 'bare' })
  }
  const aside = openAside(db, folder)
  const live = new Live()
  await standAll(db)
  const content = new Content(db, findBeside(db, aside.find))
  await content.reload()
  const secret = process.env.NUXT_CSURF_ENCRYPT_SECRET ?? randomBytes(16).toString('hex')
  // What the shop and the stand-in for payments know of each other.
  const known = createHash('sha256').update(`stand-ins ${secret}`).digest('hex')
  const standIns =
    demo || process.env.OUTER_FRAME_STAND_INS === 'yes'
      ? await (await import('./stand-ins')).openStandIns(folder, known)
      : null
  const mail = new MailSettings(db, secret, standIns?.mail ?? null, () => senderOf(content.catalogue.site.settings))
  const sent = new FileStore(folder, 'sent')
  await sent.open()
  const outbox = new Outbox(db, mail, sent)
  const forms = new Forms(db, secret, sent, outbox.wake)
  const attempts = new AttemptLimit()
  const newsletters = new Newsletters(
    db,
    secret,
    forms,
    (mails, about) => outbox.put(mails, about),
    () => content.catalogue.site.settings.origin,
  )
  const shop = await openShop(db, secret, {
    content,
    providers: standIns ? [standInProvider(standIns.payment.address, known)] : [],
    refresh: (stale) => {
      published.refresh(stale)
      walk.refresh(stale)
    },
    outbox,
    heardAt: () => heardAt,
  })
  const accounts = new Accounts(db, passwords, sessions, attempts, shop.baskets)
  const posts = { form: forms.take, newsletter: newsletters.take, ...accounts.posts, ...shop.desk.posts }
  const proof = (page: Page, form: string, at: number) => forms.proof(page, form, hourOf(at))
  const published: Published = new Published(content, posts, undefined, proof, shop.desk)
  const draft = new Draft(db, aside)
  const rehearsed = Object.fromEntries(Object.keys(posts).map((type) => [type, onTheSiteAlone]))
  const walk = new DraftWalk(
    db,
    draft,
    content,
    { ...rehearsed, form: forms.rehearse, newsletter: newsletters.rehearse },
    proof,
  )
  const take = (stale: Stale): void => {
    published.refresh(stale)
    walk.refresh(stale)
    live.changed('content')
  }
  const pictures = openPictureWork(folder)
  const media = new Media(db, files, async () => take(await content.follow()), pictures)
  await media.open()
  const follow = async () => take(await content.follow())
  const bring = new Bring(db, folder, files, aside, content, media, follow)
  await bring.open()
  await content.follow()
  if (process.env.OUTER_FRAME_DEMO_PHOTOGRAPHS)
    media
      .photograph(PHOTOGRAPHED, 'The demo')
      .catch((error: unknown) => log('error', 'not-photographed', { error: String(error) }))
  const catalogue = () => content.catalogue
  const releases = new Releases(db, draft, catalogue, aside)
  await showLatest(published, releases)
  const plans = new Plans(db, releases, (design, number) => published.show(design, number))
  const founding = new Founding(db, passwords)
  const watch = watchOthers(db, {
    contentStands: (version) => content.version === version,
    releaseStands: (number) => published.release === number,
    content: async () => {
      take(await content.follow())
      await founding.follow()
    },
    orders: (newest) => shop.follow(newest),
    release: () => showLatest(published, releases),
  })
  const lost = new Lost(db, catalogue)
  const runDue = (): void =>
    void plans.runDue().catch((error: unknown) => log('error', 'plans-failed', { error: String(error) }))
  runDue()
  const clock = setInterval(() => {
    const { turned, stale } = content.turn()
    if (stale.size > 0) {
      published.refresh(stale)
      walk.refresh(stale)
    }
    runDue()
    outbox.wake()
    shop.round()
    void newsletters.endOld().catch((error: unknown) => log('error', 'newsletters', { error: String(error) }))
    void forms.endOld().catch((error: unknown) => log('error', 'messages-not-ended', { error: String(error) }))
    if (turned > 0) live.changed('content')
  }, CLOCK).unref()
  const sweep = setInterval(
    () => void forms.dropFiles().catch((error: unknown) => log('error', 'files-not-dropped', { error: String(error) })),
    HOUR,
  ).unref()
  outbox.wake()
  const parcels = new Parcels(db, draft, catalogue, aside, media)
  const settings = new Settings(db, content)
  return {
    db,
    aside,
    content,
    draft,
    releases,
    plans,
    walk,
    published,
    passwords,
    entries: new Entries(db, draft, content, follow),
    parcels,
    siteFiles: new SiteFiles(db, folder, files, content, media, { parcels, settings, bring }, aside, follow),
    sessions,
    attempts,
    live,
    founding,
    terms: new Terms(db),
    table: new EntryTable(db, content),
    redirects: new Redirects(db, catalogue),
    media,
    cards: new SharedCards(media, pictures),
    forms,
    messages: new Messages(db, content, outbox.wake),
    sent,
    shop,
    newsletters,
    mail,
    outbox,
    bring,
    export: new Export(content, media),
    settings,
    users: new Users(db, passwords, sessions),
    lost,
    async close() {
      clearInterval(clock)
      clearInterval(sweep)
      await shop.end()
      await outbox.end()
      await standIns?.close()
      await plans.end()
      await lost.end()
      await bring.end()
      await media.end()
      await watch.end()
      await aside.end()
      content.end()
      await closeLog(db)
      await db.destroy()
    },
  }
}

async function showLatest(published: Published, releases: Releases): Promise<void> {
  const latest = await releases.latest()
  await published.show(latest?.design ?? null, latest?.number ?? 0)
}

/** Where this server is heard on this machine, once it listens. */
let heardAt: string | null = null
export const heard = (address: string): void => void (heardAt = address)

let opened: Promise<Installation> | null = null

/** The installation of this process; opened at the first call. Throws `StartError` when it cannot be. */
export function installation(): Promise<Installation> {
  return (opened ??= open())
}

/** After a change of content: what was made from what changed is made anew. */
export async function contentChanged(site: Installation): Promise<void> {
  const stale = await site.content.follow()
  site.published.refresh(stale)
  site.walk.refresh(stale)
  site.live.changed('content')
}

export async function closeInstallation(): Promise<void> {
  if (opened) await (await opened).close()
  opened = null
}
