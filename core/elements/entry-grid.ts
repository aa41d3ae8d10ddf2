import { type Entry, entryName, entrySubject } from '../site'
import { attribute, escapeHtml, wrapFilled, type Scene, about, textChunk, img } from '../drawing'
import { PICTURE_CSS } from './pictures'
import { type ElementSpec, prop } from './spec'

/** Entries the grid shows: the newest of a type, or those that the page itself lists. Never the page's own. */
function entriesFor(scene: Scene, source: string, type: string | null, most: number): readonly Entry[] {
  const { catalogue, page } = scene
  const all = source === 'page' ? (page.kind === 'search' ? scene.found : catalogue.listing(page)) : null
  const entries = all ?? (type ? catalogue.entriesOfType(type) : [])
  const shown: Entry[] = []
  for (const entry of entries) {
    if (shown.length === most) break
    if (entry.id !== page.entry) shown.push(entry)
  }
  return shown
}

/** How the plain card is drawn: its parts with their attributes, and which of them are shown. */
interface PlainCard {
  tag: string
  title: string
  summary: string
  picture: string
  shows(part: string): boolean
}

/** The card that is drawn when no card layout is chosen: picture, title, summary. */
function plainCard(
  entry: Entry,
  scene: Scene,
  { tag, shows, title: own, summary: ownSummary, picture: ownPicture }: PlainCard,
): string {
  const { catalogue } = scene
  const href = catalogue.addressOf(entry.id)
  const picture = entry.picture && shows('picture') ? catalogue.pictures.get(entry.picture) : undefined
  const title = escapeHtml(entryName(entry, catalogue.types.get(entry.type)))
  const summary = entry.summary && shows('summary') ? `<p${ownSummary}>${escapeHtml(entry.summary)}</p>` : ''
  return (
    (picture ? `<div${ownPicture}>${img(picture, '', { sizes: '(max-width:640px) 100vw,33vw' })}</div>` : '') +
    `<${tag}${own}>${href ? `<a${attribute('href', href)}>${title}</a>` : title}</${tag}>${summary}`
  )
}

export const entryGrid: ElementSpec = {
  type: 'entry-grid',
  name: 'Entry grid',
  about: 'Entries side by side: the newest of a page type, or those of the archive, term or person shown.',
  group: 'Entry',
  props: {
    source: {
      kind: 'choice',
      label: 'Shows',
      default: 'newest',
      options: [
        { value: 'newest', label: 'The newest of a page type' },
        { value: 'page', label: 'The entries of this page' },
      ],
    },
    type: { kind: 'type', label: 'Page type', default: null },
    most: { kind: 'number', label: 'At most', default: 3, min: 1, max: 48 },
    columns: { kind: 'number', label: 'Columns', default: 3, min: 1, max: 6 },
    card: { kind: 'card', label: 'Each drawn as', default: null },
    level: {
      kind: 'choice',
      label: 'Titles are',
      default: '2',
      options: [
        { value: '2', label: 'Headings of level 2' },
        { value: '3', label: 'Headings of level 3' },
      ],
    },
    empty: { kind: 'text', label: 'If there are none', default: '', most: 300 },
  },
  css: [
    PICTURE_CSS,
    '.of-grid{display:grid;grid-template-columns:repeat(var(--k),minmax(0,1fr));gap:var(--g);list-style:none;padding:0}' +
      '.of-k1{--k:1}.of-k2{--k:2}.of-k3{--k:3}.of-k4{--k:4}.of-k5{--k:5}.of-k6{--k:6}.of-grid>li{min-width:0;overflow-wrap:break-word}' +
      '.of-card-title{font-size:var(--h3);line-height:1.2;margin-top:.5em}.of-card-title a{color:inherit}' +
      '.of-grid .of-row{padding-inline:0}@media (max-width:1023.98px){.of-k3,.of-k4,.of-k5,.of-k6{--k:2}}@media (max-width:639.98px){.of-grid{--k:1}}',
  ],
  parts: {
    picture: { label: 'Picture' },
    title: { label: 'Title', hides: false },
    summary: { label: 'Summary' },
  },
  summary(props, names) {
    if (props.source === 'page') return 'entries of this page'
    const type =
      typeof props.type === 'string' ? (names.type(props.type) ?? 'a type that no longer exists') : 'no type chosen'
    return `${Number(props.most ?? 3)} of ${type}`
  },
  draw(element, compile) {
    const source = String(prop(element, entryGrid, 'source'))
    const type = prop(element, entryGrid, 'type') as string | null
    const most = Number(prop(element, entryGrid, 'most'))
    const cardId = prop(element, entryGrid, 'card')
    const plain: PlainCard = {
      tag: `h${prop(element, entryGrid, 'level')}`,
      title: compile.part(element, 'title', 'card-title'),
      summary: compile.part(element, 'summary'),
      picture: compile.part(element, 'picture', 'pic', 'lying'),
      shows: (part) => compile.shows(element, part),
    }
    const attributes = compile.attributes(element, 'grid', `k${prop(element, entryGrid, 'columns')}`)
    const none = wrapFilled(`<p${compile.attributes(element)}>`, textChunk(prop(element, entryGrid, 'empty')), '</p>')
    if (typeof cardId === 'string') compile.usesCard(cardId)
    return (scene) => {
      const entries = entriesFor(scene, source, type, most)
      if (entries.length === 0) return typeof none === 'string' ? none : none(scene)
      // A card inside a card draws plainly: a grid never leads into itself.
      const card = typeof cardId === 'string' && compile.region !== 'card' ? scene.cards.get(cardId) : undefined
      let html = ''
      for (const entry of entries) {
        const subject = entrySubject(scene.catalogue, entry)
        html += `<li>${card ? card(about(scene, subject)) : plainCard(entry, scene, plain)}</li>`
      }
      return `<ul${attributes}>${html}</ul>`
    }
  },
}
