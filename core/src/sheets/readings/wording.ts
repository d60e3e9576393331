import type { FindingId } from '../../answer/finding'
import type { Wording } from '../worded'

/** What a survey finds, in words. */
export const surveyWordings = {
  'main-too-high': ({ f, show }) => ({
    head: `${show(f('staticGauge_Pa'), 'water-pressure')} static is high: a reducing valve is wanted.`,
    why: `Above ${show(f('limitGauge_Pa'), 'water-pressure')} taps, hoses and heaters wear, and the relief weeps at night.`,
  }),
  'main-running-above-static': ({ f, n, show }) => ({
    head: `${n(0)}: ${show(f('gauge_Pa'), 'water-pressure')} running is not below ${show(f('staticGauge_Pa'), 'water-pressure')} static.`,
    why: 'Pressure falls when water runs. One of the two readings is wrong, or the street changed between them.',
  }),
  'main-points-disagree': ({ f, show }) => ({
    head: `The running points lie ${show(f('scatterRatio'), 'ratio', 0)} off one curve.`,
    why: 'The street moved between the readings, or a valve on the way is half shut. Read them again close together.',
  }),
  'main-not-run': () => ({
    head: 'Nobody has run the main yet.',
    why: 'Static pressure says nothing of flow. Without a running pressure no page can tell what the main delivers.',
  }),
  'main-closed': ({ n, practice }) => ({
    head: `The system is closed: ${n(0)}.`,
    why: `Heated water has nowhere to go back to, so the hot water needs a ${practice.words.vessel} of its own, and its relief is no substitute for one.`,
  }),
  'main-cannot-tell': ({ n, practice }) => ({
    head: 'Closed or open: cannot tell yet.',
    why: `Still to look at: ${n(0)}. Until then the hot water is designed as closed, with a ${practice.words.vessel} of its own, which does no harm.`,
  }),
  'incoming-not-coldest': ({ f, show }) => ({
    head: `Designed on ${show(f('incomingTemp_K'), 'temperature')}, the day's own reading.`,
    why: 'In late winter it comes colder and every litre needs more heat. Ask for the coldest of the year.',
  }),
  'stop-valve-fails': ({ n, practice }) => ({
    head: `The ${practice.words.shutOff} on the main ${n(0)}.`,
    why: 'Nothing may be cut before the water can be shut. Renew it first, or find the one in the street.',
  }),
  'gas-static-to-working': ({ f, show }) => ({
    head: `Static to working falls ${show(f('fall_Pa'), 'gas-pressure')}.`,
    why: `Past ${show(f('limit_Pa'), 'gas-pressure')} it is the pipe, the meter or the regulator. Read it at the meter outlet too: that tells them apart.`,
  }),
  'gas-meter-range': ({ f, show }) => ({
    head: `${show(f('workingGauge_Pa'), 'gas-pressure')} at the meter is outside ${show.figure(f('leastGauge_Pa'), 'gas-pressure')} to ${show(f('mostGauge_Pa'), 'gas-pressure')}.`,
    why: 'The meter regulator belongs to the network or the transporter: report it, do not adjust it.',
  }),
  'gas-meter-too-small': ({ f, show }) => ({
    head: `Everything burning asks ${show(f('flow_m3_s'), 'gas-flow')} of a ${show(f('meter_m3_s'), 'gas-flow')} meter.`,
    why: 'A meter past its badge starves what is furthest. A larger one is ordered from whoever owns it, and that takes weeks.',
  }),
  'gas-smell': ({ practice }) => ({
    head: 'There is a smell of gas: everything else stops.',
    why: `No flame, no switches. Shut the meter valve if it is safe on the way out, open windows, leave, and call ${practice.words.gasEmergency} from outside.`,
  }),
  'draught-failed': ({ practice }) => ({
    head: `The draught failed: the ${practice.words.flue} spills into the room.`,
    why: 'Carbon monoxide. The appliance is shut off and labelled, and whoever lives here is told today.',
  }),
  'draught-cannot-tell': ({ n }) => ({
    head: 'The smoke went in, but the trial was not whole.',
    why: `Still to do: ${n(0)}. With less running, a bad draught looks good.`,
  }),
  'draught-not-tried': () => ({
    head: 'The draught was not tried.',
    why: 'An open-flued appliance stands here. It is tried before anything is removed, and again after.',
  }),
  'relief-out-of-reach': ({ practice }) => ({
    head: `The ${practice.words.reliefValve} is hidden.`,
    why: 'Its lever must be within reach and its outlet in sight, or nobody knows that it weeps.',
  }),
  'relief-blocked': ({ practice }) => ({
    head: `The ${practice.words.reliefValve} is plugged or capped.`,
    why: 'Shut off the burner now: a store that cannot relieve can burst.',
  }),
  'vehicle-path': () => ({
    head: 'A vehicle can reach it: it needs a guard.',
    why: 'A post or kerb that a slow car cannot push. A gas appliance that is pushed leaks behind itself.',
  }),
  'ignition-low': ({ f, show }) => ({
    head: `The flame is ${show(f('height_m'), 'length')} above a garage floor.`,
    why: `Vapour of fuel lies low. Unsealed burners usually stand ${show(f('least_m'), 'length')} up; sealed ones differ: the maker and the local code say.`,
  }),
  'pan-wanted': ({ n, practice }) => ({
    head: `A ${practice.words.pan} under it, with a drain of its own.`,
    why: n(0),
  }),
  'straps-wanted': () => ({
    head: 'Straps at the upper and lower third, flexible connectors.',
    why: 'A full heater that walks breaks its gas pipe.',
  }),
  frost: () => ({
    head: 'It can freeze here.',
    why: 'Lag the pipes, lead the condensate inside or lag and heat it, and end the discharge where ice cannot close it.',
  }),
  'corrosive-air': () => ({
    head: 'The air here eats metal.',
    why: 'Take the air for burning from outside with a sealed appliance, and move what gives off the vapour.',
  }),
  'clearance-short': ({ n }) => ({
    head: `${n(0)} is too little.`,
    why: "The manual's figure is the least. Move the place or choose another appliance.",
  }),
  'combustion-air-short': () => ({
    head: 'Too little air for an open burner.',
    why: 'It makes carbon monoxide. Open permanent vents of the size the manual and local code ask for, or take a sealed appliance.',
  }),
  'flue-unsound': ({ n, practice }) => ({
    head: `The route for the ${practice.words.flue} ${n(0)}.`,
    why: 'Nothing is connected to it before it is sound from end to end.',
  }),
  'no-drain': () => ({
    head: 'There is no drain here.',
    why: 'Discharge, condensate and a pan all need one. A bucket is an open item, never a design.',
  }),
  'drain-pumped': () => ({
    head: 'Only a pumped drain here.',
    why: 'A pump may carry condensate, never a relief discharge, and it stops with the power.',
  }),
  'supply-shared': ({ n }) => ({
    head: `Its electrical supply ${n(0)}.`,
    why: 'An isolator of its own, within sight: switching off one appliance must not switch off another.',
  }),
  'no-drip-loop': () => ({
    head: 'A cord runs straight down into its socket.',
    why: 'Let it hang below the socket before it rises: water then drips off.',
  }),
  'supply-not-live': ({ n }) => ({
    head: `${n(0)} is not connected yet${n(1) === '' ? '; nobody knows when' : `; expected ${n(1)}`}.`,
    why: n(2),
  }),
  'papers-missing': ({ n }) => ({
    head: `Not on file for ${n(0)}: ${n(1)}.`,
    why: "The maker's paper beats every figure here, and must be on site at handover.",
  }),
  'part-old': ({ f, n }) => ({
    head: `${n(0)} is ${f('age')} years old.`,
    why: `At about ${f('limit')} years it is renewed with its neighbours: relief, vessel and feed age together. Ask before lifting it.`,
  }),
  'part-age-unknown': ({ n }) => ({
    head: `Nobody knows how old ${n(0)} is.`,
    why: 'The year stands on its tag, or in the last record. Treat it as old until then.',
  }),
  'inspected-unsafe': ({ n }) => ({ head: `Inspected, unsafe: ${n(0)}.`, why: n(1) }),
  'inspected-look-again': ({ n }) => ({ head: `Inspected, look again: ${n(0)}.`, why: n(1) }),
} as const satisfies Readonly<Partial<Record<FindingId, Wording>>>
