import {
  PAGE_STYLES,
  type Scene,
  attribute,
  escapeHtml,
  fill,
  img,
  pictureOf,
  readValue,
  textChunk,
} from '../../drawing'
import type { Person } from '../../model'
import { safeAddress } from '../../addresses'
import { isFieldValue } from '../../tree'
import { PICTURE_CSS } from '../pictures'
import { type ElementSpec, prop, describe } from '../base'
import { titleLink } from '../lists'

/** The parts of a card, from top to bottom. */
const PARTS = ['picture', 'name', 'role', 'words', 'mail', 'phone'] as const
type Part = (typeof PARTS)[number] | 'entries' | 'heading'

const lead = (scheme: string, said: string, target: string): string => {
  const href = safeAddress(`${scheme}:${target}`)
  return href ? `<a${attribute('href', href)}>${escapeHtml(said)}</a>` : escapeHtml(said)
}

export const personCard: ElementSpec = {
  type: 'person-card',
  name: 'Person card',
  about: 'Who looks after the entry: picture, name, role, words, ways to reach them, and their other entries.',
  group: 'Entry',
  props: {
    person: {
      kind: 'field',
      label: 'Person',
      default: { kind: 'field', of: 'page', field: 'person' },
      kinds: ['person'],
    },
    most: { kind: 'number', label: 'Other entries, at most', default: 0, min: 0, max: 12 },
    more: { kind: 'text', label: 'Above the other entries', default: 'Also', most: 120 },
    beside: { kind: 'yes-no', label: 'Picture beside the words', default: false },
  },
  parts: {
    picture: { label: 'Picture' },
    name: { label: 'Name', hides: false },
    role: { label: 'Role' },
    words: { label: 'Words' },
    mail: { label: 'Mail address' },
    phone: { label: 'Telephone' },
    heading: { label: 'Above the other entries', words: 'more' },
    entries: { label: 'Other entries' },
  },
  css: [PICTURE_CSS, PAGE_STYLES.personCard],
  summary: (props, names) => describe(props.person, names),
  draw(element, compile) {
    const value = prop(element, personCard, 'person')
    if (!isFieldValue(value)) return ''
    const beside = prop(element, personCard, 'beside') === true
    const open = `<div${compile.attributes(element, 'person', ...(beside ? ['beside'] : []))}>`
    const most = Number(prop(element, personCard, 'most'))
    const more = textChunk(prop(element, personCard, 'more'))
    const looks = (name: Part, ...classes: string[]) => compile.part(element, name, ...classes)
    const opens: Record<Part, string> = {
      picture: `<div${looks('picture', 'pic', 'square')}>`,
      name: `<p${looks('name', 'person-name')}>`,
      role: `<p${looks('role')}>`,
      words: `<p${looks('words')}>`,
      mail: `<p${looks('mail')}>`,
      phone: `<p${looks('phone')}>`,
      heading: `<p${looks('heading')}${compile.words('more')}>`,
      entries: `<ul${looks('entries')}>`,
    }
    const DRAW: Record<(typeof PARTS)[number], (person: Person, scene: Scene) => string> = {
      picture(person, scene) {
        const picture = person.picture ? pictureOf(person.picture, scene) : null
        return picture ? `${opens.picture}${img(picture, '', { sizes: compile.sizes })}</div>` : ''
      },
      name({ id, name }, { catalogue }) {
        const page = catalogue.page(`person:${id}`)
        const words = escapeHtml(name)
        return `${opens.name}${page ? `<a${attribute('href', page.address)}>${words}</a>` : words}</p>`
      },
      role: ({ role }) => role && `${opens.role}${escapeHtml(role)}</p>`,
      words: ({ about }) => about && `${opens.words}${escapeHtml(about)}</p>`,
      mail: ({ mail }) => mail && `${opens.mail}${lead('mailto', mail, mail)}</p>`,
      phone: ({ phone = '' }) => phone && `${opens.phone}${lead('tel', phone, phone.replace(/[^\d+]/g, ''))}</p>`,
    }
    const others = ({ id }: Person, scene: Scene): string => {
      if (most === 0 || !compile.shows(element, 'entries')) return ''
      const found = scene.catalogue
        .entriesBy(id)
        .filter((e) => e.id !== scene.page.entry)
        .slice(0, most)
      if (found.length === 0) return ''
      const head = compile.shows(element, 'heading') ? `${opens.heading}${fill([more], scene)}</p>` : ''
      return `${head}${opens.entries}${found.map((e) => `<li>${titleLink(e, scene)}</li>`).join('')}</ul>`
    }
    const shown = PARTS.filter((part) => compile.shows(element, part))
    return (scene) => {
      const read = readValue(value, scene)
      const id = read && !('literal' in read) && read.kind === 'person' ? String(read.value) : ''
      const person = id ? scene.catalogue.people.get(id) : undefined
      if (!person) return ''
      return `${open}${shown.map((part) => DRAW[part](person, scene)).join('')}${others(person, scene)}</div>`
    }
  },
}
