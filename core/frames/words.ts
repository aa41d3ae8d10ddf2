import { REGIONS, type Region } from '../tree'
import type { Catalogue, Id } from '../site'
import type { Circumstance, FieldTestOp, Frame, Refinement, Target } from './types'

/** Looks up what things are called now; a missing one is named as missing, never skipped. */
export interface FrameNames {
  page(key: string): string
  type(id: Id, plural?: boolean): string
  taxonomy(id: Id, plural?: boolean): string
  term(id: Id): string
  person(id: Id): string
  entry(id: Id): string
  field(type: Id | null, id: Id): string
  choice(type: Id | null, field: Id, value: unknown): string
}

const GONE = '(no longer there)'
const KIND_NAMES = { entries: 'All entries', archives: 'All archives', working: 'All working pages' }

export const OP_WORDS: Record<FieldTestOp, string> = {
  'is-empty': 'is empty',
  'is-not-empty': 'is not empty',
  is: 'is',
  'is-not': 'is not',
  contains: 'contains',
  'at-least': 'is at least',
  'at-most': 'is at most',
  before: 'is before',
  after: 'is after',
}

export const or = (items: string[]): string => joined(items, 'or')
const and = (items: string[]): string => joined(items, 'and')

function joined(items: string[], word: string): string {
  return items.length < 2 ? (items[0] ?? '') : `${items.slice(0, -1).join(', ')} ${word} ${items.at(-1)}`
}

export function refinementName(r: Refinement, type: Id | null, names: FrameNames): string {
  switch (r.kind) {
    case 'term':
      return `in ${or(r.terms.map((t) => names.term(t))) || GONE}${r.below ? ' or below' : ''}`
    case 'person':
      return `by ${or(r.people.map((p) => names.person(p))) || GONE}`
    case 'below':
      return `below ${or(r.entries.map((e) => names.entry(e))) || GONE}`
    case 'field': {
      const test = `${names.field(type, r.field)} ${OP_WORDS[r.op]}`
      const asked = r.op === 'is-empty' || r.op === 'is-not-empty'
      return `with ${test}${asked ? '' : ` ${names.choice(type, r.field, r.value)}`}`
    }
  }
}

/** A target in plain words: "Exhibits in Tower Room", "Not found". */
export function targetName(target: Target, names: FrameNames): string {
  switch (target.kind) {
    case 'every':
      return 'Every page'
    case 'kind':
      return KIND_NAMES[target.pages]
    case 'type':
      return names.type(target.type, true)
    case 'type-archives':
      return `Archives of ${names.type(target.type, true)}`
    case 'term-pages':
      return `${names.taxonomy(target.taxonomy)} pages`
    case 'person-pages':
      return 'Pages of people'
    case 'page':
      return names.page(target.page)
    case 'entries': {
      const type = target.type === null ? 'Entries' : names.type(target.type, true)
      return [
        type,
        ...(target.where.length ? [and(target.where.map((r) => refinementName(r, target.type, names)))] : []),
      ].join(' ')
    }
  }
}

const DAYS = ['Mondays', 'Tuesdays', 'Wednesdays', 'Thursdays', 'Fridays', 'Saturdays', 'Sundays']

function dateName({ from, until, weekdays }: Extract<Circumstance, { kind: 'date' }>): string {
  const days = weekdays.length ? `on ${or(weekdays.map((d) => DAYS[d - 1] ?? '?'))}` : ''
  return [days, from && `from ${from}`, until && `until ${until}`].filter(Boolean).join(' ') || 'at any date'
}

/** A circumstance as the end of a sentence: "when signed in". */
export function circumstanceName(c: Circumstance): string {
  switch (c.kind) {
    case 'parameter':
      if (c.op === 'present') return `when the address has ?${c.name}`
      return `when ?${c.name} ${c.op === 'is' ? 'is' : 'contains'} ${or(c.values)}`
    case 'device':
      return `on ${or(c.devices.map((d) => `a ${d}`)) || 'no device'}`
    case 'role':
      return `for ${or(c.roles.map((r) => `a ${r}`)) || 'nobody'}`
    case 'signed-in':
      return c.yes ? 'when signed in' : 'when not signed in'
    case 'date':
      return dateName(c)
  }
}

