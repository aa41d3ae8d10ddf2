/**
 * Who may import whom (docs/architecture.md). Type imports count: a reader follows them too.
 * The rooms of the core stand from the bottom up; each uses only those that stand before it.
 */
export const ROOMS = [
  'problems.ts',
  'shape.ts',
  'text',
  'time',
  'numbers',
  'edits',
  'addresses',
  'rich',
  'selling',
  'fields',
  'model',
  'catalogue',
  'importing',
  'forms',
  'shop',
  'conditions',
  'lists',
  'tree',
  'styles',
  'drawing',
  'machines',
  'elements',
  'layouts',
  'targets',
  'design',
  'render',
  'rules',
  'map',
  'documents.ts',
  'checks',
  'releases',
  'formats',
  'starters',
  'editor',
]
/** The rooms within `core/elements`, by the groups of the elements panel, from the bottom up. Files beside these rooms may use all of them. */
export const ELEMENT_ROOMS = ['base', 'words', 'pictures', 'forms', 'lists', 'entry', 'site', 'shop', 'space']
/** What the core takes from the registry: nothing that knows a server, a database or an interface. */
const PACKAGES = ['temporal-polyfill', 'yup', 'culori', 'fast-deep-equal', 'localized-address-format', 'validator']

const place = (room) => (room.endsWith('.ts') ? `^core/${room}$` : `^core/${room}/`)

const order = ROOMS.slice(0, -1).map((room, i) => ({
  name: `room-${room.replace('.ts', '')}`,
  comment: `core/${room} stands beneath these; it cannot use them.`,
  severity: 'error',
  from: { path: place(room) },
  to: { path: ROOMS.slice(i + 1).map(place) },
}))

const elementOrder = ELEMENT_ROOMS.slice(0, -1).map((room, i) => ({
  name: `elements-${room}`,
  comment: `core/elements/${room} stands beneath these; it cannot use them.`,
  severity: 'error',
  from: { path: `^core/elements/${room}/` },
  to: { path: ['^core/elements/[^/]+$', ...ELEMENT_ROOMS.slice(i + 1).map((r) => `^core/elements/${r}/`)] },
}))

const arrow = (from, to, comment) => ({
  name: `arrows-${from}`,
  comment,
  severity: 'error',
  from: { path: `^${from}/` },
  to: { path: to.map((t) => `^${t}/`) },
})

export default {
  forbidden: [
    {
      name: 'circle',
      comment: 'No two files import each other in a circle.',
      severity: 'error',
      from: {},
      to: { circular: true },
    },
    {
      name: 'unresolved',
      comment: 'What is imported must be there.',
      severity: 'error',
      from: { path: '^(core|shared|demo)/' },
      to: { couldNotResolve: true },
    },
    ...order,
    ...elementOrder,
    {
      name: 'unknown-room',
      comment: 'A new room of the core is put in its place among the others, in this file.',
      severity: 'error',
      from: {},
      to: { path: '^core/', pathNot: ROOMS.map(place) },
    },
    {
      name: 'through-the-door',
      comment: 'From outside a room of the core only its index is imported.',
      severity: 'error',
      from: { path: '^(core/([^/]+)/|app/|server/|shared/|demo/)' },
      to: { path: '^core/[^/]+/', pathNot: ['^core/$2/', '/index\\.ts$'] },
    },
    {
      name: 'through-the-inner-door',
      comment: 'From outside a group of elements only its index is imported.',
      severity: 'error',
      from: { path: '^core/elements/([^/]+)' },
      to: { path: '^core/elements/[^/]+/', pathNot: ['^core/elements/$1/', '/index\\.ts$'] },
    },
    {
      name: 'unknown-group',
      comment: 'A new group of elements is put in its place among the others, in this file.',
      severity: 'error',
      from: {},
      to: { path: '^core/elements/[^/]+/', pathNot: ELEMENT_ROOMS.map((room) => `^core/elements/${room}/`) },
    },
    {
      name: 'core-is-pure',
      comment: 'The core takes nothing from Node, and only few packages.',
      severity: 'error',
      from: { path: '^core/' },
      to: { path: '.', pathNot: ['^core/', ...PACKAGES.map((p) => `(^|/)node_modules/(@types/)?${p}/`)] },
    },
    arrow('app', ['server', 'demo'], 'app/ meets server/ only at shared/api.'),
    arrow('server', ['app'], 'server/ meets app/ only at shared/api.'),
    arrow('shared', ['app', 'server', 'demo'], 'shared/ imports only core/.'),
    arrow('demo', ['app', 'server', 'shared'], 'demo/ imports only core/.'),
    arrow('page-scripts', ['app', 'core', 'server', 'shared', 'demo'], 'page-scripts/ run on pages by themselves.'),
    arrow(
      'stand-ins',
      ['app', 'core', 'server', 'shared', 'demo'],
      'stand-ins/ stand for others, who know nothing of us.',
    ),
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.jest.json' },
    enhancedResolveOptions: { extensions: ['.ts', '.vue', '.mjs', '.js', '.json'] },
  },
}
