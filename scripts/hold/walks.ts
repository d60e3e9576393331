import { sequenceJobs } from '../../core/src/solve/sequenceJobs.testing'
import { walks } from '../../core/src/solve/walk.testing'
import type { Trial } from './trial'

/**
 * Somebody does the steps of every kind of work in any order that is allowed, on a plant that
 * stands as chance has it.
 */
export const stepsInAnyOrder = (count: number): Trial => ({
  name: 'steps in any order that is allowed',
  run: async (seed) => {
    const { harmed, forgotten, finished, actions } = walks(sequenceJobs(), {
      count,
      seed,
      actions: 400,
    })
    return {
      lost: forgotten.length,
      doubled: 0,
      thrown: harmed.length,
      hung: 0,
      tried: `${count} walks, ${actions} acts, ${finished} to the end`,
      beside: 'lost: forgotten at the end; thrown: came to harm',
      says: [...new Set([...harmed, ...forgotten])].slice(0, 20),
    }
  },
})
