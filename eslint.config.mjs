import importX from 'eslint-plugin-import-x'
import reactHooks from 'eslint-plugin-react-hooks'
import tseslint from 'typescript-eslint'

const forbid = (files, ...patterns) => ({
  files,
  ignores: ['**/*.test.*', '**/*.testing.*'],
  rules: { 'no-restricted-imports': ['error', { patterns }] },
})
const pattern = (regex, message) => ({ regex, message })

const coreAlone = pattern(
  '^(?!\\.|zod(/|$))|/(server|web|stand-ins)/',
  'core imports its own files and zod',
)

/**
 * Core's floors, lowest first: see ../shared/design or CONTRIBUTING.md. A floor imports those below
 * it and itself.
 */
const floors = [
  ['units'],
  ['answer'],
  ['methods'],
  ['practice'],
  ['job'],
  ['sheets', 'work', 'bench', 'sequences'],
  ['solve'],
  ['contract'],
]
/**
 * Sideways on the floor of subjects: another subject's answer and nothing else; sheets know nothing
 * of what stands beside them.
 */
const sideways = {
  sheets: [
    pattern('^\\.\\./(?!\\.)[^/]+/(?!answer$)', 'of another sheet only its answer.ts'),
    pattern('/(work|bench|sequences)/', 'a sheet knows nothing of work, bench or sequences'),
  ],
  bench: [pattern('/sheets/[^/]+/(?!answer$)', 'of a sheet only its answer.ts')],
  sequences: [pattern('/sheets/[^/]+/(?!answer$)', 'of a sheet only its answer.ts')],
  work: [pattern('/sheets/[^/]+/(?!answer$)', 'of a sheet only its answer.ts')],
}
const layers = floors.flatMap((floor, i) => {
  const above = floors.slice(i + 1).flat()
  return floor.flatMap((folder) => {
    const own = [
      coreAlone,
      ...(above.length > 0
        ? [pattern(`^[./]+/(${above.join('|')})/`, `${folder} imports only floors below it`)]
        : []),
    ]
    // What lies in the folder of the sheets itself is shared by them; sideways holds inside a
    // sheet.
    return [
      forbid([`core/src/${folder}/**/*.ts`], ...own),
      ...(sideways[folder]
        ? [
            forbid(
              [`core/src/${folder}/${folder === 'sheets' ? '*/' : ''}**/*.ts`],
              ...own,
              ...sideways[folder],
            ),
          ]
        : []),
    ]
  })
})

const noDate = [
  {
    selector: "NewExpression[callee.name='Date'][arguments.length=0]",
    message: 'core takes time as an argument',
  },
]
const noPracticeName = {
  selector:
    'BinaryExpression[operator=/^[!=]==?$/] > Literal[value=/^(uk-ireland|north-america|australia-new-zealand)$/]',
  message: 'a difference between places is a field of the practice',
}
const noSiblingOfAll = {
  selector: 'TemplateElement[value.raw=/[~+]\\s+\\*/]',
  message:
    'a sibling of everything has the whole page styled anew at each change: name the element',
}
const noClock = ['Date.now', 'Math.random']

const webAlone = pattern(
  '^@hestian/(?!core)|/(server|stand-ins)/',
  'web knows the server through core/src/contract alone',
)
/**
 * Folders of web that hold pages; the others (ui, job, network, work, sync, api, shell) are for all
 * of them.
 */
