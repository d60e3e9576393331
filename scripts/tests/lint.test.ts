import { execFileSync } from 'node:child_process'
import { join } from 'node:path'

const root = join(__dirname, '../..')

const importing = (what: string) => `import { x } from '${what}'\nexport default x\n`

/** Each floor of core reaching one floor up, and each way sideways that is shut. */
const reaches = [
  ['core/src/units/broken.ts', '../answer/finding'],
  ['core/src/answer/broken.ts', '../methods/water/water'],
  ['core/src/methods/gas/broken.ts', '../../practice/practices'],
  ['core/src/practice/broken.ts', '../job/document'],
  ['core/src/job/upgrades/broken.ts', '../../sheets/heat/answer'],
  ['core/src/sheets/broken.ts', '../solve/solve'],
  ['core/src/sheets/gas/broken.ts', '../../solve/solve'],
  ['core/src/sheets/gas/broken.ts', '../water/sheet'],
  ['core/src/sheets/gas/broken.ts', '../../bench/gas-tightness/plan'],
  ['core/src/bench/gas-tightness/broken.ts', '../../sheets/gas/sheet'],
  ['core/src/sequences/broken.ts', '../sheets/gas/findings'],
  ['core/src/solve/broken.ts', '../contract/api'],
  ['web/src/gas/broken.tsx', '../water/WaterPage'],
  ['web/src/ui/broken.tsx', '../survey/SitePage'],
  ['web/src/network/broken.tsx', '../shell/pages'],
] as const

// A rule wired wrongly lets everything through: each is broken once.
const cases = [
  ...reaches.map(
    ([path, what]) =>
      [`${path} reaches ${what}`, path, importing(what), 'no-restricted-imports'] as const,
  ),
  [
    'a difference between places is a field of the practice',
    'web/src/broken.ts',
    "export const x = (practice: { name: string }) => practice.name === 'north-america'\n",
    'no-restricted-syntax',
  ],
  [
    'core imports only its own files and zod',
    'core/src/broken.ts',
    "import fs from 'node:fs'\nexport default fs\n",
    'no-restricted-imports',
  ],
  [
    'core does not reach into the server',
    'core/src/broken.ts',
    "import { x } from '../../server/src/x'\nexport default x\n",
    'no-restricted-imports',
  ],
  [
    'web knows nothing of the server',
    'web/src/broken.ts',
    "import { x } from '@hestian/server'\nexport default x\n",
    'no-restricted-imports',
  ],
  [
    'the server knows nothing of web',
    'server/src/broken.ts',
    "import { x } from '../../web/src/x'\nexport default x\n",
    'no-restricted-imports',
  ],
  [
    'a stand-in knows nothing of the server',
    'stand-ins/gauge/broken.ts',
    "import { x } from '../../server/src/x'\nexport default x\n",
    'no-restricted-imports',
  ],
  [
    'a journey knows only the running app',
    'e2e/broken.ts',
    "import { x } from '@hestian/core'\nexport default x\n",
    'no-restricted-imports',
  ],
  [
    'no style asks for a sibling of everything',
    'web/src/broken.tsx',
    "import styled from 'styled-components'\nexport const X = styled.div`\n  > i ~ * {\n    color: red;\n  }\n`\n",
    'no-restricted-syntax',
  ],
  [
    'core has no clock',
    'core/src/broken.ts',
    'export const now = Date.now()\n',
    'no-restricted-properties',
  ],
  [
    'core makes no date of now',
    'core/src/broken.ts',
    'export const now = new Date()\n',
    'no-restricted-syntax',
  ],
  [
    'core rolls no dice',
    'core/src/broken.ts',
    'export const dice = Math.random()\n',
    'no-restricted-properties',
  ],
  [
    'no any',
    'web/src/broken.ts',
    'export const x: any = 1\n',
    '@typescript-eslint/no-explicit-any',
  ],
  [
    'no bang',
    'web/src/broken.ts',
    'export const x = (y: string | undefined) => y!.length\n',
    '@typescript-eslint/no-non-null-assertion',
  ],
  [
    'a promise is waited for or said to be left',
    'server/src/db/freeSpace.ts',
    'const later = async () => 1\nlater()\n',
    '@typescript-eslint/no-floating-promises',
  ],
  [
    'a switch knows every case',
    'server/src/db/freeSpace.ts',
    "export const x = (y: 'a' | 'b') => {\n  switch (y) {\n    case 'a':\n      return 1\n  }\n}\n",
    '@typescript-eslint/switch-exhaustiveness-check',
  ],
  [
    'a hook stands where it is always called',
    'web/src/ui/useNarrow.ts',
    "import { useState } from 'react'\nexport const useX = (y: boolean) => (y ? useState(1) : undefined)\n",
    'react-hooks/rules-of-hooks',
  ],
  [
    'no import goes round in a ring',
    'core/src/methods/network/tree.ts',
    "import { solveGasTree } from '../gas/network'\nexport const meterNode = 'meter'\nexport default solveGasTree\n",
    'import-x/no-cycle',
  ],
] as const

test('each rule of the house refuses the file that breaks it', () => {
  const input = JSON.stringify(cases.map(([, path, text]) => ({ path: join(root, path), text })))
  const broken = JSON.parse(
    execFileSync(process.execPath, [join(__dirname, 'lintTexts.mjs')], {
      cwd: root,
      input,
      encoding: 'utf8',
    }),
  ) as string[][]
  const missed = cases
    .map(([name, , , rule], i) =>
      broken[i]?.includes(rule) ? '' : `${name}: ${broken[i]?.join()}`,
    )
    .filter((one) => one !== '')
  expect(missed).toEqual([])
}, 120_000)
