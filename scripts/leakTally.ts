import { manyRuns, stagesOfTest } from '../core/src/bench/gas-tightness/manyRuns.testing'
import { waterRuns } from '../core/src/bench/by-hand/waterRuns.testing'
import { practiceLabels, practiceNames } from '@hestian/core'

const share = (count: number, runs: number): string => ((100 * count) / runs).toFixed(1).padStart(6)

/**
 * Both verdicts of simulated tests, 2,000 a row: tight pipes, and pipes that leak 1.05 to 5 times
 * what is permitted. Printed by `npm run bench`.
 */
export function printLeakTally(runs = 2000, seed = 20_261_128): void {
  console.log(
    `Gas tightness over simulated runs, ${runs} a row, seed ${seed}: passed, failed, cannot tell, per cent`,
  )
  let wrong = 0
  for (const practice of practiceNames)
    for (const stage of stagesOfTest(practice))
      for (const leak of ['none', 'above'] as const)
        for (const resolution_Pa of [1, 10, 100]) {
          const tally = manyRuns({ seed, runs, practice, stage, resolution_Pa, leak })
          const three = (of: typeof tally.rule) =>
            (['passed', 'failed', 'cannot-tell'] as const)
              .map((key) => share(of[key], runs))
              .join('')
          console.log(
            `${practiceLabels[practice].padEnd(26)}${stage.padEnd(12)}${leak === 'none' ? 'tight ' : 'leaks '}${String(resolution_Pa).padStart(4)} Pa  rule${three(tally.rule)}  figures${three(tally.figures)}  cleared${share(tally.cleared, runs)}`,
          )
          const isWrong = leak === 'none' ? tally.figures.failed : tally.figures.passed
          wrong = Math.max(wrong, isWrong / runs)
        }
  console.log(
    `the figures at their worst: ${(100 * wrong).toFixed(2)} % wrong in a row (limit 0.20)`,
  )
}

/** The same of metal pipe full of water, held at its test pressure. */
export function printWaterTally(runs = 2000, seed = 20_261_128): void {
  console.log(
    `Metal pipe with water by the figures, ${runs} a row: passed, failed, cannot tell, per cent`,
  )
  for (const practice of practiceNames)
    for (const leak of ['none', 'above'] as const)
      for (const step_Pa of [1e3, 1e4]) {
        const tally = waterRuns({ seed, runs, practice, step_Pa, leak })
        const told = (['passed', 'failed', 'cannot-tell'] as const)
          .map((key) => ((100 * tally[key]) / runs).toFixed(2).padStart(7))
          .join('')
        console.log(
          `${practiceLabels[practice].padEnd(26)}${leak === 'none' ? 'tight ' : 'leaks '}${String(step_Pa).padStart(6)} Pa${told}`,
        )
      }
}

if (process.argv[1]?.endsWith('leakTally.ts')) {
  const runs = Number(process.argv[2] ?? 2000)
  printLeakTally(runs)
  printWaterTally(runs)
}
