import type { Design } from '../core/design'
import type { Picture, Redirect, Site } from '../core/model'
import { GIFTS, PAGES, SOME_DAY, STORIES, TALKS, TICKETS, unseenStories } from './content/entries'
import { CLOCK_KIND, EXHIBITS } from './content/exhibits'
import { FLOOR_PLAN } from './content/floor-plan'
import { PEOPLE, TAXONOMIES, TERMS, TYPES, SELLING } from './content/kinds'
import { MENUS } from './content/menus'
import { BARE_DESIGN, DESIGN } from './design'
import { drawClock, drawDetail, drawDial, drawTrain } from './pictures/clocks'
import { drawGift } from './pictures/gifts'
import { drawEmptyCase, drawMark, drawPortrait, drawRoom, drawTicket } from './pictures/others'

export { REMOVED_STORY } from './content/entries'
export { type DemoFile, demoFiles } from './files'

/** A picture of the museum, drawn when its file is wanted. */
export interface DrawnPicture extends Picture {
  /** The drawing as SVG; the same each time. */
  draw(): string
}

export interface DemoUser {
  name: string
  mail: string
  role: 'owner' | 'designer' | 'writer' | 'member'
}

/** Everyone signs in with the same password in the demo; it is printed when the demo starts. */
export const DEMO_PASSWORD = 'wind-me-on-sunday'

export const DEMO_USERS: DemoUser[] = [
  { name: 'Orla Quill', mail: 'orla@quillmere.example.org', role: 'owner' },
  { name: 'Ada Finch', mail: 'ada@quillmere.example.org', role: 'designer' },
  { name: 'Wim Tolley', mail: 'wim@quillmere.example.org', role: 'writer' },
  { name: 'Mina Sark', mail: 'mina@quillmere.example.org', role: 'member' },
]

const ENTRIES = [...PAGES, ...EXHIBITS, ...TALKS, ...STORIES, ...TICKETS, ...GIFTS.map((g) => g.entry)]

/** Addresses of an earlier site of the museum, as old guides print them. */
const REDIRECTS: Redirect[] = [
  { address: '/opening-times', to: { page: 'entry:opening-hours' } },
  { address: '/collection', to: '/exhibits', branch: true },
]

const picture = (id: string, alt: string, width: number, height: number, draw: () => string): DrawnPicture => ({
  id,
  fileName: `${id}.svg`,
  alt,
  width,
  height,
  draw,
})

/** What else is shown of a clock, by the beginning of the picture's id. */
function otherPicture(id: string, of: string, name: string): DrawnPicture {
  if (id.startsWith('dial-')) return picture(id, `The dial of ${name}`, 800, 1000, () => drawDial(of))
  if (id.startsWith('train-')) return picture(id, `The train of ${name}`, 1000, 800, () => drawTrain(of))
  if (id.startsWith('wheels-')) return picture(id, `Wheels of ${name}`, 1200, 800, () => drawDetail(id))
  return picture(id, `${name}, close to`, 1200, 800, () => drawDetail(of))
}

function clockPictures(): DrawnPicture[] {
  return EXHIBITS.flatMap((e) => {
    const kind = CLOCK_KIND[String(e.fields.mechanism)] ?? 'movement'
    const name = e.title || 'A crate without a label'
    const clock = e.picture ? [picture(e.picture, name, 800, 800, () => drawClock(e.id, kind))] : []
    const others = (e.fields.pictures as string[] | undefined)?.slice(1) ?? []
    return [...clock, ...others.map((id) => otherPicture(id, e.id, name))]
  })
}

function drawnPictures(): DrawnPicture[] {
  const details = [...TALKS, ...STORIES].map((e) =>
    picture(e.picture!, `A clock, seen close to, for “${e.title}”`, 1200, 800, () => drawDetail(e.id)),
  )
  const tickets = TICKETS.map((e) =>
    picture(e.picture!, `A ticket: ${e.title}`, 800, 500, () => drawTicket(e.id, e.title.charAt(0))),
  )
  const gifts = GIFTS.map(({ entry, drawn }) =>
    picture(entry.picture!, entry.title, 800, 800, () => drawGift(entry.id, drawn)),
  )
  const portraits = PEOPLE.map((p) =>
    picture(p.picture!, `Portrait of ${p.name}`, 640, 640, () =>
      drawPortrait(
        p.id,
        p.name
          .split(' ')
          .map((w) => w.charAt(0))
          .join('')
          .slice(0, 2),
      ),
    ),
  )
  const rooms = TERMS.filter((t) => t.picture).map((t) =>
    picture(t.picture!, `The ${t.title}`, 1600, 900, () => drawRoom(t.id)),
  )
  const others = [
    picture('mark', 'Quillmere Clock Museum', 80, 80, () => drawMark()),
    picture('empty-case', 'An empty case: out for repair', 1600, 1000, () => drawEmptyCase()),
    picture('no-picture', 'No picture yet', 800, 800, () => drawClock('no-picture', 'movement')),
  ]
  return [...clockPictures(), ...details, ...tickets, ...gifts, ...portraits, ...rooms, ...others]
}

export const PICTURES: DrawnPicture[] = drawnPictures()

/** The whole museum: its site, its pictures, and either its finished design or none. */
export function makeDemo(
  bare = false,
  /** When the story that waits comes out. */
  from = SOME_DAY,
): { site: Site; pictures: DrawnPicture[]; design: Design } {
  const site: Site = {
    settings: {
      name: 'Quillmere Clock Museum',
      tagline: 'Open Wednesday to Sunday, and never quite on time.',
      origin: 'https://quillmere.example.org',
      locale: 'en-GB',
      currency: 'GBP',
      timeZone: 'Europe/London',
      logo: 'mark',
      fallbackPicture: 'no-picture',
      floorPlan: FLOOR_PLAN,
      home: { kind: 'entry', entry: 'welcome' },
      shop: true,
      selling: SELLING,
      signIn: true,
    },
    types: TYPES,
    taxonomies: TAXONOMIES,
    terms: TERMS,
    people: PEOPLE,
    menus: MENUS,
    entries: [...ENTRIES, ...unseenStories(from)],
    redirects: REDIRECTS,
    pictures: PICTURES.map(({ draw: _, ...rest }) => rest),
  }
  return { site, pictures: PICTURES, design: bare ? BARE_DESIGN : DESIGN }
}
