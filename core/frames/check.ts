import { REGIONS } from '../layouts/types'
import { type Problem, problem } from '../problems'
import type { Circumstance, Frame, Refinement, Target } from './types'

const ID = /^[\w:-]{1,80}$/
const DAY = /^\d{4}-\d{2}-\d{2}$/
const OPS = ['is-empty', 'is-not-empty', 'is', 'is-not', 'contains', 'at-least', 'at-most', 'before', 'after']
const ROLES = ['visitor', 'member', 'writer', 'designer', 'owner']
const DEVICES = ['phone', 'tablet', 'desktop']
const MOST_LINES = 200

const isId = (value: unknown): value is string => typeof value === 'string' && ID.test(value)
const isIds = (value: unknown): boolean => Array.isArray(value) && value.length > 0 && value.every(isId)
const isRecord = (v: unknown): v is Record<string, unknown> => typeof v === 'object' && v !== null && !Array.isArray(v)

function refuseRefinement(r: Refinement): string | null {
  if (!isRecord(r)) return 'A refinement cannot be read'
  switch (r.kind) {
    case 'term':
      return isId(r.taxonomy) && isIds(r.terms) ? null : 'Choose at least one term'
    case 'person':
      return isIds(r.people) ? null : 'Choose at least one person'
    case 'below':
      return isIds(r.entries) ? null : 'Choose at least one page to stand below'
    case 'field':
      if (!isId(r.field)) return 'Choose a field to test'
      if (!OPS.includes(r.op)) return `There is no field test called ${String(r.op)}`
      return refuseTestValue(r)
    default:
      return `There is no refinement called ${String((r as { kind: unknown }).kind)}`
  }
}

function refuseTestValue({ op, value }: Extract<Refinement, { kind: 'field' }>): string | null {
  if (op === 'is-empty' || op === 'is-not-empty') return null
  if (op === 'at-least' || op === 'at-most') {
    return typeof value === 'number' && Number.isFinite(value) ? null : 'A test for at least or at most needs a number'
  }
  if (op === 'before' || op === 'after') {
    return typeof value === 'string' && !Number.isNaN(Date.parse(value))
      ? null
      : 'A test for before or after needs a date'
  }
  if (op === 'contains') return typeof value === 'string' && value.trim() ? null : 'Say what the field should contain'
  const plain = typeof value === 'string' || typeof value === 'boolean' || typeof value === 'number'
  return plain && String(value).length <= 500 ? null : 'Say what the field is compared with'
}

const REFUSE_TARGET: { [K in Target['kind']]: (target: Extract<Target, { kind: K }>) => string | null } = {
  every: () => null,
  kind: (t) => (['entries', 'archives', 'working'].includes(t.pages) ? null : 'Choose a kind of page'),
  type: (t) => (isId(t.type) ? null : 'Choose a page type'),
  'type-archives': (t) => (isId(t.type) ? null : 'Choose a page type'),
  'term-pages': (t) => (isId(t.taxonomy) ? null : 'Choose a taxonomy'),
  'person-pages': () => null,
  page: (t) => (isId(t.page) ? null : 'Choose a page'),
  entries(t) {
    if (t.type !== null && !isId(t.type)) return 'Choose a page type'
    if (!Array.isArray(t.where) || t.where.length > 20) return 'A target can have 20 refinements'
    return t.where.map(refuseRefinement).find(Boolean) ?? null
  },
}

