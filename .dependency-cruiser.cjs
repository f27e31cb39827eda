/** Imports point inward; every arrow of the structure is a rule here. Type-only imports are elided and so not seen. */
const outside = '^(react|next|@mui|@emotion|@mikro-orm|pino|node:|fs|path|crypto|http|@node-rs|idb-keyval|uuid)';

module.exports = {
  forbidden: [
    { name: 'no-circle', severity: 'error', from: {}, to: { circular: true, viaOnly: { dependencyTypesNot: ['type-only'] } } },
    { name: 'core-stands-alone', severity: 'error', from: { path: '^src/core' }, to: { path: '^(src/(app|ui|server|forms|workers)|demo)' } },
    {
      name: 'core-is-pure',
      severity: 'error',
      from: { path: '^src/core', pathNot: '\\.test\\.ts$' },
      to: { dependencyTypes: ['npm', 'core'], path: `${outside}|node_modules/(react|next|@mui|@emotion|@mikro-orm|pino)/` },
    },
    { name: 'forms-know-the-core-only', severity: 'error', from: { path: '^src/forms' }, to: { path: '^src/(app|ui|server)' } },
    { name: 'server-knows-no-screen', severity: 'error', from: { path: '^src/server' }, to: { path: '^src/(app|ui)' } },
    { name: 'ui-never-the-server', severity: 'error', from: { path: '^src/ui' }, to: { path: '^src/server', preCompilationOnly: false } },
    {
      name: 'ui-only-actions-of-the-app',
      severity: 'error',
      from: { path: '^src/ui' },
      to: { path: '^src/app', pathNot: '^src/app/actions/', preCompilationOnly: false },
    },
    {
      name: 'rows-stay-on-the-server',
      severity: 'error',
      from: { path: '^src/(app|ui|forms)' },
      to: { path: '^src/server/(db/rows|repositories)', preCompilationOnly: false },
    },
    { name: 'nothing-orphaned', severity: 'error', from: { orphan: true, pathNot: '(\\.d\\.ts|\\.css|sw\\.js|icon\\.svg)$' }, to: {} },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    tsPreCompilationDeps: 'specify',
    tsConfig: { fileName: 'tsconfig.json' },
    enhancedResolveOptions: { exportsFields: ['exports'], conditionNames: ['import', 'require', 'node', 'default', 'types'] },
  },
};
