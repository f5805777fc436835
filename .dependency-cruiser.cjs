/**
 * The rooms of the house and the arrows between them: lists, lengths and making ← document ← paper ← folds ← dressing,
 * paper ← cutting ← sharing, all ← batch ← plans ← kits ← exports and printed ← recount, batch ← formats; then app,
 * server, cli. The auditor knows the document and lengths alone; the second look at a card in space knows what a card
 * is made of, but nothing that works with it.
 */
/** What those who write everything down may read. */
const WRITERS = [
  'lists', 'lengths', 'making', 'document', 'paper', 'folds', 'dressing', 'cutting', 'sharing', 'together', 'batch',
  'plans', 'kits',
]
const ROOMS = {
  lists: [],
  making: ['lists'],
  lengths: ['lists'],
  document: ['lists', 'lengths', 'making'],
  audit: ['lengths', 'document'],
  paper: ['lists', 'lengths', 'document'],
  folds: ['lists', 'lengths', 'making', 'document', 'paper'],
  cutting: ['lists', 'lengths', 'document', 'paper'],
  dressing: ['lists', 'lengths', 'making', 'document', 'paper', 'folds'],
  sharing: ['lists', 'lengths', 'document', 'cutting'],
  together: ['lists', 'lengths', 'document', 'paper', 'cutting'],
  kept: ['lists', 'cutting', 'sharing', 'together'],
  batch: ['lists', 'lengths', 'making', 'document', 'paper', 'folds', 'dressing', 'cutting', 'sharing'],
  plans: ['lists', 'lengths', 'document', 'paper', 'folds', 'cutting', 'sharing', 'together', 'batch'],
  kits: [
    'lists', 'lengths', 'making', 'document', 'paper', 'folds', 'dressing', 'cutting', 'sharing', 'batch', 'plans',
  ],
  rehearsal: ['lists', 'lengths', 'making', 'document', 'folds', 'batch', 'kits'],
  reserved: [
    'lists', 'lengths', 'document', 'paper', 'cutting', 'sharing', 'together', 'batch', 'plans', 'kits', 'kept',
  ],
  formats: ['lists', 'lengths', 'document', 'paper', 'folds', 'dressing', 'batch'],
  exports: WRITERS,
  printed: [...WRITERS, 'reserved'],
  probing: ['lists', 'lengths', 'document', 'folds', 'dressing'],
  recount: [
    'lengths', 'making', 'document', 'folds', 'dressing', 'cutting', 'batch', 'plans', 'kits', 'exports', 'printed',
    'audit',
  ],
}
/** Tests, and what several of them share. */
const TEST = '(\\.test|testing)\\.ts$'
const PURE_PACKAGES = [
  'papaparse', 'class-validator', 'class-transformer', 'reflect-metadata', 'makerjs',
  'immer', 'fast-xml-parser', 'clipper2-ts', 'ics', 'nanoid', 'runes2', 'yup',
  'property-expr', 'tiny-case', 'toposort', 'devalue', 'ohash',
]
const PURE = `^(node_modules/)?(${PURE_PACKAGES.join('|')})(/|$)`

module.exports = {
  forbidden: [
    ...Object.entries(ROOMS).map(([room, allowed]) => ({
      name: `arrows-of-${room}`,
      comment: `core/${room} may look at ${allowed.join(', ') || 'nothing else'} only.`,
      severity: 'error',
      from: { path: `^core/${room}/`, pathNot: TEST },
      to: { path: '^core/', pathNot: `^core/(${[room, ...allowed].join('|')})/` },
    })),
    {
      name: 'second-look-of-its-own',
      comment: 'What looks at cards in space once more shares no code with what folds and dresses them.',
      severity: 'error',
      from: { path: '^core/probing/', pathNot: TEST },
      to: { path: '^core/(folds|dressing)/', dependencyTypesNot: ['type-only'] },
    },
    {
      name: 'one-door',
      comment:
        'Other rooms import the index.ts of a core room, never a file behind it. The document has a second door, open.ts, with '
        + 'the validation classes; what helps tests may be used by other tests.',
      severity: 'error',
      from: { path: '^(?!core/)|^core/([^/]+)/' },
      to: { path: '^core/[^/]+/.+', pathNot: '^core/[^/]+/(index|testing)\\.ts$|^core/document/open\\.ts$|^core/$1/' },
    },
    {
      name: 'core-is-pure',
      comment: 'The core runs anywhere: no interface, no server, no Node, only small pure packages.',
      severity: 'error',
      from: { path: '^core/', pathNot: TEST },
      to: { pathNot: `^core/|${PURE}` },
    },
    {
      name: 'app-and-server-apart',
      comment: 'Browser and server meet over routes only.',
      severity: 'error',
      from: { path: '^app/' },
      to: { path: '^(server|cli|scripts|e2e)/' },
    },
    {
      name: 'nothing-leans-on-the-app',
      severity: 'error',
      from: { path: '^(core|server|cli|demo)/', pathNot: [TEST, '/testing\\.ts$'] },
      to: { path: '^(app|e2e|scripts)/' },
    },
    {
      name: 'no-validation-in-the-browser',
      comment: 'The validation classes come into the browser only where a draft has to be read, and then by themselves.',
      severity: 'error',
      from: { path: '^app/', pathNot: [TEST, '/testing\\.ts$'] },
      to: { path: '^core/(formats|document/open)', dependencyTypesNot: ['type-only', 'dynamic-import'] },
    },
    { name: 'no-circles', severity: 'error', from: {}, to: { circular: true } },
    {
      name: 'no-orphans',
      severity: 'error',
      from: { orphan: true, path: '^(core|server/utils|cli)/', pathNot: [TEST, '\\.d\\.ts$', '^server/utils/'] },
      to: {},
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '\\.json$' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: '.nuxt/tsconfig.app.json' },
    enhancedResolveOptions: { extensions: ['.ts', '.mjs', '.vue', '.js'] },
  },
}
