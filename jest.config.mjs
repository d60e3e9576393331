const swc = [
  '@swc/jest',
  {
    jsc: {
      parser: { syntax: 'typescript', tsx: true },
      transform: { react: { runtime: 'automatic' } },
      target: 'es2022',
    },
    module: { type: 'commonjs' },
  },
]

export default {
  testMatch: ['**/*.test.ts', '**/*.test.tsx'],
  testPathIgnorePatterns: ['/node_modules/', '/dist/'],
  transform: { '^.+\\.(t|j|mj)sx?$': swc },
  // Dependencies that are published as ES modules only.
  transformIgnorePatterns: ['/node_modules/(?!(@fastify/static|mime|@hestian)/)'],
  testEnvironment: '<rootDir>/scripts/oneContext.mjs',
  setupFiles: [
    '<rootDir>/scripts/properties.ts',
    '<rootDir>/scripts/pluginNames.ts',
    '<rootDir>/scripts/browserGaps.ts',
  ],
  setupFilesAfterEnv: ['<rootDir>/scripts/lateHere.ts'],
  // A machine that does other things meanwhile is slow, not wrong.
  testTimeout: 30000,
}
