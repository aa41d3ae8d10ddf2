import { PAGE_STYLES, ICON_CSS, type Scene, attribute, escapeHtml, iconSvg, plainText, readValue } from '../../drawing'
import { TERMS } from '../../catalogue'
import type { Reading } from '../../fields'
import { isFieldValue } from '../../tree'
import { COLUMNS_CSS, type ElementSpec, prop, describe } from '../base'
import { ICON } from '../words'

/** One thing that an entry has, or lacks. */
interface Feature {
  name: string
  href: string | null
  has: boolean
}

/** All that could be had: the terms of a taxonomy, the choices of a field. */
function allOf(field: string, reading: Reading | null, { catalogue, subject }: Scene): { id: string; name: string }[] {
  if (field.startsWith(TERMS)) {
    const taxonomy = field.slice(TERMS.length)
    return catalogue.site.terms.filter((t) => t.taxonomy === taxonomy).map((t) => ({ id: t.id, name: t.title }))
  }
  const own = subject.kind === 'entry' ? subject.type.fields.find((f) => f.id === field) : undefined
  return ((reading?.field ?? own)?.choices ?? []).map((c) => ({ id: c.id, name: c.label }))
}

export const features: ElementSpec = {
  type: 'features',
  name: 'Features',
  about: 'What an entry has, by its choices or terms, as a ticked list; with what it lacks, dimmed, if wanted.',
  group: 'Entry',
  props: {
    value: {
      kind: 'field',
      label: 'Of the field',
      default: { kind: 'field', of: 'page', field: 'title' },
      hint: 'One with choices, or the terms of a taxonomy.',
    },
    all: { kind: 'yes-no', label: 'With what it lacks', default: false },
    icon: { ...ICON, label: 'Before what it has', default: 'check' },
    other: { ...ICON, label: 'Before what it lacks', default: 'minus' },
    lacks: {
      kind: 'text',
      label: 'Read out before what it lacks',
      default: 'not:',
      most: 60,
      asked: { by: 'all', is: [true] },
    },
    columns: { kind: 'number', label: 'Columns', default: 2, min: 1, max: 4 },
    linked: { kind: 'yes-no', label: 'Terms lead to their pages', default: true },
  },
  parts: {
    feature: { label: 'What it has', hides: false },
    lack: { label: 'What it lacks', hides: false },
    icon: { label: 'Icon' },
  },
  css: [ICON_CSS, COLUMNS_CSS, PAGE_STYLES.features],
  summary: (props, names) => describe(props.value, names),
  draw(element, compile) {
    const value = prop(element, features, 'value')
    if (!isFieldValue(value)) return ''
    const all = prop(element, features, 'all') === true
    const linked = prop(element, features, 'linked') === true
    const open = `<ul${compile.attributes(element, 'features', `k${Number(prop(element, features, 'columns'))}`)}>`
    const hasOpen = `<li${compile.part(element, 'feature')}>`
    const lackOpen = `<li${compile.part(element, 'lack', 'lack')}>`
    const iconOpen = `<span${compile.part(element, 'icon')}>`
    const iconed = compile.shows(element, 'icon')
    const sign = (name: 'icon' | 'other', scene: Scene): string => {
      const svg = iconed
        ? iconSvg(
            plainText(prop(element, features, name), scene)
              .trim()
              .toLowerCase(),
          )
        : ''
      return svg && `${iconOpen}${svg}</span>`
    }
    const found = (scene: Scene): Feature[] => {
      const read = readValue(value, scene)
      const reading = read && !('literal' in read) ? read : null
      const has = new Set(reading ? (Array.isArray(reading.value) ? reading.value : [reading.value]).map(String) : [])
      const could = allOf(value.field, reading, scene)
      return could
        .filter(({ id }) => all || has.has(id))
        .map(({ id, name }) => ({
          name,
          has: has.has(id),
          href: linked && value.field.startsWith(TERMS) ? (scene.catalogue.page(`term:${id}`)?.address ?? null) : null,
        }))
    }
    return (scene) => {
      const list = found(scene)
      // An entry that has none of it has nothing to show for it.
      if (!list.some((f) => f.has)) return ''
      const [tick, other] = [sign('icon', scene), sign('other', scene)]
      const said = escapeHtml(plainText(prop(element, features, 'lacks'), scene))
      const lines = list.map(({ name, href, has }) => {
        const words = escapeHtml(name)
        const shown = href ? `<a${attribute('href', href)}>${words}</a>` : words
        if (has) return `${hasOpen}${tick}<span>${shown}</span></li>`
        return `${lackOpen}${other}<span>${said && `<span class="of-sr">${said} </span>`}${shown}</span></li>`
      })
      return `${open}${lines.join('')}</ul>`
    }
  },
}
