import type { Entry } from '../../core/site'
import { slugOf } from '../../core/site'
import { chanceOf } from '../pictures/chance'
import type { ClockKind } from '../pictures/clocks'
import { rich } from '../rich'
import { CONDITIONS, MATERIALS, MECHANISMS } from './kinds'

const ROOMS = { T: 'tower-room', G: 'long-gallery', C: 'watch-cabinet', N: 'night-room', W: 'workshop' }
const KEEPERS = { T: 'ines-calloway', G: 'tobias-renn', C: 'maud-oshea', N: 'yusuf-hadley', W: 'tobias-renn' }

type Room = keyof typeof ROOMS
type Line = [title: string, maker: string, made: number, mechanism: string, room: Room, cm: number, summary: string]

const LINES: Line[] = [
  [
    'Fenwick turret clock',
    'Josiah Fenwick',
    1784,
    'turret',
    'T',
    212,
    'A two-train birdcage frame with a pinwheel escapement, taken down from a mill cupola and run again each Sunday.',
  ],
  [
    'The Night Regulator',
    'Amos Thirkell',
    1851,
    'regulator',
    'T',
    188,
    'Kept the tower honest after dark: a regulator that was read by lantern and trusted more than the dial outside.',
  ],
  [
    'Harbour clock of Sallow Quay',
    'Pell & Daughter',
    1812,
    'turret',
    'T',
    240,
    'Four faces, one of them always wrong, so that the fishwives could choose the tide they liked.',
  ],
  [
    'Bell frame of Ostrey Mill',
    'unknown',
    1698,
    'turret',
    'T',
    195,
    'A single hand and a foliot, shown beside the bell that it asked for every hour for two centuries.',
  ],
  [
    'Chapel clock from Low Wickering',
    'Ezra Lund',
    1769,
    'turret',
    'T',
    176,
    'Small enough for one strong winder, and loud enough for three villages.',
  ],
  [
    'Station clock, Brayling Junction',
    'Northern Signal Works',
    1874,
    'turret',
    'T',
    160,
    'Set by telegraph each morning at ten; the last clerk to do so left his initials in the case.',
  ],
  [
    'Cupola clock with automata',
    'Petra Holm',
    1803,
    'turret',
    'T',
    230,
    'A heron bends at every quarter. Its left wing is a repair in aluminium.',
  ],
  [
    'Longcase with moon, by Arkwell',
    'Thomas Arkwell',
    1758,
    'longcase',
    'G',
    224,
    'The moon above the dial has been repainted twice, each time with the face of the owner.',
  ],
  [
    'Marchbank month clock',
    'Elias Marchbank',
    1712,
    'longcase',
    'G',
    231,
    'Winds twelve times a year and complains each time.',
  ],
  [
    'Quaker longcase',
    'Ruth Penhallow',
    1741,
    'longcase',
    'G',
    205,
    'No carving, no gilding, no second hand; it has lost four minutes since it was made.',
  ],
  [
    'Walnut longcase with tide dial',
    'Gabriel Strand',
    1733,
    'longcase',
    'G',
    219,
    'Tells high water at a port that silted up in 1790.',
  ],
  [
    'Painted longcase from Ellerdale',
    'John Tuck',
    1826,
    'longcase',
    'G',
    227,
    'Flowers, a ship and a dog that looks surprised.',
  ],
  [
    'Thirty-hour farmhouse clock',
    'Silas Brand',
    1779,
    'longcase',
    'G',
    198,
    'One weight, one rope, and a case made by the local coffin maker.',
  ],
  [
    'Equation clock',
    'Amos Thirkell',
    1849,
    'longcase',
    'G',
    236,
    'Shows by how much the sun is late, which in Quillmere it usually is.',
  ],
  ['Hooded wall clock', 'Dorcas Flint', 1695, 'lantern', 'G', 74, 'Made for a shelf that was sold without it.'],
  [
    'Lantern clock with dolphin frets',
    'Nicholas Vane',
    1672,
    'lantern',
    'G',
    41,
    'Brass all through. The frets are the only dolphins within a day of here.',
  ],
  [
    'Slate mantel clock',
    'Compton & Hale',
    1888,
    'bracket',
    'G',
    46,
    'Thirty kilograms of slate around a movement that weighs one.',
  ],
  [
    'Verge watch in pair cases',
    'Maud Ormerod',
    1748,
    'watch',
    'C',
    6,
    'The outer case was worn smooth by a thumb that also wore smooth its maker’s name.',
  ],
  [
    'Ship’s deck watch No. 7',
    'Leander Crewe',
    1861,
    'watch',
    'C',
    7,
    'Came back from three voyages; its officers did not always.',
  ],
  [
    'Silver hunter with repeater',
    'Crewe & Nephew',
    1869,
    'watch',
    'C',
    6,
    'Press the pendant and it strikes the time, softly, as if asked in church.',
  ],
  [
    'Nurse’s fob watch',
    'Ardent Watch Company',
    1917,
    'watch',
    'C',
    4,
    'Worn upside down, so that it could be read with both hands busy.',
  ],
  ['Coachman’s watch', 'Giles Rook', 1798, 'watch', 'C', 11, 'As large as a saucer, to be read at a trot.'],
  [
    'Enamel watch with skating scene',
    'Atelier Morane',
    1786,
    'watch',
    'C',
    5,
    'Eleven skaters, one of them falling. The glass was always broken over that one.',
  ],
  [
    'Rolling ball clock',
    'Winifred Aske',
    1902,
    'bracket',
    'C',
    38,
    'A ball crosses a tilting plate every thirty seconds and has done so, it is reckoned, over a hundred million times.',
  ],
  [
    'Night clock with lit numerals',
    'Baldo Ferrante',
    1683,
    'bracket',
    'N',
    92,
    'Pierced numerals pass before an oil lamp. It has burnt down one house.',
  ],
  ['Candle alarm', 'unknown', 1720, 'bracket', 'N', 24, 'A flintlock strikes, a candle rises, and somebody is awake.'],
  [
    'Watchman’s tell-tale',
    'Hibbert & Co.',
    1834,
    'regulator',
    'N',
    120,
    'Twenty-four pins that prove a night watchman was awake, or that his boy was.',
  ],
  [
    'Luminous ward clock',
    'Ardent Watch Company',
    1931,
    'regulator',
    'N',
    61,
    'Painted by hand; the brushes are kept in lead.',
  ],
  [
    'Carriage clock with quarter repeat',
    'Delacourt',
    1871,
    'bracket',
    'N',
    19,
    'Travelled in a leather box with a small door, so that it could be asked the time in bed.',
  ],
  [
    'Sounding stone clock',
    'Ines Wray',
    1959,
    'bracket',
    'N',
    55,
    'Drops a pebble at every hour. The pebbles are collected each spring.',
  ],
  [
    'Escapement model, gravity',
    'Museum workshop',
    1966,
    'lantern',
    'W',
    88,
    'Built at four times the size to settle an argument.',
  ],
  [
    'Turret clock from Hob’s End, in pieces',
    'Abel Carr',
    1790,
    'turret',
    'W',
    201,
    'Three hundred and twelve parts on numbered trays, and one part left over.',
  ],
]

