const shared = {
  transform: { '^.+\\.(ts|tsx)$': '<rootDir>/scripts/jest-bundle.mjs' },
  extensionsToTreatAsEsm: ['.ts', '.tsx'],
  testEnvironment: 'node',
};

export default {
  watchman: false,
  // Two busy cores may take long over what is right: nothing here is held to a speed.
  testTimeout: 90_000,
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
    {
      ...shared,
      displayName: 'components',
      testMatch: ['<rootDir>/src/**/*.test.tsx'],
      testEnvironment: '<rootDir>/scripts/jest-dom.mjs',
      moduleNameMapper: { '\\.css$': '<rootDir>/scripts/no-style.mjs' },
      testEnvironmentOptions: { customExportConditions: ['node', 'node-addons'] },
      setupFiles: ['fake-indexeddb/auto'],
    },
    { ...shared, displayName: 'journeys', testMatch: ['<rootDir>/e2e/**/*.e2e.ts'] },
  ],
};
