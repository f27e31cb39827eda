const transform = { '^.+\\.tsx?$': ['@swc/jest', { jsc: { parser: { syntax: 'typescript', tsx: true }, target: 'es2022' } }] };
const moduleNameMapper = { '^@/(.*)$': '<rootDir>/src/$1' };

module.exports = {
  projects: [
    { displayName: 'core', testEnvironment: 'node', transform, moduleNameMapper, testMatch: ['<rootDir>/src/core/**/*.test.ts'] },
    { displayName: 'server', testEnvironment: 'node', transform, moduleNameMapper, testMatch: ['<rootDir>/tests/server/**/*.test.ts'] },
  ],
};
