/** Imports point downward: app -> stations -> ui, server -> core. */
const layer = (name, from, to, comment) => ({ name, severity: 'error', comment, from: { path: from }, to: { path: to } });
module.exports = {
  forbidden: [
    {
      name: 'no-circles',
      severity: 'error',
      comment: 'circles hide who depends on whom',
      from: {},
      to: { circular: true, viaOnly: { dependencyTypesNot: ['type-only'] } },
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
