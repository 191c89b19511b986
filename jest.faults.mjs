import whole from './jest.config.mjs';

const [core] = whole.projects;

/** The core's tests alone, in the environment that puts a fault in. Long properties are tried on fewer cases. */
process.env.PLAIN_RUNS ??= '40';

export default {
  ...core,
  testEnvironment: '@stryker-mutator/jest-runner/jest-env/node',
  testPathIgnorePatterns: ['longTexts'],
  testTimeout: whole.testTimeout,
};
