import { type Entry, blankEntry } from '../../core/model'
import { slugOf } from '../../core/addresses'
import { rich } from '../rich'

import gifts from './gifts.json' with { type: 'json' }
import pages from './pages.json' with { type: 'json' }
import stories from './stories.json' with { type: 'json' }
import talks from './talks.json' with { type: 'json' }
import tickets from './tickets.json' with { type: 'json' }

/** The museum's other entries; what they say stands in the JSON files beside this one. */

export const PAGES: Entry[] = pages.map(({ slug, title, parent, summary, lines }) => ({
  ...blankEntry(slug, 'page'),
  title,
  parent,
  summary,
  content: rich(...lines),
}))

const ABOUT_TALKS = 'The talk lasts about an hour, with time for questions. The room is open half an hour before.'

/** Talks last an hour; none ends on another day. */
const hourLater = (moment: string): string =>
  `${moment.slice(0, 11)}${String(Number(moment.slice(11, 13)) + 1).padStart(2, '0')}${moment.slice(13)}`

export const TALKS: Entry[] = talks.map(({ title, starts, price, places, room, person, summary }, i) => ({
  ...blankEntry(slugOf(title), 'talk'),
  title,
  summary,
  content: rich(summary, ABOUT_TALKS),
  picture: `detail-talk-${i}`,
  person,
  date: starts.slice(0, 10),
  terms: [room],
  fields: { starts, ends: hourLater(starts), price, places },
}))

/** A title in another script keeps an address that anybody can type. */
const ADDRESSES: Record<string, string> = { 'ساعة من حلب': 'a-clock-from-aleppo' }

export const STORIES: Entry[] = stories.map(({ title, date, topic, person, summary, lines }, i) => ({
  ...blankEntry(ADDRESSES[title] ?? slugOf(title), 'story'),
  title,
  date,
  summary,
  person,
  terms: [topic],
  content: rich(...lines),
  picture: `detail-story-${i}`,
}))

const ABOUT_TICKETS =
  'Show it at the desk on paper or on a telephone. Tickets can be changed to another day, and given away.'

export const TICKETS: Entry[] = tickets.map(({ title, price, valid, summary }, i) => ({
  ...blankEntry(slugOf(title), 'ticket'),
  title,
  summary,
  content: rich(summary, ABOUT_TICKETS),
  picture: `ticket-${i}`,
  fields: { price, valid },
}))

const ABOUT_GIFTS = 'Everything is packed in the workshop, between two and four in the afternoon.'

/** What the shop has; by the drawing of each. */
export const GIFTS: { entry: Entry; drawn: string }[] = gifts.map(
  ({ title, drawn, price, stock, made, summary, offers }, i) => ({
    drawn,
    entry: {
      ...blankEntry(slugOf(title), 'gift'),
      title,
      summary,
      content: rich(summary, ABOUT_GIFTS),
      picture: `gift-${i}`,
      fields: { price, made, ...(offers ? { sorts: offers } : { stock }) },
    },
  }),
)

const story = (id: string, title: string, summary: string, more: Partial<Entry>): Entry => ({
  ...blankEntry(id, 'story'),
  title,
  summary,
  person: 'tobias-renn',
  terms: ['repairs'],
  content: rich(summary, 'More of it is written when it is known.'),
  ...more,
})

/** When a story that waits comes out, unless the time of the demo says otherwise. */
export const SOME_DAY = '2031-01-06T09:00'

/** Stories that visitors do not see: one in the making, one that waits for its moment. */
export const unseenStories = (from: string): Entry[] => [
  story('a-case-without-a-clock', 'A case without a clock', 'It came by post, and nobody has said from whom.', {
    published: false,
  }),
  story('the-bell-comes-home', 'The bell comes home', 'Recast, and a quarter tone higher than it went.', {
    from,
    date: from.slice(0, 10),
  }),
]

/** A story that was taken away, and waits under Removed. */
export const REMOVED_STORY: Entry = story(
  'clocks-do-not-sleep',
  'Clocks do not sleep',
  'They do, as it turned out. The story is withdrawn.',
  { published: false },
)
