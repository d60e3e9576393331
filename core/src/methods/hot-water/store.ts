import { expectAbove0, expectNotNegative } from '../../answer/expect'
import { gravity_m_s2 } from '../../units/units'
import { tradeDensity_kg_m3, tradeSpecificHeat_J_kgK } from './heating'

/**
 * A step is cut into so many parts at the most, so that no layer is changed more than once in one:
 * a thimble on a boiler would never end. Assumed.
 */
export const mostParts = 40

/**
 * Temperature difference at which coils are rated and at which standing losses are stated here. No
 * source: common test conditions, as remembered; the maker's sheet wins.
 */
export const coilRatingDifference_K = 35
export const lossDifference_K = 45
/**
 * Fall of the primary across the coil at full output that the boiler's flow is set for. Source:
 * sources.trade.
 */
export const primaryDrop_K = 15
/**
 * Effective conductivity of standing water, wall and all. Assumed: water's own is 0.6 W/(m K), the
 * shell carries more.
 */
const conductivity_W_mK = 1
/** Height of a store over its diameter. Assumed: tall stores layer better. */
const slenderness = 2.5

/**
 * Excess of a plume over the water it rises through, K: it goes with power^(2/3) and the height it
 * has to entrain over, volume^(-5/9) (B. R. Morton, G. Taylor and J. S. Turner, Proc. R. Soc. A 234
 * (1956), as remembered). The figure it is tied to is assumed: 10 K for 20 kW in 150 L.
 */
const plumeExcess_K = (power_W: number, volume_m3: number): number =>
  10 * (power_W / 20000) ** (2 / 3) * (volume_m3 / 0.15) ** (-5 / 9)

/** How heat enters a store. Heights run 0 (bottom) to 1 (top). */
export type StoreHeater =
  | {
      readonly kind: 'coil'
      readonly rating_W: number
      readonly fromHeight: number
      readonly toHeight: number
      readonly flowTemp_K: number
      readonly boiler_W: number
    }
  | { readonly kind: 'burner'; readonly power_W: number; readonly height: number }

export interface StoreModel {
  readonly volume_m3: number
  /** Layers of equal volume; 1 is a fully mixed store. */
  readonly nodes: number
  readonly heater: StoreHeater
  readonly setTemp_K: number
  /** The heater starts this far below the setting. */
  readonly hysteresis_K: number
  /** Height of the sensor, 0 to 1. */
  readonly sensorHeight: number
  /** Standing loss with the store {@link lossDifference_K} above the room, W. */
  readonly standingLoss_W: number
  readonly roomTemp_K: number
  readonly coldTemp_K: number
  /**
   * What becomes of heated water: it rises as a plume to where it floats, or mixes with all above
   * it that is colder.
   */
  readonly plume: 'rises' | 'mixes'
  /** Bore of the cold inlet, where its jet mixes; none is the ideal inlet that mixes nothing. */
  readonly inlet?: { readonly bore_m: number }
  /**
   * Secondary return: its flow and what the loop loses at {@link lossDifference_K} above the room.
   */
  readonly loop?: {
    readonly flow_m3_s: number
    readonly loss_W: number
    readonly returnHeight: number
  }
}

/** Energies since the start, J. What went in is what came out, what was lost and what is stored. */
export interface StoreEnergy {
  readonly heated_J: number
  readonly drawn_J: number
  readonly lost_J: number
  readonly loop_J: number
}

/** What happened in one step. */
export interface StoreStep {
  /** Heat that entered, W. */
  readonly power_W: number
  /** Flow temperature of the primary; the top of the store for a burner. */
  readonly primaryTemp_K: number
}

/** How much lighter water is for a kelvin, about 35 °C. Source: sources.if97, rounded. */
const expansion_1_K = 3.5e-4
/**
 * Below the inlet and round it nothing comes out hot however slowly one draws, share of the height.
 * Assumed.
 */
const stillShare = 0.1

/**
 * Correction of first-order upwind at a face, by the limiter of van Leer (J. Comput. Phys. 14
 * (1974) 361): a front keeps its shape however many layers there are, and nothing overshoots.
 * `below` and `above` are the steps of temperature to either side.
 */
function upwindShare(below: number, above: number, courant: number): number {
  if (below * above <= 0) return 0
  return ((1 - courant) * below * above) / (below + above)
}

const heat_J_m3K = tradeDensity_kg_m3 * tradeSpecificHeat_J_kgK

/**
 * A store in layers: water drawn from the top moves every layer up by as much, cold enters at the
 * bottom; a coil gives each layer it passes what its share of UA allows, the primary cooling on its
 * way down; what is heated rises as a plume to the layer it floats at and pushes as much down; a
 * layer warmer than the one above mixes with it at once; layers conduct, and lose heat to the room.
 * The jet of the cold inlet mixes the bottom. Constant heat capacity. Volume above 0, nodes 1 to
 * 400, else RangeError. Source: sources.layeredStore.
 */
