// @ts-check
/**
 * The arrows of the house. Type-only imports count: who needs another’s types knows about it. Run by
 * `npm run lint`; what is allowed is said once here.
 */

/** @param {string} from @param {readonly string[]} to */
const never = (from, to) => ({
  name: `${from}-knows-nobody-above`,
  severity: 'error',
  from: { path: `^${from}/`, pathNot: '(\\.test|-for-tests)\\.ts$' },
  to: { path: to.map((folder) => `^${folder}/`) },
});

/** The floors of the core, from the lowest up: a room knows those below it only. */
const floors = [
  'text',
  'timing/clock',
  'languages',
  'model',
  'style',
  'layout',
  'audio',
  'compare',
  'find',
  'timing/drag',
  'timing/whole',
  'timing/recut',
  'timing/borrow',
  'formats',
  'job',
  'rules',
  'operations',
  'handover',
  'contract',
].map((room) => `core/${room}`);

/** The floors of the page, from the lowest up. */
const webFloors = ['ui', 'data', 'recording', 'import', 'desk', 'move-times', 'pages', 'stages', 'app'].map(
  (floor) => `web/${floor}`,
);

/** Packages the core may use: none of them knows a browser or Node. */
const corePackages = [
  'n2words',
  '@codemirror/state',
  'chardet',
  'color-name',
  'd3-array',
  'diff',
  'entities',
  'franc-min',
  'get-east-asian-width',
  'htmlparser2',
  're2js',
  'saxes',
];

/** @type {import('dependency-cruiser').IConfiguration} */
export default {
  forbidden: [
    never('core', ['server', 'web', 'cli', 'standins', 'demo', 'e2e', 'scripts', 'bench']),
    never('web', ['server', 'cli', 'standins', 'demo', 'e2e', 'scripts', 'bench']),
    never('server', ['web', 'cli', 'standins', 'demo', 'e2e', 'scripts', 'bench']),
    never('cli', ['web', 'server', 'standins', 'demo', 'e2e', 'scripts', 'bench']),
    never('standins', ['web', 'server', 'cli', 'demo', 'e2e', 'scripts', 'bench']),
    ...[floors, webFloors].flatMap((all) => all.slice(0, -1).map((room, i) => never(room, all.slice(i + 1)))),
    {
      name: 'every-room-of-the-core-has-a-floor',
      severity: 'error',
      from: { path: '^core/' },
      to: { path: '^core/[^.]+/', pathNot: floors.map((room) => `^${room}/`) },
    },
    {
      name: 'every-room-of-the-page-has-a-floor',
      severity: 'error',
      from: { path: '^web/' },
      to: { path: '^web/[^.]+/', pathNot: webFloors.map((room) => `^${room}/`) },
    },
    {
      // A route that writes by itself forgets to tell pages, to let go of what is held in memory, or what counts rest on.
      name: 'the-server-writes-through-changes-only',
      severity: 'error',
      from: { path: '^server/', pathNot: '^server/changes\\.ts$' },
      to: { path: '^server/(database/writing|counts/basis)\\.ts$' },
    },
    {
      name: 'stand-ins-know-formats-only',
      severity: 'error',
      from: { path: '^standins/', pathNot: '\\.test\\.ts$' },
      to: { path: '^core/', pathNot: '^core/(formats|timing/clock)/' },
    },
    {
      name: 'core-uses-named-packages-only',
      severity: 'error',
      from: { path: '^core/', pathNot: '(\\.test|/arbitrary|/cases|/references)\\.ts$' },
      to: {
        dependencyTypes: ['npm', 'npm-dev', 'core', 'unknown'],
        pathNot: `(?:^|node_modules/)(${corePackages.join('|')})/`,
      },
    },
    { name: 'no-circles-of-files', severity: 'error', from: {}, to: { circular: true } },
    { name: 'no-circles-of-rooms', severity: 'error', scope: 'folder', from: {}, to: { circular: true } },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '\\.test\\.ts$' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.base.json' },
    enhancedResolveOptions: {
      extensions: ['.ts', '.vue', '.js', '.mjs'],
      conditionNames: ['import', 'node', 'default'],
    },
  },
};
