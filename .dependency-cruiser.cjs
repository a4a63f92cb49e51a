// The order of the core's folders: each may import from those before it, never from those behind it.
const order = [
  'numeric',
  'units',
  'model',
  'library',
  'recipe',
  'analysis',
  'results',
  'capacity',
  'pipeline',
  'drawing',
  'compare',
  'exchange',
];

const coreRules = order.map((folder, i) => ({
  name: `core-${folder}-looks-back-only`,
  comment: `core/${folder} may import only from the folders before it`,
  severity: 'error',
  from: { path: `^core/src/${folder}/`, pathNot: '\\.spec\\.ts$' },
  to: { path: `^core/src/(${order.slice(i + 1).join('|') || '-'})/` },
}));

module.exports = {
  forbidden: [
    ...coreRules,
    {
      name: 'core-stands-alone',
      comment: 'the core knows neither the applications nor Node nor the page',
      severity: 'error',
      from: { path: '^core/src/', pathNot: '\\.spec\\.ts$|^core/src/testing/' },
      to: { path: '^(server|web|cli|e2e)/', dependencyTypesNot: ['core'] },
    },
    {
      name: 'core-without-node',
      comment: 'the core runs in the browser too',
      severity: 'error',
      from: { path: '^core/src/', pathNot: '\\.spec\\.ts$|^core/src/testing/' },
      to: { dependencyTypes: ['core'] },
    },
    {
      name: 'applications-apart',
      comment: 'server, web and command line know the core, not each other',
      severity: 'error',
      from: { path: '^(server|web|cli)/' },
      to: { path: '^(server|web|cli)/', pathNot: '^$1/' },
    },
    {
      name: 'no-cycles',
      severity: 'error',
      from: {},
      to: { circular: true, dependencyTypesNot: ['type-only'] },
    },
    {
      name: 'no-schema-compiler-in-the-page',
      comment:
        'Ajv compiles code, which the content security policy refuses; the page leaves validation to the server',
      severity: 'error',
      from: { path: '^web/src/' },
      to: { path: '^core/src/validation|(^|/)ajv(/|$)' },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.depcruise.json' },
    enhancedResolveOptions: { extensions: ['.ts', '.js', '.mjs', '.json'] },
  },
};
