import type { SymptomId } from './step'

/**
 * What a reading outside its limits usually comes from (the practice's words in braces), and the
 * test that tells one cause from the other. Common practice, no source.
 */
export interface Symptom {
  readonly says: string
  readonly causes: readonly string[]
  readonly decides: string
}

export const symptoms: Readonly<Record<SymptomId, Symptom>> = {
  'pressure-races-up': {
    says: 'Pressure races up while the burner runs',
    causes: [
      '{vessel} flat or its charge lost',
      '{vessel} full of water: its membrane is gone',
      '{vessel} too small',
      '{vessel} shut off',
      'Filled too high when cold',
    ],
    decides:
      'Read the charge with the water side empty; water from its air valve means the membrane is gone.',
  },
  'pressure-creeps': {
    says: 'Pressure creeps up while it is cold',
    causes: [
      '{fillDevice} lets by',
      'Fast-fill lever left over',
      'Coil leaks mains water into the heating',
      'Reducing valve worn or set too high',
      'Street pressure swings, no {vessel} behind a check valve',
    ],
    decides: 'Shut the make-up: does it stop? At a store, watch the static pressure over a day.',
  },
  'pressure-falls': {
    says: 'Pressure falls, no water to be seen',
    causes: [
      'Air is leaving after the work',
      'Leak in a hidden pipe',
      'Charge of the {vessel} lost',
    ],
    decides: 'Make-up shut, read it cold the next morning.',
  },
  'gas-sags': {
    says: 'Less gas or heat than the plate says',
    causes: [
      'Pipe too small or partly shut',
      'Regulator or meter',
      'Another appliance draws at the same time',
      'Scale, or a setting of the burner',
    ],
    decides: 'The same reading at the meter outlet and at the appliance, everything on.',
  },
  'slow-reheat': {
    says: 'The store takes too long, or gives too little',
    causes: [
      'Flow temperature too low, or too high for the coil',
      'Coil too small for the boiler',
      'Pump too weak, or air in it',
      'Thermostat set low, or badly seated',
    ],
    decides: 'Flow and return temperatures, and the reheat timed again.',
  },
  tap: {
    says: 'Too hot or too cold at the tap',
    causes: [
      'Mixing valve set wrong',
      'Cold let by through a mixer or check valve',
      'Store setting',
    ],
    decides: 'The same tap, with the other taps shut off.',
  },
}

/** What is always among them, so that nobody has to guess. */
export const notFound = 'Not found'
