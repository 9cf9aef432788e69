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
  'withheld',
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
      onTheSolver.includes(name)
        ? '^core/src/index\\.ts$'
        : '^core/src/(solution|solve|index)\\.ts$',
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

/** Rooms of a stage in the order in which they may know each other: each those on its left. */
const rooms = {
  frame: [
    ['member'],
    ['site'],
    ['joint'],
    ['walls'],
    ['layout'],
    ['eaves'],
    ['lines'],
    ['rafters'],
    ['headers'],
    ['openings'],
    ['gables'],
    ['purlins', 'ties'],
    ['laid-on'],
  ],
  fit: [
    ['contact'],
    ['openings'],
    ['roof'],
    ['ties', 'walls'],
    ['eaves', 'gables', 'purlins'],
    ['laid-on'],
  ],
};

const roomOrder = Object.entries(rooms).flatMap(([stage, order]) =>
  order.slice(0, -1).flatMap((names, i) =>
    names.map((name) => ({
      name: `core-${stage}-${name}-knows-no-later-room`,
      severity: 'error',
      from: { path: `^core/src/${stage}/${name}/`, pathNot: '/tests/' },
      to: {
        path: [...names.filter((other) => other !== name), ...order.slice(i + 1).flat()].map(
          (other) => `^core/src/${stage}/${other}/`,
        ),
      },
    })),
  ),
);

/**
 * The app's floors, each built on those before it: what the browser gives or denies; what is shown and touched; the job in hand, its fields, its roof and
 * its addresses; the places of the app; the shell round them.
 */
const floors = [
  ['browser'],
  ['theme', 'ui', 'draw', 'instruments'],
  ['data', 'solver', 'form', 'nav'],
  [
    'as-built',
    'bench',
    'cuts',
    'fit',
    'glossary',
    'jobs',
    'log',
    'patterns',
    'practice',
    'roof',
    'saw',
    'site',
    'timber',
    'try',
  ],
  ['shell'],
];

const floorOrder = floors.slice(0, -1).map((names, i) => ({
  name: `app-floor-${i + 1}-stands-on-no-later`,
  severity: 'error',
  from: { path: names.map((name) => `^app/src/${name}/`), pathNot: '/tests/' },
  to: { path: floors.slice(i + 1).flatMap((later) => later.map((name) => `^app/src/${name}/`)) },
}));

/** A room that no rule knows would be held by none. */
const known = (path, names) => ({
  name: `${path.replaceAll('/', '-')}-rooms-are-all-known`,
  comment: 'A new room takes its place in the order of its floor.',
  severity: 'error',
  from: {},
  to: { path: `^${path}/[^/]+/`, pathNot: `^${path}/(${names.join('|')})/` },
});

module.exports = {
  forbidden: [
    ...stageOrder,
    ...doors,
    ...roomOrder,
    ...floorOrder,
    known('core/src', [...stages, 'tests']),
    known('core/src/frame', [...rooms.frame.flat(), 'tests']),
    known('core/src/fit', [...rooms.fit.flat(), 'tests']),
    known('app/src', floors.flat()),
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
    exclude: { path: '(^|/)dist/' },
    tsConfig: { fileName: 'tsconfig.base.json' },
    tsPreCompilationDeps: true,
    enhancedResolveOptions: { extensions: ['.ts', '.tsx', '.js', '.mjs', '.json'] },
  },
};
