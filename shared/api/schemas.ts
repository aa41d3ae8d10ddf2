import type { PartKey } from '../../core/releases'
import type { Parcel } from '../../core/formats'
import type { DisplayRule } from '../../core/design'
import { LAYOUT_REGIONS, pathShape } from '../../core/tree'
import { MOST_EDITS_SENT, pendingEnvelope } from '../../core/edits'
import { mailServerShape } from '../../core/forms'
import { discountShape } from '../../core/shop'
import {
  type Shape,
  exact,
  id,
  isRecord,
  judged,
  key,
  kinds,
  list,
  numeric,
  oneOf,
  optional,
  pattern,
  record,
  text,
  texts,
  whole,
  yesNo,
  yes,
  orNothing,
  shapeOf,
  maybe,
  type Of,
} from '../../core/shape'
import { BEGINNINGS, SETTINGS_SHAPES, USER_ROLES, homeShape, type Entry, type SiteSettings } from '../../core/model'
import { redirectShape } from '../../core/catalogue'

import {
  ENTRY_SORTS,
  ENTRY_STATES,
  type FoundingInput,
  type SignInInput,
  type NewEntryInput,
  type EntryInput,
  type WorkingInput,
  type BulkInput,
  type MergeTermsInput,
  type PictureInput,
  type PicturesRemovedInput,
  type MessageInput,
  type MessagesRemovedInput,
  type MailServerInput,
  type MailsInput,
  type OrderInput,
  type CameInput,
  type ForgetInput,
  type RedirectsInput,
  type SettingsInput,
  type NewUserInput,
  type UserInput,
  type BringInput,
  type HomeInput,
  type NewLayoutInput,
  type EditsInput,
  type FrameInput,
  type ReleaseInput,
  type PlanInput,
  type DraftLinkInput,
  type BringBackInput,
  type PasswordInput,
  type EndSessionsInput,
  type ImportInput,
  type LiveAtInput,
} from './types'

/**
 * What the server accepts, at every way in that takes a body: each is exact. Documents inside (frames, entries,
 * parcels) are judged by the core, which gives its own problems; these judge what surrounds them.
 */

const revision = whole(0, 1e12, 'The revision is missing')
const aDocument = <T>(why: string) => judged<T>((value) => (isRecord(value) ? null : why))

export const signInSchema = shapeOf<SignInInput>()(
  exact({
    mail: text(200, 'Enter your mail address').min(1, 'Enter your mail address'),
    password: text(500, 'Enter your password').min(1, 'Enter your password'),
  }),
)

export const newPassword = text(500, 'A password has 12 to 500 characters').min(
  12,
  'A password has 12 to 500 characters',
)
export const passwordSchema = shapeOf<PasswordInput>()(
  exact({ current: text(500, 'Enter the password you have now'), next: newPassword }),
)

/** A shape that may be left out, whatever it is made of. */

const named = (why: string) => pattern(/\S/, why).max(120, `${why}, of at most 120 characters`)

export const foundingSchema = shapeOf<FoundingInput>()(
  exact({
    code: text(40, 'Enter the code').min(1, 'Enter the code'),
    site: exact({
      name: named('Give the site a name'),
      origin: SETTINGS_SHAPES.origin,
      locale: SETTINGS_SHAPES.locale,
      currency: SETTINGS_SHAPES.currency,
      timeZone: SETTINGS_SHAPES.timeZone,
    }),
    beginning: oneOf(BEGINNINGS, 'Say with what the site begins'),
    owner: exact({
      name: named('Enter your name'),
      mail: pattern(/^[^\s@]+@[^\s@]+$/, 'Enter your mail address').max(
        200,
        'A mail address has at most 200 characters',
      ),
      password: newPassword,
    }),
  }),
)

export const endSessionsSchema = shapeOf<EndSessionsInput>()(
  exact({
    of: oneOf(['me', 'everybody'], 'Say whose sessions end: mine, or everybody’s'),
  }),
)

const layoutName = pattern(/\S/, 'Give it a name').max(120, 'A name has at most 120 characters')

export const newLayoutSchema = shapeOf<NewLayoutInput>()(
  exact({
    id: id('An id is 1 to 40 letters, digits, hyphens or underscores'),
    name: layoutName,
    region: oneOf(LAYOUT_REGIONS, 'There is no such region'),
    from: optional(id()),
    starter: optional(yes()),
    follows: optional(id()),
  }),
)

