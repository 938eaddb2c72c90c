// Two projects: core runs without a server's module map, so that a stray `server-only` import in core fails there.
const shared = {
  testEnvironment: 'node',
  extensionsToTreatAsEsm: ['.ts', '.tsx'],
  transform: {
    '^.+\\.tsx?$': [
      '@swc/jest',
      {
        jsc: {
          target: 'es2022',
          parser: { syntax: 'typescript', tsx: true },
          transform: { react: { runtime: 'automatic' } },
        },
        module: { type: 'es6' },
      },
    ],
  },
  moduleNameMapper: { '^@/(.*)$': '<rootDir>/src/$1' },
  setupFilesAfterEnv: ['<rootDir>/tests/fixtures/patient.ts'],
};

const config = {
  // A process keeps what each of its files loaded (modules of Node's vm): begun anew before that makes it slow.
  workerIdleMemoryLimit: '1GB',
  projects: [
    {
      ...shared,
      displayName: 'core',
      testMatch: [
        '<rootDir>/src/core/**/*.test.ts',
        '<rootDir>/src/ui/**/*.test.ts',
        '<rootDir>/src/devices/**/*.test.ts',
        '<rootDir>/src/doors/**/*.test.ts',
        '<rootDir>/scripts/**/*.test.ts',
      ],
    },
    {
      ...shared,
      displayName: 'data',
      testMatch: ['data', 'features', 'app'].map((folder) => `<rootDir>/src/${folder}/**/*.test.ts`),
      moduleNameMapper: {
        ...shared.moduleNameMapper,
        '^server-only$': '<rootDir>/src/data/fixtures/server-only.ts',
      },
    },
  ],
};

export default config;
