/** Unit tests run on the sources; those of the API run against the built server. */
const common = {
  testEnvironment: 'node',
  extensionsToTreatAsEsm: ['.ts'],
  moduleNameMapper: {
    '^#core/(.*)$': '<rootDir>/core/$1',
    '^#shared/(.*)$': '<rootDir>/shared/$1',
    '^#demo/(.*)$': '<rootDir>/demo/$1',
  },
  transform: {
    '^.+\\.ts$': [
      '@swc/jest',
      {
        jsc: {
          target: 'es2022',
          parser: { syntax: 'typescript' },
          experimental: { keepImportAttributes: true },
        },
        module: { type: 'es6' },
      },
    ],
  },
}

export default {
  // Servers are started for these tests, on machines that may be busy.
  testTimeout: 180_000,
  projects: [
    { ...common, displayName: 'unit', testMatch: ['<rootDir>/tests/unit/**/*.test.ts'] },
    { ...common, displayName: 'hostile', testMatch: ['<rootDir>/tests/hostile/**/*.test.ts'] },
    { ...common, displayName: 'api', testMatch: ['<rootDir>/tests/api/**/*.test.ts'] },
  ],
}
