import type { Link, Menu, MenuItem } from '../../core/model'

let count = 0
const item = (label: string, link: Link, items: MenuItem[] = []): MenuItem => ({
  id: `item-${++count}`,
  label,
  link,
  items,
})
const entry = (id: string): Link => ({ page: `entry:${id}` })
const archive = (type: string): Link => ({ page: `archive:${type}` })
const term = (id: string): Link => ({ page: `term:${id}` })

export const MENUS: Menu[] = [
  {
    id: 'main',
    name: 'Main menu',
    items: [
      item('Visit', entry('visit'), [
        item('Getting here', entry('getting-here')),
        item('Opening hours', entry('opening-hours')),
      ]),
      item('Exhibits', archive('exhibit'), [
        item('By room', archive('exhibit'), [
          item('Tower Room', term('tower-room')),
          item('Long Gallery', term('long-gallery')),
          item('Watch Cabinet', term('watch-cabinet')),
          item('Night Room', term('night-room')),
          item('Workshop', term('workshop')),
        ]),
        item('By period', archive('exhibit'), [
          item('Before 1700', term('before-1700')),
          item('18th century', term('eighteenth-century')),
          item('19th century', term('nineteenth-century')),
          item('After 1900', term('after-1900')),
        ]),
      ]),
      item('Talks', archive('talk')),
      item('Stories', archive('story')),
      item('Tickets', archive('ticket')),
      item('Gifts', archive('gift')),
    ],
  },
  {
    id: 'rooms',
    name: 'Rooms',
    items: [
      item('Tower Room', term('tower-room')),
      item('Long Gallery', term('long-gallery')),
      item('Watch Cabinet', term('watch-cabinet')),
      item('Night Room', term('night-room')),
      item('Workshop', term('workshop')),
    ],
  },
  {
    id: 'small-print',
    name: 'Small print',
    items: [
      item('About', entry('about')),
      item('Contact', entry('contact')),
      item('Access', entry('access')),
      item('Support us', entry('support-us')),
    ],
  },
]