/** The frame's own name, or its conditions as one plain sentence. */
export function frameName(frame: Frame, names: FrameNames): string {
  return frame.name.trim() || frameSentence(frame, names)
}

/** What frames are called where several stand together: those of the same words are told apart by what they say, or counted. */
export function frameLabels(
  frames: readonly Frame[],
  names: FrameNames,
  layoutName: (id: Id) => string,
): Map<Id, string> {
  const byName = new Map<string, Frame[]>()
  for (const frame of frames) {
    const name = frameName(frame, names)
    byName.set(name, [...(byName.get(name) ?? []), frame])
  }
  const labels = new Map<Id, string>()
  for (const [name, alike] of byName) {
    if (alike.length === 1) labels.set(alike[0]!.id, name)
    else
      for (const [i, frame] of alike.entries())
        labels.set(frame.id, `${name} (${apart(frame, alike, layoutName) ?? i + 1})`)
  }
  return labels
}

/** The first say in which a frame differs from all of the same name, in words; null when there is none. */
function apart(frame: Frame, alike: readonly Frame[], layoutName: (id: Id) => string): string | null {
  const said = (f: Frame, region: Region) => {
    const say = f.regions[region]
    return say.kind === 'use'
      ? `${region}: ${layoutName(say.layout)}`
      : say.kind === 'empty'
        ? `${region} left empty`
        : ''
  }
  const region = REGIONS.find((r) => {
    const own = said(frame, r)
    return own && alike.every((f) => f.id === frame.id || said(f, r) !== own)
  })
  return region ? said(frame, region) : null
}

export function frameSentence(frame: Frame, names: FrameNames): string {
  const covers = and(frame.covers.map((t) => targetName(t, names))) || 'No page yet'
  const except = frame.except.length ? `, except ${and(frame.except.map((t) => targetName(t, names)))}` : ''
  const when = frame.onlyWhen.length ? `, ${and(frame.onlyWhen.map(circumstanceName))}` : ''
  return covers + except + when
}

/** Names as the catalogue has them. */
export function namesFrom(catalogue: Catalogue): FrameNames {
  const fieldOf = (type: Id | null, id: Id) => {
    const types = type ? [catalogue.types.get(type)] : [...catalogue.types.values()]
    return types.flatMap((t) => t?.fields ?? []).find((f) => f.id === id)
  }
  const builtIn: Record<Id, string> = {
    title: 'Title',
    summary: 'Summary',
    content: 'Content',
    picture: 'Lead picture',
    date: 'Date',
    person: 'Person',
  }
  return {
    page: (key) => (key === 'home' ? 'Home' : (catalogue.page(key)?.title ?? `A page ${GONE}`)),
    type: (id, plural) => catalogue.types.get(id)?.[plural ? 'plural' : 'name'] ?? `A page type ${GONE}`,
    taxonomy: (id, plural) => catalogue.taxonomies.get(id)?.[plural ? 'plural' : 'name'] ?? `A taxonomy ${GONE}`,
    term: (id) => catalogue.terms.get(id)?.title ?? `a term ${GONE}`,
    person: (id) => catalogue.people.get(id)?.name ?? `a person ${GONE}`,
    entry: (id) => catalogue.page(`entry:${id}`)?.title ?? `a page ${GONE}`,
    field: (type, id) => builtIn[id] ?? fieldOf(type, id)?.label ?? `a field ${GONE}`,
    choice(type, field, value) {
      if (typeof value === 'boolean') return value ? 'yes' : 'no'
      const choice = fieldOf(type, field)?.choices?.find((c) => c.id === value)
      return choice?.label ?? (value === null || value === '' ? 'nothing' : String(value))
    },
  }
}
