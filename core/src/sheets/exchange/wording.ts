import { withWords } from '../../job/questions'
import type { FindingOf, Wording, Wordings } from '../../practice/worded'

type Told = Parameters<Wording>[0]
const bar = ({ f, show }: Told, key: string) => show(f(key), 'water-pressure')
const alsoOld = (n: Told['n'], index: number) =>
  n(index) === 'as-before' ? ' The old one was the same: it was wrong too.' : ''

/** Every finding of this subject: its sentence and its why, in the words of the practice. */
export const exchangeWordings = {
  'exchange-over-plant': (t) => ({
    head: `${t.n(0)} is set to ${bar(t, 'setGauge_Pa')}; ${t.n(1)} stands ${bar(t, 'limitGauge_Pa')} where the valve is.`,
    why: `Its plate says ${bar(t, 'plateGauge_Pa')}, and the water between the two counts. A relief that opens above that protects nothing.${alsoOld(t.n, 2)}`,
  }),
  'exchange-short': (t) => ({
    head: `${t.n(0)} carries ${t.show(t.f('capacity_W'), 'power')}; ${t.n(1)} puts in ${t.show(t.f('protects_W'), 'power')}.`,
    why: `With every control failed all of it has to leave through this valve.${alsoOld(t.n, 2)}`,
  }),
  'exchange-too-hot': (t) => ({
    head: `${t.n(0)} opens at ${t.show(t.f('openTemp_K'), 'temperature')}; at most ${t.show(t.f('limitTemp_K'), 'temperature')} here.`,
    why: `It must open before the water in the store can boil.${alsoOld(t.n, 1)}`,
  }),
  'exchange-not-like': (t) => ({
    head: `${t.n(0)} is not like ${t.n(1)}: ${t.n(2)}.`,
    why: 'It fits the plant. Say on the record why it differs: set pressure, temperature, capacity and connection are compared, all four.',
  }),
  'exchange-narrow': ({ n }) => ({
    head: `The connection of ${n(0)} is smaller than that of ${n(1)}.`,
    why: 'What is narrowed before or after a relief takes its capacity away. Full size all the way.',
  }),
  'exchange-shut': ({ n }) => ({
    head: `A valve can shut ${n(0)} off from ${n(1)}.`,
    why: 'Shut once and forgotten, the plant has no protection. Nothing that shuts stands before or after a relief; before a vessel only a service valve secured against closing, with its drain.',
  }),
  'exchange-end': ({ n }) => ({
    head: `The discharge of ${n(0)} ends where nobody sees it or somebody is scalded.`,
    why: 'What it lets out is near the boil. It ends in sight, full size, falling all the way, away from hands and faces.',
  }),
  'weep-cause-left': ({ n, practice }) => ({
    head: `${n(0)} let water out because ${withWords(n(1), practice.words)}, and that is not put right.`,
    why: 'The new valve will weep as the old one did, and wear out its seat doing so.',
  }),
  'weep-not-found': ({ n }) => ({
    head: `Why ${n(0)} let water out was not found: ${n(1)}.`,
    why: 'Put down when to look again, hot and cold. Relief, vessel and feed age together.',
  }),
  'exchange-vessel-weak': (t) => ({
    head: `${t.n(0)} stands ${bar(t, 'limitGauge_Pa')}; the relief beside it opens at ${bar(t, 'setGauge_Pa')}.`,
    why: 'The weakest part decides what a relief may be set to.',
  }),
  'exchange-vessel-smaller': (t) => ({
    head: `${t.n(0)} holds ${t.show(t.f('volume_m3'), 'small-volume')}; the old one ${t.show(t.f('old_m3'), 'small-volume')}.`,
    why: `Size it before it is fitted: the heating or hot water sheet of the ${t.practice.words.vessel} works it out.`,
  }),
  'exchange-reduces-high': (t) => ({
    head: `${t.n(0)} lets ${bar(t, 'setGauge_Pa')} through; at most ${bar(t, 'limitGauge_Pa')} before the relief behind it.`,
    why: `A relief that sees more than four fifths of its setting may not reseat.${alsoOld(t.n, 1)}`,
  }),
} satisfies Wordings
export type ExchangeFinding = FindingOf<typeof exchangeWordings>
