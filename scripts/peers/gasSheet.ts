import type { GasConditions, SizedPipe } from '@hestian/core'
import { cubicFoot_m3, foot_m, inch_m, inchWater_Pa, pipeLength_m } from '@hestian/core'
import { HyperFormula } from 'hyperformula'

/**
 * A gas tree written as one would in a spreadsheet, to time ours against: per pipe a row with its
 * load, flow, drop by the low-pressure equation and the sum of drops to its far end. Pipes must
 * come after the one they leave from. Changing a load recalculates what hangs on it.
 */
export function gasSheetIn(
  pipes: readonly SizedPipe[],
  conditions: GasConditions,
): {
  readonly setLoad: (row: number, load_W: number) => void
  readonly dropTo_Pa: (row: number) => number
  readonly close: () => void
} {
  const rowOf = new Map(pipes.map((pipe, i) => [pipe.id, i + 1]))
  const children = (id: string) =>
    pipes.flatMap((pipe) => (pipe.from === id ? [rowOf.get(pipe.id) ?? 0] : []))
  const cells = pipes.map((pipe, i) => {
    const row = i + 1
    const feeder = rowOf.get(pipe.from)
    return [
      pipe.load_W,
      `=A${row}${children(pipe.id)
        .map((child) => `+B${child}`)
        .join('')}`,
      `=B${row}/${conditions.gas.grossHeat_J_m3}*3600/${cubicFoot_m3}`,
      `=${conditions.gas.cr}*${pipeLength_m(pipe, pipe.size, conditions.method) / foot_m}*(C${row}^0.381/(19.17*${pipe.size.bore_m / inch_m}))^(1/0.206)*${inchWater_Pa}`,
      feeder === undefined ? `=D${row}` : `=E${feeder}+D${row}`,
    ]
  })
  const engine = HyperFormula.buildFromArray(cells, { licenseKey: 'gpl-v3' })
  return {
    setLoad: (row, load_W) => {
      engine.setCellContents({ sheet: 0, row, col: 0 }, load_W)
    },
    dropTo_Pa: (row) => Number(engine.getCellValue({ sheet: 0, row, col: 4 })),
    close: () => engine.destroy(),
  }
}
