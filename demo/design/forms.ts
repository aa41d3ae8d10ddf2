import type { Layout, LayoutElement, Row, Value } from '../../core/tree'
import { column, element, field, items, layout, row } from './make'

/** What visitors write to the museum by. */

/** A form with its rows. */
export function form(props: Record<string, Value>, ...rows: Row[]): LayoutElement {
  const made = element('form', props)
  return { ...made, children: made.children!.map((place) => ({ ...place, children: rows })) }
}

const inner = (...columns: Parameters<typeof row>[2][]): Row => row('', { gap: 20 }, ...columns)

/** A question to whoever keeps the thing that is shown. */
export const ASK_KEEPER: Layout = layout(
  'ask-keeper',
  'Ask the keeper',
  'piece',
  row(
    'Ask',
    { paddingTop: { wide: 40, narrow: 28 }, paddingBottom: { wide: 56, narrow: 36 }, gap: 48 },
    column(
      4,
      { flow: 8 },
      { ...element('heading', { text: 'Ask the keeper', level: '2' }), open: ['text'] },
      {
        ...element(
          'field',
          {
            value: field('name', {
              of: 'site',
              before: 'What you write goes to whoever keeps it at the ',
              after: '. They answer between two windings.',
            }),
          },
          { colour: '@soft' },
        ),
        open: ['value'],
      },
    ),
    column(
      8,
      {},
      form(
        {
          name: 'Ask the keeper',
          to: items({ address: field('mail', { of: 'person', fallback: 'desk@quillmere.example.org' }) }),
          subject: field('title', { before: 'A question about ', fallback: 'A question' }),
          text: 'Somebody asks by the site:\n\n{answers}\n',
          thanks: 'Thank you. Your question is with the keeper, and a copy of it is on its way to you.',
          copy: true,
          copySubject: 'Your question to the museum',
          days: 180,
          label: 'Send it',
        },
        inner(
          column(6, {}, element('question', { label: 'Your name', required: true, key: 'name', most: 120 })),
          column(6, {}, element('question', { kind: 'mail', label: 'Your mail address', required: true, key: 'mail' })),
        ),
        inner(
          column(
            12,
            { flow: 14 },
            element('question', { kind: 'long', label: 'Your question', required: true, key: 'question', most: 4000 }),
            element('question', {
              kind: 'file',
              takes: 'pictures',
              label: 'A photograph',
              key: 'photograph',
              help: 'Of a clock of your own, say. At most 5 MB.',
            }),
            element('question', { kind: 'hidden', label: 'Asked at', key: 'page', value: field('title') }),
            element('question', {
              kind: 'consent',
              label: 'You may keep what I write until my question is answered.',
              key: 'consent',
            }),
          ),
        ),
      ),
    ),
  ),
)
