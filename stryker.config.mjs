/** Small faults are put into the core one by one; `npm run faults:code` says which of them no test notices. */
export default {
  testRunner: 'jest',
  plugins: ['@stryker-mutator/jest-runner'],
  testRunnerNodeArgs: ['--experimental-vm-modules'],
  jest: { configFile: 'jest.faults.mjs', enableFindRelatedTests: true },
  coverageAnalysis: 'perTest',
  concurrency: 2,
  timeoutMS: 60_000,
  // Words on the screen are read by people, not compared by tests.
  mutator: { excludedMutations: ['StringLiteral'] },
  warnings: { slow: false },
  ignorePatterns: [
    '/data',
    '/docs',
    '/e2e',
    '/demo',
    '/packages/web',
    '/packages/*/dist',
    '/packages/server',
    '/reports',
  ],
  tempDirName: '.faults',
  reporters: ['json', 'progress-append-only'],
  jsonReporter: { fileName: 'node_modules/.faults.json' },
};
