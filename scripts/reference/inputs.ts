import { zeroCelsius_K } from '@hestian/core'

export type Inputs = Readonly<Record<string, unknown>>

export type Got = Readonly<Record<string, number | string | boolean | undefined>>

/** Maps a case's names and units to core and back. It computes nothing. */
export type Kind = (inputs: Inputs) => Got

export const num = (inputs: Inputs, key: string): number => {
  const value = inputs[key]
  if (typeof value !== 'number') throw new Error(`input ${key} is missing`)
  return value
}

export const opt = (inputs: Inputs, key: string): number | undefined =>
  typeof inputs[key] === 'number' ? inputs[key] : undefined

export const kelvin = (inputs: Inputs, key = 'temperature_degC'): number =>
  num(inputs, key) + zeroCelsius_K

export const atm = (inputs: Inputs): number => opt(inputs, 'atmospheric_pressure_Pa') ?? 101325

export const waterFigures = (inputs: Inputs) => ({
  density_kg_m3: num(inputs, 'density_kg_per_m3'),
  specificHeat_J_kgK: num(inputs, 'specific_heat_J_per_kgK'),
})

export const otherRun = (inputs: Inputs) => ({
  bore_m: num(inputs, 'inside_diameter_m'),
  length_m: num(inputs, 'length_m'),
})
