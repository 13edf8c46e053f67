/** Imports go one way only: core ← contract ← server ← demo; core, contract ← web. */
const only = (room, ...allowed) => ({
  name: `${room}-imports-only-${allowed.join('-') || 'itself'}`,
  severity: 'error',
  from: { path: `^${room}/` },
  to: {
    path: '^(core|contract|server|web|demo|stand-ins|e2e|tools)/',
    pathNot: `^(${[room, ...allowed].join('|')})/`,
  },
});

/** The core's folders from the ground up: each imports only from those before it. */
const CORE = [
  'numeric',
  'quantities',
  'words',
  'lines',
  'drawing',
  'winding',
  'counter',
  'spool',
  'prints',
  'house-rules',
  'cautions',
  'plan',
  'cuts',
  'order',
  'stock-list',
  'mass',
  'money',
  'soak',
  'twist',
  'lay',
  'builds',
  'advice',
  'steps',
  'run',
  'devices',
  'settle',
  'learn',
  'record',
  'faults',
  'day',
];

/** The server's rooms from the ground up; the files outside them put the server together. */
const SERVER = [
  'db',
  'context',
  'work',
  'links',
  'shop',
  'people',
  'history',
  'customers',
  'rack',
  'learning',
  'house-rules',
  'record',
  'planning',
  'recycling',
  'tubs',
  'scale',
  'benches',
  'bags',
  'bench',
  'devices',
  'day',
  'reels',
  'cuts',
  'search',
  'messages',
  'paper',
  'rack-files',
  'record-files',
  'calendar',
  'mending',
  'shop-file',
  'http',
  'tasks',
];
/** The rooms of the screens from the ground up; the files outside them put the screens together. */
const WEB = [
  'data',
  'keyboard',
  'live',
  'ui',
  'drawing',
  'words',
  'customers',
  'help',
  'planning',
  'rack',
  'house',
  'paper',
  'faults',
  'bench',
  'reels',
  'bags',
  'day',
  'sign-in',
];

/** What stands outside the rooms and may be used in all of them: errors, the clock, what fits a schema. */
const GROUND = ['problem-error', 'field-errors', 'clock', 'fitting'];

/** Tests, and what tries the server from outside, may look anywhere. */
const TRIES = ['testing', 'reference', 'fuzz', 'load'];

/**
 * Rules that hold the folders of a part in their order: none imports from those behind it, and each has its place.
 *
 * @param {string} part
 * @param {readonly string[]} folders from the ground up
 */
const inOrder = (part, folders) => [
  ...folders.map((folder, i) => ({
    name: `${part.replace(/\W+/g, '-')}-${folder}-imports-only-from-below`,
    severity: 'error',
    from: { path: `^${part}/${folder}/`, pathNot: '\\.(test|spec)\\.ts$' },
    to: { path: `^${part}/(${[...TRIES, ...folders.slice(i + 1)].join('|')})/` },
  })),
  {
    name: `${part.replace(/\W+/g, '-')}-folder-has-its-place`,
    severity: 'error',
    from: { path: `^${part}` },
    to: { path: `^${part}/`, pathNot: `^${part}/(([^/]+\\.ts$)|(${[...TRIES, ...folders].join('|')})/)` },
  },
];

module.exports = {
  forbidden: [
    ...inOrder('core/src', CORE),
    ...inOrder('server/src', SERVER),
    ...inOrder('web/src/app', WEB),
    {
      name: 'server-rooms-know-nothing-of-what-puts-them-together',
      severity: 'error',
      from: { path: '^server/src/[^/]+/', pathNot: `(\\.test\\.ts$)|^server/src/(${TRIES.join('|')})/` },
      to: { path: `^server/src/(?!(${GROUND.join('|')})\\.ts$)[^/]+\\.ts$` },
    },
    only('core'),
    only('contract', 'core'),
    only('server', 'core', 'contract'),
    only('web', 'core', 'contract'),
    only('demo', 'core', 'contract', 'server'),
    only('stand-ins', 'contract'),
    only('e2e', 'core', 'contract'),
    { name: 'no-cycles', severity: 'error', from: {}, to: { circular: true } },
    {
      name: 'core-has-no-interface-or-io',
      severity: 'error',
      from: { path: '^core/src', pathNot: '\\.test\\.ts$' },
      to: {
        path: '^(node:|node_modules/(rxjs|express|sequelize|@angular))',
        dependencyTypesNot: ['type-only'],
      },
    },
    {
      name: 'no-reaching-into-a-package',
      severity: 'error',
      from: { path: '^(contract|server|web|demo|e2e)/' },
      to: { path: '^(core|contract|server)/src/(?!index\\.ts$)(?!solver\\.ts$)', pathNot: '^$1/' },
    },
    { name: 'nothing-unresolved', severity: 'error', from: {}, to: { couldNotResolve: true } },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '(^|/)(dist|\\.angular)/' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.base.json' },
    enhancedResolveOptions: { exportsFields: ['exports'], conditionNames: ['import', 'default', 'types'] },
  },
};
