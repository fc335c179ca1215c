/** Arrows run one way: client → core, server → core, and nothing between client and server but typed requests. */
module.exports = {
  forbidden: [
    {
      name: 'core-alone',
      severity: 'error',
      from: { path: '^core/src', pathNot: '\\.test\\.ts$|^core/src/testing/' },
      to: { pathNot: '^core/src|node_modules/zod' },
    },
    { name: 'client-not-server', severity: 'error', from: { path: '^client/src' }, to: { path: '^server/' } },
    { name: 'server-not-client', severity: 'error', from: { path: '^server/src' }, to: { path: '^client/' } },
    { name: 'no-circles', severity: 'error', from: {}, to: { circular: true, dependencyTypesNot: ['type-only'] } },
    {
      name: 'drawings-know-no-station',
      severity: 'error',
      from: { path: '^client/src/(drawing|ui|theme|data)' },
      to: { path: '^client/src/(stations|app)' },
    },
    {
      name: 'ui-knows-no-job',
      severity: 'error',
      from: { path: '^client/src/(ui|theme)' },
      to: { path: '^client/src/(data|drawing|stations|app)' },
    },
    {
      name: 'hydraulics-know-no-job',
      severity: 'error',
      from: { path: '^core/src/hydraulics', pathNot: '\\.test\\.ts$' },
      to: { path: '^core/src/(job|network|snags|runoff)' },
    },
    {
      name: 'tests-stay-out',
      severity: 'error',
      from: { pathNot: '\\.test\\.tsx?$|/testing/' },
      to: { path: '\\.test\\.tsx?$|/testing/' },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    tsConfig: { fileName: 'tsconfig.json' },
    tsPreCompilationDeps: true,
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'require', 'default'],
      extensions: ['.ts', '.tsx', '.js', '.mjs', '.json'],
    },
  },
};
