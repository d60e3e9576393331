import type { FindingOf, Wordings } from '../../practice/worded'
import { clock } from '../../units/format'

/** Every finding of this subject: its sentence and its why, in the words of the practice. */
export const heatWordings = {
  'heat-estimated': ({ f, show }) => ({
    head: `${show(f('estimated_W'), 'power')} of the ${show(f('load_W'), 'power')} of heat is an estimate.`,
    why: 'Floor area times a figure for its age: good enough to compare, not to order on. A loss room by room replaces it.',
  }),
  'option-short-of-hot-water': ({ f, n, show }) => ({
    head: `${n(0)} gives ${show(f('mixed_m3_s'), 'water-flow')} of the ${show(f('wanted_m3_s'), 'water-flow')} wanted at once.`,
    why:
      f('lasts_s') > 0
        ? `Its store carries the rest for ${clock(f('lasts_s'))} fully mixed, ${clock(f('most_s'))} in perfect layers; then the water turns cool. Run the day to see which.`
        : 'With everything open the water runs cool, or somebody waits.',
  }),
  'option-short-of-heat': ({ f, n, show }) => ({
    head: `${n(0)} heats ${show(f('heating_W'), 'power')} of ${show(f('load_W'), 'power')}.`,
    why: 'On the coldest day the building falls behind.',
  }),
  'option-main-cannot': ({ f, n, show }) => ({
    head: `The main gives ${show(f('main_m3_s'), 'water-flow')}; ${n(0)} is to pass ${show(f('wanted_m3_s'), 'water-flow')}.`,
    why: `With ${show(f('wantedGauge_Pa'), 'water-pressure')} left at the height of the highest outlet. No heater makes water: a larger pipe, fewer outlets at once, or stored cold water.`,
  }),
  'option-meter-cannot': ({ f, n, show }) => ({
    head: `With ${n(0)} the gas meter would have to pass ${show(f('flow_m3_s'), 'gas-flow')}.`,
    why: `It is badged ${show(f('meter_m3_s'), 'gas-flow')}. Whoever owns it is asked before anything is ordered.`,
  }),
  'option-cycles': ({ f, n, show }) => ({
    head: `${n(0)} cannot go below ${show(f('least_W'), 'power')}; mild weather asks ${show(f('mild_W'), 'power')}.`,
    why: 'It then starts and stops all day: wear, noise and a poor efficiency. A lower minimum output or more water helps.',
  }),
  'option-coil-limits': ({ f, n, show }) => ({
    head: `The coil of ${n(0)} takes ${show(f('coil_W'), 'power')} of the ${show(f('hotWater_W'), 'power')} there is.`,
    why: 'The boiler cycles while the store heats. A larger coil, not a larger boiler, makes it quicker.',
  }),
  'option-store-layers': ({ f, n, show }) => ({
    head: `${n(0)}: the top reaches ${show(f('topTemp_K'), 'temperature')} before the store is warm.`,
    why: `A large boiler on a small store overheats the top: ${show(f('over_K'), 'temperature-difference')} over the setting. Lower the flow temperature, or take a larger store.`,
  }),
  'demand-not-covered': ({ n }) => ({
    head: `The table does not cover ${n(0)}.`,
    why: 'Outside its rows nothing is guessed at: use the household’s own pattern.',
  }),
  'heating-output-high': ({ f, show }) => ({
    head: `Set to ${show(f('set_W'), 'power')} for a building that needs ${show(f('load_W'), 'power')}.`,
    why: `Set the heating output to about ${show(f('suggested_W'), 'power')}; hot water keeps the full output.`,
  }),
  'outlet-scalds': ({ f, n, show, practice }) => ({
    head: `${n(0)} can run at ${show(f('storeTemp_K'), 'temperature')}, and nothing there mixes it down.`,
    why: `Above ${show(f('safeTemp_K'), 'temperature')} at a ${practice.words.tap} skin scalds ${Number.isFinite(f('scald_s')) ? `in about ${Math.round(f('scald_s'))} s` : 'at once'}. A mixing valve there, or a lower store with its own answer to bacteria.`,
  }),
  'store-breeds': ({ f, show }) => ({
    head: `${show(f('storeTemp_K'), 'temperature')} stored is in the range where bacteria live.`,
    why: `Below ${show(f('hygieneTemp_K'), 'temperature')} they are not killed. Store it hotter and mix it down, or have another way of keeping it clean and write it down.`,
  }),
  'store-below-outlet': ({ f, n, show }) => ({
    head: `${n(0)} wants ${show(f('wantedTemp_K'), 'temperature')}; the store is set to ${show(f('storeTemp_K'), 'temperature')}.`,
    why: 'Water cannot be mixed up.',
  }),
  'mixing-not-refused': (t) => ({
    head: `Mixing at ${t.n(0)} may not be left out here.`,
    why: `In this building water where people wash is held to ${t.show(t.f('safeTemp_K'), 'temperature')} or less, and no signature takes its place. A mixing valve at it.`,
  }),
  'mixing-refused': ({ n }) => ({
    head: `Mixing at ${n(0)} was refused.`,
    why: 'The refusal is signed by whoever lives here, and the cautions stand in the pack.',
  }),
  'one-option-only': () => ({
    head: 'Only one way has been looked at.',
    why: 'A second one beside it shows what the first one costs.',
  }),
  'chosen-gone': () => ({
    head: 'The option that was chosen is no longer there.',
    why: 'Choose again.',
  }),
} satisfies Wordings
export type HeatFinding = FindingOf<typeof heatWordings>
