/** Layer rules: what may import what. `npm run check` fails when one is broken. */
const only = (name, from, allowed, comment) => ({
  name,
  severity: 'error',
  comment,
  from: { path: from, pathNot: '\\.test\\.tsx?$' },
  to: { path: '^(src|server|cli|e2e|bench)/', pathNot: allowed },
});

module.exports = {
  forbidden: [
    {
      name: 'no-cycles',
      severity: 'error',
      from: {},
      comment: 'Types count: who names another in a type must know it.',
      to: { circular: true },
    },
    {
      name: 'no-cycles-of-rooms',
      severity: 'error',
      comment: 'The rooms of the core stand in one order.',
      scope: 'folder',
      from: { path: '^src/core/' },
      to: { circular: true },
    },
    only('core-is-closed', '^src/core/', '^src/core/', 'The core knows nothing of the application.'),
    {
      name: 'core-uses-only-random',
      severity: 'error',
      from: { path: '^src/core/', pathNot: '\\.test\\.ts$' },
      to: { path: 'node_modules', pathNot: 'node_modules/pure-rand' },
    },
    only(
      'catalogue-is-data',
      '^src/catalogue/',
      '^src/(catalogue|core)/',
      'The catalogue is data with a schema.',
    ),
    only(
      'records-below-screens',
      '^src/records/',
      '^src/(records|catalogue|core)/',
      'Records know no screen.',
    ),
    only(
      'questions-below-screens',
      '^src/questions/',
      '^src/(questions|records|catalogue|core)/',
      'Questions are built from records for the core, by no screen.',
    ),
    only(
      'workers-run-core',
      '^src/workers/',
      '^src/(workers|catalogue|core)/',
      'A worker is a few lines round the core.',
    ),
    only('ui-knows-no-feature', '^src/ui/', '^src/(ui|core|catalogue)/', 'Parts are shared by all screens.'),
    {
      name: 'features-are-islands',
      severity: 'error',
      comment: 'A screen never imports another screen; the app composes them.',
      from: { path: '^src/features/([^/]+)/' },
      to: { path: '^src/features/', pathNot: '^src/features/$1/' },
    },
    {
      name: 'features-below-app',
      severity: 'error',
      from: { path: '^src/features/' },
      to: { path: '^src/app/' },
    },
    { name: 'server-stands-alone', severity: 'error', from: { path: '^server/' }, to: { path: '^src/' } },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    // Tests reach wherever what they test is held against.
    exclude: { path: '\\.test\\.tsx?$' },
    tsConfig: { fileName: 'tsconfig.json' },
    tsPreCompilationDeps: true,
  },
};
