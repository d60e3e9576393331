import { outletFlow_m3_s } from '../../methods/demand/simultaneous'
import { storeModelOf } from '../../methods/hot-water/compare'
import type { DrawEvent, DrawOffModel } from '../../methods/hot-water/drawOff'
import type { JobDocument } from '../../job/document'
import type { HeatAnswer, OptionAnswer } from './answer'

/** Below it a shower is of no use. Assumed. */
export const usableTemp_K = 311.15
const day_s = 86400
/**
 * Hot water without a store is set this far above what the outlets want. Assumed: what is lost on
 * the way.
 */
const onTheWay_K = 5

/**
 * The day's draws on one option, as the simulation takes them; undefined while something is
 * missing.
 */
export function drawModelOf(
  document: JobDocument,
  answer: HeatAnswer,
  { figures, option }: OptionAnswer,
  nodes: number,
): DrawOffModel | undefined {
  const { hotWater, heat } = document
  const { conditions } = answer
  if (!hotWater || !figures || !conditions || hotWater.outlets.length === 0) return undefined
  const outlets = hotWater.outlets.map((outlet) => ({
    id: outlet.id,
    name: outlet.name,
    flow_m3_s: outletFlow_m3_s(outlet),
    wantedTemp_K: outlet.temp_K?.value ?? conditions.mixedTemp_K,
  }))
  const hottest_K = Math.max(...outlets.map((outlet) => outlet.wantedTemp_K))
  return {
    outlets,
    events: hotWater.scenario,
    length_s: day_s,
    step_s: 1,
    usableTemp_K,
    heating: { load_W: answer.mild_W, priority: heat.priority },
    ...(answer.main_m3_s === undefined ? {} : { mainLimit_m3_s: answer.main_m3_s }),
    source:
      figures.store_m3 > 0
        ? {
            kind: 'store',
            store: storeModelOf(figures, conditions, nodes, hotWater.loopLoss_W?.value ?? 0),
            startTemp_K: conditions.storeTemp_K,
            boiler_W: figures.hotWater_W,
          }
        : {
            kind: 'instantaneous',
            power_W: figures.hotWater_W,
            setTemp_K: hottest_K + onTheWay_K,
            coldTemp_K: conditions.coldTemp_K,
            leastFlow_m3_s: option.leastFlow_m3_s?.value ?? 0,
          },
  }
}

/**
 * A morning of this household, to begin with: every shower once after the other, then the kitchen.
 */
export function usualScenario(
  document: JobDocument,
): readonly (DrawEvent & { readonly outletId: string; readonly open: number })[] {
  const outlets = document.hotWater?.outlets ?? []
  const showers = outlets.filter((outlet) => outlet.kind === 'shower')
  const baths = outlets.filter((outlet) => outlet.kind === 'bath')
  const sinks = outlets.filter((outlet) => outlet.kind === 'kitchen-sink')
  return [
    ...showers.map((outlet, i) => ({
      outletId: outlet.id,
      open: outlet.count,
      start_s: 25200 + i * 60,
      duration_s: 720,
    })),
    ...baths.map((outlet) => ({ outletId: outlet.id, open: 1, start_s: 26400, duration_s: 480 })),
    ...sinks.flatMap((outlet) =>
      [27000, 46800, 68400].map((start_s) => ({
        outletId: outlet.id,
        open: 1,
        start_s,
        duration_s: 240,
      })),
    ),
    ...showers
      .slice(0, 1)
      .map((outlet) => ({ outletId: outlet.id, open: 1, start_s: 77400, duration_s: 600 })),
  ]
}
