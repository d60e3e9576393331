import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import {
  jobDocumentSchema,
  listOfFindings,
  listOfRefusals,
  listOfSequences,
  openApi,
  storeConvergence,
} from '../generated'

const stored = (name: string) => readFileSync(join(__dirname, '../../docs/generated', name), 'utf8')

test.each([
  ['job-document.schema.json', jobDocumentSchema],
  ['openapi.json', openApi],
  ['findings.md', listOfFindings],
  ['sequences.md', listOfSequences],
  ['refusals.md', listOfRefusals],
  ['store-convergence.md', storeConvergence],
] as [string, () => string | Promise<string>][])(
  '%s is what npm run generate writes',
  async (name, make) => expect(await make()).toBe(stored(name)),
)
