import { readFileSync } from 'node:fs'
import { join } from 'node:path'

export interface Check {
  readonly id: string
  readonly calc: string
  readonly inputs: Readonly<Record<string, unknown>>
  readonly expected: Readonly<Record<string, number | string | boolean>>
  readonly tolerance: Readonly<
    Record<
      string,
      { readonly relative?: number; readonly absolute?: number; readonly exact?: boolean }
    >
  >
  /** Where the expected figures are published. */
  readonly source: string
}

/** Figures to check the computation against, each with its source. */
export const checks = JSON.parse(
  readFileSync(join(__dirname, 'referenceChecks.json'), 'utf8'),
) as readonly Check[]
