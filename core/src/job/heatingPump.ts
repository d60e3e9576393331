import type { Pump } from '../methods/circuit/pumps'
import { genericPumps } from '../methods/circuit/pumps'
import type { Heating } from './pressureDocument'

/**
 * The pump that was chosen: by its maker's curve, or one of the generic ones; undefined while
 * nobody has.
 */
export function heatingPump({ pumpId, pumpHead_Pa, pumpMost_m3_s }: Heating): Pump | undefined {
  if (pumpHead_Pa && pumpMost_m3_s && pumpHead_Pa.value > 0 && pumpMost_m3_s.value > 0)
    return {
      id: 'own',
      label: 'By the maker’s curve',
      shutHead_Pa: pumpHead_Pa.value,
      most_m3_s: pumpMost_m3_s.value,
    }
  return genericPumps.find((pump) => pump.id === pumpId)
}

/**
 * No-flow head at full speed, Pa: what stands between the pump's discharge and the vessel sees it
 * on top.
 */
export const noFlowHead_Pa = (heating: Heating): number | undefined =>
  heating.pumpHead_Pa?.value ?? heatingPump(heating)?.shutHead_Pa
