import type { Show, Solution, SolvedSheetId } from '@hestian/core'
import { solvedSpecs } from '@hestian/core'
import type { Content } from 'pdfmake/interfaces'
import { printCircuit } from './sheets/circuit'
import { printGas } from './sheets/gas'
import { printHeat } from './sheets/heat'
import { printRelief } from './sheets/relief'
import { printSafety } from './sheets/safety'
import { printVessel } from './sheets/vessel'
import { printWater } from './sheets/water'

type Printed = (solution: Solution, show: Show) => Content[]

/** How each sheet of the design is printed; those of the survey stand among what was found. */
const printed: Partial<Record<SolvedSheetId, Printed>> = {
  heat: printHeat,
  circuit: printCircuit,
  vessel: printVessel,
  safety: printSafety,
  relief: printRelief,
  gas: printGas,
  water: printWater,
}

/** Every sheet of the design in working order. */
export const printedSheets: Printed = (solution, show) =>
  solvedSpecs.flatMap(({ id }) => printed[id]?.(solution, show) ?? [])
