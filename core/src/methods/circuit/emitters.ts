export const emitterTypes = [
  'panel-single',
  'panel-double',
  'column',
  'baseboard',
  'fan-convector',
  'towel-rail',
  'floor-loop',
  'coil',
] as const
export type EmitterType = (typeof emitterTypes)[number]

interface GenericEmitter {
  readonly label: string
  /** Water for each watt it gives with 50 K between its water and the room, m³/W. */
  readonly content_m3_W: number
}
const perKilowatt = (litres: number) => litres / 1e6

/**
 * Generic emitters and their water. Source: sources.emitterContent: assumed, a quarter either way.
 */
export const genericEmitters: Readonly<Record<EmitterType, GenericEmitter>> = {
  'panel-single': { label: 'Panel, single', content_m3_W: perKilowatt(3) },
  'panel-double': { label: 'Panel, double', content_m3_W: perKilowatt(3.6) },
  column: { label: 'Column or cast iron', content_m3_W: perKilowatt(10) },
  baseboard: { label: 'Finned baseboard', content_m3_W: perKilowatt(0.6) },
  'fan-convector': { label: 'Fan convector', content_m3_W: perKilowatt(0.8) },
  'towel-rail': { label: 'Towel rail', content_m3_W: perKilowatt(9) },
  'floor-loop': { label: 'Floor loop', content_m3_W: perKilowatt(11) },
  coil: { label: 'Coil of a store', content_m3_W: perKilowatt(0.35) },
}

/** How far a generic content may be out, a ratio either way. Assumed. */
export const genericSpread = 0.25

/** Water in an emitter of a type that gives so much, m³. Source: sources.emitterContent. */
export const genericContent_m3 = (type: EmitterType, load_W: number): number =>
  genericEmitters[type].content_m3_W * load_W
