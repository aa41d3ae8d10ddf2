import type { Row } from '../tree'
import type { Starter, Want } from './types'
import { FACTS, PRICE, WHEN } from './wants'
import { column, element, field, items, layout, line, row, withPicture } from './write'

/** Cards to begin from: one entry inside a grid. */

const card = (id: string, name: string, about: string, wants: readonly Want[], ...rows: Row[]): Starter => ({
  id,
  name,
  about,
  region: 'card',
  wants,
  layout: layout(id, name, 'card', ...rows),
})
const title = (looks = {}) =>
  element(
    'heading',
    { text: field('title', { fallback: 'Untitled' }), level: '3', link: field('address') },
    { size: 20, ...looks },
  )

export const CARDS: readonly Starter[] = [
  card(
    'card-picture-above',
    'Picture above',
    'The picture, the title below it, and one line',
    [],
    row(
      '',
      {},
      column(
        12,
        { flow: 8 },
        element('lead-picture', { shape: 'lying' }),
        title(),
        element('field', { value: field('summary') }, { size: 15, colour: '@soft' }),
      ),
    ),
  ),
  card(
    'card-over-picture',
    'On the picture',
    'The picture fills the card, the title lies on it',
    [],
    withPicture(
      row(
        '',
        {
          background: '@ink',
          pictureStrength: 38,
          colour: '@paper',
          linkColour: '@paper',
          minHeight: 300,
          paddingTop: 150,
          paddingRight: 20,
          paddingBottom: 20,
          paddingLeft: 20,
        },
        column(12, { flow: 6 }, title({ size: 23 }), element('field', { value: field('summary') }, { size: 14 })),
      ),
      field('picture'),
    ),
  ),
  card(
    'card-beside',
    'Picture beside',
    'A small square on the left, words on the right; for rows',
    [],
    row(
      '',
      { gap: 20, stand: 'center', stack: { narrow: 'beside' } },
      column(4, {}, element('lead-picture', { shape: 'square' })),
      column(
        8,
        { flow: 4 },
        title({ size: 19 }),
        element(
          'text',
          { text: line(field('date', { format: { date: 'medium' } }), field('person', { before: ' · ' })) },
          { size: 14, colour: '@soft' },
        ),
        element('field', { value: field('summary', { format: { first: 'sentence' } }) }, { size: 15 }),
      ),
    ),
  ),
  card(
    'card-facts',
    'With two facts',
    'The title over a line, and below it two facts as a table; without a picture',
    FACTS.slice(0, 2),
    row(
      '',
      { background: '@wash', paddingTop: 20, paddingRight: 20, paddingBottom: 20, paddingLeft: 20 },
      column(
        12,
        { flow: 10 },
        title(),
        element('divider'),
        element(
          'facts',
          { facts: items(...FACTS.slice(0, 2).map((f) => ({ value: field(f.id) }))), columns: 1, arrange: 'table' },
          { size: 14 },
        ),
      ),
    ),
  ),
  card(
    'card-ticket',
    'Day and price',
    'The day large on the left, the title, and what it costs',
    [WHEN, PRICE],
    row(
      '',
      { edgeTop: 2, edgeColour: '@ink', paddingTop: 14, paddingBottom: 14, gap: 16, stack: { narrow: 'beside' } },
      column(
        4,
        {},
        element('field', { value: field(WHEN.id, { format: { date: 'medium' } }) }, { size: 17, weight: 600 }),
      ),
      column(
        8,
        { flow: 4 },
        title({ size: 19 }),
        element('field', { value: field(PRICE.id) }, { size: 15, colour: '@soft' }),
      ),
    ),
  ),
]
