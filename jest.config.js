export default {
  testEnvironment: 'node',
  roots: ['<rootDir>/src', '<rootDir>/server', '<rootDir>/demo', '<rootDir>/tests/external', '<rootDir>/scripts'],
  testMatch: ['**/*.test.ts'],
  transform: { '^.+\\.tsx?$': ['@swc/jest', { jsc: { target: 'es2022', parser: { syntax: 'typescript', tsx: true } } }] },
};
