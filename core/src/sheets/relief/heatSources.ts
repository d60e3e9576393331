import { fitted } from '../../job/asked'
import type { Appliance, JobDocument } from '../../job/document'
import { heatingBoiler } from '../../job/heatingBoiler'
import { hotWaterHeater } from '../../job/hotWaterHeater'
import type { ReliefValve } from '../../job/pressureDocument'
import type { Practice } from '../../practice/practice'
import { protects_W } from '../protects'

/**
 * What heats the water that a valve guards: every boiler on the circuit, or the store's own burner,
 * element or boiler.
 */
export function heatSources(valve: ReliefValve, document: JobDocument): readonly Appliance[] {
  if (valve.guards === 'heating')
    return fitted(document.appliances).filter((one) => one.kind === 'boiler')
  const heater = hotWaterHeater(document)
  if (heater && heater.kind !== 'indirect-cylinder') return [heater]
  const boiler = heatingBoiler(document)
  return boiler ? [boiler] : []
}

/** All that can heat it at once, W; undefined while the plate of one is not read. */
export function protectedPower_W(
  valve: ReliefValve,
  document: JobDocument,
  practice: Practice,
): number | undefined {
  const powers = heatSources(valve, document).map((one) => protects_W(one, document, practice))
  const immersion_W =
    valve.guards === 'heating' ? 0 : (document.hotWater?.safety.immersion_W?.value ?? 0)
  return powers.length === 0 || powers.some((power) => power === undefined)
    ? undefined
    : powers.reduce<number>((sum, power) => sum + (power ?? 0), immersion_W)
}
