import type { ExchangedPart, JobDocument, WorkKindId } from '@hestian/core'
import {
  applyEdits,
  beginExchange,
  chooseWork,
  exchangedParts,
  exchangedWords,
  guessWork,
  inWords,
  isSheetAsked,
  sheetNames,
  stageSheets,
  workItems,
  workKindList,
} from '@hestian/core'
import { useState } from 'react'
import { Checkbox, CheckboxGroup } from 'react-aria-components'
import { useNavigate } from 'react-router'
import styled from 'styled-components'
import { newId } from '../api/client'
import { useDesign, useJobActions, useStanding } from '../job/JobContext'
import { Answer, Prose, SectionHead, VerdictLine } from '../ui/Answer'
import { Button } from '../ui/Button'
import { Choice } from '../ui/Choice'
import { SheetHead } from '../ui/SheetHead'
import { SheetPage } from '../ui/SheetPage'
import { CheckSheet } from '../shell/CheckSheet'
import { phone } from '../ui/phone'

/**
 * What the work is, one or several: what is asked follows from it. Wider later, nothing that is
 * filled is lost.
 */
export function WorkPage() {
  const choice = useChoice()
  const { frozen, picked, pick, wantsPart, part, setPart, next, isNew, isSaid, says, take } = choice
  const { words } = useDesign().solution.practice
  return (
    <SheetPage
      sheet="work"
      {...(picked.length > 0 ? { margin: <Asks document={next.document} /> } : {})}
    >
      {isSaid ? <SheetHead sheet="work" /> : <Question isGuessed={picked.length > 0} />}
      <Kinds
        aria-label="What the work is"
        value={[...picked]}
        onChange={(ids) => pick(ids as WorkKindId[])}
        isDisabled={frozen}
        data-place="work.kinds"
      >
        {workKindList.map((kind) => (
          <Kind key={kind.id} value={kind.id}>
            <i aria-hidden />
            <span>
              <b>{inWords(kind.name, words)}</b>
              <small>{inWords(kind.says, words)}</small>
            </span>
          </Kind>
        ))}
      </Kinds>
      {wantsPart && (
        <Which>
          <Choice
            labelled
            label="Which safety part"
            value={part}
            options={exchangedParts.map((id) => ({ id, text: inWords(exchangedWords[id], words) }))}
            onChoose={setPart}
          />
        </Which>
      )}
      {!frozen && isNew && (
        <Take>
          <Button look="go" onPress={take}>
            {isSaid ? 'Change the work to this' : 'This is the work'}
          </Button>
          <small role="alert">{says}</small>
        </Take>
      )}
      {isSaid && !isNew && <CheckSheet sheet="work" />}
    </SheetPage>
  )
}

function Question({ isGuessed }: { readonly isGuessed: boolean }) {
  return (
    <>
      <Answer>
        What is <b>the work?</b>
      </Answer>
      <VerdictLine>
        <span>
          {isGuessed
            ? 'Tick what is done here. Nothing that is filled is hidden or lost.'
            : 'What is asked follows from it: a small job stays small. It can be made wider later, and nothing is lost.'}
        </span>
      </VerdictLine>
    </>
  )
}

/**
 * What is ticked and not taken yet; a job that nobody has asked begins with what is filled as the
 * guess.
 */
function useChoice() {
  const { draft, solution } = useDesign()
  const { frozen, state } = useStanding()
  const { edit } = useJobActions()
  const { document } = draft
  const { kinds: said, exchange } = document.work
  const isSaid = said.length > 0
  const [picked, pick] = useState<readonly WorkKindId[]>(isSaid ? said : guessWork(document))
  const [part, setPart] = useState<ExchangedPart | null>(exchange?.part ?? null)
  const [tried, setTried] = useState(false)
  const navigate = useNavigate()
  const wantsPart = picked.includes('safety-part-exchanged') && !exchange
  const isNew = picked.length !== said.length || picked.some((id) => !said.includes(id))
  const next = withWork(document, picked, wantsPart ? part : null, solution.practice.words)
  const lacks = lackOf(picked, wantsPart && !part)
  const take = () => {
    setTried(true)
    if (lacks) return
    edit(next.edits)
    const first = firstAsked(next.document)
    if (first) void navigate(`/jobs/${state.id}/${first}`)
  }
  const says = tried ? lacks : undefined
  return { frozen, picked, pick, wantsPart, part, setPart, next, isNew, isSaid, says, take }
}

