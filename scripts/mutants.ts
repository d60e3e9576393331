import { spawnSync } from 'node:child_process'
import {
  cpSync,
  existsSync,
  mkdtempSync,
  readFileSync,
  rmSync,
  symlinkSync,
  writeFileSync,
} from 'node:fs'
import { tmpdir } from 'node:os'
import { join, resolve } from 'node:path'
import ts from 'typescript'
import { seeded } from './hold/mutateDocument'

/*
 * `npm run mutants`: small faults put into the sheets and into solve, one at a time, each against the tests of core that reach its file.
 * `--count N` samples so many (100), `--seed N` repeats a run. Prints the survivors; fails below the share that is wanted.
 */

const root = resolve(import.meta.dirname, '..')
const option = (name: string, otherwise: number): number => {
  const at = process.argv.indexOf(`--${name}`)
  return at < 0 ? otherwise : Number(process.argv[at + 1])
}
const wanted = 0.8
const patience_ms = 180_000

interface Mutant {
  readonly file: string
  readonly line: number
  readonly from: number
  readonly to: number
  readonly was: string
  readonly is: string
}

/** Faults that no test can see, each with the reason. */
const equivalent: readonly { readonly file: string; readonly was: string; readonly why: string }[] =
  []

const swapped: Partial<Record<ts.SyntaxKind, string>> = {
  [ts.SyntaxKind.LessThanToken]: '<=',
  [ts.SyntaxKind.LessThanEqualsToken]: '<',
  [ts.SyntaxKind.GreaterThanToken]: '>=',
  [ts.SyntaxKind.GreaterThanEqualsToken]: '>',
  [ts.SyntaxKind.EqualsEqualsEqualsToken]: '!==',
  [ts.SyntaxKind.ExclamationEqualsEqualsToken]: '===',
  [ts.SyntaxKind.AmpersandAmpersandToken]: '||',
  [ts.SyntaxKind.BarBarToken]: '&&',
  [ts.SyntaxKind.PlusToken]: '-',
  [ts.SyntaxKind.MinusToken]: '+',
  [ts.SyntaxKind.AsteriskToken]: '/',
  [ts.SyntaxKind.SlashToken]: '*',
}

/** Every small fault that one file can have. */
function mutantsOf(file: string): readonly Mutant[] {
  const text = readFileSync(join(root, file), 'utf8')
  const source = ts.createSourceFile(file, text, ts.ScriptTarget.Latest, true)
  const found: Mutant[] = []
  const put = (node: ts.Node, is: string) => {
    const from = node.getStart(source)
    const line = source.getLineAndCharacterOfPosition(from).line + 1
    found.push({ file, line, from, to: node.getEnd(), was: node.getText(source), is })
  }
  const visit = (node: ts.Node): void => {
    if (ts.isTypeNode(node) || ts.isImportDeclaration(node)) return
    if (ts.isBinaryExpression(node)) {
      const is = swapped[node.operatorToken.kind]
      if (is) put(node.operatorToken, is)
    } else if (ts.isConditionalExpression(node)) {
      const { condition } = node
      put(condition, `!(${condition.getText(source)})`)
    } else if (ts.isNumericLiteral(node) && !ts.isElementAccessExpression(node.parent)) {
      put(node, Number(node.text) === 0 ? '1' : `(${node.text} * 1.3)`)
    } else if (node.kind === ts.SyntaxKind.TrueKeyword) put(node, 'false')
    else if (node.kind === ts.SyntaxKind.FalseKeyword) put(node, 'true')
    else if (ts.isStringLiteral(node) && ['stop', 'fix', 'note'].includes(node.text))
      put(node, node.text === 'note' ? "'fix'" : "'note'")
    ts.forEachChild(node, visit)
  }
  visit(source)
  return found
}

/** A copy of what the tests of core need, so that nobody's working copy is ever wrong. */
function copyOfHouse(): string {
  const house = mkdtempSync(join(tmpdir(), 'hestian-mutants-'))
  for (const part of [
    'core',
    'demo',
    'scripts',
    'server',
    'web',
    'stand-ins',
    'package.json',
    'jest.config.mjs',
    'tsconfig.json',
  ])
    if (existsSync(join(root, part)))
      cpSync(join(root, part), join(house, part), {
        recursive: true,
        filter: (path) => !/node_modules|\/dist(\/|$)/.test(path),
      })
  symlinkSync(join(root, 'node_modules'), join(house, 'node_modules'))
  return house
}

const seed = option('seed', Math.floor(Date.now() / 1000))
const count = option('count', 100)
const random = seeded(seed)
const files = spawnSync('git', ['ls-files', 'core/src/sheets', 'core/src/solve'], {
  cwd: root,
  encoding: 'utf8',
})
  .stdout.trim()
  .split('\n')
  .filter(
    (file) => file.endsWith('.ts') && !/\.test\.|\.testing\.|wording\.ts|restedOn\.ts/.test(file),
  )
const all = files.flatMap(mutantsOf)
const sample: Mutant[] = []
while (sample.length < Math.min(count, all.length)) {
  const one = all[Math.floor(random() * all.length)]
  if (one && !sample.includes(one)) sample.push(one)
}
console.log(
  `${all.length} mutants in ${files.length} files; ${sample.length} sampled, seed ${seed}`,
)

const house = copyOfHouse()
const survivors: Mutant[] = []
let killed = 0
for (const mutant of sample) {
  const { file, line, from, to, was, is } = mutant
  if (equivalent.some((one) => one.file === file && one.was === was)) continue
  const text = readFileSync(join(root, file), 'utf8')
  writeFileSync(join(house, file), text.slice(0, from) + is + text.slice(to))
  const run = spawnSync(
    'npx',
    [
      'jest',
      '--bail',
      '--silent',
      '--testPathPatterns',
      'core/',
      '--findRelatedTests',
      join(house, file),
    ],
    { cwd: house, encoding: 'utf8', timeout: patience_ms },
  )
  writeFileSync(join(house, file), text)
  const died = run.status !== 0
  if (died) killed++
  else survivors.push(mutant)
  console.log(
    `${died ? 'killed' : 'SURVIVED'} ${file}:${line} ${was.slice(0, 60).replace(/\s+/g, ' ')} -> ${is.slice(0, 60).replace(/\s+/g, ' ')}`,
  )
}
rmSync(house, { recursive: true, force: true })
const tried = killed + survivors.length
console.log(
  `${killed} of ${tried} killed (${Math.round((100 * killed) / Math.max(1, tried))} %), ${survivors.length} survived`,
)
process.exit(killed / Math.max(1, tried) >= wanted ? 0 : 1)
