const FEATURES =
  'about|bench|board|burnout|capture|chart|files|guide|jobs|kilns|metal|molds|network|paper|pattern|pour|quick|record|resins|scraps|shell|shop|sizes|week';
/** What every feature of the page stands on. Jobs are its ground too, by their index. */
const GROUND = 'api|components|state|testing|theme|time';

/** Which files may ask which: no circles, and a room's inside only through its index. */
module.exports = {
  forbidden: [
    {
      name: 'no-circles',
      comment: 'Two files that need each other are one, or the third that both need is missing.',
      severity: 'error',
      from: {},
      to: { circular: true },
    },
    {
      name: 'rooms-by-their-index',
      comment: 'A package of the workspace is used through its index.',
      severity: 'error',
      from: { path: '^([^/]+)/(src|offline)/', pathNot: '(test\\.ts$|/testing/)' },
      to: {
        path: '^(core|contracts|plan|jobs|server|demo)/src/(?!((node|run)/)?index\\.ts$)',
        pathNot: '^$1/',
      },
    },
    {
      name: 'core-folders-by-their-index',
      comment: 'A subject of core is used by another through its index.',
      severity: 'error',
      from: { path: '^core/src/([^/]+)/', pathNot: '(test\\.ts$|/testing/)' },
      to: { path: '^core/src/([^/]+)/(?!index\\.ts$)', pathNot: '^core/src/$1/' },
    },
    {
      name: 'features-by-their-index',
      comment: 'A feature of the page is used by another through its index.',
      severity: 'error',
      from: { path: `^web/src/(${FEATURES})/`, pathNot: '(test\\.ts$)' },
      to: { path: `^web/src/(${FEATURES})/(?!index\\.ts$)`, pathNot: '^web/src/$1/' },
    },
    {
      name: 'ground-below-features',
      comment: 'What every feature stands on knows none of them.',
      severity: 'error',
      from: { path: `^web/src/(${GROUND})/`, pathNot: '(test\\.ts$)' },
      to: { path: `^web/src/(${FEATURES})/`, pathNot: '^web/src/jobs/index\\.ts$' },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '(^|/)(dist|node_modules)/' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.base.json' },
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      extensions: ['.ts', '.vue', '.mjs', '.js', '.json'],
    },
  },
};
