import { evidenceNamed } from '../../job/evidenceNamed'
import type { JobRecord } from '../../job/records'
import { ofKind } from '../../job/records'
import type { PaperId } from '../../practice/handoverRules'
import { paperIds } from '../../practice/handoverRules'
import { isSmall } from '../../work/kinds'
import type { Judgement } from '../judge'
import type { Solution } from '../solve'
import { householderLacks } from './leaving'

/**
 * A paper of the pack: whether it is due on this job, and what it would still have to say is
 * missing.
 */
export interface PaperDue {
  readonly id: PaperId
  readonly name: string
  readonly due: boolean
  /** Why it is not due, or what it is for. */
  readonly because: string
  /** What it will print as not known. */
  readonly lacks: readonly string[]
}

/** The papers of a job, each as it stands. */
export function papersOf(
  { document, practice }: Solution,
  judgement: Judgement,
  entries: readonly JobRecord[],
): readonly PaperDue[] {
  const small = isSmall(document)
  const tests = judgement.tests.length + ofKind(entries, 'measured').length
  const asked = judgement.work.sequences.filter(({ waits }) => !waits)
  const photographs = evidenceNamed([document, entries]).filter(
    ({ type }) => type !== 'application/pdf',
  ).length
  const of: Readonly<Record<PaperId, Omit<PaperDue, 'id' | 'name'>>> = {
    householder: small
      ? notDue('This work is small: its record says what was done.')
      : due('Eight questions, in plain words, for whoever lives here.', [
          ...householderLacks(document),
          ...(isAlarmUnknown(judgement) ? ['Whether an alarm stands there is not said'] : []),
        ]),
    certificate: due('What was fitted, what was tested, who signed.', unsaid(judgement)),
    tests: tests > 0 ? due(`${tests} recorded.`, []) : notDue('No test is recorded.'),
    commissioning:
      asked.length > 0
        ? due('Every step with its reading beside its target.', [])
        : notDue('The work asks for no steps on site.'),
    design: small
      ? notDue('Nothing is designed by this work.')
      : due('Answers, drawings and workings with their sources.', []),
    settings: small
      ? notDue('Nothing is set by this work.')
      : due(
          'For whoever resets it or puts in a new board.',
          judgement.leaving.some(({ id, answered }) => id === 'settings' && !answered)
            ? ['What was changed from the factory’s settings is not said']
            : [],
        ),
    deviations: due('What an heir of this job should not take for granted.', []),
    photographs:
      photographs > 0 ? due(`${photographs} of this job.`, []) : notDue('There are none.'),
    service: small
      ? notDue('The plant keeps the plan that it had.')
      : due(
          'What is looked at again, how often, and against which figure.',
          document.handover.nextVisit === null ? ['The day of the next visit is not said'] : [],
        ),
  }
  return paperIds.map((id) => ({ id, name: practice.handover.papers[id], ...of[id] }))
}

const unsaid = ({ leaving }: Judgement): readonly string[] => {
  const open = leaving.filter(({ answered }) => answered === undefined).length
  if (open === 0) return []
  return [
    open === 1
      ? 'One thing asked before leaving is not said'
      : `${open} things asked before leaving are not said`,
  ]
}
const isAlarmUnknown = ({ leaving }: Judgement): boolean =>
  leaving.some(({ id, answered }) => id === 'alarm' && answered === undefined)

const due = (because: string, lacks: readonly string[]) => ({ due: true, because, lacks })
const notDue = (because: string) => ({ due: false, because, lacks: [] })
