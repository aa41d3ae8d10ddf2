import { element } from './make'

/** What stands at the door of the museum: when it is open, and where to find it. */

export const hours = () =>
  element('hours', {
    hours: [
      ...['wednesday', 'thursday', 'friday'].map((days) => ({
        id: days,
        props: { days, opens: '10:00', closes: '17:00' },
      })),
      { id: 'end', props: { days: 'weekend', opens: '11:00', closes: '17:00' } },
      { id: 'wind', props: { days: 'sunday', words: 'winding at noon' } },
    ],
  })

export const contact = () =>
  element('contact', {
    name: { kind: 'field', of: 'site', field: 'name' },
    street: 'Bell Lane 4',
    place: 'Quillmere',
    telephone: '+44 20 7946 0123',
    mail: 'door@quillmere.example.org',
    way: 'How to get here',
    link: { page: 'entry:getting-here' },
  })
