import type { Layout } from '../../core/tree'
import { column, element, field, layout, line, row, withPicture } from './make'

const quiet = { paddingTop: 18, paddingBottom: 18 }

/** Headers, intros and footers of the museum. */
export const AROUND: Layout[] = [
  layout(
    'house-header',
    'House header',
    'header',
    row(
      'Bar',
      { ...quiet, width: 'band', background: '@paper', edgeBottom: 1, edgeColour: '@rule', stand: 'center' },
      column(4, {}, element('site-name', { show: 'both', height: 34 })),
      column(
        8,
        { align: { wide: 'end', narrow: 'start' } },
        element('menu', { menu: 'main' }, { size: 16, weight: 500 }),
      ),
    ),
  ),
  layout(
    'tower-header',
    'Tower header',
    'header',
    row(
      'Bar',
      { paddingTop: 26, paddingBottom: 26, width: 'band', background: '@night', colour: '@paper', stand: 'center' },
      column(5, { align: { wide: 'start', narrow: 'center' } }, element('menu', { menu: 'rooms' }, { size: 13 })),
      column(2, { align: 'center' }, element('site-name', { show: 'logo', height: 48 })),
      column(5, { align: { wide: 'end', narrow: 'center' } }, element('menu', { menu: 'main' }, { size: 13 })),
    ),
  ),
  layout(
    'title-band',
    'Title band',
    'intro',
    row(
      'Title',
      {
        paddingTop: { wide: 44, narrow: 28 },
        paddingBottom: { wide: 36, narrow: 22 },
        width: 'band',
        background: '@wash',
      },
      column(
        9,
        { flow: 10 },
        element('trail', {}, { colour: '@soft' }),
        element('heading', { text: field('title', { fallback: 'Untitled' }), level: '1' }),
        element('text', { text: line(field('summary')) }, { size: 19, colour: '@soft' }),
      ),
      column(3, {}),
    ),
  ),
  layout(
    'opening-picture',
    'Opening picture',
    'intro',
    withPicture(
      row(
        'Picture',
        {
          minHeight: { wide: 460, narrow: 340 },
          paddingTop: { wide: 190, narrow: 120 },
          paddingBottom: 48,
          width: 'band',
          background: '@night',
          pictureStrength: 45,
          colour: '@paper',
        },
        column(
          9,
          { flow: 14 },
          element(
            'heading',
            { text: field('title', { fallback: { kind: 'field', of: 'site', field: 'name' } }), level: '1' },
            { size: { wide: 58, narrow: 38 } },
          ),
          element('text', { text: line(field('summary')) }, { size: 20 }),
        ),
        column(3, {}),
      ),
      field('picture', { fallback: 'room-long-gallery' }),
    ),
  ),
  layout(
    'house-footer',
    'House footer',
    'footer',
    row(
      'Columns',
      { paddingTop: 48, paddingBottom: 52, width: 'band', background: '@night', colour: '@pale', size: 15 },
      column(
        3,
        {},
        element('site-name', {}, { colour: '@paper' }),
        element('text', { text: line({ kind: 'field', of: 'site', field: 'tagline' }) }),
      ),
      column(3, {}, element('menu', { menu: 'rooms', direction: 'down', title: true })),
      column(3, {}, element('menu', { menu: 'main', direction: 'down', title: true })),
      column(3, {}, element('menu', { menu: 'small-print', direction: 'down', title: true })),
    ),
  ),
  layout(
    'slim-footer',
    'Slim footer',
    'footer',
    row(
      'Line',
      { ...quiet, width: 'band', edgeTop: 1, edgeColour: '@rule', size: 14, colour: '@soft', stand: 'center' },
      column(6, {}, element('text', { text: line({ kind: 'field', of: 'site', field: 'name' }) })),
      column(6, { align: { wide: 'end', narrow: 'start' } }, element('menu', { menu: 'small-print' })),
    ),
  ),
]
