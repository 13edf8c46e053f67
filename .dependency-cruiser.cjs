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
  'mass',
  'money',
  'soak',
  'twist',
  'lay',
  'builds',
  'advice',
  'steps',
  'run',
  'settle',
  'learn',
  'record',
];
const coreUpwards = CORE.map((folder, i) => ({
  name: `core-${folder}-imports-only-from-below`,
  severity: 'error',
  from: { path: `^core/src/${folder}/`, pathNot: '\\.test\\.ts$' },
  to: { path: `^core/src/(${['testing', 'reference', ...CORE.slice(i + 1)].join('|')})/` },
}));

module.exports = {
  forbidden: [
    ...coreUpwards,
    {
      name: 'core-folder-has-its-place',
      severity: 'error',
      from: { path: '^core/src' },
      to: {
        path: '^core/src/',
        pathNot: `^core/src/(([^/]+\\.ts$)|(${['testing', 'reference', ...CORE].join('|')})/)`,
      },
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
      to: { path: '^(core|contract|server)/src/(?!index\\.ts$)', pathNot: '^$1/' },
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
