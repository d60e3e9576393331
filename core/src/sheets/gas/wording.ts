import type { FindingOf, Wording, Wordings } from '../../practice/worded'
import type { Show } from '../../units/format'

const gas = ({ f, show }: Parameters<Wording>[0], key: string) => show(f(key), 'gas-pressure')
const share = ({ f, show }: Parameters<Wording>[0], key: string) => show(f(key), 'ratio', 0)
const gasP = (show: Show, si: number) => show(si, 'gas-pressure')

/** Every finding of this subject: its sentence and its why, in the words of the practice. */
export const gasWordings = {
  'gas-maker-table': (t) => ({
    head: `${t.n(0)} loses ${gas(t, 'drop_Pa')} of the ${gas(t, 'allowance_Pa')} usual; its maker’s table is on file.`,
    why: 'Only that table permits it, for that appliance. It stands when the working pressure at full fire has been measured and is inside the maker’s band.',
  }),
  'gas-regulator-starved': (t) => ({
    head: `${gas(t, 'beforeGauge_Pa')} before the regulator after ${t.n(0)}; it needs ${gas(t, 'needsGauge_Pa')}.`,
    why: 'Its setting and what it loses itself. Below that it cannot hold the stage it feeds.',
  }),
  'gas-regulator-vent': ({ n }) => ({
    head: `The regulator after ${n(0)}: where its vent goes is not settled.`,
    why: 'When its diaphragm fails gas comes out of it: to the open air, or a limiter that its maker permits in a ventilated place. Never into a closed room.',
  }),
  'gas-regulator-locks': (t) => ({
    head: `With nothing burning it rises to about ${gas(t, 'locksGauge_Pa')}.`,
    why: `It is set to ${gas(t, 'outGauge_Pa')} and locks up above that; what is behind it has to stand it. Its maker gives the figure.`,
  }),
  'gas-stages-unusual': () => ({
    head: 'Two stages are unusual here.',
    why: 'A line regulator indoors may need the agreement of the gas network or the local code. Ask before it is ordered.',
  }),
  'gas-no-shut-off': ({ n }) => ({
    head: `No shut-off before ${n(0)}.`,
    why: 'It has to be possible to shut it alone, within reach, and to take it away.',
  }),
  'gas-no-trap': ({ n }) => ({
    head: `No sediment trap before ${n(0)}.`,
    why: 'Scale and thread cuttings end in its gas valve.',
  }),
  'gas-rigid-where-it-shakes': ({ n }) => ({
    head: `${n(0)} is joined rigidly, and the ground shakes here.`,
    why: 'A flexible connector gives; a rigid one tears at the thread.',
  }),
  'gas-not-bonded': () => ({
    head: 'The gas pipe is not bonded.',
    why: 'A fault elsewhere makes it live, and a spark at a joint does the rest. Electrically competent people only.',
  }),
  'gas-diversified': (t) => ({
    head: `Sized for ${share(t, 'shareRatio')} of the load at once.`,
    why: `The rule given: ${t.n(0)}. Where it does not hold, the last appliance starves.`,
  }),
  'gas-too-fast': (t) => ({
    head: `Gas in ${t.n(0)}, ${t.n(1)}, runs at ${t.show(t.f('speed_m_s'), 'velocity')}.`,
    why: `Above ${t.show(t.f('most_m_s'), 'velocity')} it is heard, and carries dust into valves.`,
  }),
  'gas-derated': (t) => ({
    head: `Sized for inputs brought down to ${share(t, 'inputRatio')} at ${t.show(t.f('elevation_m'), 'elevation')}.`,
    why: 'Only while every appliance is set so, by its maker’s altitude instructions.',
  }),
  'gas-drop-over-allowance': ({ f, n, show }) => ({
    head: `${n(0)} loses ${gasP(show, f('drop_Pa'))} of the ${gasP(show, f('allowance_Pa'))} allowed.`,
    why: 'With everything burning the pipe takes more than its share of the pressure.',
  }),
  'gas-below-minimum': ({ f, n, show }) => ({
    head: `${n(0)} would get ${gasP(show, f('farGauge_Pa'))}; it needs ${gasP(show, f('leastGauge_Pa'))}.`,
    why: 'Under its minimum inlet pressure the flame starves or locks out.',
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
  'gas-above-maximum': (t) => ({
    head: `${t.n(0)} gets ${gas(t, 'staticGauge_Pa')} with everything off; its plate says at most ${gas(t, 'mostGauge_Pa')}.`,
    why: 'A gas valve that is held open by the pressure does not shut. Its own regulator, or a supply at the right pressure, comes before anything is lit.',
  }),
  'gas-regulator-small': ({ f, n, show }) => ({
    head: `The regulator after ${n(0)} passes ${show(f('most_m3_s'), 'gas-flow')}; everything behind it takes ${show(f('flow_m3_s'), 'gas-flow')}.`,
    why: 'Past its rate the pressure behind it falls away, however large the pipe. A larger one, by its maker’s table at these pressures.',
  }),
  'containers-too-cold': ({ f, show }) => ({
    head: `The containers give ${show(f('gives_W'), 'power')} at ${show(f('coldestTemp_K'), 'temperature')}; everything burning takes ${show(f('total_W'), 'power')}.`,
    why: `With ${show(f('leastRatio'), 'ratio', 0)} left in them too little boils off, and the pressure falls until burners go out. More containers at once, larger ones, or a refill sooner.`,
  }),
  'containers-run-out': () => ({
    head: 'One bank of containers and no changeover.',
    why: 'When it is empty everything goes out, and every pilot is to be relit. A second bank, changed over by itself or by hand, is usual.',
  }),
  'propane-low': ({ n, practice }) => ({
    head: `Propane in ${n(0)}: what leaks lies there.`,
    why:
      practice.gas.propaneLow === 'stop'
        ? 'It is heavier than air and finds no way out. The appliance stands elsewhere, or burns something else; the local code says so too.'
        : 'It is heavier than air. A gas detector low down and the local rule for this place come first; some places forbid it.',
  }),
  'gas-minimum-unknown': ({ n }) => ({
    head: `The minimum inlet pressure of ${n(0)} is not read.`,
    why: 'Only the allowance of the pipe is checked for it. The plate or manual says.',
  }),
  'gas-altitude': ({ f, show }) => ({
    head: `At ${show(f('elevation_m'), 'elevation')} the inputs may have to come down to ${show(f('inputRatio'), 'ratio', 0)}.`,
    why: "Where the maker gives no other rule. Pipes are sized here for the plate's full input in the thin air of this place; set the appliances by the maker's altitude instructions.",
  }),
  'gas-working-part-load': () => ({
    head: 'The working pressure was not read with everything burning.',
    why: 'At full load it will be lower, and the design starts from it.',
  }),
  'gas-setting-unsourced': ({ f, show }) => ({
    head: `The ${gasP(show, f('allowance_Pa'))} allowance is a setting, not a citation.`,
    why: 'No source here: check the local code and the network operator.',
  }),
  'inputs-conflict': ({ f, show }) => ({
    head: `Working ${gasP(show, f('workingGauge_Pa'))} is above static ${gasP(show, f('staticGauge_Pa'))}.`,
    why: 'A working pressure cannot be above the lock-up pressure: one of the readings is wrong.',
  }),
} satisfies Wordings
export type GasFinding = FindingOf<typeof gasWordings>
