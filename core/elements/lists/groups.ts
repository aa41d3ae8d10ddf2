import { type Scene, attribute, escapeHtml } from '../../drawing'
import { type Group, type Grouping, groupOf } from '../../lists'
import type { Entry } from '../../model'

/** Entries of a list that stand under one heading; null for those that belong under none. */
export interface Grouped {
  group: Group | null
  entries: Entry[]
}

/** Entries in their order, parted where the group changes. */
export function parted(entries: readonly Entry[], grouping: Grouping, { catalogue }: Scene): Grouped[] {
  const of = groupOf(catalogue, grouping)
  const parts: Grouped[] = []
  for (const entry of entries) {
    const group = of(entry)
    const last = parts.at(-1)
    if (last && last.group?.key === group?.key) last.entries.push(entry)
    else parts.push({ group, entries: [entry] })
  }
  return parts
}

/** What a group is called, as HTML: terms and people lead to their pages. */
export function groupTitle({ of: { kind, value } }: Group, { catalogue, formats }: Scene): string {
  if (kind === 'month') return escapeHtml(formats.date(`${value}-01`, MONTH))
  if (kind === 'words') return escapeHtml(value)
  const name = kind === 'term' ? catalogue.terms.get(value)?.title : catalogue.people.get(value)?.name
  const page = catalogue.page(`${kind}:${value}`)
  const title = escapeHtml(name ?? '')
  return page ? `<a${attribute('href', page.address)}>${title}</a>` : title
}

const MONTH = { date: 'month' } as const
