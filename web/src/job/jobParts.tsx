import type {
  Edit,
  Evidence,
  Finding,
  JobInWords,
  JobState,
  Judgement,
  Person,
  RecordBody,
  Sample,
  Show,
  SiteAct,
  Solution,
  Worded,
} from '@hestian/core'
import { findingKey } from '@hestian/core'
import type { Context, ReactNode } from 'react'
import { createContext, useContext } from 'react'
import type { Dates } from '../ui/dates'
import type { Draft } from './useDraft'

/** What is typed, and what it comes to. */
export interface Design {
  readonly draft: Draft
  readonly solution: Solution
  /** The heads of its sheets and its findings, as they are read. */
  readonly inWords: JobInWords
}

/** What the server and the queue know of the job, and how it is judged. */
export interface Standing {
  readonly state: JobState
  readonly judgement: Judgement
  readonly frozen: boolean
}

/** What can be done to the job: the same functions as long as the job is open. */
export interface JobActions {
  readonly edit: (edits: readonly Edit[]) => void
  /**
   * Shows the job as these edits would make it, without making them; undefined shows it as it is.
   */
  readonly preview: (edits: readonly Edit[] | undefined) => void
  /**
   * Sends an action under a fresh id; gives whether it was granted. What was refused stands in
   * `refusal`.
   */
  readonly act: (path: string, body?: object) => Promise<boolean>
  /**
   * Does something on site: judged here at once and queued for the server, which judges it again.
   * False where it is not allowed; `refusal` says why.
   */
  readonly perform: (act: SiteAct, says: string) => Promise<boolean>
  /**
   * Does something that goes by the figures shown once they are those of what was typed: at once
   * where they are. `useOnceShown` is the way to it.
   */
  readonly onceShown: (act: () => void) => void
  /**
   * Queues a record and gives its id at once: it is sent when the server is there. Undefined while
   * nobody has said who is working.
   */
  readonly record: (body: RecordBody) => string | undefined
  /** Queues a reading typed into a running test. False while nobody has said who is working. */
  readonly typeSample: (testId: string, sample: Sample) => boolean
  /**
   * Keeps a photograph or paper and queues it; a file that cannot be kept says why in `refusal`.
   */
  readonly keep: (
    file: File,
    how?: { readonly keepPlace: boolean },
  ) => Promise<Evidence | undefined>
  readonly clearRefusal: () => void
}

/** Who reads the job, and how it is said to them. */
export interface ReadBy {
  readonly person: Person | undefined
  readonly show: Show
  /** Days and times on the site's clock; on this device's while nobody has said which that is. */
  readonly dates: Dates
  readonly nameOf: (id: string) => string
}

/** What became of what was done here. */
export interface Sending {
  /** How many records and files wait to be sent. */
  readonly waiting: number
  /** How many did not reach the server and need somebody. */
  readonly notSent: number
  readonly refusal: string | undefined
  /** The figures shown are not yet those of what was typed. */
  readonly isLate: boolean
}

/** A job in its parts: who shows one of them is drawn again only when that one changes. */
export interface Job {
  readonly design: Design
  readonly standing: Standing
  readonly actions: JobActions
  readonly readBy: ReadBy
  readonly sending: Sending
}

const DesignContext = createContext<Design | undefined>(undefined)
const StandingContext = createContext<Standing | undefined>(undefined)
const ActionsContext = createContext<JobActions | undefined>(undefined)
const ReadByContext = createContext<ReadBy | undefined>(undefined)
const SendingContext = createContext<Sending | undefined>(undefined)

function usePart<T>(context: Context<T | undefined>): T {
  const part = useContext(context)
  if (part === undefined) throw new Error('A part of a job was asked for outside a job')
  return part
}

export const useDesign = (): Design => usePart(DesignContext)
/** Findings of the job in words. One that has none is a mistake of ours: RangeError. */
export function useWords(): (finding: Finding) => Worded {
  const { words } = useDesign().inWords
  return (finding) => {
    const worded = words[findingKey(finding)]
    if (!worded) throw new RangeError(`no words for the finding ${finding.id}`)
    return worded
  }
}
export const useStanding = (): Standing => usePart(StandingContext)
export const useJobActions = (): JobActions => usePart(ActionsContext)
export const useReadBy = (): ReadBy => usePart(ReadByContext)
export const useSending = (): Sending => usePart(SendingContext)

/** Hands the parts of a job to what stands in it. */
export function JobParts({ job, children }: { readonly job: Job; readonly children: ReactNode }) {
  return (
    <ActionsContext value={job.actions}>
      <ReadByContext value={job.readBy}>
        <SendingContext value={job.sending}>
          <StandingContext value={job.standing}>
            <DesignContext value={job.design}>{children}</DesignContext>
          </StandingContext>
        </SendingContext>
      </ReadByContext>
    </ActionsContext>
  )
}
