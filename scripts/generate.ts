import { createHash } from 'node:crypto'
import { mkdirSync, writeFileSync } from 'node:fs'
import { asItReads, drawingsAsTheyStand } from '../core/src/solve/asItReads.testing'
import { demoPapers } from '../demo/src/evidence'
import { demoJobs } from '../demo/src/index'
import { firm } from '../demo/src/people'
import {
  jobDocumentSchema,
  listOfFindings,
  listOfRefusals,
  listOfSequences,
  openApi,
  storeConvergence,
} from './generated'

/** Writes every generated file; a test rebuilds them and compares. */
mkdirSync('demo/jobs', { recursive: true })
mkdirSync('docs/generated', { recursive: true })
mkdirSync('demo/evidence', { recursive: true })
for (const [name, bytes] of Object.entries(demoPapers()))
  writeFileSync(`demo/evidence/${name}`, bytes)
for (const [name, file] of Object.entries(demoJobs()))
  writeFileSync(`demo/jobs/${name}.json`, `${JSON.stringify(file)}\n`)
writeFileSync('demo/people.json', `${JSON.stringify(firm, null, 2)}\n`)
writeFileSync('docs/generated/job-document.schema.json', jobDocumentSchema())
writeFileSync('docs/generated/openapi.json', await openApi())
writeFileSync('docs/generated/findings.md', listOfFindings())
writeFileSync('docs/generated/refusals.md', listOfRefusals())
writeFileSync('docs/generated/store-convergence.md', storeConvergence())
writeFileSync('docs/generated/sequences.md', listOfSequences())
writeFileSync('docs/generated/as-it-reads.md', asItReads())
const drawings = Object.entries(drawingsAsTheyStand()).map(([name, svg]) => [
  name,
  createHash('sha256').update(svg).digest('hex').slice(0, 16),
])
writeFileSync(
  'docs/generated/drawings.json',
  `${JSON.stringify(Object.fromEntries(drawings), null, 2)}\n`,
)
console.log('Written: demo/jobs, docs/generated')
