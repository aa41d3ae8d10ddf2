import { type Entry, blankEntry } from '../../core/model'
import { slugOf } from '../../core/addresses'
import { reportOf, strikeOf } from '../files'
import { chanceOf } from '../pictures/chance'
import type { ClockKind } from '../pictures/clocks'
import { rich } from '../rich'
import LINES from './exhibits.json' with { type: 'json' }
import AWKWARD from './awkward.json' with { type: 'json' }
import { positionIn } from './floor-plan'
import { CONDITIONS, MATERIALS, MECHANISMS } from './kinds'

const ROOMS = { T: 'tower-room', G: 'long-gallery', C: 'watch-cabinet', N: 'night-room', W: 'workshop' }
const KEEPERS = { T: 'ines-calloway', G: 'tobias-renn', C: 'maud-oshea', N: 'yusuf-hadley', W: 'tobias-renn' }

type Room = keyof typeof ROOMS
interface ExhibitLine {
  title: string
  maker: string
  made: number
  mechanism: string
  room: Room
  height: number
  summary: string
}

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

/** What moves so that it is worth a film. */
const FILMED: ReadonlySet<string> = new Set(['turret', 'lantern'])

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

function exhibit({ title, maker, made, mechanism, room, height, summary }: ExhibitLine, index: number): Entry {
  const id = slugOf(title)
  const chance = chanceOf(id)
  const striking = mechanism !== 'watch' && chance.next() > 0.2
  const strikes = striking ? strikeOf(mechanism) : null
  const condition = room === 'W' ? 'under-repair' : chance.pick(['running', 'running', 'at-rest'])
  return {
    ...blankEntry(id, 'exhibit'),
    title,
    summary,
    content: rich(WORK[mechanism]!, '## How it is kept', chance.pick(CARE), chance.pick(FINDING)),
    picture: `clock-${id}`,
    person: KEEPERS[room],
    date: `2024-${String(1 + (index % 12)).padStart(2, '0')}-${String(1 + ((index * 7) % 27)).padStart(2, '0')}`,
    terms: [ROOMS[room], periodOf(made)],
    fields: {
      maker,
      made: String(made),
      mechanism: known(MECHANISMS, mechanism),
      height,
      accession: `QCM ${String(401 + index * 3).padStart(4, '0')}`,
      materials: MATERIAL_BY_KIND[mechanism]!.map((m) => known(MATERIALS, m)),
      strikes: striking,
      condition: known(CONDITIONS, condition),
      loan: chance.next() > 0.8,
      pictures: [
        `clock-${id}`,
        `detail-${id}`,
        ...(index % 4 !== 3 ? [`dial-${id}`, `train-${id}`, `wheels-${id}`] : []),
      ],
      ...(FILMED.has(mechanism) && { film: `https://films.example.org/quillmere/${id}` }),
      ...(strikes && { sound: strikes }),
      documents: index % 3 === 0 ? [reportOf(id, title, [summary, WORK[mechanism]!, chance.pick(CARE)])] : [],
      position: positionIn(ROOMS[room], index),
    },
  }
}

/** The awkward ones: every layout should be looked at with them. */
function awkward(): Entry[] {
  const [plain, noPicture, named] = (AWKWARD as ExhibitLine[]).map((line, i) => exhibit(line, 40 + i))
  if (!plain || !noPicture || !named) throw new Error('The demo needs its three awkward exhibits.')
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
      ...blankEntry('unlabelled-crate', 'exhibit'),
      slug: 'unlabelled-crate',
      terms: ['workshop'],
      picture: 'clock-unlabelled-crate',
      content: rich('Found under the stairs. Nobody has opened it yet.'),
      person: 'tobias-renn',
    },
  ]
}

const ALL_EMPTY: Entry = { ...blankEntry('empty-bracket', 'exhibit'), title: 'Empty wall bracket' }

/** 36 exhibits; the last one has nothing but a title, and one before it not even that. */
export const EXHIBITS: Entry[] = [...(LINES as ExhibitLine[]).map(exhibit), ...awkward(), ALL_EMPTY]
