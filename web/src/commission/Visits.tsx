import type { Visit } from '@hestian/core'
import { offWords, openVisit } from '@hestian/core'
import { Input, Label, TextArea, TextField } from 'react-aria-components'
import styled from 'styled-components'
import { useJobActions, useReadBy, useStanding } from '../job/JobContext'
import { useKept } from '../job/useKept'
import { useKeptText } from '../job/useKeptText'
import { SectionHead } from '../ui/Answer'
import { Button } from '../ui/Button'

/**
 * Who was here when, what was done, what is left. A visit ends with the off strip empty, or each
 * thing on it explained.
 */
export function Visits() {
  const { judgement } = useStanding()
  const open = openVisit(judgement.visits)
  const ended = judgement.visits.filter((visit) => visit.ended !== undefined)
  return (
    <Frame aria-label="Visits">
      <SectionHead>
        Visits
        <small>{judgement.visits.length === 0 ? 'none yet' : `${judgement.visits.length}`}</small>
      </SectionHead>
      {[...ended].reverse().map((visit) => (
        <Past key={visit.id} visit={visit} />
      ))}
      {open ? <Ending visit={open} /> : <Beginning />}
    </Frame>
  )
}

function Past({ visit }: { readonly visit: Visit }) {
  const { dates, nameOf } = useReadBy()
  const { ended } = visit
  if (!ended) return null
  return (
    <p>
      <b>
        {dates.dayTime(visit.from)} to {dates.timeOf(Date.parse(ended.at))}
      </b>
      , {[nameOf(visit.by), visit.body.with].filter(Boolean).join(', ')}. {ended.body.done}
      {ended.body.left && <> Left: {ended.body.left}</>}
    </p>
  )
}

function Beginning() {
  const { frozen } = useStanding()
  const { perform } = useJobActions()
  const [others, setOthers] = useKeptText('visit-with')
  if (frozen) return null
  return (
    <Row
      onSubmit={(event) => {
        event.preventDefault()
        void perform({ do: 'visit-begin', with: others }, 'A visit begun').then(
          (isBegun) => isBegun && setOthers(''),
        )
      }}
    >
      <Field value={others} onChange={setOthers} maxLength={200}>
        <Label>Who else is there</Label>
        <Input placeholder="nobody" />
      </Field>
      <Button type="submit">Begin a visit</Button>
    </Row>
  )
}

const unsaid: Readonly<Record<string, string>> = {}

function Ending({ visit }: { readonly visit: Visit }) {
  const { judgement } = useStanding()
  const { perform } = useJobActions()
  const { dates, nameOf } = useReadBy()
  const [done, setDone] = useKeptText(`visit-done:${visit.id}`)
  const [left, setLeft] = useKeptText(`visit-left:${visit.id}`)
  const [staysOff, setStaysOff] = useKept(`visit-off:${visit.id}`, unsaid)
  const { off } = judgement
  const unexplained = off.filter(({ id }) => (staysOff[id] ?? '').trim().length < 3)
  const waits =
    done.trim().length < 3
      ? 'what was done'
      : unexplained[0] &&
        `why ${unexplained[0].body.name} stays ${offWords[unexplained[0].body.state]}`
  const end = async () => {
    if (!(await perform({ do: 'visit-end', end: { done, left, staysOff } }, 'A visit ended')))
      return
    setDone('')
    setLeft('')
    setStaysOff(unsaid)
  }
  return (
    <Form
      onSubmit={(event) => {
        event.preventDefault()
        if (!waits) void end()
      }}
    >
      <p>
        Since <b>{dates.dayTime(visit.from)}</b>:{' '}
        {[nameOf(visit.by), visit.body.with].filter(Boolean).join(', ')}.
      </p>
      <Field value={done} onChange={setDone} maxLength={1000}>
        <Label>What was done</Label>
        <TextArea rows={2} />
      </Field>
      <Field value={left} onChange={setLeft} maxLength={1000}>
        <Label>What is left</Label>
        <TextArea rows={2} />
      </Field>
      {off.map(({ id, body }) => (
        <Field
          key={id}
          value={staysOff[id] ?? ''}
          onChange={(text) => setStaysOff({ ...staysOff, [id]: text })}
          maxLength={200}
        >
          <Label>
            {body.name} is still {offWords[body.state]}: why it stays so
          </Label>
          <Input />
        </Field>
      ))}
      {waits ? (
        <Button look="wait" isDisabled>
          End the visit: waits for {waits}
        </Button>
      ) : (
        <Button type="submit">End the visit</Button>
      )}
    </Form>
  )
}

const Frame = styled.section`
  margin-top: 22px;
  p {
    font-size: var(--small);
    line-height: 21px;
    padding: 6px 0;
  }
`
const Row = styled.form`
  display: flex;
  flex-wrap: wrap;
  gap: 10px 16px;
  align-items: end;
  padding-top: 8px;
`
const Form = styled.form`
  display: grid;
  gap: 10px;
  padding-top: 4px;
  max-width: 640px;
`
const Field = styled(TextField)`
  display: grid;
  gap: 4px;
  flex: 1 1 260px;
  label {
    font-size: var(--small);
    color: var(--ink-2);
  }
  input,
  textarea {
    min-height: 48px;
    padding: 8px 10px;
    border: 1.5px solid var(--rule);
    border-radius: 4px;
    background: var(--sheet);
    color: var(--ink);
    font: 450 var(--plain)/22px var(--text);
    resize: vertical;
  }
`
