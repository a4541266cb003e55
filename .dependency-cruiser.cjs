/** Imports point downward: app -> stations -> ui, server -> core. */
const layer = (name, from, to, comment) => ({ name, severity: 'error', comment, from: { path: from }, to: { path: to } });

/** The floors of the core, lowest first: a folder imports only from lower ones, and by their faces. Types count. */
const FLOORS = [
  ['quantity', 'rules', 'solve', 'format'],
  ['design', 'conductor', 'protection'],
  ['bank', 'demand', 'topology'],
  ['charging', 'circuit'],
  ['ac', 'mainSide'],
  ['energy', 'network', 'propose'],
  ['monitoring', 'mounting'],
  ['check', 'build'],
  ['analysis'],
  ['working', 'drawing', 'order', 'commission', 'keep', 'placing', 'measured'],
  ['scratch', 'quick', 'report'],
  ['answer'],
];
/** Tests, and what they are written with, may use all that stands above what they test. */
const TESTS = '((\\.test|/testing)\\.ts$|/pairs/)';
const core = FLOORS.flatMap((floor, i) =>
  floor.map((folder) => ({
    name: `core-${folder}-on-its-floor`,
    severity: 'error',
    comment: `${folder} stands on floor ${i}: it imports from lower floors only`,
    from: { path: `^src/core/${folder}/`, pathNot: TESTS },
    to: { path: '^src/core/', pathNot: `^src/core/(${[folder, ...FLOORS.slice(0, i).flat()].join('|')})/` },
  })),
);

module.exports = {
  forbidden: [
    {
      name: 'no-circles',
      severity: 'error',
      comment: 'circles hide who depends on whom',
      from: {},
      to: { circular: true },
    },
    ...core,
    {
      name: 'core-folders-are-on-a-floor',
      severity: 'error',
      comment: 'a new folder of the core is given its floor above',
      from: { path: '^src/core/[^/]+/', pathNot: `^src/core/(${FLOORS.flat().join('|')})/` },
      to: {},
    },
    {
      name: 'core-by-its-faces',
      severity: 'error',
      comment: 'from outside a folder of the core only its index is imported',
      from: { path: '^src/(core/([^/]+)|app|stations|ui|server|workers)/', pathNot: TESTS },
      to: { path: '^src/core/[^/]+/', pathNot: ['^src/core/[^/]+/index\\.ts$', '^src/core/$2/'] },
    },
    layer('core-is-pure', '^src/core', '^src/(app|stations|ui|server|workers)', 'core imports nothing above itself'),
    {
      name: 'core-has-no-platform',
      severity: 'error',
      comment: 'no React, Next, DOM or Node in core',
      from: { path: '^src/core', pathNot: '\\.test\\.ts$' },
      to: { path: '^(react|next|node:|fs|path)|node_modules/(react|next|better-sqlite3|drizzle-orm)' },
    },
    layer('ui-is-below-stations', '^src/ui', '^src/(app|stations|server)', 'ui knows no station'),
    layer('server-is-not-screens', '^src/server', '^src/(app|stations|ui|workers)', 'the server draws nothing'),
    layer('stations-do-not-serve', '^src/stations', '^src/(app|server)', 'stations talk to the server over HTTP'),
    {
      name: 'stations-stand-alone',
      severity: 'error',
      comment: 'a station does not import another',
      from: { path: '^src/stations/([^/]+)/' },
      to: { path: '^src/stations/', pathNot: '^src/stations/$1/' },
    },
  ],
  options: { doNotFollow: { path: 'node_modules' }, tsPreCompilationDeps: true, tsConfig: { fileName: 'tsconfig.json' } },
};