export const editsSchema = shapeOf<EditsInput<object>>()(
  exact({
    revision,
    edits: list(pendingEnvelope, MOST_EDITS_SENT, `Send at most ${MOST_EDITS_SENT} edits at once`).min(
      1,
      'There are no edits',
    ),
  }),
)

export const frameSchema = shapeOf<FrameInput>()(
  exact({ revision, frame: aDocument<DisplayRule>('A frame is missing') }),
)

export const entrySchema = shapeOf<EntryInput>()(exact({ revision, entry: aDocument<Entry>('An entry is missing') }))

export const newEntrySchema = shapeOf<NewEntryInput>()(
  exact({
    id: id('An id is 1 to 40 letters, digits, hyphens or underscores'),
    type: key('Choose a page type'),
    title: text(500, 'A title has at most 500 characters'),
    from: optional(key()),
  }),
)

export const workingSchema = shapeOf<WorkingInput>()(
  exact({
    working: orNothing(exact({ revision, entry: aDocument<Entry>('An entry is missing') })),
  }),
)

const ids = list(key(), 5000, 'Choose at most 5,000 entries').min(1, 'Choose some entries')
const toAll = exact({ kind: oneOf(['publish', 'unpublish', 'remove', 'put-back']) })

const ofTerm = exact({ kind: oneOf(['add-term', 'take-term']), term: key() })

export const bulkSchema = shapeOf<BulkInput>()(
  exact({
    ids,
    does: kinds(
      {
        publish: toAll,
        unpublish: toAll,
        remove: toAll,
        'put-back': toAll,
        'add-term': ofTerm,
        'take-term': ofTerm,
        person: exact({ kind: oneOf(['person']), person: orNothing(key()) }),
      },
      'kind',
      'thing to do',
    ),
  }),
)

/** The parameters of the table of entries; each may be left out. */
export const entriesQuerySchema = exact({
  type: optional(key()),
  state: optional(oneOf(ENTRY_STATES, `A state is one of ${ENTRY_STATES.join(', ')}`)),
  term: optional(key()),
  person: optional(key()),
  picture: optional(key()),
  since: optional(pattern(/^\d{4}-\d{2}-\d{2}$/, 'A day is written as 2026-03-29')),
  until: optional(pattern(/^\d{4}-\d{2}-\d{2}$/, 'A day is written as 2026-03-29')),
  words: optional(text(200, 'Look for at most 200 characters')),
  sort: optional(pattern(new RegExp(`^-?(${ENTRY_SORTS.join('|')})$`), 'There is no such order')),
  offset: optional(whole(0, 1e7, 'An offset is a number')),
  most: optional(whole(1, 500, 'At most 500 at once')),
})

export const mergeTermsSchema = shapeOf<MergeTermsInput>()(
  exact({ from: key('Choose two terms'), into: key('Choose two terms') }),
)

const part = numeric(0, 1, 'A focal point is told by two numbers from 0 to 1')

export const bringSchema = shapeOf<BringInput>()(
  exact({
    type: kinds(
      {
        there: exact({ kind: oneOf(['there']), id: key() }),
        new: exact({
          kind: oneOf(['new']),
          name: named('Give the page type a name'),
          plural: named('Say what several are called'),
        }),
      },
      'kind',
      'page type',
    ),
    columns: record(/^[^\0]{1,130}$/, text(140), 300),
    published: yesNo(),
    fetchImages: optional(yesNo()),
    make: yesNo(),
    ways: optional(record(/^[^\0]{1,130}$/, oneOf(['day-first', 'month-first', 'point', 'comma']), 300)),
  }),
)

export const pictureSchema = shapeOf<PictureInput>()(
  exact({
    alt: text(1000, 'A description has at most 1,000 characters'),
    caption: optional(text(300, 'A caption has at most 300 characters')),
    focus: orNothing(exact({ x: part, y: part })),
  }),
)

export const picturesRemovedSchema = shapeOf<PicturesRemovedInput>()(
  exact({ ids, removed: yesNo('Say whether they go or come back') }),
)

