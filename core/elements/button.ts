import { both, hrefChunk, textChunk } from '../drawing'
import { type ElementSpec, prop } from './spec'
import { describe } from './words'

export const button: ElementSpec = {
  type: 'button',
  name: 'Button',
  about: 'One clear way on. It is drawn only when it has a label and leads somewhere.',
  group: 'Words',
  props: {
    label: { kind: 'text', label: 'Label', default: 'Read more', most: 120 },
    link: { kind: 'link', label: 'Leads to', default: { page: 'home' }, dynamic: true, open: true },
    look: {
      kind: 'choice',
      label: 'Look',
      default: 'filled',
      options: [
        { value: 'filled', label: 'Filled' },
        { value: 'outlined', label: 'Outlined' },
      ],
    },
  },
  sorts: 'look',
  css: [
    '.of-btn{align-self:var(--a,start);padding:.55em 1.1em;border:1px solid var(--b-bg);border-radius:var(--b-r);' +
      'background:var(--b-bg);color:var(--b-ink);text-decoration:none;font-weight:600;line-height:1.3}' +
      '.of-outlined{background:none;color:inherit;border-color:currentColor}.of-btn:hover{text-decoration:underline}',
  ],
  states: ['hover', 'focus'],
  summary: (props, names) => describe(props.label, names),
  draw(element, compile) {
    const look = prop(element, button, 'look') === 'outlined' ? ['btn', 'outlined'] : ['btn']
    const attributes = compile.attributes(element, ...look) + compile.words('label')
    const label = textChunk(prop(element, button, 'label'))
    return both(hrefChunk(prop(element, button, 'link')), label, (href, inside) =>
      inside && (href || compile.open) ? `<a${attributes}${href && ` href="${href}"`}>${inside}</a>` : '',
    )
  },
}
