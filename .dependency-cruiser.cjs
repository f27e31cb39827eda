/** Imports point inward; every arrow of the structure is a rule here, and an import of types alone is an arrow too. */
const outside = '^(react|next|@mui|@emotion|@mikro-orm|pino|node:|fs|path|crypto|http|@node-rs|idb-keyval|uuid)';

module.exports = {
  forbidden: [
    { name: 'no-circle', severity: 'error', from: {}, to: { circular: true } },
    { name: 'core-stands-alone', severity: 'error', from: { path: '^src/core' }, to: { path: '^(src/(app|ui|server|forms|workers)|demo)' } },
    {
      name: 'core-is-pure',
      severity: 'error',
      from: { path: '^src/core', pathNot: '\\.test\\.ts$' },
      to: { dependencyTypes: ['npm', 'core'], path: `${outside}|node_modules/(react|next|@mui|@emotion|@mikro-orm|pino)/` },
    },
    { name: 'forms-know-the-core-only', severity: 'error', from: { path: '^src/forms' }, to: { path: '^src/(app|ui|server)' } },
    { name: 'server-knows-no-screen', severity: 'error', from: { path: '^src/server' }, to: { path: '^src/(app|ui)' } },
    { name: 'ui-never-the-server', severity: 'error', from: { path: '^src/ui' }, to: { path: '^src/server' } },
    {
      name: 'ui-only-actions-of-the-app',
      severity: 'error',
      from: { path: '^src/ui' },
      to: { path: '^src/app', pathNot: '^src/app/actions/' },
    },
    { name: 'views-are-plain', severity: 'error', from: { path: '^src/views' }, to: { path: '^src/(app|ui|server|forms)' } },
    {
      name: 'rows-only-in-repositories',
      severity: 'error',
      from: { path: '^src/server', pathNot: '^src/server/(repositories|db)/' },
      to: { path: '^src/server/db/(rows|read)' },
    },
    {
      name: 'rows-stay-on-the-server',
      severity: 'error',
      from: { path: '^src/(app|ui|forms)' },
      to: { path: '^src/server/(db/rows|repositories)' },
    },
    {
      name: 'nothing-orphaned',
      severity: 'error',
      from: { orphan: true, pathNot: '(\\.d\\.ts|\\.css|sw\\.js|icon\\.svg|webmanifest/route\\.ts)$' },
      to: {},
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.json' },
    enhancedResolveOptions: { exportsFields: ['exports'], conditionNames: ['import', 'require', 'node', 'default', 'types'] },
  },
};
