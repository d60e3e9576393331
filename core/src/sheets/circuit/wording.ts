import type { FindingId } from '../../answer/finding'
import type { Wording } from '../worded'

const bar = ({ f, show }: Parameters<Wording>[0], key: string) => show(f(key), 'water-pressure')
const flow = ({ f, show }: Parameters<Wording>[0], key: string) => show(f(key), 'water-flow')
const long = ({ f, show }: Parameters<Wording>[0], key: string) => show(f(key), 'length')
const hot = ({ f, show }: Parameters<Wording>[0], key: string) => show(f(key), 'temperature')
const store = ({ f, show }: Parameters<Wording>[0], key: string) => show(f(key), 'small-volume')
const power = ({ f, show }: Parameters<Wording>[0], key: string) => show(f(key), 'power')

/** What the heating circuit, the vessels and the store's protection find, in words. */
const circuitWordings = {
  'circuit-can-freeze': () => ({
    head: 'It can freeze here, and the circuit holds plain water.',
    why: 'Either it never stands cold, or glycol goes in: choose, and say so at the handover.',
  }),
  'glycol-not-covered': ({ f, show }) => ({
    head: `${show(f('shareRatio'), 'ratio', 0)} of glycol is more than is tabled.`,
    why: `Density and viscosity are known here up to ${show(f('mostRatio'), 'ratio', 0)} by mass. Past it nothing is computed in silence.`,
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
    head: `${t.n(0)} in ${t.n(1)} loses ${Math.round(t.f('metre_Pa'))} Pa in each metre.`,
    why: `Above ${Math.round(t.f('mostMetre_Pa'))} Pa/m the pump pays for it every hour it runs.`,
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
  'vessel-can-be-shut': ({ practice }) => ({
    head: `A valve can part the ${practice.words.vessel} from the boiler.`,
    why: `Shut by mistake, the next firing lifts the ${practice.words.reliefValve} or worse. None there, or one that locks open.`,
  }),
  'vessel-on-zone': ({ practice }) => ({
    head: `The ${practice.words.vessel} hangs on a zone branch.`,
    why: 'When that zone shuts it is gone. Tee it where no valve can part it from the boiler.',
  }),
  'vessel-after-pump': ({ practice }) => ({
    head: `The ${practice.words.vessel} sits on the delivery side of the ${practice.words.pump}.`,
    why: `Where it is connected the pressure does not change: on the delivery side the ${practice.words.pump} pulls the rest of the circuit down by its head, and air is drawn in at the top.`,
  }),
  'vessel-from-above': ({ practice }) => ({
    head: `The ${practice.words.vessel} is connected from above.`,
    why: 'Air gathers in it and cannot leave. From below, it stays where it belongs.',
  }),
  'vessel-hangs-on-pipe': ({ practice }) => ({
    head: `The pipe carries the ${practice.words.vessel}.`,
    why: 'Full of water it weighs a kilogram a litre. A bracket, or the floor.',
  }),
  'vessel-place-open': ({ practice }) => ({
    head: `Where and how the ${practice.words.vessel} is connected is not all settled.`,
    why: 'Suction side of the pump, no plain valve, from below, on a bracket.',
  }),
  'near-the-boil': (t) => ({
    head: `Hot, the highest point has ${bar(t, 'margin_Pa')} over the boil.`,
    why: `At ${hot(t, 'maxTemp_K')} water boils there when the pressure falls a little: it bangs, and steam pockets stop the flow. A higher charge, or a cooler flow.`,
  }),
  'vessel-over-acceptance': (t) => ({
    head: `Hot, ${t.show(t.f('acceptedRatio'), 'ratio', 0)} of it is water; its maker allows ${t.show(t.f('limitRatio'), 'ratio', 0)}.`,
    why: 'The diaphragm is stretched past what it is made for. The next size.',
  }),
  'vessel-below-relief': (t) => ({
    head: `The ${t.practice.words.vessel} is rated ${bar(t, 'ratedGauge_Pa')}, under the ${t.practice.words.reliefValve} at ${bar(t, 'reliefSetGauge_Pa')}.`,
    why: 'It goes before the valve lifts.',
  }),
  'charge-below-head': (t) => ({
    head: `A charge of ${bar(t, 'chargeGauge_Pa')} is under the ${bar(t, 'head_Pa')} of water above it.`,
    why: `Before the circuit is even warm the ${t.practice.words.vessel} is full of water.`,
  }),
  'feed-to-be-set': (t) => ({
    head: `The ${t.practice.words.fillDevice} comes set to ${bar(t, 'feedGauge_Pa')}; this circuit wants ${bar(t, 'fillGauge_Pa')}.`,
    why: `Reset it, or it fills to its own figure. The charge is ${bar(t, 'chargeGauge_Pa')}.`,
  }),
  'preset-suits': (t) => ({
    head: `What came preset suits: ${bar(t, 'feedGauge_Pa')}.`,
    why: 'Nothing is to be changed. The charge is still read with a gauge: vessels leak in store.',
  }),
} as const satisfies Readonly<Partial<Record<FindingId, Wording>>>

const storeWordings = {
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
} as const satisfies Readonly<Partial<Record<FindingId, Wording>>>

const reliefWordings = {
  'relief-above-part': (t) => ({
    head: `${t.n(0)} at ${bar(t, 'setGauge_Pa')} is above what the ${t.n(1)} stands.`,
    why: `That is rated ${bar(t, 'limitGauge_Pa')}.`,
  }),
  'relief-capacity-unknown': (t) => ({
    head: `What ${t.n(0)} carries is not read.`,
    why:
      t.f('protects_W') > 0
        ? `It has to carry the ${t.n(2)} of ${t.n(1)}, ${power(t, 'protects_W')}.`
        : `It has to carry what ${t.n(1)} puts in.`,
  }),
  'relief-capacity-short': (t) => ({
    head: `${t.n(0)} carries ${power(t, 'capacity_W')} of ${power(t, 'protects_W')}.`,
    why: `With everything failed open the ${t.n(2)} of ${t.n(1)} has to leave through it, or the pressure goes on rising.`,
  }),
  'relief-generic': (t) => ({
    head: `${t.n(0)}: a generic size, ${power(t, 'capacity_W')} as computed.`,
    why: 'Read the tag of the valve that is fitted.',
  }),
  'relief-probe-cold': ({ n }) => ({
    head: `The probe of ${n(0)} is not in the hottest water.`,
    why: 'It then opens on pressure alone, when the water is already past the boil.',
  }),
  'relief-probe-open': ({ n }) => ({
    head: `Where the probe of ${n(0)} sits is not looked at.`,
    why: 'In the top of the store, within reach of the hottest water.',
  }),
  'relief-lever-blocked': ({ n }) => ({
    head: `The lever of ${n(0)} cannot be lifted.`,
    why: 'A valve that is never tried is a valve nobody knows.',
  }),
  'relief-can-be-shut': ({ n }) => ({
    head: `A valve stands between ${n(0)} and what it guards.`,
    why: 'Shut once and forgotten, it guards nothing.',
  }),
  'relief-not-like': ({ n }) => ({
    head: `${n(0)} is not like ${n(1)}: ${n(2)}.`,
    why: 'Kind, set pressure and temperature, capacity and thread are compared, all four. Probe or stem may differ and moves the discharge.',
  }),
  'relief-wrong-kind': ({ n }) => ({
    head: `${n(0)} is a ${n(1)} on a heating circuit.`,
    why: 'It opens far above what a boiler stands. A boiler has a valve of its own kind.',
  }),
  'discharge-none': ({ n, practice }) => ({
    head: `${n(0)} has no discharge pipe yet.`,
    why: `What it lets out is near the boil. No pressure on anything until its ${practice.words.reliefValve}, and the pipe from it, are in place.`,
  }),
  'discharge-reduced': ({ n }) => ({
    head: `${n(0)}: narrowed to ${n(1)}.`,
    why: `Full size all the way${n(2) && n(2) !== 'this part' ? `, ${n(2)} here` : ''}: a narrow place holds the pressure up.`,
  }),
  'discharge-level': ({ n }) => ({
    head: `${n(0)}: a piece runs level.`,
    why: 'Water stands in it, furs and freezes. It falls all the way.',
  }),
  'discharge-uphill': ({ n }) => ({
    head: `${n(0)}: a piece runs uphill.`,
    why: 'Water stands against the valve: its seat corrodes shut, or it freezes.',
  }),
  'discharge-not-for-heat': (t) => ({
    head: `${t.n(0)}: ${t.n(1)} does not stand ${hot(t, 'openTemp_K')}.`,
    why: 'It softens and sags at the first real discharge.',
  }),
  'discharge-sags': ({ n }) => ({
    head: `${n(0)}: ${n(1)} sags and holds water.`,
    why: 'Rigid pipe, fixed, falling.',
  }),
  'discharge-valve': ({ n }) => ({
    head: `${n(0)}: a valve in the discharge pipe.`,
    why: 'Shut, it plugs the relief. A blocked relief can burst a store.',
  }),
  'discharge-trap': ({ n }) => ({
    head: `${n(0)}: a trap in the discharge pipe.`,
    why: 'It holds water against the valve and freezes. An air gap keeps the smell out.',
  }),
  'discharge-capped': ({ n }) => ({
    head: `${n(0)}: the end is plugged or capped.`,
    why: 'A plugged relief can burst a store.',
  }),
  'discharge-threaded': ({ n }) => ({
    head: `${n(0)}: the end has a thread.`,
    why: 'Somebody will screw a cap on it one day.',
  }),
  'discharge-no-air-gap': ({ n, practice }) => ({
    head: `${n(0)}: no ${practice.words.airGap} on the way.`,
    why: 'Without one nobody sees it discharge, and a blocked pipe holds the pressure.',
  }),
  'tundish-hidden': ({ n, practice }) => ({
    head: `${n(0)}: its ${practice.words.airGap} is out of sight.`,
    why: 'It is there to be seen.',
  }),
  'd1-too-long': (t) => ({
    head: `${t.n(0)}: ${long(t, 'length_m')} to the ${t.practice.words.airGap}.`,
    why: `At most ${long(t, 'most_m')} from the valve, or it splashes over.`,
  }),
  'd1-too-small': (t) => ({
    head: `${t.n(0)}: the pipe to the ${t.practice.words.airGap} is too small.`,
    why: `The table asks for ${t.show(t.f('leastBore_m'), 'bore')} outside at least.`,
  }),
  'no-drop-after-tundish': (t) => ({
    head: `${t.n(0)}: ${long(t, 'drop_m')} straight down after the ${t.practice.words.airGap}.`,
    why: `${long(t, 'least_m')} before any bend, so that the water is fast enough not to come back over the rim.`,
  }),
  'd2-not-larger': ({ n, practice }) => ({
    head: `${n(0)}: after the ${practice.words.airGap} it is not a size larger.`,
    why: 'It runs by its own fall there, with air in it.',
  }),
  'd2-too-long': (t) => ({
    head: `${t.n(0)}: ${long(t, 'straight_m')} with ${Math.round(t.f('bends'))} bends; the table allows ${long(t, 'permitted_m')}.`,
    why: `${t.show(t.f('wouldBore_m'), 'bore')} may have ${long(t, 'would_m')}.`,
  }),
  'd2-past-table': (t) => ({
    head: `${t.n(0)}: ${long(t, 'straight_m')} with ${Math.round(t.f('bends'))} bends is past the table.`,
    why: 'No size of it does: shorter, fewer bends, or another end.',
  }),
  'discharge-end-high': (t) => ({
    head: `${t.n(0)}: ends ${long(t, 'height_m')} up.`,
    why: `By the school chosen at most ${long(t, 'most_m')}: higher, it scalds whoever stands by.`,
  }),
  'discharge-end-low': (t) => ({
    head: `${t.n(0)}: ends ${long(t, 'height_m')} up.`,
    why: `By the school chosen at least ${long(t, 'least_m')}: lower, a drip is not seen and there is no gap.`,
  }),
  'discharge-end-hidden': ({ n }) => ({
    head: `${n(0)}: nobody can see where it ends.`,
    why: 'A weeping valve is then found by the stain.',
  }),
  'discharge-end-unsafe': ({ n }) => ({
    head: `${n(0)}: it ends where somebody may stand.`,
    why: 'Water near the boil comes without warning.',
  }),
  'discharge-crawl-space': ({ n }) => ({
    head: `${n(0)}: it ends in a crawl space.`,
    why: 'Nobody sees it, and it rots what it wets.',
  }),
  'discharge-bucket': ({ n }) => ({
    head: `${n(0)}: it ends in a bucket.`,
    why: 'For today it will do. It is an open item, never a design.',
  }),
  'discharge-freezes': ({ n }) => ({
    head: `${n(0)}: its end can freeze.`,
    why: 'A plug of ice is a plug. Shorter outside, falling steeply, or ended indoors over a gap.',
  }),
  'discharge-back-pressure': (t) => ({
    head: `${t.n(0)}: ${bar(t, 'back_Pa')} builds up behind it.`,
    why: `A tenth of its setting is allowed, ${bar(t, 'allowed_Pa')}: above it the valve carries less than is stamped. Shorter, straighter or wider.`,
  }),
  'discharge-cannot-carry': (t) => ({
    head: `${t.n(0)}: ${flow(t, 'carries_m3_s')} runs off by its fall; ${flow(t, 'wanted_m3_s')} comes.`,
    why: `With a fall of ${long(t, 'fall_m')} the ${t.practice.words.airGap} runs over, and that is near the boil.`,
  }),
  'discharge-not-measured': ({ n }) => ({
    head: `${n(0)}: a piece has no length yet.`,
    why: 'It counts as nothing in the back pressure and the table.',
  }),
  'pan-left-out': ({ practice }) => ({
    head: `A ${practice.words.pan} is wanted and left out.`,
    why: 'Give the reason, or fit one: the cheapest cure for any leak.',
  }),
  'pan-left-out-because': ({ n, practice }) => ({
    head: `No ${practice.words.pan}: ${n(0).replace(/[.]$/, '')}.`,
    why: 'The reason is kept and printed.',
  }),
  'pan-not-decided': ({ practice }) => ({
    head: `A ${practice.words.pan} is wanted here: not decided yet.`,
    why: 'Maker first, then code, then the school chosen.',
  }),
  'pan-drains-nowhere': ({ practice }) => ({
    head: `The ${practice.words.pan} drains nowhere.`,
    why: 'It holds the first leak and overflows with the second. A pipe of its own to where it is seen.',
  }),
  'pan-takes-acid': ({ practice }) => ({
    head: `Condensate runs into the ${practice.words.pan}.`,
    why: 'It is acid and eats metal, and hides a leak behind a drip that is always there. Separate runs.',
  }),
} as const satisfies Readonly<Partial<Record<FindingId, Wording>>>

export const pressureWordings = { ...circuitWordings, ...storeWordings, ...reliefWordings }
