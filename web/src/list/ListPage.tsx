import type { JudgedItem, TickGroup } from '@hestian/core'
import { inWords, tickGroups } from '@hestian/core'
import { useState } from 'react'
import { Link } from 'react-router'
import { useDesign, useReadBy, useStanding } from '../job/JobContext'
import { CheckSheet } from '../shell/CheckSheet'
import { Answer, Prose, SectionHead, VerdictLine } from '../ui/Answer'
import { Button } from '../ui/Button'
import { DoneHead, DoneRow } from '../ui/DoneRow'
import { Mark } from '../ui/icons'
import { SheetPage } from '../ui/SheetPage'
import { VerdictChip } from '../ui/VerdictChip'
import { MadeSafe } from '../job/MadeSafe'
import { TickForm } from './TickForm'

const groupNames: Readonly<Record<TickGroup, string>> = {
  before: 'Before anything is opened',
  work: 'The work',
  test: 'Tested',
  after: 'Back in use',
}

/** The work list: what is done, by whom, when, with what reading; one thing open at a time. */
export function ListPage() {
  const { draft } = useDesign()
  const { judgement, state } = useStanding()
  const { items } = judgement
  const [picked, setPicked] = useState<string>()
  if (items.length === 0)
    return (
      <SheetPage sheet="list">
        <Answer>
          This work has <b>no list.</b>
        </Answer>
        <Prose>
          What it asks follows from <Link to={`/jobs/${state.id}/work`}>Work</Link>.
        </Prose>
        <CheckSheet sheet="list" />
      </SheetPage>
    )
  const done = items.filter((one) => one.ticked).length
  const open = picked ?? items.find((one) => !one.ticked)?.item.id
  const next = items.find((one) => !one.ticked)
  return (
    <SheetPage sheet="list">
      <Answer>
        {next ? (
          <>
            <b>
              {done} of {items.length}
            </b>{' '}
            done.
          </>
        ) : (
          <>
            All <b>{items.length}</b> are done.
          </>
        )}
      </Answer>
      <VerdictLine>
        <VerdictChip verdict={next ? 'not-yet' : 'pass'} word={next ? 'Not yet' : 'Done'} />
        <span>Each with who did it and when. What is not called for here says why.</span>
      </VerdictLine>
      {draft.document.work.kinds.includes('leak-made-safe') && <MadeSafe />}
      {tickGroups.map((group) => {
        const mine = items.filter((one) => one.item.group === group)
        return mine.length === 0 ? null : (
          <section key={group}>
            <SectionHead>
              {groupNames[group]}
              <small>
                {mine.filter((one) => one.ticked).length} of {mine.length}
              </small>
            </SectionHead>
            <ul>
              {mine.map((one) => (
                <Item
                  key={one.item.id}
                  judged={one}
                  isOpen={one.item.id === open}
                  onOpen={() => setPicked(one.item.id)}
                  onDone={() => setPicked(undefined)}
                />
              ))}
            </ul>
          </section>
        )
      })}
      <CheckSheet sheet="list" />
    </SheetPage>
  )
}

interface ItemProps {
  readonly judged: JudgedItem
  readonly isOpen: boolean
  readonly onOpen: () => void
  readonly onDone: () => void
}

function Item({ judged, isOpen, onOpen, onDone }: ItemProps) {
  const { solution } = useDesign()
  const { frozen } = useStanding()
  const { item, ticked } = judged
  const says = inWords(item.says, solution.practice.words)
  return (
    <DoneRow data-place={`list.${item.id}`} data-open={isOpen || undefined}>
      <Mark kind={markOf(judged)} size={22} />
      <div>
        <DoneHead>
          <b>{says}</b>
          {!isOpen && !frozen && (
            <Button
              look="text"
              onPress={onOpen}
              aria-label={`${ticked ? 'Do again' : 'Open'}: ${says}`}
            >
              {ticked ? 'Again' : 'Open'}
            </Button>
          )}
        </DoneHead>
        {ticked && <Ticked judged={judged} />}
        {isOpen && !frozen && (
          <>
            <p>{inWords(item.why, solution.practice.words)}</p>
            <TickForm item={item} onDone={onDone} />
          </>
        )}
      </div>
    </DoneRow>
  )
}

function markOf({ ticked }: JudgedItem) {
  if (!ticked) return 'not-yet'
  return ticked.body.answer === 'done' ? 'pass' : 'note'
}

function Ticked({ judged: { item, ticked } }: { readonly judged: JudgedItem }) {
  const { show, nameOf, dates } = useReadBy()
  if (!ticked) return null
  const { body } = ticked
  return (
    <small>
      {body.answer === 'not-here' && `Not called for: ${body.because}. `}
      {item.reading && body.si !== undefined && (
        <b className="tnum">{show(body.si, item.reading.measure)}. </b>
      )}
      {body.text && `${body.text}. `}
      {nameOf(ticked.by)}, {dates.dayTime(ticked.at)}
    </small>
  )
}