const pageFolders = [
  'bench',
  'circuit',
  'commission',
  'exchange',
  'gas',
  'handover',
  'heat',
  'jobs',
  'kinds',
  'list',
  'relief',
  'safety',
  'survey',
  'unsafe',
  'vessel',
  'water',
]
const webPages = [
  ...pageFolders.map((folder) =>
    forbid(
      [`web/src/${folder}/**/*.{ts,tsx}`],
      webAlone,
      pattern(
        `^\\.\\./(${pageFolders.filter((one) => one !== folder).join('|')})/`,
        "a page imports no other page's folder",
      ),
    ),
  ),
  ...['ui', 'job', 'network', 'work', 'sync', 'api'].map((folder) =>
    forbid(
      [`web/src/${folder}/**/*.{ts,tsx}`],
      webAlone,
      pattern(`^\\.\\./(${[...pageFolders, 'shell'].join('|')})/`, `${folder} imports no page`),
    ),
  ),
]

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
      'import-x/no-cycle': ['error', { ignoreExternal: true }],
      '@typescript-eslint/no-explicit-any': 'error',
      '@typescript-eslint/no-non-null-assertion': 'error',
      '@typescript-eslint/consistent-type-imports': 'error',
      '@typescript-eslint/no-unused-vars': [
        'error',
        { argsIgnorePattern: '^_', varsIgnorePattern: '^_' },
      ],
    },
  },
  {
    // Where promises are: core has none.
    files: ['server/src/**/*.ts', 'web/src/**/*.{ts,tsx}', 'stand-ins/**/*.ts'],
    ignores: ['**/*.test.*'],
    languageOptions: {
      parserOptions: { projectService: true, tsconfigRootDir: import.meta.dirname },
    },
    rules: {
      '@typescript-eslint/no-floating-promises': 'error',
      '@typescript-eslint/no-misused-promises': [
        'error',
        { checksVoidReturn: { attributes: false } },
      ],
      '@typescript-eslint/switch-exhaustiveness-check': [
        'error',
        { considerDefaultExhaustiveForUnions: true },
      ],
    },
  },
  {
    files: ['web/src/**/*.{ts,tsx}'],
    plugins: { 'react-hooks': reactHooks },
    rules: { 'react-hooks/rules-of-hooks': 'error', 'react-hooks/exhaustive-deps': 'error' },
  },
  forbid(['core/**/*.ts'], coreAlone),
  ...layers,
  forbid(['web/**/*.{ts,tsx}'], webAlone),
  ...webPages,
  forbid(
    ['server/**/*.ts'],
    pattern('^@hestian/(?!core)|/(web|stand-ins)/src/', 'the server imports core alone'),
  ),
  forbid(
    ['stand-ins/**/*.ts'],
    pattern('^@hestian/(?!core)|/(web|server)/', 'a stand-in imports core alone'),
  ),
  forbid(
    ['e2e/**/*.ts'],
    pattern('^@hestian/|/(core|web|server)/src', 'a journey knows only the running app'),
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
      'no-restricted-syntax': ['error', ...noDate],
    },
  },
  {
    files: ['core/**/*.ts'],
    ignores: ['core/src/practice/**', '**/*.test.*', '**/*.testing.*'],
    rules: { 'no-restricted-syntax': ['error', ...noDate, noPracticeName] },
  },
  {
    files: ['server/**/*.ts', 'web/**/*.{ts,tsx}'],
    ignores: ['**/*.test.*', '**/*.testing.*'],
    rules: { 'no-restricted-syntax': ['error', noPracticeName, noSiblingOfAll] },
  },
  // How long and how branched a function may be. What was there before stands in eslint-suppressions.json, counted by file: a new one
  // fails, and one that was mended must be struck from the list. A page's component is a list of
  // its parts and may be longer.
  {
    files: ['{core,server,scripts,stand-ins,demo}/**/*.ts', 'web/**/*.ts'],
    ignores: ['**/*.test.*', '**/*.testing.*', 'scripts/tests/**'],
    rules: {
      complexity: ['error', 12],
      'max-lines-per-function': ['error', { max: 60, skipBlankLines: true, skipComments: true }],
      'no-nested-ternary': 'error',
    },
  },
  {
    files: ['web/**/*.tsx'],
    ignores: ['**/*.test.*', '**/*.testing.*'],
    rules: {
      complexity: ['error', 12],
      'max-lines-per-function': ['error', { max: 120, skipBlankLines: true, skipComments: true }],
      'no-nested-ternary': 'error',
    },
  },
)
