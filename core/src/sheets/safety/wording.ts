import type { FindingOf, Wording, Wordings } from '../../practice/worded'

const bar = ({ f, show }: Parameters<Wording>[0], key: string) => show(f(key), 'water-pressure')
const flow = ({ f, show }: Parameters<Wording>[0], key: string) => show(f(key), 'water-flow')
const hot = ({ f, show }: Parameters<Wording>[0], key: string) => show(f(key), 'temperature')
const store = ({ f, show }: Parameters<Wording>[0], key: string) => show(f(key), 'small-volume')

/** Every finding of this subject: its sentence and its why, in the words of the practice. */
export const safetyWordings = {
  'relief-above-store': (t) => ({
    head: `The ${t.n(0)} at ${bar(t, 'lowGauge_Pa')} is above what the ${t.n(1)} stands.`,
    why: `It is rated ${bar(t, 'highGauge_Pa')}. The store would burst before the valve lifts.`,
  }),
  'expansion-above-temperature': (t) => ({
    head: `The expansion valve at ${bar(t, 'lowGauge_Pa')} is not under the ${t.n(0)} at ${bar(t, 'highGauge_Pa')}.`,
    why: 'The cold valve is to lift first: hot water then stays in the store.',
  }),
  'temperature-relief-hot': (t) => ({
    head: `The ${t.n(0)} opens at ${hot(t, 'openTemp_K')}.`,
    why: `It must open by ${hot(t, 'mostTemp_K')}, before the water can boil when it is let out.`,
  }),
  'store-reliefs-assumed': (t) => ({
    head: `Nobody has read the ${t.n(0)}; ${bar(t, 'temperatureGauge_Pa')} is assumed.`,
    why: 'The ladder of pressures hangs on what is stamped on the tags.',
  }),
  'supply-leaves-no-room': (t) => ({
    head: `${bar(t, 'supplyGauge_Pa')} at the store leaves no room under ${bar(t, 'maxGauge_Pa')}.`,
    why: `No ${t.practice.words.vessel} of any size does. The ${t.practice.words.reducingValve} is set lower, or one is put in.`,
  }),
  'next-to-no-water': (t) => ({
    head: `${t.n(0)} holds ${store(t, 'store_m3')}: next to nothing to expand.`,
    why: 'Pipes and hoses give that much. A ladder and a relief it has all the same.',
  }),
  'potable-vessel-small': (t) => ({
    head: `${store(t, 'fitted_m3')} is smaller than the ${store(t, 'needed_m3')} the store needs.`,
    why: `Each time it heats, the pressure passes ${bar(t, 'maxGauge_Pa')} and the relief weeps.`,
  }),
  'potable-charge-off': (t) => ({
    head: `Charged to ${bar(t, 'chargeGauge_Pa')} with ${bar(t, 'supplyGauge_Pa')} behind it.`,
    why: 'Too low and it is full of cold water before the heating begins; too high and it takes nothing until the pressure has risen.',
  }),
  'inlet-order': ({ n }) => ({
    head: `${n(0)} comes after ${n(1)}.`,
    why: 'Along the way of the water it belongs before it.',
  }),
  'inlet-reversed': ({ n }) => ({
    head: `${n(0)}: its arrow points against the flow.`,
    why: 'Turned round it holds back what it should pass, or passes what it should hold.',
  }),
  'inlet-valve-between': ({ n }) => ({
    head: `${n(0)} can part the store from its relief or vessel.`,
    why: 'No valve of any kind stands between them.',
  }),
  'inlet-not-there': ({ n }) => ({
    head: `${n(0)} is not in the inlet group.`,
    why: 'Often it is part of a combined valve: then enter it where it sits.',
  }),
  'cut-out-resets': () => ({
    head: 'The cut-out resets itself.',
    why: 'A store that overheats again and again without anybody knowing is how they burst. One that is pressed by hand.',
  }),
  'cut-out-none': () => ({
    head: 'Nothing cuts the heat off when the thermostat fails.',
    why: 'Thermostat, cut-out and relief are three, so that two may fail.',
  }),
  'cut-out-hot': (t) => ({
    head: `The cut-out acts at ${hot(t, 'actsTemp_K')}.`,
    why: `It is to act by ${hot(t, 'mostTemp_K')}, before the temperature relief.`,
  }),
  'immersion-no-cut-out': () => ({
    head: 'The immersion heater has no cut-out of its own.',
    why: 'It is a second fire under the same store; the boiler’s cut-out does not stop it.',
  }),
  'mixers-unbalanced': (t) => ({
    head: `Cold at ${bar(t, 'coldGauge_Pa')} meets hot at ${bar(t, 'hotGauge_Pa')} in the mixers.`,
    why: 'Cold pushes back into the hot and showers run cold. Take the cold for mixers from after the reducing valve.',
  }),
  'supply-falls': (t) => ({
    head: `With ${flow(t, 'flow_m3_s')} running, ${bar(t, 'runsGauge_Pa')} of ${bar(t, 'standsGauge_Pa')} is left.`,
    why: 'Charge the vessel to the standing pressure, and tell the people here what to expect at the far outlet.',
  }),
  'unvented-ticket': () => ({
    head: 'A store under mains pressure: only for who holds the ticket for it.',
    why: 'Work on it and on its safety devices is done, and notified, by that person. Local code and the maker’s instructions come first.',
  }),
} satisfies Wordings
export type SafetyFinding = FindingOf<typeof safetyWordings>
