/** Imports run one way: core <- contract <- server, web; features meet in shared, never in each other. */
const rule = (name, from, to) => ({ name, severity: 'error', from, to });

module.exports = {
  forbidden: [
    rule('no-circles', {}, { circular: true, viaOnly: { dependencyTypesNot: ['type-only'] } }),
    rule(
      'core-stands-alone',
      { path: '^core/', pathNot: '(\\.spec\\.ts$|^core/reference/)' },
      { pathNot: '^(core/|node_modules/(zod|simple-statistics)/)' },
    ),
    rule(
      'contract-on-core-only',
      { path: '^contract/', pathNot: '\\.spec\\.ts$' },
      { pathNot: '^(contract/|core/|node_modules/(zod|@tarikjabiri/dxf)/)' },
    ),
    rule('server-not-web', { path: '^server/' }, { path: '^(web|e2e)/' }),
    rule('web-not-server', { path: '^web/' }, { path: '^(server|tools|e2e)/' }),
    rule(
      'features-apart',
      { path: '^web/app/features/([^/]+)/' },
      { path: '^web/app/features/', pathNot: '^web/app/features/$1/' },
    ),
    rule(
      'router-alone-knows-features',
      { path: '^web/app/', pathNot: '^web/app/(features/|routes\\.ts$)' },
      { path: '^web/app/features/' },
    ),
    // The makers of scans with known truth lie in core/reference: they are no part of the app.
    rule('e2e-outside', { path: '^e2e/' }, { path: '^(web|server|core(?!/reference/)|tools)/' }),
    rule(
      'references-only-in-tests',
      { path: '^(core|contract|server|web)/', pathNot: '(\\.spec\\.ts$|^core/reference/)' },
      { path: '^core/reference/' },
    ),
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '(^|/)dist/' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.base.json' },
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'require', 'node', 'default', 'types'],
      extensions: ['.ts', '.mjs', '.js', '.cjs', '.json', '.d.ts'],
    },
  },
};
