import type { Starter } from './types'
import { column, element, field, layout, line, ofSite, row, withPicture } from './write'

/** Intros to begin from. */

const TITLE = field('title', { fallback: ofSite('name') })

export const INTROS: readonly Starter[] = [
  {
    id: 'intro-quiet',
    name: 'Quiet title',
    about: 'Where one is, the title, and a line below it, on a light band',
    region: 'intro',
    wants: [],
    layout: layout(
      'intro-quiet',
      'Quiet title',
      'intro',
      row(
        'Title',
        {
          width: 'band',
          background: '@wash',
          paddingTop: { wide: 40, narrow: 26 },
          paddingBottom: { wide: 36, narrow: 24 },
        },
        column(
          9,
          { flow: 10 },
          element('trail', {}, { colour: '@soft', size: 14 }),
          element('heading', { text: TITLE, level: '1' }),
          element('text', { text: line(field('summary')) }, { size: 19, colour: '@soft' }),
        ),
        column(3, {}),
      ),
    ),
  },
  {
    id: 'intro-picture',
    name: 'Over the picture',
    about: 'The picture of the page across the whole width, the title low on it',
    region: 'intro',
    wants: [],
    layout: layout(
      'intro-picture',
      'Over the picture',
      'intro',
      withPicture(
        row(
          'Picture',
          {
            width: 'band',
            minHeight: { wide: 480, narrow: 340 },
            paddingTop: { wide: 200, narrow: 120 },
            paddingBottom: 44,
            background: '@ink',
            pictureStrength: 42,
            colour: '@paper',
          },
          column(
            10,
            { flow: 12 },
            element('heading', { text: TITLE, level: '1' }, { size: { wide: 60, narrow: 38 } }),
            element('text', { text: line(field('summary')) }, { size: 20 }),
          ),
          column(2, {}),
        ),
        field('picture'),
      ),
    ),
  },
  {
    id: 'intro-beside',
    name: 'Words beside the picture',
    about: 'Two halves: the title and what it is about, and the picture upright',
    region: 'intro',
    wants: [],
    layout: layout(
      'intro-beside',
      'Words beside the picture',
      'intro',
      row(
        'Halves',
        { paddingTop: { wide: 48, narrow: 24 }, paddingBottom: 24, stand: 'center', gap: 48 },
        column(
          7,
          { flow: 14 },
          element('trail', {}, { size: 14, colour: '@soft' }),
          element('heading', { text: TITLE, level: '1' }, { size: { wide: 52, narrow: 36 } }),
          element('field', { value: field('summary') }, { size: 22, family: '@heading', lineHeight: 1.4 }),
          element(
            'text',
            { text: line(field('date', { format: { date: 'long' } }), field('person', { before: ' · ' })) },
            { size: 15, colour: '@soft' },
          ),
        ),
        column(5, {}, element('lead-picture', { shape: 'standing' })),
      ),
    ),
  },
  {
    id: 'intro-centred',
    name: 'In the middle',
    about: 'Title and day in the middle with a line below, for what is read',
    region: 'intro',
    wants: [],
    layout: layout(
      'intro-centred',
      'In the middle',
      'intro',
      row(
        'Title',
        { paddingTop: { wide: 64, narrow: 36 }, paddingBottom: 8 },
        column(2, {}),
        column(
          8,
          { align: 'center', flow: 16 },
          element(
            'text',
            { text: line(field('date', { format: { date: 'long' } }), field('person', { before: ', by ' })) },
            { size: 14, case: 'uppercase', letterSpacing: 0.08, colour: '@soft' },
          ),
          element('heading', { text: TITLE, level: '1' }, { size: { wide: 54, narrow: 36 }, align: 'center' }),
          element('divider'),
        ),
        column(2, {}),
      ),
    ),
  },
]