const REFUSE_CIRCUMSTANCE: { [K in Circumstance['kind']]: (c: Extract<Circumstance, { kind: K }>) => string | null } = {
  parameter(c) {
    if (typeof c.name !== 'string' || !/^[\w.~-]{1,60}$/.test(c.name)) {
      return 'A parameter name has letters, digits, dots, hyphens and underscores, and no blanks'
    }
    if (!['present', 'is', 'contains'].includes(c.op))
      return 'A parameter is there, is something, or contains something'
    const values = Array.isArray(c.values) && c.values.every((v) => typeof v === 'string' && v.length <= 200)
    return values && (c.op === 'present' || c.values.some((v) => v)) ? null : 'Say what the parameter should be'
  },
  device: (c) =>
    Array.isArray(c.devices) && c.devices.length > 0 && c.devices.every((d) => DEVICES.includes(d))
      ? null
      : 'Choose at least one device',
  role: (c) =>
    Array.isArray(c.roles) && c.roles.length > 0 && c.roles.every((r) => ROLES.includes(r))
      ? null
      : 'Choose at least one role',
  'signed-in': (c) => (typeof c.yes === 'boolean' ? null : 'Choose signed in or not'),
  date({ from, until, weekdays }) {
    const days = [from, until].every(
      (d) => d === null || (typeof d === 'string' && DAY.test(d) && !Number.isNaN(Date.parse(d))),
    )
    if (!days) return 'A day is written as 2026-03-29'
    if (from && until && from > until) return `The dates are the wrong way round: ${from} comes after ${until}`
    const week = Array.isArray(weekdays) && weekdays.every((d) => Number.isInteger(d) && d >= 1 && d <= 7)
    if (!week) return 'Days of the week are numbered 1 to 7'
    return from || until || weekdays.length ? null : 'Choose a day, a date to begin, or a date to end'
  },
}

const noSuch = (what: string, thing: unknown): string =>
  isRecord(thing) ? `There is no ${what} called ${String(thing.kind)}` : `A ${what} cannot be read`

function checkTargets(targets: unknown, name: string): Problem[] {
  if (!Array.isArray(targets) || targets.length > MOST_LINES) {
    return [problem('frame-shape', { why: `${name} must be a list of at most ${MOST_LINES} targets` })]
  }
  return (targets as Target[]).flatMap((t) => {
    const refuse = isRecord(t) && Object.hasOwn(REFUSE_TARGET, t.kind) ? REFUSE_TARGET[t.kind] : null
    const why = refuse ? refuse(t as never) : noSuch('target', t)
    return why ? problem('frame-target', { why }) : []
  })
}

function checkCircumstances(list: unknown): Problem[] {
  if (!Array.isArray(list) || list.length > MOST_LINES)
    return [problem('frame-shape', { why: 'Only when must be a list' })]
  return (list as Circumstance[]).flatMap((c) => {
    const refuse = isRecord(c) && Object.hasOwn(REFUSE_CIRCUMSTANCE, c.kind) ? REFUSE_CIRCUMSTANCE[c.kind] : null
    const why = refuse ? refuse(c as never) : noSuch('circumstance', c)
    return why ? problem('frame-circumstance', { why }) : []
  })
}

function checkSays(regions: unknown): Problem[] {
  if (!isRecord(regions)) return [problem('frame-shape', { why: 'it says nothing about the regions' })]
  return REGIONS.flatMap((region) => {
    const say = regions[region] as { kind?: unknown; layout?: unknown } | undefined
    const known = say?.kind === 'empty' || say?.kind === 'pass' || (say?.kind === 'use' && isId(say.layout))
    return known ? [] : problem('frame-shape', { why: `its say on the ${region} is unknown` })
  })
}

/**
 * Every way in which a frame cannot be stored; none when it can. Targets that no longer exist are no reason:
 * they are reported by the checks. Takes anything at all.
 */
export function checkFrame(frame: Frame): Problem[] {
  if (!isRecord(frame)) return [problem('frame-shape', { why: 'it is something else' })]
  const problems: Problem[] = []
  if (typeof frame.id !== 'string' || !/^[\w-]{1,40}$/.test(frame.id))
    problems.push(problem('id-form', { id: String(frame.id) }))
  if (typeof frame.name !== 'string' || frame.name.length > 120) problems.push(problem('name-missing', { most: 120 }))
  if (typeof frame.on !== 'boolean' || typeof frame.outranks !== 'boolean') {
    problems.push(problem('frame-shape', { why: 'on and outranks are yes or no' }))
  }
  if (typeof frame.order !== 'number' || !Number.isFinite(frame.order))
    problems.push(problem('frame-shape', { why: 'its order is no number' }))
  if (!Array.isArray(frame.offeredTo) || !frame.offeredTo.every(isId))
    problems.push(problem('frame-shape', { why: 'offered to is a list of page types' }))
  return [
    ...problems,
    ...checkTargets(frame.covers, 'Covers'),
    ...checkTargets(frame.except, 'Except'),
    ...checkCircumstances(frame.onlyWhen),
    ...checkSays(frame.regions),
  ]
}