export const redirectsSchema = shapeOf<RedirectsInput>()(
  exact({
    put: optional(list(redirectShape, 1000)),
    remove: optional(list(text(1000), 1000)),
  }),
)

/** Settings, each by itself: what is not named stays as it is. */
export const settingsSchema = shapeOf<SettingsInput>()(
  exact({
    change: exact(
      Object.fromEntries(Object.entries(SETTINGS_SHAPES).map(([name, shape]) => [name, maybe<unknown>(shape)])),
    ) as Shape<Partial<SiteSettings>>,
  }),
)

const userName = named('Enter a name')
const userMail = pattern(/^[^\s@]+@[^\s@]+$/, 'Enter a mail address').max(
  200,
  'A mail address has at most 200 characters',
)
const userRole = oneOf(USER_ROLES, 'There is no such role')

export const newUserSchema = shapeOf<NewUserInput>()(
  exact({ name: userName, mail: userMail, role: userRole, password: newPassword }),
)

export const userSchema = shapeOf<UserInput>()(
  exact({
    name: optional(userName),
    mail: optional(userMail),
    role: optional(userRole),
    password: optional(newPassword),
  }),
)

export const messageSchema = shapeOf<MessageInput>()(
  exact({
    state: optional(oneOf(['unread', 'read'], 'A message is read or unread')),
    note: optional(text(4000, 'A note has at most 4,000 characters')),
  }),
)

export const messagesRemovedSchema = shapeOf<MessagesRemovedInput>()(
  exact({
    ids: list(whole(1, Number.MAX_SAFE_INTEGER, 'There is no such message'), 1000, 'Choose at most 1,000 messages').min(
      1,
      'Choose some messages',
    ),
  }),
)

const mailPassword = optional(pattern(/^[^\r\n]*$/, 'A password is one line').max(500, 'A password is too long'))
export const mailServerSchema = shapeOf<MailServerInput>()(
  exact({
    server: orNothing(mailServerShape),
    password: mailPassword,
  }),
)

export const mailsSchema = shapeOf<MailsInput>()(
  exact({
    ids: list(whole(1, Number.MAX_SAFE_INTEGER, 'There is no such mail'), 1000, 'Choose at most 1,000 mails').min(
      1,
      'Choose some mails',
    ),
  }),
)

export const subscribersSchema = exact({
  ids: list(whole(1, Number.MAX_SAFE_INTEGER, 'Nobody is known by this'), 1000, 'Choose at most 1,000').min(
    1,
    'Choose somebody',
  ),
})

export const orderSchema = shapeOf<OrderInput>()(
  exact({
    does: oneOf(['send', 'cancel', 'refund', 'mail', 'note'], 'Say what is to be done'),
    note: optional(text(2000, 'A note has at most 2,000 characters')),
  }),
)

/** A sku: an entry, and where it is sold in sorts, which of them. */
export const cameSchema = shapeOf<CameInput>()(
  exact({
    day: pattern(/^\d{4}-\d{2}-\d{2}$/, 'A day is written as 2027-01-31'),
    order: whole(1, 1e12, 'Say which order'),
    sku: text(200, 'Say what was bought'),
    came: whole(0, 999, 'Say how many came'),
  }),
)

export const codeRemovedSchema = exact({ code: text(40, 'Say which code') })

export const homeSchema = shapeOf<HomeInput>()(exact({ home: homeShape }))

export const liveAtSchema = shapeOf<LiveAtInput>()(exact({ window: id(), node: orNothing(pathShape) }))

const choice = kinds(
  {
    keep: exact({ do: oneOf(['keep']) }),
    drop: exact({ do: oneOf(['drop']) }),
    create: exact({ do: oneOf(['create']) }),
    use: exact({ do: oneOf(['use']), id: key() }),
  },
  'do',
  'choice',
)

export const importSchema = shapeOf<ImportInput>()(
  exact({
    parcel: aDocument<Parcel>('A parcel is missing'),
    choices: optional(record(/^[a-z-]{1,20} [\w:-]{1,120}$/, choice, 5000)),
    leaveOut: optional(list(text(100), 5000)),
    both: optional(list(text(100), 5000)),
  }),
)

