import { spawnSync } from 'node:child_process'
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs'
import { join } from 'node:path'
import { ensureBuilt, ensureChromium, ensureInstalled, root, say } from './setup.mjs'

ensureInstalled()
ensureChromium()
ensureBuilt()
const results = join(root, 'test-results')
mkdirSync(results, { recursive: true })
const bin = (path) => join(root, 'node_modules', path)
const counts = { passed: 0, failed: 0 }
const run = (name, args, env = {}) => {
  say(`${name} …`)
  return spawnSync(process.execPath, args, { cwd: root, stdio: 'inherit', env: { ...process.env, ...env } }).status === 0
}
/** A runner without counts of its own is one check. */
const check = (name, args) => { counts[run(name, args) ? 'passed' : 'failed']++ }
const readJson = (path) => (existsSync(path) ? JSON.parse(readFileSync(path, 'utf8')) : undefined)

check('types', [bin('typescript/bin/tsc'), '-p', 'tsconfig.json', '--noEmit'])
check('lint', [bin('eslint/bin/eslint.js'), '.'])

const unitFile = join(results, 'unit.json')
rmSync(unitFile, { force: true })
const unitOk = run('unit and API tests', [bin('jest/bin/jest.js'), '--json', `--outputFile=${unitFile}`])
const unit = readJson(unitFile)
counts.passed += unit?.numPassedTests ?? 0
counts.failed += unit ? unit.numFailedTests + unit.numRuntimeErrorTestSuites : 1
if (!unitOk && unit && unit.numFailedTests + unit.numRuntimeErrorTestSuites === 0) counts.failed++

const journeyFile = join(results, 'journeys.json')
const data = join(results, 'journey-data')
rmSync(journeyFile, { force: true })
rmSync(data, { recursive: true, force: true })
const journeysOk = run('journeys in the browser', [bin('@playwright/test/cli.js'), 'test', '--config', 'e2e/playwright.config.ts'], { E2E_DATA: data })
const journeys = readJson(journeyFile)?.stats
counts.passed += journeys ? journeys.expected + journeys.flaky : 0
counts.failed += journeys ? journeys.unexpected : 1
if (!journeysOk && journeys?.unexpected === 0) counts.failed++

console.log(`${counts.passed} passed, ${counts.failed} failed`)
process.exit(counts.failed > 0 ? 1 : 0)
