// The walls of the house: what may import what. The rooms of core/, lowest first; a room may use those before it.
const ROOMS = [
  'words',
  'kernel',
  'signal',
  'cable',
  'catalog',
  'document',
  'chain',
  'run',
  'picture',
  'solve',
  'propose',
  'features',
  'asked',
]

const above = ROOMS.map((room, i) => ({
  name: `core-${room}-stands-low`,
  comment: `core/${room} uses only the rooms below it.`,
  severity: 'error',
  from: { path: `^core/${room}/`, pathNot: '\\.test\\.ts$' },
  to: {
    path: `^core/(${ROOMS.slice(i + 1).join('|') || 'nothing'})/`,
    pathNot: '^core/features/[^/]+/collection\\.ts$',
  },
}))

module.exports = {
  forbidden: [
    ...above,
    {
      name: 'collections-stand-lowest',
      comment: 'A collection is defined in its feature and read by core/document: it knows the rooms below that alone.',
      severity: 'error',
      from: { path: '^core/features/[^/]+/collection\\.ts$' },
      to: { path: '^core/(document|chain|propose|features)/' },
    },
    {
      name: 'features-keep-apart',
      comment: 'A feature asks another only for its facts.',
      severity: 'error',
      from: { path: '^core/features/([^/]+)/', pathNot: '\\.test\\.ts$' },
      to: { path: '^core/features/([^/]+)/', pathNot: ['^core/features/$1/', '^core/features/[^/]+/facts\\.ts$'] },
    },
    {
      name: 'core-is-plain',
      comment: 'core/ is plain TypeScript: no interface, no server, no Node.js, no packages.',
      severity: 'error',
      from: { path: '^core/', pathNot: '\\.(test|cases)\\.ts$' },
      to: { pathNot: ['^core/', '^node_modules/highs/'], dependencyTypesNot: ['type-only'] },
    },
    {
      name: 'by-the-door',
      comment: 'core/ is entered by the doors of its rooms.',
      severity: 'error',
      from: { pathNot: ['^core/', '\\.test\\.ts$', '^(testing|scripts)/'] },
      to: { path: '^core/', pathNot: '/index\\.ts$' },
    },
    {
      name: 'app-and-server-meet-over-http',
      severity: 'error',
      from: { path: '^app/' },
      to: { path: '^server/' },
    },
    {
      name: 'server-and-app-meet-over-http',
      severity: 'error',
      from: { path: '^(server|cli)/' },
      to: { path: '^app/' },
    },
    {
      name: 'tests-are-not-used',
      severity: 'error',
      from: { path: '^(core|app|server|cli)/', pathNot: ['\\.(test|cases)\\.ts$', '^server/tests/'] },
      to: { path: '(^testing/|\\.(test|cases)\\.ts$)' },
    },
    {
      name: 'no-circles',
      severity: 'error',
      from: {},
      to: { circular: true },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '^(\\.nuxt|\\.output|node_modules/(?!highs))' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.tools.json' },
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'require', 'node', 'default'],
      extensions: ['.ts', '.js', '.vue'],
    },
  },
}
