import { counted } from '../../answer/counted'
import type { FindingOf, Wording, Wordings } from '../../practice/worded'

const bar = ({ f, show }: Parameters<Wording>[0], key: string) => show(f(key), 'water-pressure')
const flow = ({ f, show }: Parameters<Wording>[0], key: string) => show(f(key), 'water-flow')
const long = ({ f, show }: Parameters<Wording>[0], key: string) => show(f(key), 'length')
const hot = ({ f, show }: Parameters<Wording>[0], key: string) => show(f(key), 'temperature')
const power = ({ f, show }: Parameters<Wording>[0], key: string) => show(f(key), 'power')

/** Every finding of this subject: its sentence and its why, in the words of the practice. */
export const reliefWordings = {
  'relief-above-part': (t) => ({
    head: `With ${t.n(0)} lifting at ${bar(t, 'setGauge_Pa')}, ${t.n(1)} sees more than it stands.`,
    why: `It sees ${bar(t, 'seenGauge_Pa')} and is rated ${bar(t, 'limitGauge_Pa')}. That the old valve was the same makes it no better.`,
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
  'source-cannot-stop': ({ n }) => ({
    head: `${n(0)} cannot be switched off, and this circuit or store is closed.`,
    why: 'It goes on heating with the power out and every control shut. Hestian does not design that: it wants an open vent, a dump and a limit of its own, by its maker and somebody who knows it.',
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
    head: `${t.n(0)}: ${long(t, 'straight_m')} with ${counted(Math.round(t.f('bends')), 'bend')}; the table allows ${long(t, 'permitted_m')}.`,
    why: `${t.show(t.f('wouldBore_m'), 'bore')} may have ${long(t, 'would_m')}.`,
  }),
  'd2-past-table': (t) => ({
    head: `${t.n(0)}: ${long(t, 'straight_m')} with ${counted(Math.round(t.f('bends')), 'bend')} is past the table.`,
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
    why: `A tenth of its setting, ${bar(t, 'allowed_Pa')}, is the usual limit: above it the valve carries less than is stamped. Shorter, straighter or wider. Where a table of the practice says the pipe does, the table decides.`,
  }),
  'discharge-sonic': (t) => ({
    head: `${t.n(0)}: steam would leave its pipe at the speed of sound, with ${bar(t, 'back_Pa')} behind it.`,
    why: `So the flow model has it; a tenth of the setting, ${bar(t, 'allowed_Pa')}, is the usual limit. Where a table of the practice says the pipe does, the table decides.`,
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
  'pan-drains-nowhere': ({ practice }) => ({
    head: `The ${practice.words.pan} drains nowhere.`,
    why: 'It holds the first leak and overflows with the second. A pipe of its own to where it is seen.',
  }),
  'pan-takes-acid': ({ practice }) => ({
    head: `Condensate runs into the ${practice.words.pan}.`,
    why: 'It is acid and eats metal, and hides a leak behind a drip that is always there. Separate runs.',
  }),
} satisfies Wordings
export type ReliefFinding = FindingOf<typeof reliefWordings>