const MATERIAL_BY_KIND: Record<string, string[]> = {
  turret: ['iron', 'brass'],
  longcase: ['oak', 'brass', 'steel'],
  bracket: ['walnut', 'brass', 'glass'],
  watch: ['silver', 'enamel', 'glass'],
  regulator: ['oak', 'brass', 'steel', 'glass'],
  lantern: ['brass', 'steel'],
}

const WORK: Record<string, string> = {
  turret:
    'It is driven by two stone weights, let down through the floor, and is wound by hand with a crank as long as an arm.',
  longcase: 'The pendulum beats seconds. The weights are brass over lead and fall a hand’s breadth a day.',
  bracket: 'A spring drives it through a chain and a fusee, which evens out the pull as the spring runs down.',
  watch:
    'The balance swings five times in two seconds. It is wound with a key, anticlockwise, never quite to the stop.',
  regulator:
    'A jar of mercury hangs from the pendulum and rises as the rod grows longer in warm weather, so that neither matters.',
  lantern:
    'One weight serves both trains. There is a single hand, and the quarters are guessed, as they were meant to be.',
}

const CARE = [
  'It was cleaned last winter. Nothing was replaced that could be mended, and what was replaced is stamped with the year.',
  'The dial has its first paint. We dust it with a squirrel brush twice a year and otherwise leave it alone.',
  'An old repair in soft solder was left as it was found: it holds, and it tells how the clock was used.',
  'The case was waxed once too often in the last century; under a low light the grain can still be seen.',
]

const FINDING = [
  'Ask at the desk to hear it strike; we let it do so once a day, out of kindness to the neighbours.',
  'It stands so that it can be seen from three sides. Please leave the fourth to the keeper.',
  'A drawing of its wheels hangs beside it, at the height of a child, because children ask first.',
]

