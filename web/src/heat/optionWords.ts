import type { HeatOption, Measure, OptionKind } from '@hestian/core'

export const optionWords: Readonly<Record<OptionKind, string>> = {
  combination: 'Heats as it runs',
  'storage-heater': 'Storage heater',
  'system-cylinder': 'Boiler with cylinder',
  cascade: 'Several in cascade',
}
type PlateFigure =
  | 'input_W'
  | 'hotWater_W'
  | 'heating_W'
  | 'leastOutput_W'
  | 'store_m3'
  | 'coil_W'
  | 'standingLoss_W'
  | 'leastFlow_m3_s'

/** What the plate of an option says, and of which it is asked. */
export const plateFigures: readonly {
  readonly key: PlateFigure
  readonly label: string
  readonly measure: Measure
  readonly why: string
  readonly on: (option: HeatOption) => boolean
}[] = [
  {
    key: 'input_W',
    label: 'Gas input, gross',
    measure: 'power',
    why: 'Decides the pipe and whether the meter passes it.',
    on: () => true,
  },
  {
    key: 'hotWater_W',
    label: 'Hot water output',
    measure: 'power',
    why: 'What can reach the water.',
    on: () => true,
  },
  {
    key: 'heating_W',
    label: 'Heating output',
    measure: 'power',
    why: 'Held against the heat of the building.',
    on: (option) => option.kind !== 'storage-heater',
  },
  {
    key: 'leastOutput_W',
    label: 'Minimum output',
    measure: 'power',
    why: 'Above the mild day’s heat it starts and stops.',
    on: (option) => option.kind !== 'storage-heater',
  },
  {
    key: 'store_m3',
    label: 'Store',
    measure: 'small-volume',
    why: 'What can be drawn faster than it is heated.',
    on: (option) => option.kind !== 'combination',
  },
  {
    key: 'coil_W',
    label: 'Coil rating',
    measure: 'power',
    why: 'More than this does not get into the store.',
    on: (option) => option.kind === 'system-cylinder' || option.kind === 'cascade',
  },
  {
    key: 'standingLoss_W',
    label: 'Standing loss',
    measure: 'small-power',
    why: 'Paid for day and night.',
    on: (option) => option.kind !== 'combination',
  },
  {
    key: 'leastFlow_m3_s',
    label: 'Minimum flow',
    measure: 'water-flow',
    why: 'A trickle below it stays cold.',
    on: (option) => option.kind === 'combination' || option.kind === 'cascade',
  },
]
