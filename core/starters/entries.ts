import { ROOM, TITLE, body, factItems, related } from './body'
import type { Starter } from './types'
import { CONTACT, FACTS, GALLERY, PAPERS, PRICE, WHEN } from './wants'
import { column, element, field, holding, row } from './write'

/** Bodies of entries to begin from. */

export const ENTRIES: readonly Starter[] = [
  body(
    'body-reading',
    'For reading',
    'One narrow column: the text, who wrote it, and what to read next',
    'entry',
    [],
    row(
      'Text',
      ROOM,
      column(2, {}),
      column(8, {}, element('entry-content', {}, { size: 19, lineHeight: 1.65 }), element('share')),
      column(2, {}),
    ),
    row(
      'Next',
      { width: 'band', background: '@wash', paddingTop: 40, paddingBottom: 52 },
      column(12, { flow: 20 }, element('heading', { text: 'Read next', level: '2' }), related(3, { level: '3' })),
    ),
  ),
  body(
    'body-facts-beside',
    'Facts beside it',
    'Text with a column of facts that stays beside it',
    'entry',
    FACTS,
    row(
      'Both',
      { ...ROOM, gap: 56 },
      column(8, {}, element('lead-picture', { shape: 'lying' }), element('entry-content', {}, { size: 18 })),
      column(
        4,
        { background: '@wash', paddingTop: 24, paddingRight: 24, paddingBottom: 24, paddingLeft: 24, sticks: 24 },
        element('heading', { text: 'At a glance', level: '2' }, { size: 18 }),
        element('facts', { facts: factItems(4), columns: 1, arrange: 'table' }),
      ),
    ),
    row('More', { paddingTop: 8, paddingBottom: 56 }, column(12, {}, element('neighbours'))),
  ),
  body(
    'body-shown',
    'Shown large',
    'Pictures across the width, then the title, then what there is to know in four columns',
    'entry',
    [GALLERY, ...FACTS],
    row(
      'Pictures',
      { paddingTop: 24, paddingBottom: 24 },
      column(12, {}, element('picture-set', { value: field(GALLERY.id), form: 'lead', large: true })),
    ),
    row(
      'Title',
      { paddingTop: 8, paddingBottom: 24 },
      column(
        8,
        { flow: 12 },
        element('heading', { text: TITLE, level: '1' }, { size: { wide: 48, narrow: 34 } }),
        element('field', { value: field('summary') }, { size: 21, family: '@heading' }),
      ),
      column(4, {}),
    ),
    row(
      'Facts',
      { paddingTop: 20, paddingBottom: 24, edgeTop: 1, edgeBottom: 1, edgeColour: '@wash' },
      column(12, {}, element('facts', { facts: factItems(4), columns: 4 })),
    ),
    row('Text', ROOM, column(7, {}, element('entry-content', {}, { size: 18 })), column(5, {})),
  ),
  body(
    'body-event',
    'On a day',
    'When, how long until then, what it costs and a button stand first; the text follows',
    'entry',
    [WHEN, PRICE, CONTACT],
    row(
      'When',
      { width: 'band', background: '@accent', colour: '@paper', paddingTop: 28, paddingBottom: 28, stand: 'center' },
      column(
        8,
        { flow: 6 },
        element(
          'field',
          { value: field(WHEN.id, { format: { date: 'full' } }) },
          { size: { wide: 28, narrow: 22 }, family: '@heading' },
        ),
        element('countdown', { day: field(WHEN.id), before: 'In ', after: '.', on: 'Today.', over: 'It is over.' }),
      ),
      column(
        4,
        { align: { wide: 'end', narrow: 'start' }, flow: 8 },
        element('field', { value: field(PRICE.id) }, { size: 22, weight: 600 }),
        element(
          'button',
          { label: 'Take part', link: { page: `entry:${CONTACT.id}` } },
          { background: '@paper', colour: '@ink', edgeColour: '@paper' },
        ),
      ),
    ),
    row(
      'Text',
      ROOM,
      column(8, {}, element('entry-content', {}, { size: 18 })),
      column(4, {}, element('person-card', { beside: true, most: 0 })),
    ),
  ),
  body(
    'body-tabs',
    'In tabs',
    'The text, the facts and the files behind three tabs',
    'entry',
    [...FACTS, PAPERS],
    row(
      'Tabs',
      ROOM,
      column(
        12,
        {},
        holding(
          element('tabs', { name: 'About this' }),
          [
            'About',
            row(
              '',
              {},
              column(8, {}, element('entry-content', {}, { size: 18 })),
              column(4, {}, element('lead-picture')),
            ),
          ],
          [
            'Facts',
            row('', {}, column(12, {}, element('facts', { facts: factItems(4), columns: 2, arrange: 'table' }))),
          ],
          ['To take away', row('', {}, column(12, {}, element('documents', { value: field(PAPERS.id) })))],
        ),
      ),
    ),
  ),
]
