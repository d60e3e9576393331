import { applianceOf, boilersStarted } from '../asked'
import { smell } from '../common'
import { is, set } from '../plant'
import type { SequenceJob, SequenceSpec, StepPart } from '../step'
import { gasTight, seen, stands, tested } from '../step'
import { burnsGas } from '../../job/fields'

const gasOn = (id: string, was: { readonly was?: true }): StepPart => ({
  id: 'gas-on',
  ...was,
  title: 'Open the gas: retest, purge, spray.',
  short: 'Gas on and sprayed',
  ticket: 'gas',
  why: 'No flame before the pipe is proved with real gas and purged of air.',
  hazard: smell,
  guards: [
    gasTight(id),
    seen(
      'connected',
      'Connected as its maker says, trap and valve in place',
      set('joint', id, 'made'),
    ),
    tested('purge', '', 'Purged, watched at its outlet'),
    seen('sprayed', 'Joints sprayed; the test-point screw last'),
  ],
  effects: { ...set('gas', id, 'on'), ...set('purged', id, 'gas') },
  admits: 'gas',
})

const light = (id: string): StepPart => ({
  id: 'light',
  title: 'Call for heat and watch the flame.',
  short: 'First flame',
  ticket: 'gas',
  why: 'The first minute shows a wrong gas, a starved flame or a blocked {flue}.',
  hazard: 'Burnt gas kills without a smell: a flame is lit only on a {flue} that was seen whole.',
  evidence: 'The {flue}, from the boiler to its end',
  guards: [
    seen(
      'flue-whole',
      '{flue} complete, supported and sealed, its end clear',
      set('flue', id, 'whole'),
    ),
    seen('condensate', 'Condensate trap filled, its pipe falling to the drain'),
    stands('The pump has power and the circuit is vented', is('supply', 'heating', 'on')),
    seen('flame', 'Flame steady, no lifting, no smell'),
  ],
  effects: {
    ...set('flame', id, 'lit'),
    ...set('flame', 'heating', 'lit'),
    ...set('heat', 'heating', 'hot'),
  },
  admits: 'heat',
})

const readings = (id: string, was: { readonly was?: true }): readonly StepPart[] => [
  {
    id: 'gas-working',
    ...was,
    title: 'Read the gas at the appliance, everything burning.',
    short: 'Gas, everything on',
    ticket: 'gas',
    why: 'Only now do all burners pull together. Too little pressure starves the flame; the design says what should be left.',
    guards: [tested('gas-pressure', id, 'Static and working pressure read at its inlet')],
  },
  {
    id: 'gas-rate',
    title: 'Time the meter at full rate.',
    short: 'Gas rate',
    ticket: 'gas',
    why: 'The plate says what it should burn; the meter says what it burns.',
    guards: [tested('gas-rate', id, 'Gas rate timed at the meter')],
  },
  {
    id: 'flue',
    ...was,
    title: 'Prove the combustion at both rates.',
    short: 'Combustion',
    ticket: 'gas',
    why: "A combustion reading is the one most often missing from the record. Hold it against the maker's figures for this model and gas.",
    hazard: 'CO. Over the limit it is turned off and stays off.',
    guards: [
      tested('combustion-high', id, 'Flue gas at the highest rate'),
      tested('combustion-low', id, 'Flue gas at the lowest rate'),
    ],
  },
]

const wasOf = (job: SequenceJob, id: string): { readonly was?: true } =>
  boilersStarted(job.document)[0]?.id === id ? { was: true } : {}

/**
 * A gas boiler on a circuit that is full: gas, flame, and what is read at it. Each boiler has its
 * own.
 */
export const boilerStart: SequenceSpec = {
  id: 'start',
  name: ({ document }, id) => `Start ${applianceOf(document, id).name}`,
  at: ({ document }) =>
    boilersStarted(document)
      .filter(({ kind }) => burnsGas(kind))
      .map(({ id }) => id),
  plant: (_job, id) => ({ wet: [], burning: [{ of: id }] }),
  steps: (job, id) => [gasOn(id, wasOf(job, id)), light(id), ...readings(id, wasOf(job, id))],
}
