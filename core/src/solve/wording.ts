import type { Practice } from '../practice/practices'
import type { Show } from '../units/format'
import type { Finding, FindingId } from '../answer/finding'
import { heatWordings } from '../sheets/heat/wording'
import { networkWordings } from '../sheets/gas/wording'
import { pressureWordings } from '../sheets/circuit/wording'
import { surveyWordings } from '../sheets/readings/wording'
import type { Wording, Worded } from '../sheets/worded'

const water = (show: Show, si: number) => show(si, 'water-pressure')
const gasP = (show: Show, si: number) => show(si, 'gas-pressure')

/** Every finding's sentence and its why, made here and nowhere else, in the words of the practice. */
const wordings: Readonly<Record<FindingId, Wording>> = {
  ...surveyWordings,
  ...heatWordings,
  ...pressureWordings,
  ...networkWordings,
  'outside-method': ({ n }) => ({
    head: 'This cannot be computed from the figures as they are.',
    why: `One of them is outside what the method holds for (${n(0)}). Look for a slip of the pen or of the unit; what was typed is kept, and the rest of the job is computed.`,
  }),
  'water-freezes': ({ f, show }) => ({
    head: `At ${show(f('temp_K'), 'temperature')} it is ice: it freezes at ${show(f('freezes_K'), 'temperature')}.`,
    why: 'Nothing that holds or moves water can be computed below its freezing point. Correct the temperature, or say that the circuit holds glycol.',
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
  'forecast-eats-margin': ({ f, show }) => ({
    head: `With real densities it reaches ${water(show, f('hotGauge_Pa'))} hot, over the ${water(show, f('finalGauge_Pa'))} aimed at.`,
    why: `${water(show, f('hotGauge_Pa') - f('finalGauge_Pa'))} of the ${water(show, f('reliefSetGauge_Pa') - f('finalGauge_Pa'))} kept under the relief is used up. The method's expansion is a rounded convention; water is not.`,
  }),
  'forecast-past-relief': ({ f, show }) => ({
    head: `Hot, it would reach ${water(show, f('hotGauge_Pa'))}: the relief at ${water(show, f('reliefSetGauge_Pa'))} lifts.`,
    why: 'The vessel as fitted and filled cannot take the expansion.',
  }),
  'forecast-no-air-left': ({ f, show }) => ({
    head: `${show(f('fitted_m3'), 'small-volume')} fills with water before the system is hot.`,
    why: 'With no air left the next litre has nowhere to go and the relief lifts.',
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
  'gas-drop-over-allowance': ({ f, n, show }) => ({
    head: `${n(0)} loses ${gasP(show, f('drop_Pa'))} of the ${gasP(show, f('allowance_Pa'))} allowed.`,
    why: 'With everything burning the pipe takes more than its share of the pressure.',
  }),
  'gas-below-minimum': ({ f, n, show }) => ({
    head: `${n(0)} would get ${gasP(show, f('farGauge_Pa'))}; it needs ${gasP(show, f('leastGauge_Pa'))}.`,
    why: 'Under its least inlet pressure the flame starves or locks out.',
  }),
  'gas-table-stricter': ({ f, n, show }) => ({
    head: `The table lets ${n(1)} carry ${show(f('table_m3_s'), 'gas-flow')}; ${n(0)} needs ${show(f('flow_m3_s'), 'gas-flow')}.`,
    why: 'Calculation and table are two verdicts; the stricter wins.',
  }),
  'gas-table-not-covered': ({ n }) => ({
    head: `The table does not cover ${n(0)}.`,
    why: 'Past its longest column or sizes: the calculation stands alone there.',
  }),
  'gas-working-assumed': ({ f, show }) => ({
    head: `${gasP(show, f('meterGauge_Pa'))} at the meter is assumed.`,
    why: 'The design starts from the working pressure at full load, and nobody has read it. Never start from the static pressure.',
  }),
  'gas-length-assumed': ({ f, n, show }) => ({
    head: `${show(f('length_m'), 'length')} of ${n(0)} is a guess.`,
    why: `Another ${show(f('spare_m'), 'length')} uses up what the index appliance has to spare.`,
  }),
  'gas-branch-over-feeder': ({ n }) => ({
    head: `${n(0)} is larger than ${n(1)} that feeds it.`,
    why: 'It does no harm, and no good either.',
  }),
  'gas-load-on-branch': ({ n }) => ({
    head: `${n(0)} hangs on ${n(1)}, where pipes branch off.`,
    why: 'Give it a pipe of its own, so that it can be shut and capped without the others.',
  }),
  'gas-appliance-unfed': ({ n }) => ({
    head: `No pipe reaches ${n(0)}.`,
    why: 'Its load is missing from every pipe on the way.',
  }),
  'gas-minimum-unknown': ({ n }) => ({
    head: `The least inlet pressure of ${n(0)} is not read.`,
    why: 'Only the allowance of the pipe is checked for it. The plate or manual says.',
  }),
  'gas-altitude': ({ f, show }) => ({
    head: `At ${show(f('elevation_m'), 'elevation')} the inputs may have to come down to ${show(f('inputRatio'), 'ratio', 0)}.`,
    why: "Where the maker gives no other rule. Pipes are sized here for the plate's full input, which is the safe side; set the appliances by the maker's altitude instructions.",
  }),
  'gas-working-part-load': () => ({
    head: 'The working pressure was not read with everything burning.',
    why: 'At full load it will be lower, and the design starts from it.',
  }),
  'gas-setting-unsourced': ({ f, show }) => ({
    head: `The ${gasP(show, f('allowance_Pa'))} allowance is a setting, not a citation.`,
    why: 'No source here: check the local code and the network operator.',
  }),
  'test-limit-unknown': ({ n }) => ({
    head: `The greatest gas test pressure of ${n(0)} is not known.`,
    why: 'It is disconnected and capped for the test until its manual says it stands it.',
  }),
  'inputs-conflict': ({ f, show }) => ({
    head: `Working ${gasP(show, f('workingGauge_Pa'))} is above static ${gasP(show, f('staticGauge_Pa'))}.`,
    why: 'A working pressure cannot be above the lock-up pressure: one of the readings is wrong.',
  }),
}

/** A finding in words. */
export function word(finding: Finding, practice: Practice, show: Show): Worded {
  const told = {
    f: (key: string) => finding.figures?.[key] ?? NaN,
    n: (index: number) => finding.names?.[index] ?? 'this part',
    show,
    practice,
  }
  return wordings[finding.id](told)
}

export const severityWords = { stop: 'Stop', fix: 'Fix', note: 'Note' } as const
