import type { FindingOf, Wording, Wordings } from '../../practice/worded'
import type { Show } from '../../units/format'

const bar = ({ f, show }: Parameters<Wording>[0], key: string) => show(f(key), 'water-pressure')
const hot = ({ f, show }: Parameters<Wording>[0], key: string) => show(f(key), 'temperature')
const water = (show: Show, si: number) => show(si, 'water-pressure')

/** Every finding of this subject: its sentence and its why, in the words of the practice. */
export const vesselWordings = {
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
    why: 'It may be full of water, and the pipe was not made to carry that. A bracket, or the floor.',
  }),
  'near-the-boil': (t) => ({
    head: `Hot, the highest point has ${bar(t, 'margin_Pa')} over the boil.`,
    why: `At ${hot(t, 'maxTemp_K')} water boils there when the pressure falls a little: it bangs, and steam pockets stop the flow. A higher charge, or a cooler flow.`,
  }),
  'vessel-over-acceptance': (t) => ({
    head: `Hot, ${t.show(t.f('acceptedRatio'), 'ratio', 0)} of it is water; its maker allows ${t.show(t.f('limitRatio'), 'ratio', 0)}.`,
    why: 'The diaphragm is stretched past what it is made for. The next size.',
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
  'part-sees-more': (t) => ({
    head: `${t.n(0)} sees ${bar(t, 'seenGauge_Pa')} when the ${t.practice.words.reliefValve} lifts at ${bar(t, 'reliefSetGauge_Pa')}; it stands ${bar(t, 'limitGauge_Pa')}.`,
    why: `The water between the two, and between the ${t.practice.words.pump} and the ${t.practice.words.vessel} its head, come on top of the setting. A valve nearer to its height, or set lower.`,
  }),
  'open-vented': ({ practice }) => ({
    head: 'This circuit is open to the air: it is not designed here.',
    why: `Its feed and expansion tank take what the water grows by. To seal it: survey boiler, ${practice.words.emitter}s, joints and controls for the higher pressure first, by the makers' instructions and the local code; then say that it is sealed.`,
  }),
  'vessel-counts-nothing': (t) => ({
    head: `${t.n(0)} is charged to ${bar(t, 'chargeGauge_Pa')} and takes nothing.`,
    why: `The pressure only reaches ${bar(t, 'finalGauge_Pa')}. Let it down to the common charge, with its water side empty, or leave it out of the count.`,
  }),
  'pump-draws-air': (t) => ({
    head: `With the ${t.practice.words.pump} running, the top falls ${bar(t, 'head_Pa')} below its standing ${bar(t, 'topGauge_Pa')}.`,
    why: `It is then under the air outside, and every vent and gland draws it in. The ${t.practice.words.vessel} belongs on the suction side.`,
  }),
  'relief-above-weakest': ({ f, n, show, practice }) => ({
    head: `The ${practice.words.reliefValve} at ${water(show, f('reliefSetGauge_Pa'))} is above what the ${n(0)} stands.`,
    why: `${n(0)} is rated ${water(show, f('limitGauge_Pa'))}. A ${practice.words.reliefValve} set higher lets the weakest part go first.`,
  }),
  'no-room-under-relief': ({ f, show, practice }) => ({
    head: 'No vessel of any size does: the final pressure is not above the charge.',
    why: `The charge must be ${water(show, f('chargeGauge_Pa'))} for the height, and the ${practice.words.reliefValve} allows ${water(show, f('finalGauge_Pa'))}. Raise the setting if every part stands it, or lower the height served.`,
  }),
  'vessel-too-small': ({ f, show }) => ({
    head: `${show(f('fitted_m3'), 'small-volume')} is smaller than the ${show(f('needed_m3'), 'small-volume')} needed.`,
    why: 'Hot water would push the pressure past its final value and the relief would weep.',
  }),
  'fill-outside-window': ({ f, show }) => ({
    head: `A cold fill of ${water(show, f('fillGauge_Pa'))} is outside ${show.figure(f('leastGauge_Pa'), 'water-pressure')} to ${water(show, f('greatestGauge_Pa'))}.`,
    why: 'Below it the reserve is lost; above it the hot pressure passes the final pressure.',
  }),
  'forecast-eats-margin': ({ f, show, practice }) => ({
    head: `With real densities it reaches ${water(show, f('hotGauge_Pa'))} hot, over the ${water(show, f('finalGauge_Pa'))} aimed at.`,
    why: `${water(show, f('hotGauge_Pa') - f('finalGauge_Pa'))} of the ${water(show, f('reliefSetGauge_Pa') - f('finalGauge_Pa'))} kept under the relief is used up. ${practice.vessel.method === 'en12828' ? 'The method takes expansion from a rounded table; the forecast takes densities.' : 'The method takes off what the pipes grow by; the forecast does not.'}`,
  }),
  'forecast-past-relief': ({ f, show }) => ({
    head: `Hot, it would reach ${water(show, f('hotGauge_Pa'))}: the relief at ${water(show, f('reliefSetGauge_Pa'))} lifts.`,
    why: 'The vessel as fitted and filled cannot take the expansion.',
  }),
  'forecast-no-air-left': ({ f, show }) => ({
    head: `${show(f('fitted_m3'), 'small-volume')} fills with water before the system is hot.`,
    why: 'With no air left the next drop has nowhere to go and the relief lifts.',
  }),
  'charge-as-delivered': ({ f, show, practice }) => ({
    head: `Do not fill at the delivered charge of ${water(show, f('deliveredGauge_Pa'))}.`,
    why: `The ${practice.words.vessel} wants ${water(show, f('chargeGauge_Pa'))}, set with its water side empty. Commissioning asks for it before the fill.`,
  }),
  'built-in-charge-differs': ({ f, show }) => ({
    head: `The built-in vessel stands at ${water(show, f('builtInGauge_Pa'))}, not ${water(show, f('chargeGauge_Pa'))}.`,
    why: `Of its ${show(f('volume_m3'), 'small-volume')} it counts as ${show(f('counts_m3'), 'small-volume')} here. Set to the common charge it counts whole.`,
  }),
  'content-assumed': ({ f, show }) => ({
    head: `${show(f('assumed_m3'), 'volume')} of the ${show(f('total_m3'), 'volume')} is a guess.`,
    why: `The answer holds up to ${show(f('goodFor_m3'), 'volume')} of water. Read the meter as you fill, or take contents from the makers' sheets.`,
  }),
  'sized-on-flow-temperature': ({ f, n, show }) => ({
    head: `Sized on ${show(f('maxTemp_K'), 'temperature')}, below the limit of ${show(f('limitTemp_K'), 'temperature')}.`,
    why: `The reason given: ${n(0)}`,
  }),
  'factory-fill-too-low': ({ f, show, practice }) => ({
    head: `A preset ${water(show, f('factoryGauge_Pa'))} does not reach ${show(f('height_m'), 'length')} up.`,
    why: `This height wants ${water(show, f('fillGauge_Pa'))}. Reset both the ${practice.words.fillDevice} and the ${practice.words.vessel} charge.`,
  }),
  'high-site': ({ f, show }) => ({
    head: `At ${show(f('elevation_m'), 'elevation')} the atmosphere is ${water(show, f('atmosphereAbs_Pa'))} absolute.`,
    why: 'Every absolute pressure in the working uses it; sea-level tables do not fit this site.',
  }),
  'relief-assumed': ({ f, show, practice }) => ({
    head: `Nobody has chosen the ${practice.words.reliefValve}; ${water(show, f('reliefSetGauge_Pa'))} is assumed.`,
    why: 'The final pressure, and so the size, hangs on it.',
  }),
  'no-catalogue-size': ({ f, show }) => ({
    head: `${show(f('needed_m3'), 'small-volume')} is past the largest stock size.`,
    why: `The list ends at ${show(f('largest_m3'), 'small-volume')}. Split it between vessels of the same charge, or choose by hand.`,
  }),
  'temperature-order': ({ f, show }) => ({
    head: `The hottest water, ${show(f('maxTemp_K'), 'temperature')}, is not above the fill at ${show(f('fillTemp_K'), 'temperature')}.`,
    why: 'There is nothing to expand. One of the two is wrong.',
  }),
} satisfies Wordings
export type VesselFinding = FindingOf<typeof vesselWordings>
