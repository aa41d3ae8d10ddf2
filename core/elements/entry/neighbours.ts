import { PAGE_STYLES, type Scene, attribute, escapeHtml, fill, textChunk } from '../../drawing'
import { type Bits, ledgerOf } from '../../lists'
import type { Entry } from '../../model'
import { entryName } from '../../catalogue'
import { type ElementSpec, prop } from '../base'

/** The entries among which one has its neighbours: those of its type, and of the same first key of a field if asked. */
function among(entry: Entry, field: string | null, { catalogue }: Scene): Bits | null {
  const ledger = ledgerOf(catalogue)
  catalogue.entriesOfType(entry.type)
  const type = ledger.setOf(`types ${entry.type}`, (e) => e.type === entry.type)
  if (!field) return type
  const [first] = ledger.keysFor(field)(entry)
  return first === undefined ? null : ledger.both(type, field, first)
}

export const neighbours: ElementSpec = {
  type: 'neighbours',
  name: 'Previous and next',
  about: 'The ways to the entries before and behind the one shown: of its type, or with the same room, term or person.',
  group: 'Entry',
  props: {
    field: {
      kind: 'entry-field',
      label: 'With the same',
      default: null,
      for: 'group',
      hint: 'Nothing: among all of its type.',
    },
    sort: { kind: 'entry-field', label: 'In the order of', default: null, for: 'sort', hint: 'Nothing: newest first.' },
    previous: { kind: 'text', label: 'Before the previous', default: 'Previous', most: 80 },
    next: { kind: 'text', label: 'Before the next', default: 'Next', most: 80 },
    name: { kind: 'text', label: 'Read out as', default: 'Beside this one', most: 80 },
  },
  parts: {
    link: { label: 'Link', hides: false, states: ['hover', 'focus'] },
    words: { label: 'Words before the title' },
    title: { label: 'Title' },
  },
  css: [PAGE_STYLES.neighbours],
  summary: () => '',
  draw(element, compile) {
    const say = (name: string) => prop(element, neighbours, name)
    const id = (name: string) => (typeof say(name) === 'string' && say(name) !== '' ? String(say(name)) : null)
    const [field, sort] = [id('field'), id('sort')]
    const open = `<nav${compile.attributes(element, 'beside-this')}`
    const own = compile.part(element, 'link')
    const wordsOpen = `<span${compile.part(element, 'words')}`
    const titleOpen = `<span${compile.part(element, 'title')}>`
    const [words, title] = [compile.shows(element, 'words'), compile.shows(element, 'title')]
    const said = { prev: textChunk(say('previous')), next: textChunk(say('next')) }
    const marks = { prev: compile.words('previous'), next: compile.words('next') }
    const name = textChunk(say('name'))
    const sorting = { group: null, sorts: sort ? [{ field: sort, down: false }] : [] }
    const link = (entry: Entry | null, rel: 'prev' | 'next', scene: Scene): string => {
      const href = entry && scene.catalogue.addressOf(entry.id)
      if (!entry || !href) return ''
      const called = escapeHtml(entryName(entry, scene.catalogue.types.get(entry.type)))
      const before = fill([said[rel]], scene)
      const shown =
        (words && before ? `${wordsOpen}${marks[rel]}>${before}</span>` : '') +
        (title || !before ? `${titleOpen}${called}</span>` : `<span class="of-sr">${called}</span>`)
      return `<a${own} rel="${rel}"${attribute('href', href)}>${shown}</a>`
    }
    return (scene) => {
      const { subject, catalogue } = scene
      if (subject.kind !== 'entry') return ''
      const set = among(subject.entry, field, scene)
      const ledger = ledgerOf(catalogue)
      const at = ledger.numberOf(subject.entry.id)
      if (!set || at === undefined) return ''
      const [before, behind] = ledger.order(sorting).around(set, at)
      const entryAt = (number: number | null) => (number === null ? null : (ledger.entries[number] ?? null))
      const html = link(entryAt(before), 'prev', scene) + link(entryAt(behind), 'next', scene)
      return html && `${open} aria-label="${fill([name], scene)}">${html}</nav>`
    }
  },
}
