import { REGIONS } from '../tree'
import {
  KEY,
  type Shape,
  byValue,
  exact,
  id,
  isRecord,
  judged,
  key,
  kinds,
  list,
  never,
  numeric,
  oneOf,
  pattern,
  text,
  texts,
  whole,
  yesNo,
} from '../shape'
import { ROLES, isDay } from '../site'

/** The shapes of frames. That what they name is gone is no reason to refuse one: the checks report it. */

const MOST_LINES = 200
const MOST_REFINEMENTS = 20

export const OPS = [
  'is-empty',
  'is-not-empty',
  'is',
  'is-not',
  'contains',
  'at-least',
  'at-most',
  'before',
  'after',
] as const
export const DEVICES = ['phone', 'tablet', 'desktop'] as const

const oneWord = (words: readonly string[]) => new RegExp(`^(${words.join('|')})$`)
const kind = (name: string) => oneOf([name])
const ids = (why: string) => texts(KEY, 500, why, 1)

const nothing = judged((v) => (v === null || v === '' ? null : 'this test is compared with nothing'))
const DATE = judged((v) => (isDay(v) ? null : 'A test for before or after needs a date such as 2026-03-29'))
const NUMBER = numeric(-1e12, 1e12, 'A test for at least or at most needs a number')
const WORDS = text(500, 'Say what the field should contain').matches(/\S/, 'Say what the field should contain')
const PLAIN = byValue((v) => {
  if (typeof v === 'number') return numeric()
  return typeof v === 'boolean' ? yesNo() : text(500, 'Say what the field is compared with')
})

/** What each field test is compared with. */
const COMPARED: Record<(typeof OPS)[number], Shape> = {
  'is-empty': nothing,
  'is-not-empty': nothing,
  is: PLAIN,
  'is-not': PLAIN,
  contains: WORDS,
  'at-least': NUMBER,
  'at-most': NUMBER,
  before: DATE,
  after: DATE,
}

const fieldTest = kinds(
  Object.fromEntries(
    OPS.map((op) => [
      op,
      exact({ kind: kind('field'), field: key('Choose a field to test'), op: oneOf([op]), value: COMPARED[op] }),
    ]),
  ),
  'op',
  'field test',
)

const refinement = kinds(
  {
    term: exact({
      kind: kind('term'),
      taxonomy: key('Choose at least one term'),
      terms: ids('Choose at least one term'),
      below: yesNo(),
    }),
    person: exact({ kind: kind('person'), people: ids('Choose at least one person') }),
    below: exact({ kind: kind('below'), entries: ids('Choose at least one page to stand below') }),
    field: fieldTest,
  },
  'kind',
  'refinement',
)

const typeOrAny = byValue((v) => (v === null ? judged(() => null) : key('Choose a page type')))

/** One line of Covers or Except. */
export const targetShape = kinds(
  {
    every: exact({ kind: kind('every') }),
    kind: exact({ kind: kind('kind'), pages: oneOf(['entries', 'archives', 'working'], 'Choose a kind of page') }),
    type: exact({ kind: kind('type'), type: key('Choose a page type') }),
    'type-archives': exact({ kind: kind('type-archives'), type: key('Choose a page type') }),
    'term-pages': exact({ kind: kind('term-pages'), taxonomy: key('Choose a taxonomy') }),
    'person-pages': exact({ kind: kind('person-pages') }),
    entries: exact({
      kind: kind('entries'),
      type: typeOrAny,
      where: list(refinement, MOST_REFINEMENTS, `A target can have ${MOST_REFINEMENTS} refinements`),
    }),
    page: exact({ kind: kind('page'), page: key('Choose a page') }),
  },
  'kind',
  'target',
)

const DAY = judged((v) => (v === null || isDay(v) ? null : 'A day is written as 2026-03-29'))
const PARAMETER = pattern(
  /^[\w.~-]{1,60}$/,
  'A parameter name has letters, digits, dots, hyphens and underscores, and no blanks',
)
const SAID = 'Say what the parameter should be'
const asked = (op: string, values: Shape) =>
  exact({ kind: kind('parameter'), name: PARAMETER, op: oneOf([op]), values })
const values = texts(/^.{1,200}$/s, 50, SAID, 1)

const parameter = byValue((v) => {
  const op = isRecord(v) ? v.op : undefined
  return typeof op === 'string' && Object.hasOwn(PARAMETERS, op)
    ? PARAMETERS[op as keyof typeof PARAMETERS]
    : never('A parameter is there, is something, or contains something')
})
const PARAMETERS = {
  present: asked('present', texts(/^.{0,200}$/s, 50)),
  is: asked('is', values),
  contains: asked('contains', values),
}

const date = exact({
  kind: kind('date'),
  from: DAY,
  until: DAY,
  weekdays: list(whole(1, 7, 'Days of the week are numbered 1 to 7'), 7),
})
  .test('order', 'The dates are the wrong way round', (v, context) => {
    const { from, until } = v as { from: string | null; until: string | null }
    const wrong = from && until && from > until
    return !wrong || context.createError({ message: `The dates are the wrong way round: ${from} comes after ${until}` })
  })
  .test('some', 'Choose a day, a date to begin, or a date to end', (v) => {
    const { from, until, weekdays } = v as { from: unknown; until: unknown; weekdays?: unknown[] }
    return Boolean(from || until || weekdays?.length)
  })

/** One line of Only when. */
export const circumstanceShape = kinds(
  {
    parameter,
    device: exact({ kind: kind('device'), devices: texts(oneWord(DEVICES), 3, 'Choose at least one device', 1) }),
    role: exact({ kind: kind('role'), roles: texts(oneWord(ROLES), 5, 'Choose at least one role', 1) }),
    'signed-in': exact({ kind: kind('signed-in'), yes: yesNo('Choose signed in or not') }),
    date,
  },
  'kind',
  'circumstance',
)

const say = kinds(
  {
    use: exact({ kind: kind('use'), layout: id() }),
    empty: exact({ kind: kind('empty') }),
    pass: exact({ kind: kind('pass') }),
  },
  'kind',
  'say',
)

const lines = (name: string) => `${name} must be a list of at most ${MOST_LINES} lines`

export const frameShape = exact({
  id: id(),
  name: text(120, 'a name has at most 120 characters'),
  on: yesNo('on and outranks are yes or no'),
  covers: list(targetShape, MOST_LINES, lines('Covers')),
  except: list(targetShape, MOST_LINES, lines('Except')),
  onlyWhen: list(circumstanceShape, MOST_LINES, lines('Only when')),
  regions: exact(Object.fromEntries(REGIONS.map((r) => [r, say]))),
  outranks: yesNo('on and outranks are yes or no'),
  order: numeric(-1e12, 1e12, 'its order is no number'),
  offeredTo: texts(KEY, 100, 'offered to is a list of page types'),
})
