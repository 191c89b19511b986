import { fileURLToPath } from 'node:url';

const transform = {
  '^.+\\.ts$': [
    '@swc/jest',
    {
      jsc: {
        target: 'es2022',
        parser: { syntax: 'typescript', decorators: true },
        transform: { legacyDecorator: true, decoratorMetadata: false, useDefineForClassFields: false },
        keepClassNames: true,
      },
      module: { type: 'es6' },
    },
  ],
};

const source = (path) => fileURLToPath(new URL(`packages/${path}`, import.meta.url));

const project = (name) => ({
  displayName: name,
  rootDir: `packages/${name}`,
  testMatch: ['<rootDir>/test/**/*.test.ts'],
  testEnvironment: 'node',
  extensionsToTreatAsEsm: ['.ts'],
  transform,
  moduleNameMapper: {
    '^(\\.{1,2}/.*)\\.js$': '$1',
    '^@yarin/core$': source('core/src/index.ts'),
    '^@yarin/core/schemas$': source('core/src/schemas/index.ts'),
    '^@yarin/formats$': source('formats/src/index.ts'),
    '^@yarin/formats/(.*)$': source('formats/src/$1.ts'),
  },
});

const server = {
  ...project('server'),
  globalSetup: source('server/test/beginRun.mjs'),
  globalTeardown: source('server/test/endRun.mjs'),
};

export default {
  projects: [...['core', 'formats', 'cli', 'web'].map(project), server],
  // As many files at once as there are processors: many wait for threads of their own.
  maxWorkers: '100%',
  testTimeout: 240_000,
  testSequencer: './jest.longFirst.mjs',
};
