import { australiaNewZealand } from './australiaNewZealand'
import { northAmerica } from './northAmerica'
import type { Practice } from './practice'
import type { PracticeName } from './practiceNames'
import { ukIreland } from './ukIreland'

/** Every place that work is done by. */
export const practices: Readonly<Record<PracticeName, Practice>> = {
  'uk-ireland': ukIreland,
  'north-america': northAmerica,
  'australia-new-zealand': australiaNewZealand,
}
