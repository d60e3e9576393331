import { smellOfGas } from '../../practice/smellOfGas'
import type { FindingOf, Wordings } from '../../practice/worded'

/** Every finding of this subject: its sentence and its why, in the words of the practice. */
export const readingsWordings = {
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
    why: 'In late winter it comes colder and the same water needs more heat. Ask for the coldest of the year.',
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
    why: smellOfGas(practice).replace(/^n/, 'N'),
  }),
  'water-freezes': ({ f, show }) => ({
    head: `At ${show(f('temp_K'), 'temperature')} it is ice: it freezes at ${show(f('freezes_K'), 'temperature')}.`,
    why: 'Nothing that holds or moves water can be computed below its freezing point. Correct the temperature, or say that the circuit holds glycol.',
  }),
} satisfies Wordings
export type ReadingsFinding = FindingOf<typeof readingsWordings>
