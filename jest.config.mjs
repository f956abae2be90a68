const swc = [
  '@swc/jest',
  {
    jsc: { parser: { syntax: 'typescript', tsx: true }, transform: { react: { runtime: 'automatic' } }, target: 'es2022', loose: true },
    module: { type: 'commonjs' },
  },
]
const shared = {
  moduleNameMapper: { '^server-only$': '<rootDir>/tests/setup/empty.ts', '^@/(.*)$': '<rootDir>/$1' },
  modulePathIgnorePatterns: ['<rootDir>/.next/'],
  // The hotkeys package ships ES modules only.
  transform: { '^.+\\.(ts|tsx)$': swc, 'react-hotkeys-hook/.+\\.js$': swc },
  transformIgnorePatterns: ['/node_modules/(?!react-hotkeys-hook/)'],
}

/** Under `./check` what shares engines runs together (`tests/together`); a file that is named runs alone. */
const files = process.env.NEST_TRACE_TOGETHER
  ? { testMatch: ['<rootDir>/tests/together/*.test.ts', '<rootDir>/src/!(core)/**/*.test.ts'] }
  : { testMatch: ['<rootDir>/{src,cli,tests}/**/*.test.ts'], testPathIgnorePatterns: ['/node_modules/', '<rootDir>/tests/together/'] }

/** @type {import('jest').Config} */
const config = {
  // A machine that is busy with something else takes its time; a test that hangs is still ended.
  testTimeout: 60_000,
  // The long suites compute, and nothing else runs beside them.
  maxWorkers: '100%',
  testSequencer: '<rootDir>/tests/setup/long-first.cjs',
  projects: [
    {
      ...shared,
      displayName: 'core',
      testEnvironment: 'node',
      sandboxInjectedGlobals: ['Math', 'Map', 'Set', 'Number', 'Float64Array', 'Array', 'Object', 'WeakMap'],
      ...files,
    },
    {
      ...shared,
      displayName: 'screens',
      testEnvironment: 'jsdom',
      testMatch: ['<rootDir>/src/**/*.test.tsx'],
      setupFilesAfterEnv: ['<rootDir>/tests/setup/screens.ts'],
    },
  ],
}

export default config
