/** Imports point one way: web and server to contract and core, contract to core, core to nothing of ours. */
module.exports = {
  forbidden: [
    { name: 'core-is-alone', severity: 'error', from: { path: '^core/' }, to: { path: '^(contract|server|web|demo|tools|tests)/' } },
    { name: 'core-has-no-io', severity: 'error', from: { path: '^core/', pathNot: '\\.test\\.ts$' }, to: { dependencyTypes: ['core', 'npm'] } },
    { name: 'contract-sees-core', severity: 'error', from: { path: '^contract/' }, to: { path: '^(server|web|demo|tools|tests)/' } },
    { name: 'server-not-web', severity: 'error', from: { path: '^server/' }, to: { path: '^(web|tests)/' } },
    { name: 'web-not-server', severity: 'error', from: { path: '^web/' }, to: { path: '^(server|demo|tools|tests)/' } },
    { name: 'no-circles', severity: 'error', from: {}, to: { circular: true, viaOnly: { dependencyTypesNot: ['type-only'] } } },
    { name: 'steps-apart', severity: 'error', from: { path: '^web/places/([^/]+)/' }, to: { path: '^web/places/', pathNot: '^web/places/$1/' } },
  ],
  options: { doNotFollow: { path: 'node_modules' }, tsConfig: { fileName: 'tsconfig.json' }, tsPreCompilationDeps: true, exclude: { path: '^(dist|node_modules|data)' } },
};
