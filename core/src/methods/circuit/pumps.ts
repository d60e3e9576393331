import { expectAbove0 } from '../../answer/expect'

export interface Pump {
  readonly id: string
  readonly label: string
  /** Pressure against a shut valve. */
  readonly shutHead_Pa: number
  /** Flow against nothing. */
  readonly most_m3_s: number
}

const cubicPerHour = (figure: number) => figure / 3600
/** Generic pumps, smallest first, at full speed. Source: sources.pumpLaw: assumed. */
export const genericPumps: readonly Pump[] = [
  { id: 'generic-4', label: 'Generic pump A', shutHead_Pa: 39e3, most_m3_s: cubicPerHour(2.4) },
  { id: 'generic-6', label: 'Generic pump B', shutHead_Pa: 59e3, most_m3_s: cubicPerHour(3.4) },
  { id: 'generic-8', label: 'Generic pump C', shutHead_Pa: 78e3, most_m3_s: cubicPerHour(5.5) },
  { id: 'generic-12', label: 'Generic pump D', shutHead_Pa: 118e3, most_m3_s: cubicPerHour(11) },
]

/**
 * Pressure a pump gives at a flow, Pa, never below 0: a head falling with the square of the flow.
 * Source: sources.pumpLaw.
 */
export const pumpHead_Pa = ({ shutHead_Pa, most_m3_s }: Pump, flow_m3_s: number): number =>
  Math.max(0, shutHead_Pa * (1 - (flow_m3_s / most_m3_s) ** 2))

/**
 * Where a pump and a circuit meet: the circuit's loss goes with the square of its flow. Duty above
 * 0, else RangeError. Source: sources.pumpLaw.
 */
export function operatingPoint(
  { shutHead_Pa, most_m3_s }: Pump,
  duty: { readonly flow_m3_s: number; readonly loss_Pa: number },
): { readonly flow_m3_s: number; readonly head_Pa: number } {
  expectAbove0({ flow_m3_s: duty.flow_m3_s })
  const circuit = duty.loss_Pa / duty.flow_m3_s ** 2
  const flow_m3_s = Math.sqrt(shutHead_Pa / (circuit + shutHead_Pa / most_m3_s ** 2))
  return { flow_m3_s, head_Pa: circuit * flow_m3_s ** 2 }
}

/** Smallest generic pump that gives the duty; undefined past the largest. */
export const pumpFor = (duty: {
  readonly flow_m3_s: number
  readonly loss_Pa: number
}): Pump | undefined =>
  genericPumps.find((pump) => pumpHead_Pa(pump, duty.flow_m3_s) >= duty.loss_Pa)
