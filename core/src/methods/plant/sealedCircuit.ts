import { expectAbove0, expectNotNegative } from '../../answer/expect'
import type { HeatingFluid } from '../fluid/glycol'
import { fluidDensity_kg_m3 } from '../fluid/glycol'

/** A vessel as it stands now, not as it was bought. */
export interface VesselNow {
  readonly volume_m3: number
  /** Charge with the water side empty, at the fill temperature. */
  readonly chargeGauge_Pa: number
  /** Water behind a torn diaphragm: it takes room and gives none back. */
  readonly waterlogged_m3: number
  /** Shut off from the circuit: it takes nothing. */
  readonly isolated: boolean
}

/**
 * A sealed circuit of water, its vessels, and whatever air is left in it. Pressures gauge unless
 * they say abs.
 */
export interface SealedCircuit {
  readonly system_m3: number
  readonly fluid: HeatingFluid
  readonly fillTemp_K: number
  readonly fillGauge_Pa: number
  readonly vessels: readonly VesselNow[]
  /** Air trapped in the pipes and emitters at fill. */
  readonly trappedAir_m3: number
  readonly atmosphere_Pa: number
  /** How much of itself the pipework grows by per kelvin; 0 takes it as rigid. */
  readonly pipeGrowth_1_K: number
  /**
   * Multiplies the growth of the water, so that a method's own expansion can be followed; 1 for
   * real densities.
   */
  readonly growthFactor: number
  /**
   * How much of its volume the pipework and its water give per pascal; 0 takes both as rigid, as
   * the sizing equations do.
   */
  readonly give_1_Pa: number
}

/**
 * Water and pipe give this much of their volume per pascal: water 4.5e-10 (sources.if97) and thin
 * copper about as much again. Assumed for the pipe.
 */
export const usualGive_1_Pa = 8e-10

/**
 * Water in a vessel at an absolute pressure, m³. Isothermal gas: the vessel stands away from the
 * flow.
 */
function heldIn(
  { volume_m3, chargeGauge_Pa, waterlogged_m3, isolated }: VesselNow,
  abs_Pa: number,
  atmosphere_Pa: number,
): number {
  if (isolated) return 0
  const gas_m3 = volume_m3 - waterlogged_m3
  return gas_m3 <= 0 ? 0 : Math.max(0, gas_m3 * (1 - (chargeGauge_Pa + atmosphere_Pa) / abs_Pa))
}

/** Room that a circuit has for water at a temperature and absolute pressure, m³. */
function room_m3(circuit: SealedCircuit, temp_K: number, abs_Pa: number): number {
  const {
    system_m3,
    vessels,
    atmosphere_Pa,
    trappedAir_m3,
    fillTemp_K,
    fillGauge_Pa,
    pipeGrowth_1_K,
    give_1_Pa,
  } = circuit
  const fillAbs_Pa = fillGauge_Pa + atmosphere_Pa
  const air_m3 = trappedAir_m3 * (fillAbs_Pa / abs_Pa) * (temp_K / fillTemp_K)
  return (
    system_m3 *
      (1 + 3 * pipeGrowth_1_K * (temp_K - fillTemp_K)) *
      (1 + give_1_Pa * (abs_Pa - fillAbs_Pa)) -
    air_m3 +
    vessels.reduce((sum, vessel) => sum + heldIn(vessel, abs_Pa, atmosphere_Pa), 0)
  )
}

/**
 * Volume that the water filled in cold takes at a temperature, m³. What stands in the pipes grows;
 * what stands in a vessel is out of the flow and stays cool.
 */
function water_m3(
  { fluid, fillTemp_K, growthFactor, system_m3 }: SealedCircuit,
  cold_m3: number,
  temp_K: number,
): number {
  const growth = fluidDensity_kg_m3(fluid, fillTemp_K) / fluidDensity_kg_m3(fluid, temp_K) - 1
  return cold_m3 + system_m3 * growth * growthFactor
}

/**
 * Water put in at the fill, m³ as cold water. Volumes above 0, air and charge 0 or more, else
 * RangeError.
 */
export function filledWater_m3(circuit: SealedCircuit): number {
  expectAbove0({ system_m3: circuit.system_m3, atmosphere_Pa: circuit.atmosphere_Pa })
  expectNotNegative({ trappedAir_m3: circuit.trappedAir_m3, fillGauge_Pa: circuit.fillGauge_Pa })
  return room_m3(circuit, circuit.fillTemp_K, circuit.fillGauge_Pa + circuit.atmosphere_Pa)
}

/** Highest pressure the model follows, gauge Pa: far past any relief of a house. */
export const mostGauge_Pa = 50e5

/**
 * Pressure of a circuit at a temperature, gauge Pa, with so much water in it (cold volume, m³): the
 * water's volume equals the room there is. Bisection to 1 Pa between full vacuum and
 * `mostGauge_Pa`; below the first, 0 absolute is returned: air is drawn in. Sources:
 * sources.gasLaw, sources.if97.
 */
export function circuitGauge_Pa(
  circuit: SealedCircuit,
  temp_K: number,
  cold_m3: number = filledWater_m3(circuit),
): number {
  const wanted_m3 = water_m3(circuit, cold_m3, temp_K)
  let [low, high] = [100, mostGauge_Pa + circuit.atmosphere_Pa]
  if (room_m3(circuit, temp_K, low) >= wanted_m3) return -circuit.atmosphere_Pa
  if (room_m3(circuit, temp_K, high) <= wanted_m3) return mostGauge_Pa
  while (high - low > 1) {
    const middle = (low + high) / 2
    if (room_m3(circuit, temp_K, middle) < wanted_m3) low = middle
    else high = middle
  }
  return (low + high) / 2 - circuit.atmosphere_Pa
}

export interface CurvePoint {
  readonly temp_K: number
  readonly gauge_Pa: number
}

/**
 * Pressure against temperature from the fill to the hottest, evenly stepped. Sources:
 * sources.gasLaw, sources.if97.
 */
export function pressureCurve(
  circuit: SealedCircuit,
  maxTemp_K: number,
  steps = 24,
): readonly CurvePoint[] {
  const cold_m3 = filledWater_m3(circuit)
  return Array.from({ length: steps + 1 }, (_, i) => {
    const temp_K = circuit.fillTemp_K + ((maxTemp_K - circuit.fillTemp_K) * i) / steps
    return { temp_K, gauge_Pa: circuitGauge_Pa(circuit, temp_K, cold_m3) }
  })
}

/**
 * Temperature at which a pressure is reached on the way up, K; undefined when it is not before the
 * hottest.
 */
export function tempAtGauge_K(
  circuit: SealedCircuit,
  gauge_Pa: number,
  maxTemp_K: number,
): number | undefined {
  const cold_m3 = filledWater_m3(circuit)
  if (circuitGauge_Pa(circuit, maxTemp_K, cold_m3) < gauge_Pa) return undefined
  let [low, high] = [circuit.fillTemp_K, maxTemp_K]
  if (circuitGauge_Pa(circuit, low, cold_m3) >= gauge_Pa) return low
  while (high - low > 0.01) {
    const middle = (low + high) / 2
    if (circuitGauge_Pa(circuit, middle, cold_m3) < gauge_Pa) low = middle
    else high = middle
  }
  return high
}
