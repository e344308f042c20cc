/** Floors of the house: arrows run downwards only, and never in a circle. */
const floor = (name, allowed) => ({
  name: `${name}-looks-down-only`,
  severity: 'error',
  from: { path: `^${name}/`, pathNot: '\\.test\\.tsx?$' },
  to: { path: '^(app|server|contract|formats|core|demo|tests|bench|scripts)/', pathNot: `^(${[name, ...allowed].join('|')})/` },
});
module.exports = {
  forbidden: [
    { name: 'no-circles', severity: 'error', from: {}, to: { circular: true } },
    floor('core', []),
    floor('formats', ['core']),
    floor('contract', ['core']),
    floor('demo', ['contract', 'core']),
    floor('server', ['contract', 'formats', 'core', 'demo']),
    floor('app', ['contract', 'formats', 'core']),
    {
      name: 'core-needs-no-framework',
      severity: 'error',
      from: { path: '^core/', pathNot: '\\.test\\.ts$' },
      to: { dependencyTypes: ['npm', 'npm-dev', 'core'], pathNot: 'node_modules/(tonal|@tonaljs|ts-fsrs)' },
    },
    {
      name: 'neck-and-words-know-no-view',
      severity: 'error',
      from: { path: '^app/(neck|words|ui|sound|store)/' },
      to: { path: '^app/views/' },
    },
    {
      name: 'words-know-no-store-and-no-parts',
      severity: 'error',
      from: { path: '^app/words/', pathNot: '\\.test\\.ts$' },
      to: { path: '^app/(ui|store|sound|files|shell|workers)/' },
    },
    {
      name: 'tab-and-letters-know-no-parts',
      severity: 'error',
      from: { path: '^app/(tab|letters)/', pathNot: '\\.test\\.tsx?$' },
      to: { path: '^app/(ui|store|shell|files|sound)/' },
    },
    {
      name: 'what-runs-stands-in-dependencies',
      severity: 'error',
      from: { path: '^(app|server|contract|formats|core|demo)/', pathNot: '\\.test\\.tsx?$' },
      to: { dependencyTypes: ['npm-dev'], pathNot: 'node_modules/@types/' },
    },
  ],
  options: { doNotFollow: { path: 'node_modules' }, tsConfig: { fileName: 'tsconfig.json' }, tsPreCompilationDeps: true, exclude: '^dist' },
};
