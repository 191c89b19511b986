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

const project = (name) => ({
  displayName: name,
  rootDir: `packages/${name}`,
  testMatch: ['<rootDir>/test/**/*.test.ts'],
  testEnvironment: 'node',
  extensionsToTreatAsEsm: ['.ts'],
  transform,
  moduleNameMapper: {
    '^(\\.{1,2}/.*)\\.js$': '$1',
    '^@yarin/core$': '<rootDir>/../core/src/index.ts',
    '^@yarin/core/schemas$': '<rootDir>/../core/src/schemas/index.ts',
    '^@yarin/formats$': '<rootDir>/../formats/src/index.ts',
  },
});

export default { projects: ['core', 'formats', 'server', 'cli', 'web'].map(project) };
