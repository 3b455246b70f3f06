/** The map of the core, in the order of the work: what each step may import. The only place that states it. */
const uses = {
  problem: [],
  assumed: [],
  random: [],
  length: ['problem'],
  explained: ['length'],
  model: ['length'], // what a person enters and the shop records: types, defaults and ids, no computation
  solid: ['assumed', 'length', 'explained', 'model'],
  stock: ['length', 'explained', 'model'],
  contents: ['problem', 'assumed', 'random', 'length', 'explained', 'model'],
  wall: ['length', 'model'],
  joints: ['assumed', 'length', 'explained', 'model', 'solid'],
  cabinets: ['length', 'explained', 'model', 'solid', 'stock', 'joints'],
  parts: ['assumed', 'length', 'explained', 'model', 'solid', 'stock', 'contents', 'wall', 'joints'],
  nesting: ['random', 'length', 'model'], // pieces and sheets: knows no cabinet
  sawing: ['random', 'length', 'model', 'stock', 'nesting'], // pieces and saws: knows no cabinet either
  sag: ['assumed', 'length', 'explained', 'solid', 'stock', 'parts'],
  hang: ['assumed', 'length', 'explained', 'model', 'solid', 'stock', 'wall', 'joints', 'parts'],
  setups: ['random', 'length', 'explained', 'model', 'solid', 'stock', 'joints', 'parts'],
  build: ['random', 'length', 'explained', 'model', 'solid', 'stock', 'joints', 'parts', 'sawing', 'setups'],
  checks: ['assumed', 'length', 'explained', 'model', 'solid', 'stock', 'contents', 'wall', 'joints', 'cabinets', 'parts', 'sawing', 'sag', 'hang'],
  planner: ['length', 'model', 'solid', 'stock', 'contents', 'wall', 'joints', 'cabinets', 'parts', 'sag', 'hang', 'setups', 'build', 'checks'],
  sheets: ['length', 'explained', 'model', 'solid', 'stock', 'joints', 'parts', 'nesting', 'sawing', 'hang', 'build', 'checks', 'planner'],
  proposals: ['length', 'model', 'solid', 'stock', 'contents', 'wall', 'cabinets', 'parts', 'nesting', 'hang', 'checks', 'planner', 'sheets'],
  journal: ['length', 'explained', 'model', 'solid', 'cabinets', 'parts', 'hang', 'build', 'checks', 'planner', 'sheets'],
  'quick-sums': ['problem', 'length', 'explained', 'model', 'solid', 'stock', 'contents', 'joints', 'parts', 'nesting', 'sag', 'hang', 'setups', 'checks'],
  formats: [
    'problem',
    'length',
    'explained',
    'model',
    'solid',
    'stock',
    'contents',
    'wall',
    'joints',
    'cabinets',
    'parts',
    'nesting',
    'sawing',
    'hang',
    'setups',
    'build',
    'checks',
    'planner',
    'sheets',
    'proposals',
    'journal',
  ],
};
const CORE = '^packages/core/src';
const TEST = '\\.test\\.ts$';
/** Every step names what it makes by a key of the words: as a type alone, so that a key without words does not compile. */
const WORD_KEYS = `${CORE}/checks/words/(labels|fixes)\\.ts$`;
const ALLOWED_PACKAGES = ['ics', 'papaparse', 'polygon-clipping', 'tinyqueue']; // pure ones, no Node, no DOM

const steps = Object.entries(uses).map(([step, others]) => ({
  name: `core-${step}`,
  severity: 'error',
  comment: `${step} may import only: ${[step, ...others].join(', ')}`,
  from: { path: `${CORE}/${step}/`, pathNot: TEST },
  to: { path: `${CORE}/`, pathNot: [`${CORE}/(${[step, ...others].join('|')})/`, WORD_KEYS] },
}));

module.exports = {
  forbidden: [
    ...steps,
    {
      name: 'word-keys-are-types',
      severity: 'error',
      comment: 'the words themselves are for checks and the folders above; other steps import their keys as types',
      from: {
        path: `${CORE}/`,
        pathNot: [TEST, `${CORE}/(checks|planner|sheets|proposals|journal|quick-sums|formats|test)/`, `${CORE}/(index|nesting)\\.ts$`],
      },
      to: { path: WORD_KEYS, dependencyTypesNot: ['type-only'] },
    },
    {
      name: 'test-support-for-tests',
      severity: 'error',
      comment: 'what tests share is no part of the program',
      from: { path: '^packages/', pathNot: ['\\.test\\.tsx?$', '/test/'] },
      to: { path: `${CORE}/test/` },
    },
    {
      name: 'core-folder-on-the-map',
      severity: 'error',
      comment: 'a new folder of the core joins the map first',
      from: { path: `${CORE}/`, pathNot: [`${CORE}/(${Object.keys(uses).join('|')})/`, `${CORE}/(index|nesting)\\.ts$`, `${CORE}/test/`] },
      to: {},
    },
    {
      name: 'core-no-node',
      severity: 'error',
      comment: 'the core knows no Node',
      from: { path: `${CORE}/`, pathNot: [TEST, `${CORE}/test/`] },
      to: { dependencyTypes: ['core'] },
    },
    {
      name: 'core-no-packages',
      severity: 'error',
      comment: 'the core imports only packages on the allow list: no React, no DOM',
      from: { path: `${CORE}/`, pathNot: [TEST, `${CORE}/test/`] },
      to: { pathNot: ['^packages/core/', ...ALLOWED_PACKAGES.map((name) => `^node_modules/${name}/`)], dependencyTypesNot: ['core'] },
    },
    {
      name: 'one-door',
      severity: 'error',
      comment: 'web, server, cli and exchange enter the core by its index, or by the door for nesting alone; their tests may use what its tests share',
      from: { path: '^packages/(web|server|cli|exchange)/' },
      to: { path: `${CORE}/`, pathNot: `${CORE}/((index|nesting)\\.ts$|test/)` },
    },
    {
      name: 'exchange-one-door',
      severity: 'error',
      comment: 'web, server and cli enter exchange by its index',
      from: { path: '^packages/(web|server|cli)/' },
      to: { path: '^packages/exchange/', pathNot: '^packages/exchange/src/index\\.ts$' },
    },
    {
      name: 'exchange-pure',
      severity: 'error',
      comment: 'exchange knows no Node, no screen and no server: it runs in each of them',
      from: { path: '^packages/exchange/', pathNot: TEST },
      to: { path: '^packages/(web|server|cli)/|^node_modules/(react|@mui|@nestjs)', dependencyTypes: ['core', 'npm', 'local'] },
    },
    {
      name: 'apart',
      severity: 'error',
      comment: 'web, server and cli never import each other',
      from: { path: '^packages/(web|server|cli)/' },
      to: { path: '^packages/(web|server|cli)/', pathNot: '^packages/$1/' },
    },
    {
      name: 'no-cycles',
      severity: 'error',
      comment: 'no cycles at run time',
      from: { path: '^packages/' },
      to: { circular: true, viaOnly: { dependencyTypesNot: ['type-only'] } },
    },
    {
      name: 'resolved',
      severity: 'error',
      comment: 'every import leads somewhere',
      from: { path: '^packages/' },
      to: { couldNotResolve: true, pathNot: '\\?(worker|url)' },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '(^|/)dist/' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.base.json' },
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'require', 'node', 'default', 'types'],
      extensions: ['.ts', '.tsx', '.mjs', '.js', '.json'],
    },
  },
};
