import type { Piece, SolvedSheetId } from '@hestian/core'
import { Fragment } from 'react'
import { Link } from 'react-router'
import { useDesign, useStanding } from '../job/JobContext'
import { Answer, VerdictLine } from './Answer'
import { Contents } from './Contents'
import { rowId } from './quantity'
import type { ChipVerdict } from './VerdictChip'
import { VerdictChip } from './VerdictChip'
import { Worked } from './Worked'

const words: Readonly<Record<ChipVerdict, string>> = {
  stop: 'Stop',
  'not-yet': 'Not yet',
  fix: 'Look again',
  pass: 'Pass',
}

/**
 * The head of every sheet of the design: its answer in large, its verdict, and what stands beside
 * it.
 */
export function SheetHead({ sheet }: { readonly sheet: SolvedSheetId }) {
  const { inWords } = useDesign()
  const { judgement } = useStanding()
  const { findings, missing } = judgement.sheets[sheet]
  const said = inWords.heads[sheet]
  const stop = findings.find((finding) => finding.severity === 'stop')
  const fixes = findings.filter((finding) => finding.severity === 'fix')
  const first = stop ?? (said?.isMild ? undefined : fixes[0])
  const verdict = verdictOf({
    stops: stop !== undefined,
    waits: missing.length > 0,
    fixes: first !== undefined,
  })
  if (!said) return null
  return (
    <>
      <Answer>
        <Sentence parts={said.head} />
      </Answer>
      <VerdictLine>
        <VerdictChip
          verdict={verdict}
          word={words[verdict]}
          {...(first ? { href: `#${rowId(first.place)}` } : {})}
        />
        <span>
          <Sentence parts={said.beside} />
        </span>
      </VerdictLine>
      <Contents />
    </>
  )
}

const verdictOf = (found: {
  readonly stops: boolean
  readonly waits: boolean
  readonly fixes: boolean
}): ChipVerdict => {
  if (found.stops) return 'stop'
  if (found.waits) return 'not-yet'
  return found.fixes ? 'fix' : 'pass'
}

const Sentence = ({ parts }: { readonly parts: readonly Piece[] }) =>
  parts.map((part, i) => <Fragment key={i}>{<Shown part={part} />}</Fragment>)

function Shown({ part }: { readonly part: Piece }) {
  const { state } = useStanding()
  if (typeof part === 'string') return part
  const { text, strong, of, to } = part
  if (to) return <Link to={`/jobs/${state.id}/${to}`}>{text}</Link>
  const said = of ? <Worked of={of}>{text}</Worked> : text
  return strong ? <b>{said}</b> : said
}
