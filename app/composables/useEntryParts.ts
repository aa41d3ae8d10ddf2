import type { Catalogue } from '#core/catalogue'
import type { Entry } from '#core/model'
import { fieldSpec, wordsOf } from '#core/fields'
import { isRichDoc } from '#core/rich'

/** What the parts of an entry are called, and what stands in them, in words. */
export function useEntryParts(catalogue: () => Catalogue, entry: () => Entry) {
  const NAMES: Record<string, string> = {
    title: 'Title',
    slug: 'Last part of the address',
    summary: 'Summary',
    content: 'Content',
    picture: 'Lead picture',
    parent: 'Stands below',
    date: 'Date',
    terms: 'Terms',
    published: 'Published',
    from: 'Published from',
    until: 'Published until',
    leftOut: 'Left out',
    chosenFrame: 'Frame',
  }
  const type = () => catalogue().types.get(entry().type)
  const field = (what: string) => type()?.fields.find((f) => `field ${f.id}` === what)

  const label = (what: string): string => {
    if (what === 'person') return type()?.personLabel || 'Person'
    return field(what)?.label ?? NAMES[what] ?? what.replace(/^field /, '')
  }

  const nameOf = (id: string): string => {
    const { terms, people, pictures, entries } = catalogue()
    return terms.get(id)?.title ?? people.get(id)?.name ?? pictures.get(id)?.alt ?? entries.get(id)?.title ?? id
  }
  const NAMED = new Set(['picture', 'person', 'parent', 'terms'])
  function words(what: string, value: unknown): string {
    if (value === null || value === undefined || value === '') return 'nothing'
    const of = field(what)
    const things = of && fieldSpec(of.kind).refers !== null
    if (NAMED.has(what) || things)
      return (Array.isArray(value) ? value : [value]).map((v) => nameOf(String(v))).join(', ') || 'none'
    return wordsOf(value, of) || (isRichDoc(value) ? 'text without words' : 'nothing')
  }

  return { label, words }
}
