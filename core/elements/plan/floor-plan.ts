import { type Scene, attribute, escapeHtml, fill, textChunk } from '../../drawing'
import { type Floor, type FloorPlan, type Id, type Point, areaAt } from '../../site'
import { titleLink } from '../lists/cards'
import { type ElementSpec, prop } from '../spec'
import { namesOn, outline, paperOf, stripOf } from './outline'
import { type Standing, listedStanding, neighboursOf, standingOf } from './standing'

/** What is drawn: the entry that the page is about, and what else stands there, numbered from 1. */
interface Shown {
  here: Standing | null
  others: readonly Standing[]
  floors: readonly Floor[]
}

export const floorPlan: ElementSpec = {
  type: 'floor-plan',
  name: 'Floor plan',
  about:
    "Where the entry stands on the site's own floor plan, with what is close by; on archives, where all that is listed stands.",
  group: 'Entry',
  props: {
    field: {
      kind: 'entry-field',
      label: 'Stands by',
      default: null,
      for: 'place',
      hint: 'Nothing: by the first position that its type has.',
    },
    floors: {
      kind: 'choice',
      label: 'Floors',
      default: 'own',
      options: [
        { value: 'own', label: 'Where something stands' },
        { value: 'all', label: 'All of them' },
      ],
    },
    most: { kind: 'number', label: 'What is close by, at most', default: 4, min: 0, max: 20 },
    near: { kind: 'text', label: 'Above what is close by', default: 'Close by', most: 80 },
  },
  parts: {
    rooms: { label: 'Rooms' },
    names: { label: 'Names of rooms' },
    here: { label: 'Mark of the entry' },
    marks: { label: 'Marks of the others' },
    caption: { label: 'Where it is, in words' },
    heading: { label: 'Above what is close by', words: 'near' },
    list: { label: 'What is close by' },
  },
  css: [
    '.of-plan{display:grid;gap:1.2em}.of-plan figure{margin:0}.of-plan svg{display:block;width:100%;height:auto;max-width:720px;overflow:visible}.of-plan figcaption{margin-top:.5em;font-size:.9em}' +
      '.of-plan-rooms{fill:none;stroke:currentColor;stroke-width:2;stroke-linejoin:round;opacity:.45}.of-plan-in{fill:currentColor;opacity:.09}.of-plan-names{font-size:17px;text-anchor:middle;fill:currentColor;opacity:.75}' +
      '.of-plan-here{color:var(--c-link);fill:currentColor}.of-plan-marks circle{fill:currentColor;fill-opacity:.08;stroke:currentColor;stroke-width:1.5}.of-plan a{color:inherit}.of-plan ol a{color:var(--c-link)}.of-plan-marks text{font-size:14px;text-anchor:middle;fill:currentColor}' +
      '.of-plan ol{padding-left:1.6em;columns:14em;column-gap:2em}',
  ],
  summary: () => '',
  draw(element, compile) {
    const say = (name: string) => prop(element, floorPlan, name)
    const field = typeof say('field') === 'string' && say('field') !== '' ? String(say('field')) : null
    const [all, most] = [say('floors') === 'all', Number(say('most'))]
    const heading = textChunk(say('near'))
    const open = `<div${compile.attributes(element, 'plan')}>`
    const shows = (part: string) => compile.shows(element, part)
    const group = (part: string, inside: string) =>
      inside && shows(part) ? `<g${compile.part(element, part, `plan-${part}`)}>${inside}</g>` : ''
    const captionOpen = `<figcaption${compile.part(element, 'caption')}>`
    const headingOpen = `<p${compile.part(element, 'heading')}${compile.words('near')}>`
    const listOpen = `<ol${compile.part(element, 'list')}>`
    // What is not of one entry is the same wherever a floor is drawn.
    const rooms = new WeakMap<Floor, string>()
    const roomsOn = (floor: Floor, plan: FloorPlan): string => {
      let drawn = rooms.get(floor)
      if (drawn === undefined) {
        const paper = paperOf(plan)
        const path = outline(floor.shapes, paper)
        drawn = (path && group('rooms', `<path d="${path}"/>`)) + group('names', namesOn(floor, paper))
        rooms.set(floor, drawn)
      }
      return drawn
    }

    const marksOn = (floor: Floor, { here, others }: Shown, plan: FloorPlan, { catalogue }: Scene): string => {
      const paper = paperOf(plan)
      const at = ({ at: { x, y } }: Standing) => paper.at([x, y] as Point)
      const marks = others.map((other, i) => {
        if (other.floor !== floor) return ''
        const [x, y] = at(other)
        const href = catalogue.addressOf(other.entry.id)
        const mark = `<circle cx="${x}" cy="${y}" r="11"/><text x="${x}" y="${y + 5}">${i + 1}</text>`
        return href ? `<a tabindex="-1"${attribute('href', href)}>${mark}</a>` : mark
      })
      const own = here?.floor === floor ? at(here) : null
      const mark = own ? `<circle cx="${own[0]}" cy="${own[1]}" r="9"/>` : ''
      return group('marks', marks.join('')) + group('here', mark)
    }

    const caption = (floor: Floor, { here }: Shown, { catalogue }: Scene): string => {
      const area = here?.floor === floor ? areaAt(floor, here.at) : null
      const page = area?.term ? catalogue.page(`term:${area.term}`) : undefined
      const name = escapeHtml(area?.name ?? '')
      const room = page ? `<a${attribute('href', page.address)}>${name}</a>` : name
      const words = [room, escapeHtml(floor.name)].filter(Boolean).join(', ')
      return words && shows('caption') ? `${captionOpen}${words}</figcaption>` : ''
    }

    const floorHtml = (floor: Floor, shown: Shown, plan: FloorPlan, scene: Scene): string => {
      const paper = paperOf(plan)
      const area = shown.here?.floor === floor ? areaAt(floor, shown.here.at) : null
      const within =
        area && shows('rooms') ? `<path class="of-plan-in" fill-rule="evenodd" d="${outline([area], paper)}"/>` : ''
      // What it shows is said by the words below it, and led to from the list.
      const [top, height] = stripOf(floor, paper)
      const svg = `<svg viewBox="0 ${top} ${paper.width} ${height}" aria-hidden="true">${within}${roomsOn(floor, plan)}${marksOn(floor, shown, plan, scene)}</svg>`
      return `<figure>${svg}${caption(floor, shown, scene)}</figure>`
    }

    const listHtml = ({ here, others }: Shown, scene: Scene): string => {
      if (others.length === 0 || !shows('list')) return ''
      const words = here && shows('heading') ? fill([heading], scene) : ''
      const items = others.map((other) => `<li>${titleLink(other.entry, scene)}</li>`).join('')
      return `${words && `${headingOpen}${words}</p>`}${listOpen}${items}</ol>`
    }

    const shownOn = (plan: FloorPlan, scene: Scene): Shown | null => {
      const { subject, catalogue } = scene
      const here = subject.kind === 'entry' ? standingOf(subject.entry, field, plan, catalogue) : null
      // An entry that does not say where it stands is on no plan.
      if (
        subject.kind === 'entry' &&
        catalogue.types.get(subject.entry.type)?.fields.some((f) => f.kind === 'position') &&
        !here
      )
        return null
      const others = here ? neighboursOf(here, field, most, plan, scene) : listedStanding(field, plan, scene)
      const stood: ReadonlySet<Id> = new Set([...(here ? [here] : []), ...others].map((s) => s.floor.id))
      const floors = plan.floors.filter((f) => all || stood.size === 0 || stood.has(f.id))
      return { here, others, floors }
    }

    return (scene) => {
      const plan = scene.catalogue.site.settings.floorPlan
      const shown = plan ? shownOn(plan, scene) : null
      if (!plan || !shown) return ''
      return `${open}${shown.floors.map((f) => floorHtml(f, shown, plan, scene)).join('')}${listHtml(shown, scene)}</div>`
    }
  },
}
