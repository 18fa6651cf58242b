/** Who may import whom: core from the bottom up, server and app over it, and no circles. Read by `npm run lint`. */
const CORE = 'packages/core/src';
const APP = 'packages/app/src';

/** Core folders from the bottom up: each may import only those before it. */
const CORE_ORDER = [
  'locale',
  'validation',
  'standards',
  'air',
  'devices',
  'merge',
  'circuit',
  'network',
  'behaviour',
  'systems',
  'prove',
  'fire',
  'ductless',
  'unit',
  'building',
  'survey',
  'plan',
  'diagnose',
  'record',
  'wire',
  'documents',
  'sync',
  'drawing',
  'formats',
  'words',
];

const TESTS = '(\\.test\\.tsx?|/testing/.*)$';

const coreLayers = CORE_ORDER.slice(0, -1).map((folder, i) => ({
  name: `core-${folder}-downwards`,
  severity: 'error',
  comment: `core/${folder} knows nothing of what lies above it.`,
  from: { path: `^${CORE}/${folder}/`, pathNot: TESTS },
  to: { path: `^${CORE}/(${CORE_ORDER.slice(i + 1).join('|')})/` },
}));

/** Folders of the app from the bottom up. */
const APP_ORDER = ['theme', 'basics', 'store', 'documents', 'model', 'features', 'app'];

/** What the store takes in of the features is a rule of its own. */
const appLayers = APP_ORDER.slice(0, -1).map((folder, i) => ({
  name: `app-${folder}-downwards`,
  severity: 'error',
  comment: `app/${folder} knows nothing of what lies above it.`,
  from: { path: `^${APP}/${folder}/`, pathNot: TESTS },
  to: {
    path: `^${APP}/(${APP_ORDER.slice(i + 1)
      .filter((above) => folder !== 'store' || above !== 'features')
      .join('|')})/`,
  },
}));

/** The rooms of plan/ stand side by side: what two of them need is in field/ or beside them. */
const PLAN_ROOMS = ['swap', 'insert', 'run', 'halves', 'sums'];
const planRooms = PLAN_ROOMS.map((room) => ({
  name: `plan-${room}-alone`,
  severity: 'error',
  from: { path: `^${CORE}/plan/${room}/`, pathNot: TESTS },
  to: { path: `^${CORE}/plan/(${PLAN_ROOMS.filter((other) => other !== room).join('|')})/` },
}));

module.exports = {
  forbidden: [
    { name: 'no-circles', severity: 'error', from: {}, to: { circular: true } },
    ...coreLayers,
    {
      name: 'other-hand-alone',
      severity: 'error',
      comment: 'Faults of another hand share nothing with what they measure.',
      from: { path: `^${CORE}/testing/other/` },
      to: { path: `^${CORE}/(diagnose|plan|survey|record|wire|words)/` },
    },
    {
      name: 'core-is-pure',
      severity: 'error',
      comment: 'No interface, no server, no Node API in the core.',
      from: { path: `^${CORE}/`, pathNot: TESTS },
      to: {
        path: `^(${APP}|packages/server/src)/|node_modules/(react|expo|express|drizzle)`,
        dependencyTypesNot: ['type-only'],
      },
    },
    {
      name: 'core-without-node',
      severity: 'error',
      from: { path: `^${CORE}/`, pathNot: TESTS },
      to: { dependencyTypes: ['core'] },
    },
    {
      name: 'database-behind-db',
      severity: 'error',
      comment: 'What is asked of the database is asked in db/.',
      from: { path: '^packages/server/src/', pathNot: `^packages/server/src/db/|${TESTS}` },
      to: { path: 'node_modules/(drizzle-orm|better-sqlite3)' },
    },
    {
      name: 'server-without-app',
      severity: 'error',
      from: { path: '^packages/server/src/' },
      to: { path: `^${APP}/` },
    },
    {
      name: 'app-without-server',
      severity: 'error',
      comment: 'The app talks to the server over HTTP only.',
      from: { path: `^${APP}/` },
      to: { path: '^packages/server/|node_modules/(express|drizzle-orm)' },
    },
    ...appLayers,
    {
      name: 'app-store-lets-features-join',
      severity: 'error',
      comment:
        'The store knows of the features only what joins it: slices, settings, and the job’s reducers.',
      from: { path: `^${APP}/store/`, pathNot: TESTS },
      to: { path: `^${APP}/features/(?!settings/|job/reducers)` },
    },
    {
      name: 'first-view-is-light',
      severity: 'error',
      comment: 'Routes and the list of jobs reach the other screens through features/later only.',
      from: {
        path: `^${APP}/((app|store|basics|theme)/|(begin|entry)\\.)|^${APP}/features/(later|jobs/(JobList|JobRow|SearchField))`,
        pathNot: TESTS,
      },
      to: {
        path: `^packages/core/src/(?!locale/)|^${APP}/(documents|model/(?!worker\\.))|^${APP}/features/(?!later|settings/(slice|kept)|jobs/(JobList|JobRow|SearchField|api)|beyond)`,
        dependencyTypesNot: ['type-only', 'dynamic-import'],
      },
    },
    ...planRooms,
    {
      name: 'no-tests-in-product',
      severity: 'error',
      from: { pathNot: `${TESTS}|^(e2e|scripts)/` },
      to: { path: TESTS },
    },
  ],
  options: {
    tsPreCompilationDeps: true,
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '(^|/)(dist|\\.expo|__recorded__)/' },
    tsConfig: { fileName: 'tsconfig.base.json' },
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'require', 'node', 'default'],
    },
  },
};
