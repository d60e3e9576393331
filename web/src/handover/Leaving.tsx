import type { Evidence, JudgedLeaving } from '@hestian/core'
import { useState } from 'react'
import { Input, Label, TextField } from 'react-aria-components'
import { useJobActions, useReadBy, useStanding } from '../job/JobContext'
import { useKept } from '../job/useKept'
import { useKeptText } from '../job/useKeptText'
import { WithReason } from '../job/WithReason'
import { Prose, SectionHead } from '../ui/Answer'
import { Button } from '../ui/Button'
import { DoneForm, DoneHead, DoneRow } from '../ui/DoneRow'
import { Mark } from '../ui/icons'
import { Photos } from '../ui/Photos'

/**
 * What is looked at once more before one leaves: each done, or not done with its reason; unsaid
 * stays between here and the signature.
 */
export function Leaving() {
  const { judgement, frozen } = useStanding()
  const { leaving } = judgement
  const [picked, setPicked] = useState<string>()
  const open = frozen ? undefined : (picked ?? leaving.find((one) => !one.answered)?.id)
  return (
    <section id="before-leaving" aria-labelledby="before-leaving-head">
      <SectionHead id="before-leaving-head">
        Before you leave
        <small>
          {leaving.filter((one) => one.answered).length} of {leaving.length}
        </small>
      </SectionHead>
      <ul>
        {leaving.map((one) => (
          <Row
            key={one.id}
            item={one}
            isOpen={open === one.id}
            onOpen={() => setPicked(one.id)}
            onDone={() => setPicked(undefined)}
          />
        ))}
      </ul>
    </section>
  )
}

interface RowProps {
  readonly item: JudgedLeaving
  readonly isOpen: boolean
  readonly onOpen: () => void
  readonly onDone: () => void
}

const markOf = ({ answered }: JudgedLeaving) => {
  if (!answered) return 'not-yet'
  return answered.body.answer === 'done' ? 'pass' : 'note'
}

function Row({ item, isOpen, onOpen, onDone }: RowProps) {
  const { frozen } = useStanding()
  const { nameOf, dates } = useReadBy()
  const { says, answered } = item
  return (
    <DoneRow data-place={`leaving.${item.id}`} data-open={isOpen || undefined}>
      <Mark kind={markOf(item)} size={22} />
      <div>
        <DoneHead>
          <b>{says}</b>
          {!isOpen && !frozen && (
            <Button
              look="text"
              onPress={onOpen}
              aria-label={`${answered ? 'Again' : 'Open'}: ${says}`}
            >
              {answered ? 'Again' : 'Open'}
            </Button>
          )}
        </DoneHead>
        {answered && (
          <small>
            {answered.body.answer === 'not-done' && 'Not done: '}
            {answered.body.says && `${answered.body.says}. `}
            {nameOf(answered.by)}, {dates.dayTime(answered.at)}
          </small>
        )}
        {isOpen && <Answering item={item} onDone={onDone} />}
      </div>
    </DoneRow>
  )
}

const none: readonly Evidence[] = []

function Answering({
  item,
  onDone,
}: {
  readonly item: JudgedLeaving
  readonly onDone: () => void
}) {
  const { record } = useJobActions()
  const [text, setText] = useKeptText(`leaving:${item.id}`)
  const [photos, setPhotos] = useKept<readonly Evidence[]>(`leaving-photos:${item.id}`, none)
  const wantsPhotos = item.id === 'photographed'
  const waits =
    (item.write !== undefined && text.trim().length < 2) || (wantsPhotos && photos.length === 0)
  const say = (answer: 'done' | 'not-done', says: string) => {
    const made = record({
      kind: 'leaving',
      item: item.id,
      answer,
      says,
      ...(photos.length > 0 ? { photos: [...photos] } : {}),
    })
    if (made === undefined) return false
    setText('')
    setPhotos(none)
    onDone()
    return true
  }
  return (
    <>
      <p>{item.why}</p>
      <DoneForm
        as="div"
        onKeyDown={(event) => {
          // A field for a file has taken it for itself.
          const isText = event.target instanceof HTMLInputElement && !event.defaultPrevented
          if (event.key === 'Enter' && isText && !waits) say('done', text.trim())
        }}
      >
        {item.write !== undefined && (
          <TextField value={text} onChange={setText} maxLength={500}>
            <Label>{item.write}</Label>
            <Input autoComplete="off" />
          </TextField>
        )}
        {wantsPhotos && <Photos label="Photographs of it" photos={photos} onChange={setPhotos} />}
        <div>
          <Button isDisabled={waits} onPress={() => say('done', text.trim())}>
            Done
          </Button>
        </div>
      </DoneForm>
      <WithReason
        of={`leaving:${item.id}`}
        opens="Not done, and why"
        asks="Not done, because"
        does="Record why"
        onDo={(because) => say('not-done', because)}
      />
      {wantsPhotos && photos.length === 0 && (
        <Prose>It takes a photograph, or the reason why there is none.</Prose>
      )}
    </>
  )
}