export class Store {
  readonly temps_K: Float64Array
  private readonly node_J_K: number
  private readonly node_m3: number
  private readonly conduct_W_K: number
  private readonly loss_W_K: number
  private readonly energy = { heated_J: 0, drawn_J: 0, lost_J: 0, loop_J: 0 }
  private readonly down_m3: Float64Array
  private readonly gain_Km3: Float64Array
  private firing = false

  constructor(
    readonly model: StoreModel,
    start_K: number | readonly number[],
  ) {
    expectAbove0({ volume_m3: model.volume_m3, nodes: model.nodes, setTemp_K: model.setTemp_K })
    expectNotNegative({ standingLoss_W: model.standingLoss_W, hysteresis_K: model.hysteresis_K })
    if (!Number.isInteger(model.nodes) || model.nodes > 400)
      throw new RangeError(`nodes is ${model.nodes}; it must be a whole number, 1 to 400`)
    this.temps_K = Float64Array.from({ length: model.nodes }, (_, i) =>
      typeof start_K === 'number' ? start_K : (start_K[i] ?? model.coldTemp_K),
    )
    this.down_m3 = new Float64Array(model.nodes)
    this.gain_Km3 = new Float64Array(model.nodes)
    this.node_m3 = model.volume_m3 / model.nodes
    this.node_J_K = this.node_m3 * heat_J_m3K
    const diameter_m = ((4 * model.volume_m3) / (Math.PI * slenderness)) ** (1 / 3)
    this.conduct_W_K =
      (conductivity_W_mK * (Math.PI / 4) * diameter_m ** 2) /
      ((slenderness * diameter_m) / model.nodes)
    this.loss_W_K = model.standingLoss_W / lossDifference_K / model.nodes
  }

  get top_K(): number {
    return this.temps_K[this.model.nodes - 1] ?? this.model.coldTemp_K
  }
  get bottom_K(): number {
    return this.temps_K[0] ?? this.model.coldTemp_K
  }
  get isFiring(): boolean {
    return this.firing
  }
  get energies(): StoreEnergy {
    return { ...this.energy }
  }
  /** Heat above 0 K, J: differences of it are what the store gained. */
  get stored_J(): number {
    return this.temps_K.reduce((sum, temp) => sum + temp, 0) * this.node_J_K
  }
  get mean_K(): number {
    return this.temps_K.reduce((sum, temp) => sum + temp, 0) / this.model.nodes
  }

  private nodeAt(height: number): number {
    return Math.min(this.model.nodes - 1, Math.max(0, Math.floor(height * this.model.nodes)))
  }

  /**
   * Moves on by `step_s` while so much hot water is drawn from the top, m³/s, and so much power is
   * there for hot water, W.
   */
  advance(step_s: number, draw_m3_s: number, available_W: number): StoreStep {
    const loop_m3_s = this.model.loop?.flow_m3_s ?? 0
    const heater_W =
      this.model.heater.kind === 'coil'
        ? Math.min(this.model.heater.boiler_W, available_W)
        : Math.min(this.model.heater.power_W, available_W)
    const plume_m3_s =
      this.firing && this.model.plume === 'rises' && heater_W > 0
        ? heater_W / (heat_J_m3K * plumeExcess_K(heater_W, this.model.volume_m3))
        : 0
    const parts = Math.max(
      1,
      Math.ceil(((draw_m3_s + loop_m3_s + 1.2 * plume_m3_s) * step_s) / (0.95 * this.node_m3)),
    )
    if (parts > mostParts)
      throw new RangeError(
        `the store of ${this.model.volume_m3} m3 is changed more than ${mostParts} times in a layer in one step; it must be larger, or its flows smaller`,
      )
    let power_W = 0
    let primaryTemp_K = this.top_K
    for (let i = 0; i < parts; i++) {
      this.move(step_s / parts, draw_m3_s)
      const heat = this.heat(step_s / parts, available_W)
      power_W += heat.power_W / parts
      primaryTemp_K = heat.primaryTemp_K
      this.settle(step_s / parts)
    }
    return { power_W, primaryTemp_K }
  }

