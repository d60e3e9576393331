import type { Practice } from './practice'

/**
 * What everybody does on smelling gas, in one sentence, after the words 'Smell of gas'. Whether
 * windows are opened first is the practice's, from memory.
 */
export const smellOfGas = ({ words }: Practice): string =>
  `no flame; no switches, phone or doorbell inside; shut the meter valve only if it is safe on the way out; ${words.leaveGas}; call ${words.gasEmergency} from outside.`
