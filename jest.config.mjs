const shared = {
  transform: {
    '^.+\\.(ts|tsx)$': [
      '@swc/jest',
      {
        jsc: {
          parser: { syntax: 'typescript', tsx: true },
          transform: { react: { runtime: 'automatic' } },
          target: 'es2022',
          experimental: { keepImportAttributes: true },
        },
        module: { type: 'es6' },
      },
    ],
  },
  extensionsToTreatAsEsm: ['.ts', '.tsx'],
  testEnvironment: 'node',
};

export default {
  watchman: false,
  projects: [
    {
      ...shared,
      displayName: 'unit',
      testMatch: [
        '<rootDir>/src/**/*.test.ts',
        '<rootDir>/cli/**/*.test.ts',
        '<rootDir>/server/**/*.test.ts',
      ],
      setupFiles: ['fake-indexeddb/auto'],
    },
    { ...shared, displayName: 'journeys', testMatch: ['<rootDir>/e2e/**/*.e2e.ts'] },
  ],
};
