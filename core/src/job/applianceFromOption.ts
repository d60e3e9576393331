import type { Appliance } from './document'
import { blankAppliance } from './document'
import type { HeatOption } from './hotWaterDocument'
import type { Known } from './known'

function burnerKind({ kind, heating_W }: HeatOption): Appliance['kind'] {
  if (kind === 'storage-heater') return 'storage-heater'
  return kind === 'combination' && !heating_W ? 'instantaneous-heater' : 'boiler'
}

/**
 * The appliances an option is made of, with what it says of their plates, for a job whose rating
 * plates do not hold them yet: an appliance of the same name is not made again. Ids are the
 * caller's to give.
 */
export function applianceFromOption(
  option: HeatOption,
  here: readonly Appliance[],
): readonly Appliance[] {
  const read = (known: Known): Known =>
    known ? { value: known.value, basis: known.basis, from: known.from || 'Option chosen' } : null
  const burner: Appliance = {
    ...blankAppliance({
      id: 'burner',
      name: option.name,
      kind: burnerKind(option),
    }),
    input_W: read(option.input_W),
    output_W: read(option.heating_W ?? option.hotWater_W),
    ...(option.kind === 'storage-heater' ? { water_m3: read(option.store_m3) } : {}),
  }
  const burners =
    option.units === 1
      ? [burner]
      : Array.from({ length: option.units }, (_, i) => ({
          ...burner,
          id: `burner-${i}`,
          name: `${option.name}, ${i + 1}`.slice(0, 120),
        }))
  const cylinder: readonly Appliance[] =
    option.kind === 'system-cylinder' || (option.kind === 'cascade' && option.store_m3)
      ? [
          {
            ...blankAppliance({
              id: 'cylinder',
              name: `Cylinder of ${option.name}`.slice(0, 120),
              kind: 'indirect-cylinder',
            }),
            water_m3: read(option.store_m3),
          },
        ]
      : []
  const sameKind = (made: Appliance) =>
    here.some((one) => one.stay === 'new' && one.kind === made.kind)
  return [...burners, ...cylinder].filter(
    (made) => !here.some((one) => one.name === made.name) && !sameKind(made),
  )
}
