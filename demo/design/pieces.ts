import type { Edit } from '../../core/layouts'
import type { Id } from '../../core/model'
import { type Fill, type Layout, type LayoutElement, type Row, type Value, elementsOf } from '../../core/tree'
import { contact } from './door'
import { ASK_KEEPER } from './forms'
import { column, element, layout, line, row } from './make'

/** What the museum keeps once and shows in several layouts. */

const open = (node: LayoutElement, ...properties: string[]): LayoutElement => ({ ...node, open: properties })

/** A row that says nothing of its own. */
function plainRow(...elements: LayoutElement[]): Row {
  const { name: _, ...plain } = row('', {}, column(12, {}, ...elements))
  return plain
}

/** Where to find the house: it stands among other things, so it is drawn as its elements. */
const ADDRESS_CARD: Layout = layout(
  'address-card',
  'Address card',
  'piece',
  plainRow(open(element('heading', { text: 'Find us', level: '2' }, { size: 17 }), 'text'), contact()),
)

/** A band that ends a page with the way to the door. */
const VISIT_BAND: Layout = layout(
  'visit-band',
  'Plan a visit',
  'piece',
  row(
    'Band',
    {
      paddingTop: { wide: 40, narrow: 28 },
      paddingBottom: { wide: 44, narrow: 32 },
      width: 'band',
      background: '@night',
      colour: '@pale',
      stand: 'center',
    },
    column(
      8,
      { flow: 8 },
      open(element('heading', { text: 'Plan a visit', level: '2' }, { colour: '@paper' }), 'text'),
      open(
        element('text', { text: line('Open from Wednesday to Sunday; on the first Sunday of the month we wind.') }),
        'text',
      ),
    ),
    column(
      4,
      { align: { wide: 'end', narrow: 'start' } },
      open(
        element('button', { label: 'How to get here', link: { page: 'entry:getting-here' }, look: 'pale' }),
        'label',
        'link',
      ),
    ),
  ),
)

export const PIECES: readonly Layout[] = [ADDRESS_CARD, VISIT_BAND, ASK_KEEPER]

type Says = Readonly<Record<string, Value>>

/** What a place says, by the type of the thing in the piece and the property: `heading text`. */
function fillsOf(piece: Id, says: Says, looks: Readonly<Record<string, Looks>>): Fill[] {
  const things = elementsOf(PIECES.find((p) => p.id === piece)!)
  const idOf = (type: string) => things.find((t) => t.type === type)!.id
  const words = Object.entries(says).map(([name, value]): Fill => {
    const [type = '', property = ''] = name.split(' ')
    return { kind: 'setProperty', id: idOf(type), property, value }
  })
  const styles = Object.entries(looks).flatMap(([type, of]) =>
    Object.entries(of).map(([property, value]): Fill => ({
      kind: 'setStyle',
      id: idOf(type),
      property,
      step: 'wide',
      value,
    })),
  )
  return [...words, ...styles]
}

type Looks = Readonly<Record<string, string | number>>

/** A place of a piece, with what is said there, and with what looks. */
export function place(piece: Id, says: Says = {}, looks: Readonly<Record<string, Looks>> = {}): LayoutElement {
  const fills = fillsOf(piece, says, looks)
  return { ...element('piece', { piece }), ...(fills.length > 0 && { fills }) }
}

/** What a variation says at a place that its base has. */
export const saying = ({ id, props }: LayoutElement, says: Says): Edit[] =>
  fillsOf(String(props.piece), says, {}).map((fill) => ({ kind: 'setFill', id, fill }))

/** A form in a row of its own, for whoever keeps what is shown. */
export const askKeeper = (says: Says = {}): Row => plainRow(place('ask-keeper', says))

/** The band in a row of its own, which gives way to it. */
export const visitBand = (says: Readonly<Record<string, Value>> = {}): Row => plainRow(place('visit-band', says))