export const CLOCK_KIND: Record<string, ClockKind> = {
  turret: 'turret',
  longcase: 'longcase',
  bracket: 'bracket',
  watch: 'watch',
  regulator: 'regulator',
  lantern: 'movement',
}

const periodOf = (made: number): string =>
  made < 1700 ? 'before-1700' : made < 1800 ? 'eighteenth-century' : made < 1900 ? 'nineteenth-century' : 'after-1900'

const known = (list: { id: string }[], id: string): string => {
  if (!list.some((c) => c.id === id)) throw new Error(`The demo uses the unknown choice ${id}.`)
  return id
}

export const blank = (id: string, type: string): Entry => ({
  id,
  type,
  slug: id,
  title: '',
  excerpt: '',
  content: null,
  picture: null,
  person: null,
  parent: null,
  date: null,
  terms: [],
  fields: {},
  published: true,
  chosenFrame: null,
})

function exhibit([title, maker, made, mechanism, room, cm, summary]: Line, index: number): Entry {
  const id = slugOf(title)
  const chance = chanceOf(id)
  const striking = mechanism !== 'watch' && chance.next() > 0.2
  const condition = room === 'W' ? 'under-repair' : chance.pick(['running', 'running', 'at-rest'])
  return {
    ...blank(id, 'exhibit'),
    title,
    excerpt: summary,
    content: rich(WORK[mechanism]!, '## How it is kept', chance.pick(CARE), chance.pick(FINDING)),
    picture: `clock-${id}`,
    person: KEEPERS[room],
    date: `2024-${String(1 + (index % 12)).padStart(2, '0')}-${String(1 + ((index * 7) % 27)).padStart(2, '0')}`,
    terms: [ROOMS[room], periodOf(made)],
    fields: {
      maker,
      made: String(made),
      mechanism: known(MECHANISMS, mechanism),
      height: cm,
      accession: `QCM ${String(401 + index * 3).padStart(4, '0')}`,
      materials: MATERIAL_BY_KIND[mechanism]!.map((m) => known(MATERIALS, m)),
      strikes: striking,
      condition: known(CONDITIONS, condition),
      loan: chance.next() > 0.8,
      pictures: [`clock-${id}`, `detail-${id}`],
      documents: index % 3 === 0 ? [{ name: 'Condition report', address: '/support-us' }] : [],
      position: { x: Math.round(chance.between(5, 95)), y: Math.round(chance.between(5, 95)) },
    },
  }
}

const LONG_TITLE =
  'Astronomical and musical table clock with a calendar of saints, a planetary dial, seven tunes, and a small brass hermit who strikes the hours'

/** The awkward ones: every layout should be looked at with them. */
function awkward(): Entry[] {
  const plain = exhibit(
    [LONG_TITLE, 'Hieronymus Palk', 1768, 'bracket', 'G', 61, 'It does a great deal, and tells the time.'],
    40,
  )
  const noPicture = exhibit(
    [
      'Sundial from the south wall',
      'unknown',
      1640,
      'lantern',
      'G',
      52,
      'Not yet photographed: it is only worth looking at when it works.',
    ],
    41,
  )
  const named = exhibit(
    [
      "O'Hara & Daughters' <b>Bold</b> alarm",
      "O'Hara & Daughters",
      1893,
      'bracket',
      'N',
      17,
      'The maker’s name is written on the dial exactly as it is written here.',
    ],
    42,
  )
  const { pictures: _, ...fields } = noPicture.fields
  return [
    {
      ...plain,
      id: 'palk-table-clock',
      slug: 'palk-table-clock',
      picture: 'clock-palk-table-clock',
      fields: { ...plain.fields, pictures: ['clock-palk-table-clock'] },
    },
    { ...noPicture, picture: null, fields },
    {
      ...named,
      id: 'ohara-alarm',
      slug: 'ohara-alarm',
      picture: 'clock-ohara-alarm',
      fields: { ...named.fields, pictures: ['clock-ohara-alarm'] },
    },
    {
      ...blank('unlabelled-crate', 'exhibit'),
      slug: 'unlabelled-crate',
      terms: ['workshop'],
      picture: 'clock-unlabelled-crate',
      content: rich('Found under the stairs. Nobody has opened it yet.'),
      person: 'tobias-renn',
    },
  ]
}

const ALL_EMPTY: Entry = { ...blank('empty-bracket', 'exhibit'), title: 'Empty wall bracket' }

/** 36 exhibits; the last one has nothing but a title, and one before it not even that. */
export const EXHIBITS: Entry[] = [...LINES.slice(0, 31).map(exhibit), ...awkward(), ALL_EMPTY]
