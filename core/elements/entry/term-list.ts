import { PAGE_STYLES, FOCUS_CSS, type Scene, attribute, escapeHtml, img, textChunk, fill } from '../../drawing'
import { TERMS, type Catalogue } from '../../catalogue'
import type { Term } from '../../model'
import { COLUMNS_CSS, headingLevel, type ElementSpec, prop } from '../base'
import { PICTURE_CSS } from '../pictures'

/** Terms as ways to their pages: all of a taxonomy, its first ones, or those below the one shown. */
export const termList: ElementSpec = {
  type: 'term-list',
  name: 'List of terms',
  about: 'The terms of a taxonomy, or those below the term that the page shows, each leading to its page.',
  group: 'Entry',
  props: {
    source: {
      kind: 'choice',
      label: 'Shows',
      default: 'below',
      options: [
        { value: 'below', label: 'Those below the term shown' },
        { value: 'top', label: 'The first ones of a taxonomy' },
        { value: 'all', label: 'All of a taxonomy' },
      ],
    },
    taxonomy: {
      kind: 'entry-field',
      label: 'Taxonomy',
      default: null,
      for: 'terms',
      asked: { by: 'source', is: ['top', 'all'] },
    },
    empty: { kind: 'yes-no', label: 'Also those without entries', default: false },
    columns: { kind: 'number', label: 'Columns', default: 3, min: 1, max: 6 },
    above: { kind: 'text', label: 'Heading above', default: '', most: 120, hint: 'Only where there are some.' },
    level: headingLevel('Titles are'),
    most: { kind: 'number', label: 'At most', default: 24, min: 1, max: 96 },
  },
  parts: {
    above: { label: 'Heading above', hides: false, words: 'above' },
    picture: { label: 'Picture' },
    title: { label: 'Title', hides: false },
    tagline: { label: 'Tagline' },
    count: { label: 'How many entries' },
  },
  css: [FOCUS_CSS, PICTURE_CSS, COLUMNS_CSS, PAGE_STYLES.termList],
  summary: (props) => (props.source === 'top' || props.source === 'all' ? 'of a taxonomy' : 'below the term shown'),
  draw(element, compile) {
    const say = (name: string) => prop(element, termList, name)
    const open = `<div${compile.attributes(element, 'terms', `k${Number(say('columns'))}`)}>`
    const above = textChunk(say('above'))
    const level = Number(say('level'))
    const tag = `h${Math.min(5, above === '' ? level : level + 1)}`
    const aboveOpen = `<h${level}${compile.part(element, 'above')}${compile.words('above')}>`
    const own = {
      picture: compile.part(element, 'picture', 'pic', 'lying'),
      title: compile.part(element, 'title'),
      tagline: compile.part(element, 'tagline'),
      count: compile.part(element, 'count', 'count'),
    }
    const shows = (part: keyof typeof own) => compile.shows(element, part)
    const one = (term: Term, count: number, { catalogue, formats }: Scene): string => {
      const href = catalogue.page(`term:${term.id}`)?.address
      const name = escapeHtml(term.title)
      const found = term.picture && shows('picture') ? catalogue.pictures.get(term.picture) : undefined
      const picture = found ? `<div${own.picture}>${img(found, '', { sizes: compile.sizes })}</div>` : ''
      const told = shows('count') ? ` <span${own.count}>${escapeHtml(formats.number(count, NUMBER))}</span>` : ''
      const title = `<${tag}${own.title}>${href ? `<a${attribute('href', href)}>${name}</a>` : name}${told}</${tag}>`
      const tagline = term.tagline && shows('tagline') ? `<p${own.tagline}>${escapeHtml(term.tagline)}</p>` : ''
      return `<li>${picture}${title}${tagline}</li>`
    }
    const asked = {
      source: String(say('source')),
      field: say('taxonomy'),
      empty: say('empty') === true,
      most: Number(say('most')),
    }
    return (scene) => {
      const terms = shown(asked, scene)
      if (terms.length === 0) return ''
      const words = fill([above], scene)
      const title = words && `${aboveOpen}${words}</h${level}>`
      return `${open}${title}<ul>${terms.map(([term, count]) => one(term, count, scene)).join('')}</ul></div>`
    }
  },
}

const NUMBER = {}

/** How many entries are in a term or below it, each once. */
function countIn(catalogue: Catalogue, id: string): number {
  const below = catalogue.termsBelow(id)
  if (below.length < 2) return catalogue.entriesInTerm(id).length
  return new Set(below.flatMap((t) => catalogue.entriesInTerm(t).map((e) => e.id))).size
}

/** The terms that are asked for, in the order of their tree, with how many entries each has. */
function shown(
  { source, field, empty, most }: { source: string; field: unknown; empty: boolean; most: number },
  { catalogue, subject }: Scene,
): [Term, number][] {
  const below = subject.kind === 'term' ? subject.term : null
  const taxonomy = typeof field === 'string' && field.startsWith(TERMS) ? field.slice(TERMS.length) : null
  const among =
    source === 'below'
      ? catalogue.termsAt(below?.id ?? '').filter((t) => t.taxonomy === below?.taxonomy)
      : catalogue.site.terms.filter((t) => t.taxonomy === taxonomy && (source === 'all' || t.parent === null))
  const found: [Term, number][] = []
  for (const term of among) {
    if (found.length === most) break
    const count = countIn(catalogue, term.id)
    if (empty || count > 0) found.push([term, count])
  }
  return found
}
