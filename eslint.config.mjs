import importX from 'eslint-plugin-import-x'
import tseslint from 'typescript-eslint'

const forbid = (files, regex, message) => ({
  files,
  ignores: ['**/*.test.*'],
  rules: { 'no-restricted-imports': ['error', { patterns: [{ regex, message }] }] },
})

const noClock = ['Date.now', 'Math.random']

export default tseslint.config(
  {
    ignores: [
      '**/node_modules/**',
      '**/dist/**',
      'data/**',
      '**/*.generated.*',
      'test-results/**',
      'scripts/*.mjs',
      '*.config.mjs',
    ],
  },
  ...tseslint.configs.recommended,
  importX.flatConfigs.typescript,
  {
    plugins: { 'import-x': importX },
    settings: { 'import-x/resolver': { typescript: true } },
    rules: {
      'import-x/no-cycle': 'error',
      '@typescript-eslint/no-explicit-any': 'error',
      '@typescript-eslint/no-non-null-assertion': 'error',
      '@typescript-eslint/consistent-type-imports': 'error',
      '@typescript-eslint/no-unused-vars': [
        'error',
        { argsIgnorePattern: '^_', varsIgnorePattern: '^_' },
      ],
    },
  },
  forbid(
    ['core/**/*.ts'],
    '^(?!\\.|zod(/|$))|/(server|web|stand-ins)/',
    'core imports its own files and zod',
  ),
  forbid(
    ['web/**/*.{ts,tsx}'],
    '^@hestian/(?!core)|/(server|stand-ins)/',
    'web knows the server through core/src/contract alone',
  ),
  forbid(
    ['server/**/*.ts'],
    '^@hestian/(?!core)|/(web|stand-ins)/src/',
    'the server imports core alone',
  ),
  forbid(
    ['stand-ins/**/*.ts'],
    '^@hestian/(?!core)|/(web|server)/',
    'a stand-in imports core alone',
  ),
  forbid(
    ['e2e/**/*.ts'],
    '^@hestian/|/(core|web|server)/src',
    'a journey knows only the running app',
  ),
  {
    files: ['core/**/*.ts'],
    ignores: ['**/*.test.*'],
    rules: {
      'no-restricted-properties': [
        'error',
        ...noClock.map((name) => ({
          object: name.split('.')[0],
          property: name.split('.')[1],
          message: 'core takes time and seeds as arguments',
        })),
      ],
      'no-restricted-syntax': [
        'error',
        {
          selector: "NewExpression[callee.name='Date'][arguments.length=0]",
          message: 'core takes time as an argument',
        },
      ],
    },
  },
)
