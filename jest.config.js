export default {
  testEnvironment: 'node',
  // All cores: nothing else runs beside the unit tests.
  maxWorkers: '100%',
  // No test fails because the machine is busy; one that hangs still ends.
  testTimeout: 120_000,
  roots: ['<rootDir>/src', '<rootDir>/server', '<rootDir>/demo', '<rootDir>/tests/external', '<rootDir>/scripts'],
  testMatch: ['**/*.test.ts'],
  // Packages that ship as modules only.
  transformIgnorePatterns: ['/node_modules/(?!three/)'],
  transform: {
    '^.+\\.[jt]sx?$': ['@swc/jest', { jsc: { target: 'es2022', parser: { syntax: 'typescript', tsx: true } } }],
  },
};