const lackOf = (picked: readonly WorkKindId[], noPart: boolean): string | undefined => {
  if (picked.length === 0) return 'Tick at least one.'
  return noPart ? 'Say which safety part is exchanged.' : undefined
}

function withWork(
  document: JobDocument,
  kinds: readonly WorkKindId[],
  part: ExchangedPart | null,
  words: Parameters<typeof beginExchange>[2],
) {
  const chosen = chooseWork(document, kinds, newId)
  const after = applyEdits(document, chosen)
  const begun = part ? beginExchange(after, part, words, newId) : []
  return { edits: [...chosen, ...begun], document: applyEdits(after, begun) }
}

const firstAsked = (document: JobDocument) =>
  Object.values(stageSheets)
    .flat()
    .find((id) => id !== 'work' && isSheetAsked(id, document))

/** What this choice asks for, and what it leaves open. */
function Asks({ document }: { readonly document: JobDocument }) {
  const sheets = Object.values(stageSheets).flat()
  const items = workItems(document).length
  const asked = sheets.filter(
    (id) => isSheetAsked(id, document) && id !== 'work' && (id !== 'list' || items > 0),
  )
  const open = sheets.filter((id) => !isSheetAsked(id, document))
  return (
    <>
      <SectionHead>
        Then this is asked
        <small>
          {asked.length} {asked.length === 1 ? 'sheet' : 'sheets'}
          {items > 0 && `, list of ${items}`}
        </small>
      </SectionHead>
      <Prose>{asked.map((id) => sheetNames[id]).join(', ')}.</Prose>
      {open.length > 0 && (
        <Prose>
          Open, if you want them: {open.map((id) => sheetNames[id]).join(', ')}. What you fill there
          is kept and judged.
        </Prose>
      )}
    </>
  )
}

const Kinds = styled(CheckboxGroup)`
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 0 28px;
  margin: 6px 0 14px;
  border-top: 1.5px solid var(--ink);
  ${phone} {
    grid-template-columns: 1fr;
  }
`
const Kind = styled(Checkbox)`
  display: flex;
  gap: 14px;
  padding: 10px 4px 12px;
  border-bottom: 0.8px solid var(--hair);
  cursor: pointer;
  min-height: 48px;
  > i {
    flex: none;
    width: 22px;
    height: 22px;
    border: 1.8px solid var(--ink);
    margin-top: 1px;
    position: relative;
  }
  &[data-selected] > i::after {
    content: '';
    position: absolute;
    left: 6px;
    top: 1px;
    width: 6px;
    height: 12px;
    border: solid var(--ink);
    border-width: 0 3px 3px 0;
    transform: rotate(42deg);
  }
  &[data-selected] {
    background: var(--select);
  }
  &[data-hovered]:not([data-selected]) {
    background: var(--select);
  }
  &[data-focus-visible] {
    outline: 3px solid var(--ink);
    outline-offset: -3px;
  }
  &[data-disabled] {
    cursor: default;
  }
  b {
    display: block;
    font: 650 var(--large)/23px var(--head);
  }
  small {
    display: block;
    color: var(--ink-2);
    font-size: var(--small);
    line-height: 20px;
    text-wrap: pretty;
  }
`
const Which = styled.div`
  max-width: 420px;
  margin-bottom: 14px;
`
const Take = styled.div`
  display: flex;
  gap: 16px;
  align-items: center;
  margin: 14px 0 6px;
  small {
    color: var(--stop);
    font-size: var(--small);
  }
`
