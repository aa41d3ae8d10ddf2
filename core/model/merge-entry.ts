import equal from 'fast-deep-equal'
import type { Entry, Id } from './types'

/** What of an entry two people have set to different things: one of its own keys, or one of its type's fields. */
export interface EntryContest {
  /** A key of the entry, or `field ID`. */
  what: string
  mine: unknown
  theirs: unknown
}

export interface MergedEntry {
  /** Both changes together; where both changed the same, mine. */
  entry: Entry
  contests: EntryContest[]
}

type Parts = Readonly<Record<string, unknown>>

/** An entry as its parts: each of its fields is one by itself, and terms are merged one by one. */
export function partsOfEntry({ fields, ...own }: Entry): Record<string, unknown> {
  const named = Object.entries(fields).map(([id, value]) => [`field ${id}`, value] as const)
  return { ...own, ...Object.fromEntries(named) }
}

export function entryOfParts(parts: Parts): Entry {
  const own = Object.entries(parts).filter(([what]) => !what.startsWith('field '))
  const fields = Object.entries(parts).flatMap(([what, value]) =>
    what.startsWith('field ') && value !== undefined ? [[what.slice('field '.length), value] as const] : [],
  )
  const known = own.filter(([, value]) => value !== undefined)
  return { ...Object.fromEntries(known), fields: Object.fromEntries(fields) } as unknown as Entry
}

const nothing = (value: unknown): boolean => value === null || value === undefined || value === ''
const same = (a: unknown, b: unknown): boolean => equal(a, b) || (nothing(a) && nothing(b))

/** Terms that either added are there, terms that either took are not. */
function mergeTerms(base: readonly Id[], mine: readonly Id[], theirs: readonly Id[]): Id[] {
  const kept = mine.filter((t) => theirs.includes(t) || !base.includes(t))
  return [...kept, ...theirs.filter((t) => !base.includes(t) && !kept.includes(t))]
}

/** What one has changed of an entry, part by part. */
export function changedParts(before: Entry, after: Entry): string[] {
  const [a, b] = [partsOfEntry(before), partsOfEntry(after)]
  return [...new Set([...Object.keys(a), ...Object.keys(b)])].filter((what) => !same(a[what], b[what]))
}

/** What two people made of the same entry, as one: by fields, told apart by what each changed since `base`. */
export function mergeEntries(base: Entry, mine: Entry, theirs: Entry): MergedEntry {
  const [was, own, other] = [base, mine, theirs].map(partsOfEntry) as [Parts, Parts, Parts]
  const merged: Record<string, unknown> = { ...other }
  const contests: EntryContest[] = []
  for (const what of changedParts(base, mine)) {
    if (what === 'terms') {
      merged.terms = mergeTerms(base.terms, mine.terms, theirs.terms)
      continue
    }
    merged[what] = own[what]
    if (!same(was[what], other[what]) && !same(own[what], other[what]))
      contests.push({ what, mine: own[what], theirs: other[what] })
  }
  return { entry: entryOfParts(merged), contests }
}
