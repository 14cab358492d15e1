// The staircase of docs/architecture.md: data goes one way, down.
// `npm run rooms` checks it; tests/rooms.test.ts plants violations to prove that the rules bite.
const room = (name) => `^src/${name}/`;
const only = (name, allowed) => ({
  name: `${name}-imports-only-what-it-may`,
  severity: 'error',
  from: { path: room(name), pathNot: '\\.test\\.tsx?$' },
  to: { path: '^(src|demo|cli|tests)/', pathNot: `^src/(${[name, ...allowed].join('|')})/` },
});

module.exports = {
  forbidden: [
    only('model', []),
    only('core', ['model']),
    only('catalog', ['model', 'core']),
    only('db', ['model', 'core']),
    only('server', ['model', 'core', 'catalog', 'db']),
    only('workers', ['model', 'core']),
    only('ui', ['model', 'core', 'workers']),
    only('app', ['model', 'server', 'ui']),
    {
      name: 'shipped-documents-reach-jobs-through-the-database-only',
      severity: 'error',
      from: { path: '^src/server/', pathNot: '^src/server/(catalogs/|instance\\.ts)|\\.test\\.ts$' },
      to: { path: room('catalog') },
    },
    {
      name: 'core-knows-no-interface-no-storage',
      severity: 'error',
      from: { path: room('(core|model)'), pathNot: '\\.test\\.tsx?$' },
      to: {
        path: 'node_modules/(react|next|better-sqlite3|@chakra-ui|sharp|pdfkit)|^(fs|path|node:.*|crypto)$',
      },
    },
    {
      name: 'only-db-opens-sqlite',
      severity: 'error',
      from: { pathNot: '^src/db/|\\.test\\.ts$|^tests/' },
      to: { path: 'better-sqlite3' },
    },
    {
      name: 'no-circles',
      severity: 'error',
      from: {},
      to: { circular: true },
    },
    {
      name: 'no-test-in-product',
      severity: 'error',
      from: { pathNot: '\\.test\\.tsx?$|^tests/' },
      to: { path: '\\.test\\.tsx?$|^tests/' },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    tsConfig: { fileName: 'tsconfig.json' },
    tsPreCompilationDeps: true,
    exclude: { path: '^(\\.next|node_modules)' },
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'require', 'node', 'default', 'types'],
    },
  },
};
