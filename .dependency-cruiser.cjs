/** The floors of the core, from the ground up: a folder imports only from floors below it. */
const FLOORS = [
  'units',
  'music',
  'instruments',
  'formats',
  'reading',
  'practice',
  'staircase',
  'calendar',
  'records',
  'classes',
  'lesson',
  'listening',
  'home',
  'words',
  'handouts',
];
/** Staircase, calendar and records are beside each other: plain data goes between them, not imports. */
const SIDE_BY_SIDE = ['staircase', 'calendar', 'records'];

const floorRules = FLOORS.map((floor, index) => {
  const above = FLOORS.filter(
    (other, place) =>
      place > index || (SIDE_BY_SIDE.includes(floor) && SIDE_BY_SIDE.includes(other) && other !== floor),
  );
  return {
    name: `core-${floor}-looks-down`,
    severity: 'error',
    comment: `core/${floor} imports only from the floors below it`,
    from: { path: `^core/src/${floor}/` },
    to: { path: `^core/src/(${above.join('|') || 'nothing-is-above'})/` },
  };
});

module.exports = {
  forbidden: [
    ...floorRules,
    {
      name: 'messages-know-nobody',
      severity: 'error',
      comment: 'words are said by everybody and know nobody',
      from: { path: '^messages/src/', pathNot: '\\.test\\.ts$' },
      to: { path: '^(core|contract|paper|server|web|cli|e2e|scripts)/' },
    },
    {
      name: 'core-stands-alone',
      severity: 'error',
      comment: 'the core knows no server, no web, no terminal',
      from: { path: '^core/' },
      to: { path: '^(contract|paper|server|web|cli|e2e|scripts)/' },
    },
    {
      name: 'contract-knows-the-core-alone',
      severity: 'error',
      comment: 'what goes between server and devices is said once, by nobody’s rules but the core’s',
      from: { path: '^contract/' },
      to: { path: '^(paper|server|web|cli|e2e|scripts)/' },
    },
    {
      name: 'core-is-pure',
      severity: 'error',
      comment: 'no network, no file system, no clock: nothing of Node.js in the core',
      from: { path: '^core/src/', pathNot: '\\.test\\.ts$|/testing/' },
      to: { dependencyTypes: ['core'] },
    },
    {
      name: 'core-by-the-door',
      severity: 'error',
      comment: 'from outside, a folder of the core is entered by its index.ts',
      from: { path: '^core/src/([^/]+)/' },
      to: { path: '^core/src/([^/]+)/', pathNot: ['^core/src/$1/', '/index\\.ts$'] },
    },
    {
      name: 'core-door-for-others',
      severity: 'error',
      from: { path: '^(contract|paper|server|web|cli|e2e)/' },
      to: { path: '^core/src/', pathNot: '/index\\.ts$' },
    },
    {
      name: 'feature-by-the-door',
      severity: 'error',
      comment: 'a feature is entered by its index.ts',
      from: { path: '^(server|web)/src/features/([^/]+)/' },
      to: { path: '^$1/src/features/([^/]+)/', pathNot: ['^$1/src/features/$2/', '/index\\.ts$'] },
    },
    {
      name: 'web-rooms-know-no-feature',
      severity: 'error',
      comment: 'controls, sheets, sound, threads and what works offline serve every feature and know none',
      from: { path: '^web/src/(refusals|ui|score|sound|workers|offline)/' },
      to: { path: '^web/src/(features|room)/' },
    },
    {
      name: 'controls-ask-nobody',
      severity: 'error',
      comment: 'what a screen is made of knows no server; the client of the server knows no screen',
      from: { path: '^web/src/(ui|refusals)/' },
      to: { path: '^web/src/api\\.ts$' },
    },
    {
      name: 'client-knows-no-screen',
      severity: 'error',
      from: { path: '^web/src/api\\.ts$' },
      to: { path: '^web/src/ui/' },
    },
    {
      name: 'practice-room-stands-apart',
      severity: 'error',
      comment: 'whoever finds a slip loads nothing of what teachers use, and knows of no session',
      from: { path: '^web/src/room/' },
      to: { path: '^web/src/(features/|offline/|api\\.ts|router\\.ts)' },
    },
    {
      name: 'feature-door-for-others',
      severity: 'error',
      comment: 'pages are loaded by the router itself, so that they load late',
      from: { path: '^(server|web)/src/(?!features/)' },
      to: { path: '^$1/src/features/[^/]+/', pathNot: ['/index\\.ts$', 'Page\\.vue$'] },
    },
    {
      name: 'web-takes-only-types-of-the-server',
      severity: 'error',
      from: { path: '^web/' },
      to: { path: '^server/', pathNot: '^server/src/api\\.ts$' },
    },
    { name: 'server-knows-no-web', severity: 'error', from: { path: '^server/' }, to: { path: '^web/' } },
    {
      name: 'no-circles',
      severity: 'error',
      comment: 'of types neither, within a room or across rooms',
      from: {},
      to: { circular: true },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '(^|/)(node_modules|\\.escalier|\\.cache)/|components\\.d\\.ts$|^~icons' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.base.json' },
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'types'],
      extensions: ['.ts', '.vue', '.mjs', '.js'],
    },
  },
};