const releaseParts = {
  note: optional(text(500, 'A note has at most 500 characters')),
  leave: maybe(
    texts<PartKey>(
      /^(house|(layout|frame|menu) [\w:-]{1,80})$/,
      5000,
      'Say what is left as layout, frame, menu or house',
    ),
  ),
}
export const releaseSchema = shapeOf<ReleaseInput>()(exact(releaseParts))

const moment = whole(0, 8_640_000_000_000, 'Say when, in milliseconds')
export const planSchema = shapeOf<PlanInput>()(exact({ ...releaseParts, at: moment, until: optional(moment) }))

export const draftLinkSchema = shapeOf<DraftLinkInput>()(
  exact({ hours: whole(1, 24 * 30, 'A link leads to the draft for 1 hour to 30 days') }),
)

const layoutOrFrame = exact({ kind: oneOf(['layout', 'frame']), id: id() })

export const bringBackSchema = shapeOf<BringBackInput>()(
  exact({
    what: kinds(
      {
        all: exact({ kind: oneOf(['all']) }),
        layout: layoutOrFrame,
        frame: layoutOrFrame,
        menu: exact({ kind: oneOf(['menu']), id: key() }),
      },
      'kind',
      'thing to bring back',
    ),
    atOnce: optional(yes()),
  }),
)

interface Input {
  shape: Shape
  /** Bytes that may be sent. */
  most: number
}

const SMALL = 16_000
const LARGE = 1_000_000

const forgetSchema = shapeOf<ForgetInput>()(
  exact({
    addresses: optional(list(text(300), 500)),
    searches: optional(list(text(80), 500)),
  }),
)

/** Every body that the server takes, by the name under which its way in asks for it. */
export const INPUTS = {
  signIn: { shape: signInSchema, most: SMALL },
  founding: { shape: foundingSchema, most: SMALL },
  password: { shape: passwordSchema, most: SMALL },
  endSessions: { shape: endSessionsSchema, most: SMALL },
  newLayout: { shape: newLayoutSchema, most: SMALL },
  edits: { shape: editsSchema, most: LARGE },
  frame: { shape: frameSchema, most: 64_000 },
  entry: { shape: entrySchema, most: LARGE },
  newEntry: { shape: newEntrySchema, most: SMALL },
  working: { shape: workingSchema, most: LARGE },
  bulk: { shape: bulkSchema, most: LARGE },
  mergeTerms: { shape: mergeTermsSchema, most: SMALL },
  bring: { shape: bringSchema, most: 200_000 },
  picture: { shape: pictureSchema, most: SMALL },
  picturesRemoved: { shape: picturesRemovedSchema, most: LARGE },
  redirects: { shape: redirectsSchema, most: LARGE },
  forget: { shape: forgetSchema, most: LARGE },
  settings: { shape: settingsSchema, most: LARGE },
  newUser: { shape: newUserSchema, most: SMALL },
  user: { shape: userSchema, most: SMALL },
  home: { shape: homeSchema, most: SMALL },
  import: { shape: importSchema, most: LARGE },
  siteFile: { shape: exact({ replace: yesNo(), settings: yesNo() }), most: SMALL },
  release: { shape: releaseSchema, most: 400_000 },
  plan: { shape: planSchema, most: 400_000 },
  draftLink: { shape: draftLinkSchema, most: SMALL },
  liveAt: { shape: liveAtSchema, most: SMALL },
  bringBack: { shape: bringBackSchema, most: SMALL },
  message: { shape: messageSchema, most: SMALL },
  order: { shape: orderSchema, most: SMALL },
  came: { shape: cameSchema, most: SMALL },
  discountCode: { shape: discountShape, most: SMALL },
  codeRemoved: { shape: codeRemovedSchema, most: SMALL },
  mailServer: { shape: mailServerSchema, most: SMALL },
  mailTest: { shape: mailServerSchema, most: SMALL },
  mails: { shape: mailsSchema, most: 64_000 },
  subscribers: { shape: subscribersSchema, most: 64_000 },
  messagesRemoved: { shape: messagesRemovedSchema, most: 64_000 },
} as const satisfies Record<string, Input>

export type InputName = keyof typeof INPUTS
/** What is read where a way in asks for a body by its name. */
export type InputOf<N extends InputName> = Of<(typeof INPUTS)[N]['shape']>
