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
  // A test reaches its globals through the walls of its sandbox, which is most of what a loop over numbers costs.
  sandboxInjectedGlobals: [
    'Array',
    'Float32Array',
    'Float64Array',
    'Infinity',
    'Map',
    'Math',
    'Number',
    'Object',
    'Set',
    'String',
    'Uint8Array',
  ],
  transform: {
    '^.+\\.[jt]sx?$': ['@swc/jest', { jsc: { target: 'es2022', parser: { syntax: 'typescript', tsx: true } } }],
  },
};
