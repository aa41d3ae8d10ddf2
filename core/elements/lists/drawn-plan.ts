import { type Chunk, type Compile, type Scene, attribute, escapeHtml, fill, textChunk } from '../../drawing'
import type { Floor, FloorPlan, FloorShape, Id } from '../../model'
import type { LayoutElement, Value } from '../../tree'
import { titleLink } from './cards'
import { namesOn, outline, paperOf, stripOf } from './plan-outline'
import { type PlacedEntry, listedStanding, neighboursOf, positionField, standingOf } from './plan-standing'

/** What is drawn: the entry that the page is about, and what else stands there, numbered from 1. */
interface Shown {
  here: PlacedEntry | null
  others: readonly PlacedEntry[]
  floors: readonly Floor[]
}

/** What is drawn into the picture by groups, each a part with looks of its own. */
type Group = 'rooms' | 'names' | 'marks' | 'here'

/** A floor plan as it is compiled; what it shows is found out when there is a scene. */
export class DrawnPlan {
  private readonly field: Id | null
  private readonly all: boolean
  private readonly most: number
  private readonly open: string
  /** How each group begins; null for those that are not shown. */
  private readonly groups: Readonly<Record<Group, string | null>>
  private readonly caption: string | null
  private readonly heading: Chunk
  private readonly headingOpen: string
  private readonly list: string | null
  /** What is not of one entry is the same wherever a floor is drawn. */
  private readonly rooms = new WeakMap<Floor, string>()

  constructor(element: LayoutElement, compile: Compile, say: (name: string) => Value) {
    const field = say('field')
    this.field = typeof field === 'string' && field !== '' ? field : null
    this.all = say('floors') === 'all'
    this.most = Number(say('most'))
    this.open = `<div${compile.attributes(element, 'plan')}>`
    const part = (name: string, tag: string, ...classes: string[]): string | null =>
      compile.shows(element, name) ? `<${tag}${compile.part(element, name, ...classes)}` : null
    const group = (name: Group): string | null => part(name, 'g', `plan-${name}`)
    this.groups = { rooms: group('rooms'), names: group('names'), marks: group('marks'), here: group('here') }
    this.caption = part('caption', 'figcaption')
    this.heading = compile.shows(element, 'heading') ? textChunk(say('near')) : ''
    this.headingOpen = `<p${compile.part(element, 'heading')}${compile.words('near')}>`
    this.list = part('list', 'ol')
  }

  draw(scene: Scene): string {
    const plan = scene.catalogue.site.settings.floorPlan
    const shown = plan ? this.shownOn(plan, scene) : null
    if (!plan || !shown) return ''
    const floors = shown.floors.map((floor) => this.floor(floor, shown, plan, scene))
    return `${this.open}${floors.join('')}${this.listed(shown, scene)}</div>`
  }

  private shownOn(plan: FloorPlan, scene: Scene): Shown | null {
    const { subject, catalogue } = scene
    const here = subject.kind === 'entry' ? standingOf(subject.entry, this.field, plan, catalogue) : null
    // An entry that could say where it stands and does not is on no plan.
    if (!here && subject.kind === 'entry' && positionField(catalogue, subject.entry.type, null)) return null
    const others = here
      ? neighboursOf(here, this.field, this.most, plan, scene)
      : listedStanding(this.field, plan, scene)
    const stood: ReadonlySet<Floor> = new Set([...(here ? [here] : []), ...others].map((s) => s.floor))
    return { here, others, floors: plan.floors.filter((f) => this.all || stood.size === 0 || stood.has(f)) }
  }

  private group(name: Group, inside: string): string {
    const open = this.groups[name]
    return inside && open !== null ? `${open}>${inside}</g>` : ''
  }

  private floor(floor: Floor, shown: Shown, plan: FloorPlan, scene: Scene): string {
    const paper = paperOf(plan)
    const area = shown.here?.floor === floor ? shown.here.area() : null
    const within =
      area && this.groups.rooms !== null
        ? `<path class="of-plan-in" fill-rule="evenodd" d="${outline([area], paper)}"/>`
        : ''
    const [top, height] = stripOf(floor, paper)
    const drawn = within + this.roomsOn(floor, plan) + this.marksOn(floor, shown, plan, scene)
    // What it shows is said by the words below it, and led to from the list.
    const svg = `<svg viewBox="0 ${top} ${paper.width} ${height}" aria-hidden="true">${drawn}</svg>`
    return `<figure>${svg}${this.words(floor, area, scene)}</figure>`
  }

  private roomsOn(floor: Floor, plan: FloorPlan): string {
    let drawn = this.rooms.get(floor)
    if (drawn === undefined) {
      const path = outline(floor.shapes, paperOf(plan))
      drawn = this.group('rooms', path && `<path d="${path}"/>`) + this.group('names', namesOn(floor, paperOf(plan)))
      this.rooms.set(floor, drawn)
    }
    return drawn
  }

  private marksOn(floor: Floor, { here, others }: Shown, plan: FloorPlan, { catalogue }: Scene): string {
    const at = ({ at: { x, y } }: PlacedEntry) => paperOf(plan).at([x, y])
    const marks = others.map((other, i) => {
      if (other.floor !== floor) return ''
      const [x, y] = at(other)
      const href = catalogue.addressOf(other.entry.id)
      const mark = `<circle cx="${x}" cy="${y}" r="11"/><text x="${x}" y="${y + 5}">${i + 1}</text>`
      return href ? `<a tabindex="-1"${attribute('href', href)}>${mark}</a>` : mark
    })
    const own = here?.floor === floor ? at(here) : null
    const mark = own ? `<circle cx="${own[0]}" cy="${own[1]}" r="9"/>` : ''
    return this.group('marks', marks.join('')) + this.group('here', mark)
  }

  private words(floor: Floor, area: FloorShape | null, { catalogue }: Scene): string {
    const page = area?.term ? catalogue.page(`term:${area.term}`) : undefined
    const name = escapeHtml(area?.name ?? '')
    const room = page ? `<a${attribute('href', page.address)}>${name}</a>` : name
    const words = [room, escapeHtml(floor.name)].filter(Boolean).join(', ')
    return words && this.caption !== null ? `${this.caption}>${words}</figcaption>` : ''
  }

  private listed({ here, others }: Shown, scene: Scene): string {
    if (others.length === 0 || this.list === null) return ''
    const words = here ? fill([this.heading], scene) : ''
    const items = others.map((other) => `<li>${titleLink(other.entry, scene)}</li>`).join('')
    return `${words && `${this.headingOpen}${words}</p>`}${this.list}>${items}</ol>`
  }
}