  private move(step_s: number, draw_m3_s: number): void {
    const { temps_K, energy } = this
    const { nodes, coldTemp_K, loop, roomTemp_K } = this.model
    const top_K = this.top_K
    const drawn = (draw_m3_s * step_s) / this.node_m3
    if (drawn > 0) energy.drawn_J += draw_m3_s * step_s * heat_J_m3K * (top_K - coldTemp_K)
    const looped = loop ? (loop.flow_m3_s * step_s) / this.node_m3 : 0
    const entry = loop ? this.nodeAt(loop.returnHeight) : nodes
    const loopLoss_W = loop
      ? Math.min(
          (loop.loss_W * Math.max(0, top_K - roomTemp_K)) / lossDifference_K,
          loop.flow_m3_s * heat_J_m3K * Math.max(0, top_K - roomTemp_K),
        )
      : 0
    energy.loop_J += loopLoss_W * step_s
    this.carry(drawn, looped, entry)
    if (loop)
      temps_K[entry] =
        (temps_K[entry] ?? 0) + looped * top_K - (loopLoss_W * step_s) / this.node_J_K
    if (drawn > 0) this.mixInlet(draw_m3_s)
  }

  /**
   * Water moves up through every face, in layers' worth: what is drawn from the bottom on, what is
   * looped from where it comes back.
   */
  private carry(drawn: number, looped: number, entry: number): void {
    const { temps_K } = this
    const { nodes, coldTemp_K } = this.model
    let below = coldTemp_K
    let here = temps_K[0] ?? coldTemp_K
    let inflow = drawn
    let carried_K = coldTemp_K
    for (let i = 0; i < nodes; i++) {
      const above = temps_K[i + 1] ?? here
      const outflow = drawn + (i >= entry ? looped : 0)
      const leaving_K = here + upwindShare(here - below, above - here, outflow)
      temps_K[i] = here + inflow * carried_K - outflow * leaving_K
      below = here
      here = above
      inflow = outflow
      carried_K = leaving_K
    }
  }

  /**
   * Cold water shot in at the bottom rises as a fountain and takes the water round it with it: z =
   * 1.85 · M^(3/4) · B^(−1/2), momentum and buoyancy of the jet (J. S. Turner, J. Fluid Mech. 26
   * (1966) 779, as remembered). Up to there the store is one water.
   */
  private mixInlet(draw_m3_s: number): void {
    const { inlet, volume_m3, coldTemp_K, nodes } = this.model
    if (!inlet || nodes === 1) return
    const lighter = expansion_1_K * (this.top_K - coldTemp_K)
    if (lighter <= 1e-6) return
    const speed_m_s = draw_m3_s / ((Math.PI / 4) * inlet.bore_m ** 2)
    const momentum = draw_m3_s * speed_m_s
    const buoyancy = draw_m3_s * gravity_m_s2 * lighter
    const fountain_m = 1.85 * momentum ** 0.75 * buoyancy ** -0.5
    const height_m = slenderness * ((4 * volume_m3) / (Math.PI * slenderness)) ** (1 / 3)
    this.mixBelow(Math.min(1, stillShare + fountain_m / height_m) * nodes)
  }

  /** Makes one water of so many layers from the bottom; the last may be a part of one. */
  private mixBelow(layers: number): void {
    const { temps_K } = this
    const whole = Math.floor(layers)
    const part = layers - whole
    let sum = part * (temps_K[whole] ?? 0)
    for (let i = 0; i < whole; i++) sum += temps_K[i] ?? 0
    const mean = sum / (whole + (whole < temps_K.length ? part : 0))
    temps_K.fill(mean, 0, whole)
    if (whole < temps_K.length) temps_K[whole] = part * mean + (1 - part) * (temps_K[whole] ?? 0)
  }

  private heat(step_s: number, available_W: number): StoreStep {
    const { heater, setTemp_K, hysteresis_K, sensorHeight } = this.model
    const sensed = this.temps_K[this.nodeAt(sensorHeight)] ?? 0
    if (sensed >= setTemp_K) this.firing = false
    else if (sensed < setTemp_K - hysteresis_K) this.firing = true
    if (!this.firing || available_W <= 0) return { power_W: 0, primaryTemp_K: this.top_K }
    if (heater.kind === 'burner') {
      const power_W = Math.min(heater.power_W, available_W)
      const excess_K = plumeExcess_K(power_W, this.model.volume_m3)
      this.add(this.nodeAt(heater.height), power_W, step_s, excess_K)
      this.rise()
      return { power_W, primaryTemp_K: this.top_K }
    }
    return this.heatByCoil(heater, Math.min(heater.boiler_W, available_W), step_s)
  }

