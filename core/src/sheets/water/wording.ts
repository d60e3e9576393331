import type { FindingOf, Wording, Wordings } from '../../practice/worded'

const bar = ({ f, show }: Parameters<Wording>[0], key: string) => show(f(key), 'water-pressure')
const flow = ({ f, show }: Parameters<Wording>[0], key: string) => show(f(key), 'water-flow')

/** Every finding of this subject: its sentence and its why, in the words of the practice. */
export const waterWordings = {
  'water-outlet-starved': (t) => ({
    head: `${t.n(0)} is left ${bar(t, 'leftGauge_Pa')}; it wants ${bar(t, 'wantedGauge_Pa')}.`,
    why: `With what runs at once, ${flow(t, 'flow_m3_s')} at the main. Wider pipe on the way, fewer outlets at once, or more pressure.`,
  }),
  'water-outlet-unfed': ({ n }) => ({
    head: `No ${n(1)} pipe reaches ${n(0)}.`,
    why: 'What it draws is missing from every pipe on the way.',
  }),
  'water-too-fast': (t) => ({
    head: `${t.n(0)} in ${t.n(1)} runs at ${t.show(t.f('speed_m_s'), 'velocity')}.`,
    why: `Above ${t.show(t.f('most_m_s'), 'velocity')} it is heard, and hot copper wears.`,
  }),
  'water-no-size': () => ({
    head: 'No sizes of the catalogue leave every outlet what it wants.',
    why: 'The largest are shown. The main gives too little for so much at once.',
  }),
  'water-main-assumed': (t) => ({
    head: 'How far the main falls when water runs is not known.',
    why: `${bar(t, 'staticGauge_Pa')} is taken however much is drawn. One running pressure with its flow, on Readings, gives the curve.`,
  }),
  'water-main-past-measured': (t) => ({
    head: `${flow(t, 'flow_m3_s')} at once is more than was ever drawn here.`,
    why: `The main was measured up to ${flow(t, 'measured_m3_s')}; past that its curve is a guess.`,
  }),
  'loop-returns-cool': (t) => ({
    head: `${t.n(0)} comes back at ${t.show(t.f('returnTemp_K'), 'temperature')}.`,
    why: `At ${t.show(t.f('leastTemp_K'), 'temperature')} or more nothing grows in the loop. Store it hotter, let it cool less on its way round, or give it more ${t.practice.words.lagging}.`,
  }),
  'water-stands': (t) => ({
    head: `${t.show(t.f('volume_m3'), 'small-volume')} of hot water stands in the branch to ${t.n(0)}.`,
    why: `Up to ${t.show(t.f('most_m3'), 'small-volume')} is borne: more goes lukewarm between uses, and bacteria grow in it. A shorter or narrower branch, a secondary return past it, or an outlet that is used every day.`,
  }),
  'water-wait-long': (t) => ({
    head: `${t.n(0)} waits ${Math.round(t.f('wait_s'))} s for hot water.`,
    why: `${t.show(t.f('volume_m3'), 'small-volume')} stand in the pipe. Up to ${Math.round(t.f('most_s'))} s is borne; a smaller pipe, a nearer heater or a secondary return.`,
  }),
  'water-will-not-fire': (t) => ({
    head: `${t.n(0)} alone draws ${flow(t, 'flow_m3_s')} of hot; the heater fires from ${flow(t, 'least_m3_s')}.`,
    why: 'It stays cold until somebody opens a second tap.',
  }),
  'water-mixer-uneven': (t) => ({
    head: `At ${t.n(0)} cold has ${bar(t, 'coldGauge_Pa')}, hot ${bar(t, 'hotGauge_Pa')}.`,
    why: 'A mixer wants them within about half of each other: else it scalds or runs cold when another tap opens.',
  }),
  'water-make-up-open': () => ({
    head: 'What keeps boiler water out of the drinking water is not settled.',
    why: 'Heating water is foul. The device that is asked for differs by place and by what is in the circuit.',
  }),
  'water-make-up-unguarded': () => ({
    head: 'Nothing keeps boiler water out of the drinking water.',
    why: 'A link with a double check that is taken off, or a backflow preventer: never plain pipe. The local water code says which.',
  }),
  'water-make-up-no-reducing': (t) => ({
    head: `No reducing valve between ${bar(t, 'staticGauge_Pa')} of main and the boiler.`,
    why: 'A link left open then lifts the relief valve.',
  }),
  'water-loop-bare': (t) => ({
    head: `Bare, the loop loses ${t.show(t.f('bareLoss_W'), 'small-power')}; with ${t.practice.words.lagging} ${t.show(t.f('laggedLoss_W'), 'small-power')}.`,
    why: `It loses that day and night. ${t.practice.words.lagging.charAt(0).toUpperCase()}${t.practice.words.lagging.slice(1)} over its whole length is a handover item.`,
  }),
  'water-loop-undecided': ({ practice }) => ({
    head: `What ${practice.words.lagging} the secondary return gets is not settled.`,
    why: 'Bare is taken. The flow of its pump hangs on it.',
  }),
  'water-loop-fast': (t) => ({
    head: `${t.n(0)} runs at ${t.show(t.f('speed_m_s'), 'velocity')} day and night.`,
    why: `Above ${t.show(t.f('most_m_s'), 'velocity')} a return that never rests wears its bends.`,
  }),
  'water-branch-over-feeder': ({ n }) => ({
    head: `${n(0)} is larger than ${n(1)} that feeds it.`,
    why: 'It does no harm, and holds more water to run off.',
  }),
  'water-units-not-covered': (t) => ({
    head: `The table begins above ${t.n(0)}’s units.`,
    why: 'There the outlets’ own flows are taken together.',
  }),
  'water-dead-main': ({ n }) => ({
    head: `${n(0)} ends at nothing.`,
    why: 'Water that never moves goes stale. Cut it back to the tee, or give it an end.',
  }),
} satisfies Wordings
export type WaterFinding = FindingOf<typeof waterWordings>
