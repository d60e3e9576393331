import { z } from 'zod'
import { buildingAges } from '../methods/heat/estimate'
import { count, id, known, name, rowsOf } from './known'
import { blankSafety, HotWaterSafety } from './pressureDocument'
import { outletKinds } from '../methods/demand/outletKinds'

/** Heat a zone or room needs: typed, or a quick estimate from its area that is marked as one. */
export const Zone = z.object({
  id,
  name,
  heat: z.discriminatedUnion('by', [
    z.object({ by: z.literal('typed'), load_W: known('power') }),
    z.object({
      by: z.literal('estimate'),
      area_m2: known('area'),
      age: z.enum(
        buildingAges as [(typeof buildingAges)[number], ...(typeof buildingAges)[number][]],
      ),
    }),
  ]),
})
export type Zone = z.infer<typeof Zone>

export const Outlet = z.object({
  id,
  name,
  kind: z.enum(outletKinds),
  count,
  flow_m3_s: known('water-flow'),
  temp_K: known('temperature'),
  /**
   * A mixing valve at the outlet or before it holds its temperature; null while nobody has looked.
   */
  tempered: z.enum(['yes', 'no', 'refused']).nullable(),
})
export type Outlet = z.infer<typeof Outlet>

/** One draw of the scenario: so many of an outlet opened at a time, for a time. */
export const Draw = z.object({
  id,
  outletId: z.string().max(60),
  open: z.number().int().min(1, 'at least one').max(200),
  start_s: z.number().int().min(0).max(86399),
  duration_s: z.number().int().min(1, 'at least a second').max(86400),
})
export type Draw = z.infer<typeof Draw>

export const HotWater = z.object({
  outlets: rowsOf(Outlet, 60),
  scenario: rowsOf(Draw, 300),
  storeTemp_K: known('temperature'),
  /** Least pressure that the heater or the outlets want, gauge. */
  wantedGauge_Pa: known('water-pressure'),
  /** Secondary return: what the loop loses, W; null without one. */
  loopLoss_W: known('small-power'),
  safety: HotWaterSafety,
})
export type HotWater = z.infer<typeof HotWater>

export const optionKinds = ['combination', 'storage-heater', 'system-cylinder', 'cascade'] as const
export type OptionKind = (typeof optionKinds)[number]

/** One way of giving heat and hot water, compared with the others. Figures are each unit's. */
export const HeatOption = z.object({
  id,
  name,
  kind: z.enum(optionKinds),
  units: z.number().int().min(1, 'at least one').max(8, 'at most eight'),
  input_W: known('power'),
  hotWater_W: known('power'),
  heating_W: known('power'),
  leastOutput_W: known('power'),
  store_m3: known('small-volume'),
  coil_W: known('power'),
  standingLoss_W: known('small-power'),
  leastFlow_m3_s: known('water-flow'),
  space: z.string().max(200),
})
export type HeatOption = z.infer<typeof HeatOption>

export const Heat = z.object({
  zones: rowsOf(Zone, 60),
  options: rowsOf(HeatOption, 5, 'at most five, side by side'),
  chosen: z
    .object({ optionId: z.string().max(60), because: z.string().trim().min(3, 'say why').max(400) })
    .nullable(),
  /** What the boiler's heating output is set to. */
  heatingSet_W: known('power'),
  flowTemp_K: known('temperature'),
  compensation: z.enum(['none', 'weather', 'load']).nullable(),
  /** Hot water goes first, the heating waits. */
  priority: z.boolean(),
})
export type Heat = z.infer<typeof Heat>

export const blankHeat: Heat = {
  zones: [],
  options: [],
  chosen: null,
  heatingSet_W: null,
  flowTemp_K: null,
  compensation: null,
  priority: true,
}
export const blankHotWater: HotWater = {
  outlets: [],
  scenario: [],
  storeTemp_K: null,
  wantedGauge_Pa: null,
  loopLoss_W: null,
  safety: blankSafety,
}

export const blankOption = (option: Pick<HeatOption, 'id' | 'name' | 'kind'>): HeatOption => ({
  ...option,
  units: option.kind === 'cascade' ? 2 : 1,
  input_W: null,
  hotWater_W: null,
  heating_W: null,
  leastOutput_W: null,
  store_m3: null,
  coil_W: null,
  standingLoss_W: null,
  leastFlow_m3_s: null,
  space: '',
})
