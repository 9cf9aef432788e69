/** Who may import whom. Core's stages run left to right; nothing imports from its right. */
const stages = [
  'units',
  'terms',
  'glossary',
  'places',
  'kinds',
  'geom',
  'job',
  'roof',
  'sheathing',
  'frame',
  'fixings',
  'cuts',
  'list',
  'remarks',
  'steps',
  'fit',
  'raising',
  'log',
  'cutting-day',
  'test-fit',
  'as-built',
  'workbench',
  'practice',
  'drawing',
  'wording',
  'export',
  'wire',
  'cli',
];

/** Stages that work out roofs of their own. */
const onTheSolver = ['practice', 'cli'];

const stageOrder = stages.slice(0, -1).map((name, i) => ({
  name: `core-${name}-looks-left-only`,
  severity: 'error',
  from: { path: `^core/src/${name}/`, pathNot: '/tests/' },
  to: {
    path: [
      ...stages.slice(i + 1).map((later) => `^core/src/${later}/`),
      onTheSolver.includes(name) ? '^core/src/index\\.ts$' : '^core/src/(solve|index)\\.ts$',
    ],
  },
}));

const doors = stages.map((stage) => ({
  name: `core-${stage}-by-its-door`,
  comment: 'A folder’s index.ts is its door.',
  severity: 'error',
  from: { path: '^core/src/', pathNot: `^core/src/${stage}/` },
  to: { path: `^core/src/${stage}/`, pathNot: `^core/src/${stage}/index\\.ts$` },
}));

module.exports = {
  forbidden: [
    ...stageOrder,
    ...doors,
    { name: 'no-circular', severity: 'error', from: {}, to: { circular: true } },
    {
      name: 'core-has-no-interface-and-no-server',
      severity: 'error',
      from: { path: '^core/src/', pathNot: '/tests/' },
      to: { path: '^(app|server|e2e)/|node_modules/(react|expo|express|knex)' },
    },
    {
      name: 'core-touches-the-machine-only-in-cli',
      severity: 'error',
      from: { path: '^core/src/', pathNot: '^core/src/cli/|/tests/' },
      to: { dependencyTypes: ['core'] },
    },
    {
      name: 'server-and-app-are-strangers',
      severity: 'error',
      from: { path: '^server/' },
      to: { path: '^app/' },
    },
    {
      name: 'app-and-server-are-strangers',
      severity: 'error',
      from: { path: '^app/' },
      to: { path: '^server/' },
    },
    {
      name: 'core-by-its-front-door',
      severity: 'error',
      from: { path: '^(app|server|e2e)/' },
      to: {
        path: '^core/src/',
        pathNot: '^core/src/(index|solve|problem|sentence)\\.ts$|^core/src/[a-z-]+/index\\.ts$',
      },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    tsConfig: { fileName: 'tsconfig.base.json' },
    tsPreCompilationDeps: true,
    enhancedResolveOptions: { extensions: ['.ts', '.tsx', '.js', '.mjs', '.json'] },
  },
};