  /**
   * The primary enters at the coil's top; its temperature is the flow setting, or lower where the
   * boiler cannot hold it.
   */
  private heatByCoil(
    coil: Extract<StoreHeater, { kind: 'coil' }>,
    boiler_W: number,
    step_s: number,
  ): StoreStep {
    const { temps_K } = this
    const [low, high] = [this.nodeAt(coil.fromHeight), this.nodeAt(coil.toHeight)]
    const count = high - low + 1
    const primary_W_K = Math.max(coil.boiler_W, 1) / primaryDrop_K
    const keeps = Math.exp(-(coil.rating_W / coilRatingDifference_K / count) / primary_W_K)
    // Return temperature is linear in the flow temperature: share·flow + rest.
    let share = 1
    let rest = 0
    for (let i = high; i >= low; i--) {
      share *= keeps
      rest = rest * keeps + (1 - keeps) * (temps_K[i] ?? 0)
    }
    const atFullFire = (boiler_W / primary_W_K + rest) / (1 - share)
    const flow_K = Math.min(coil.flowTemp_K, atFullFire)
    const power_W = primary_W_K * (flow_K * (1 - share) - rest)
    if (power_W <= 0) return { power_W: 0, primaryTemp_K: this.top_K }
    const excess_K = plumeExcess_K(power_W, this.model.volume_m3)
    let primary_K = flow_K
    for (let i = high; i >= low; i--) {
      const here = temps_K[i] ?? 0
      const after = here + (primary_K - here) * keeps
      this.add(i, primary_W_K * (primary_K - after), step_s, Math.min(excess_K, primary_K - here))
      primary_K = after
    }
    this.rise()
    return { power_W, primaryTemp_K: flow_K }
  }

  /**
   * Heat into a layer: into its water, or into a plume that leaves it that much hotter. Plumes are
   * gathered here and move in {@link rise}.
   */
  private add(node: number, power_W: number, step_s: number, excess_K: number): void {
    const { temps_K, down_m3, gain_Km3 } = this
    const last = this.model.nodes - 1
    this.energy.heated_J += power_W * step_s
    if (this.model.plume === 'mixes' || power_W <= 0 || excess_K <= 0.01 || node === last) {
      temps_K[node] = (temps_K[node] ?? 0) + (power_W * step_s) / this.node_J_K
      return
    }
    const here = temps_K[node] ?? 0
    const plume_K = here + excess_K
    let to = node
    while (to < last && (temps_K[to + 1] ?? 0) < plume_K) to++
    const moved_m3 = (power_W * step_s) / (heat_J_m3K * excess_K)
    gain_Km3[node] = (gain_Km3[node] ?? 0) - moved_m3 * here
    gain_Km3[to] = (gain_Km3[to] ?? 0) + moved_m3 * plume_K
    for (let i = node; i < to; i++) down_m3[i] = (down_m3[i] ?? 0) + moved_m3
  }

  /**
   * The gathered plumes arrive, and as much water sinks in their place through every layer they
   * rose past.
   */
  private rise(): void {
    const { temps_K, down_m3, gain_Km3, node_m3 } = this
    let sank = 0
    for (let i = 0; i < temps_K.length; i++) {
      const here = temps_K[i] ?? 0
      const above = down_m3[i] ?? 0
      const next =
        here + ((gain_Km3[i] ?? 0) + above * (temps_K[i + 1] ?? 0) - sank * here) / node_m3
      sank = above
      temps_K[i] = next
    }
    down_m3.fill(0)
    gain_Km3.fill(0)
  }

  /**
   * Losses, conduction between layers, and layers that would lie the wrong way up mixed until none
   * does.
   */
  private settle(step_s: number): void {
    const { temps_K, energy } = this
    const { nodes, roomTemp_K } = this.model
    const conduct = Math.min(0.45, (this.conduct_W_K * step_s) / this.node_J_K)
    const loss = Math.min(1, (this.loss_W_K * step_s) / this.node_J_K)
    let below = temps_K[0] ?? 0
    for (let i = 0; i < nodes; i++) {
      const here = temps_K[i] ?? 0
      const above = i + 1 < nodes ? (temps_K[i + 1] ?? 0) : here
      const lost = loss * (here - roomTemp_K)
      energy.lost_J += lost * this.node_J_K
      temps_K[i] = here + conduct * (above - here) + (i > 0 ? conduct * (below - here) : 0) - lost
      below = here
    }
    this.mixInversions()
  }

  private mixInversions(): void {
    const { temps_K } = this
    for (let i = 1; i < temps_K.length; i++) {
      if ((temps_K[i - 1] ?? 0) <= (temps_K[i] ?? 0) + 1e-9) continue
      let [from, to] = [i - 1, i]
      let sum = (temps_K[from] ?? 0) + (temps_K[to] ?? 0)
      for (let grew = true; grew;) {
        grew = false
        const mean = sum / (to - from + 1)
        if (from > 0 && (temps_K[from - 1] ?? 0) > mean + 1e-9) {
          sum += temps_K[--from] ?? 0
          grew = true
        } else if (to + 1 < temps_K.length && (temps_K[to + 1] ?? 0) < mean - 1e-9) {
          sum += temps_K[++to] ?? 0
          grew = true
        }
      }
      temps_K.fill(sum / (to - from + 1), from, to + 1)
      i = to
    }
  }
}
