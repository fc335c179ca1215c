/** Mutation testing of the heart: what would a changed sign, bound or figure go unnoticed by? `npm run mutate`; not in CI. */
export default {
  testRunner: 'jest',
  plugins: ['@stryker-mutator/jest-runner'],
  jest: { projectType: 'custom', configFile: 'jest.mutate.config.cjs', enableFindRelatedTests: false },
  mutate: [
    'core/src/{hydraulics,network,snags}/**/*.ts',
    '!core/src/**/*.test.ts',
    '!core/src/**/index.ts',
    // Sentences are read by people, not told apart by tests.
  ],
  mutator: { excludedMutations: ['StringLiteral'] },
  coverageAnalysis: 'perTest',
  ignoreStatic: true,
  concurrency: 2,
  timeoutMS: 8_000,
  timeoutFactor: 2,
  tempDirName: '.cache/stryker',
  reporters: ['clear-text', 'json', 'progress-append-only'],
  clearTextReporter: { allowColor: false, logTests: false, reportTests: false },
  jsonReporter: { fileName: '.cache/mutation.json' },
  disableTypeChecks: false,
};
