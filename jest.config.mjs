const transform = {
  '\\.[mc]?tsx?$': [
    '@swc/jest',
    {
      jsc: {
        target: 'es2022',
        parser: { syntax: 'typescript', tsx: true, decorators: true },
        experimental: { keepImportAttributes: true },
        transform: { legacyDecorator: true, decoratorMetadata: true, useDefineForClassFields: false, react: { runtime: 'automatic' } },
      },
      module: { type: 'es6' },
    },
  ],
};
const project = (displayName, more = {}) => ({
  displayName,
  rootDir: `packages/${displayName}`,
  testMatch: ['<rootDir>/src/**/*.test.ts?(x)'],
  transform,
  extensionsToTreatAsEsm: ['.ts', '.tsx'],
  testEnvironment: 'node',
  ...more,
});

export default {
  // Jest leaves one core free, which on two is half of them.
  maxWorkers: '100%',
  // A test that hangs is told from one that waits for its share of a busy machine.
  testTimeout: 60_000,
  projects: [
    project('core'),
    project('exchange'),
    project('cli'),
    // The calendar's package asks for its ids by require, and in a browser's surroundings that finds no file it can read.
    project('web', {
      moduleNameMapper: { '\\.css$': '<rootDir>/src/test/empty.ts', '^nanoid$': '<rootDir>/../../node_modules/nanoid/index.cjs' },
      setupFilesAfterEnv: ['<rootDir>/src/test/patience.ts'],
    }),
    project('server', { globalSetup: '<rootDir>/src/test/database-up.mjs', globalTeardown: '<rootDir>/src/test/database-down.mjs' }),
  ],
};
