import { foot_m } from '../../units/units'
import type { FindingOf, Wording, Wordings } from '../../practice/worded'

const bar = ({ f, show }: Parameters<Wording>[0], key: string) => show(f(key), 'water-pressure')
const flow = ({ f, show }: Parameters<Wording>[0], key: string) => show(f(key), 'water-flow')
const hot = ({ f, show }: Parameters<Wording>[0], key: string) => show(f(key), 'temperature')

/** A pressure lost along a pipe, as it is said here: `449 Pa a metre`, `2.0 psi in 100 ft`. */
const gradient = ({ f, show, practice }: Parameters<Wording>[0], key: string): string =>
  practice.units.length === 'ft'
    ? `${show(f(key) * 100 * foot_m, 'water-pressure')} in 100 ft`
    : `${Math.round(f(key))} Pa a metre`

/** Every finding of this subject: its sentence and its why, in the words of the practice. */
export const circuitWordings = {
  'circuit-can-freeze': () => ({
    head: 'It can freeze here, and the circuit holds plain water.',
    why: 'Either it never stands cold, or glycol goes in: choose, and say so at the handover.',
  }),
  'glycol-not-covered': ({ f, show }) => ({
    head: `${show(f('shareRatio'), 'ratio', 0)} of glycol is more than is tabled.`,
    why: `Density and viscosity are known here up to ${show(f('mostRatio'), 'ratio', 0)} by mass. Past it nothing is computed in silence.`,
  }),
  'return-condenses': (t) => ({
    head: `The water comes back to ${t.n(0)} at ${hot(t, 'returnTemp_K')}, and it is not made to condense.`,
    why: `Below about ${hot(t, 'limitTemp_K')} acid water forms inside it and eats it. Something that holds its return up, or a hotter flow, as its maker says.`,
  }),
  'return-too-warm': (t) => ({
    head: `The water comes back to ${t.n(0)} at ${hot(t, 'returnTemp_K')}: it does not condense.`,
    why: `Below about ${hot(t, 'limitTemp_K')} it gives what it was bought for. A cooler flow on mild days, or more difference.`,
  }),
  'floor-too-hot': (t) => ({
    head: `The floor is fed at ${hot(t, 'flowTemp_K')} with nothing that mixes it down; it stands ${hot(t, 'mostTemp_K')}.`,
    why: 'Screed cracks, timber shrinks and feet burn. A mixer of its own, or cooler water for the whole circuit.',
  }),
  'floor-no-cut-out': (t) => ({
    head: `Nothing stops ${hot(t, 'flowTemp_K')} from the floor when its mixer fails.`,
    why: `A cut-out on the flow that stops its ${t.practice.words.pump} at ${hot(t, 'mostTemp_K')} or a little above, as the maker of the floor says.`,
  }),
  'make-up-too-weak': ({ n }) => ({
    head: `At the fill point stands ${n(0)}; ${n(1)} is wanted.`,
    why: `What keeps heating water out of the drinking water goes by what is in the circuit and who uses the building: ${n(2)}. The local water code has the last word.`,
  }),
  'glycol-feed-open': ({ practice }) => ({
    head: `The ${practice.words.fillDevice} stays open on a circuit with glycol.`,
    why: 'Every leak is refilled with plain water, unseen, until it freezes. Shut it, and top up from a can of the same mix.',
  }),
  'glycol-freezes': (t) => ({
    head: `The mix freezes at ${hot(t, 'frozenTemp_K')}; it may get ${hot(t, 'coldestTemp_K')} cold.`,
    why: 'More glycol, by mass and not by volume. Burst protection reaches lower than freezing; the maker says how far.',
  }),
  'glycol-figures': (t) => ({
    head: `Glycol: freezes at about ${hot(t, 'frozenTemp_K')}, and grows more than water.`,
    why: 'Its figures are as remembered, and the vessel is sized on its densities and not on the method’s table for water. The maker’s data sheet wins.',
  }),
  'pipe-too-fast': ({ f, n, show }) => ({
    head: `${n(0)} in ${n(1)} runs at ${show(f('speed_m_s'), 'velocity')}.`,
    why: `Above ${show(f('most_m_s'), 'velocity')} it is heard in the rooms.`,
  }),
  'pipe-too-steep': (t) => ({
    head: `${t.n(0)} in ${t.n(1)} loses ${gradient(t, 'metre_Pa')}.`,
    why: `Above ${gradient(t, 'mostMetre_Pa')} the pump pays for it every hour it runs.`,
  }),
  'pump-none-does': (t) => ({
    head: `No pump of the list drives ${flow(t, 'flow_m3_s')} against ${bar(t, 'duty_Pa')}.`,
    why: 'Larger pipes on the index circuit, or the maker’s curve of a larger pump.',
  }),
  'pump-too-small': (t) => ({
    head: `${t.n(0)} gives ${bar(t, 'gives_Pa')} at that flow; ${t.n(1)} takes ${bar(t, 'duty_Pa')}.`,
    why: `The far ${t.practice.words.emitter}s stay cool on the coldest day.`,
  }),
  'pump-turned-down': (t) => ({
    head: `At full speed the pump drives ${flow(t, 'drives_m3_s')}, not ${flow(t, 'flow_m3_s')}.`,
    why: `Set it to ${bar(t, 'duty_Pa')} at the duty, or it is heard and the return comes back too warm to condense.`,
  }),
  'boiler-least-flow': (t) => ({
    head: `${t.n(0)} alone passes ${flow(t, 'flow_m3_s')}; the boiler wants ${flow(t, 'least_m3_s')}.`,
    why: 'When it is the only zone calling, the boiler locks out or boils. A by-pass, a low-loss header or a buffer carries the rest.',
  }),
  'zone-sings': (t) => ({
    head: `${t.n(0)} has ${bar(t, 'surplus_Pa')} too much.`,
    why: 'A valve that takes so much is heard. A pressure-independent valve, or the pump turned down.',
  }),
  'part-loss-assumed': (t) => ({
    head: `Not read: what ${t.n(0)} loses.`,
    why: `${bar(t, 'each_Pa')} is taken for each. The maker gives a loss at a flow.`,
  }),
  'nothing-catches-dirt': () => ({
    head: 'Nothing on this circuit catches dirt or air.',
    why: 'A filter before the boiler, a separator where the water is hottest: cheap, and asked for by most makers.',
  }),
  'content-wide': (t) => ({
    head: `The water is anything from ${t.show(t.f('least_m3'), 'volume')} to ${t.show(t.f('most_m3'), 'volume')}.`,
    why: 'Contents by type are generic. Read the meter while filling, and write it down for whoever comes next.',
  }),
} satisfies Wordings
export type CircuitFinding = FindingOf<typeof circuitWordings>
