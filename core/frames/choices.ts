import type { Catalogue } from '../site'
import type { Target } from './types'

/** A target that can be picked, with what it is called and where it stands in the list. */
export interface TargetChoice {
  target: Target
  label: string
  /** What kind of thing it is, in a word or two. */
  what: string
}

/** Every target there is to pick: all pages, kinds, types, groups, and single pages. */
export function targetChoices(catalogue: Catalogue): TargetChoice[] {
  const choices: TargetChoice[] = [
    { target: { kind: 'every' }, label: 'Every page', what: 'all' },
    { target: { kind: 'kind', pages: 'entries' }, label: 'All entries', what: 'kind' },
    { target: { kind: 'kind', pages: 'archives' }, label: 'All archives', what: 'kind' },
    { target: { kind: 'kind', pages: 'working' }, label: 'All working pages', what: 'kind' },
    { target: { kind: 'person-pages' }, label: 'Pages of people', what: 'kind' },
  ]
  for (const type of catalogue.types.values()) {
    choices.push({ target: { kind: 'type', type: type.id }, label: type.plural, what: 'page type' })
    if (type.archive)
      choices.push({
        target: { kind: 'type-archives', type: type.id },
        label: `Archives of ${type.plural}`,
        what: 'archives',
      })
  }
  for (const taxonomy of catalogue.taxonomies.values()) {
    if (taxonomy.pages)
      choices.push({
        target: { kind: 'term-pages', taxonomy: taxonomy.id },
        label: `${taxonomy.name} pages`,
        what: 'archives',
      })
  }
  return [...choices, ...termChoices(catalogue), ...personChoices(catalogue), ...pageChoices(catalogue)]
}

/** Entries in a term, for each page type that uses its taxonomy. */
function termChoices(catalogue: Catalogue): TargetChoice[] {
  const choices: TargetChoice[] = []
  for (const term of catalogue.terms.values()) {
    for (const type of catalogue.types.values()) {
      if (!type.taxonomies.includes(term.taxonomy)) continue
      const where = [{ kind: 'term' as const, taxonomy: term.taxonomy, terms: [term.id], below: false }]
      choices.push({
        target: { kind: 'entries', type: type.id, where },
        label: `${type.plural} in ${term.title}`,
        what: 'group',
      })
    }
  }
  return choices
}

/** Entries by a person, of any type: what else must hold is added to the target. */
function personChoices(catalogue: Catalogue): TargetChoice[] {
  return [...catalogue.people.values()].map((person) => ({
    target: { kind: 'entries', type: null, where: [{ kind: 'person', people: [person.id] }] },
    label: `Entries by ${person.name}`,
    what: 'group',
  }))
}

function pageChoices(catalogue: Catalogue): TargetChoice[] {
  return catalogue.pages
    .filter((p) => p.kind !== 'month')
    .map((page) => ({
      target: { kind: 'page', page: page.key },
      label: page.kind === 'home' ? `Home (${page.title})` : page.title,
      what: page.type ? (catalogue.types.get(page.type)?.name.toLowerCase() ?? 'page') : 'page',
    }))
}
