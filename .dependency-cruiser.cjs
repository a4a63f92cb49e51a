// The order of the core's folders: each imports from those before it, never from those behind it; types are known everywhere.
const order = [
  'base',
  'units',
  'language',
  'model',
  'sections',
  'geometry',
  'fields',
  'steps',
  'rules',
  'combinations',
  'document',
  'build',
  'edits',
  'analysis',
  'results',
  'checks',
  'evaluation/stages',
  'drawing',
  'evaluation',
  'files',
];

/** What a folder's path begins with; `evaluation` is its other folders. */
const within = (folder) => (folder === 'evaluation' ? 'evaluation/(?!stages/)' : `${folder}/`);

const coreRules = order.map((folder, i) => ({
  name: `core-${folder.replace('/', '-')}-looks-back-only`,
  comment: `core/src/${folder} imports only from the folders before it`,
  severity: 'error',
  from: { path: `^core/src/${within(folder)}`, pathNot: '\\.spec\\.ts$' },
  to: {
    path: `^core/src/(${
      order
        .slice(i + 1)
        .map(within)
        .join('|') || '-'
    })`,
    dependencyTypesNot: ['type-only'],
  },
}));

module.exports = {
  forbidden: [
    ...coreRules,
    {
      name: 'frames-know-no-document',
      comment: 'what a frame model comes to does not depend on how it was generated, not even by its types',
      severity: 'error',
      from: { path: '^core/src/(model|sections|analysis|results|checks)/', pathNot: '\\.spec\\.ts$' },
      to: { path: '^core/src/(geometry|fields|steps|rules|combinations|document|build|edits)/' },
    },
    {
      name: 'parts-of-the-screen-know-no-state',
      comment: 'fields, lists and the stage get what they show from outside',
      severity: 'error',
      from: { path: '^web/src/app/(ui|stage)/', pathNot: '\\.spec\\.ts$' },
      to: { path: '^web/src/app/(?!ui/|stage/|testing/)' },
    },
    {
      name: 'state-knows-no-screen',
      severity: 'error',
      from: { path: '^web/src/app/state/', pathNot: '\\.spec\\.ts$' },
      to: { path: '^web/src/app/(design|comparison|designs|revisions|shell)/' },
    },
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
