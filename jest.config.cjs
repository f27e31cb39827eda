const transform = { '^.+\\.[jt]sx?$': ['@swc/jest', { jsc: { parser: { syntax: 'typescript', tsx: true }, target: 'es2022' } }] };
const moduleNameMapper = { '^@/(.*)$': '<rootDir>/src/$1' };

// uuid ships as ES modules only.
const shared = { testEnvironment: 'node', transform, transformIgnorePatterns: ['/node_modules/(?!uuid/)'] };

module.exports = {
  // Real databases and property tests, on machines that do other things beside.
  testTimeout: 60_000,
  projects: [
    { displayName: 'core', ...shared, moduleNameMapper, testMatch: ['<rootDir>/src/**/*.test.ts'] },
    {
      displayName: 'server',
      ...shared,
      globalSetup: '<rootDir>/tests/server/setup.cjs',
      moduleNameMapper,
      testMatch: ['<rootDir>/tests/server/**/*.test.ts'],
    },
  ],
};
