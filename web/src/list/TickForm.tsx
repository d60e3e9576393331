import type { TickItem } from '@hestian/core'
import { inWords, lacking, parseQuantity, ticketWords } from '@hestian/core'
import { useState } from 'react'
import { FieldError, Input, Label, Text, TextField } from 'react-aria-components'
import styled from 'styled-components'
import { useJob } from '../job/JobContext'
import { useKeptText } from '../job/useKeptText'
import { Button } from '../ui/Button'

/** One thing of the list ticked: with its reading, with what it wants written down, or passed over with a reason. */
export function TickForm({
  item,
  onDone,
}: {
  readonly item: TickItem
  readonly onDone: () => void
}) {
  const { act, solution, show, person } = useJob()
  const [typed, setTyped] = useKeptText(`tick-reading:${item.id}`)
  const [text, setText] = useKeptText(`tick-text:${item.id}`)
  const [because, setBecause] = useKeptText(`tick-because:${item.id}`)
  const [passing, setPassing] = useState(because !== '')
  const [sending, setSending] = useState(false)
  const { units, words } = solution.practice
  const { reading } = item
  const parsed =
    reading && typed.trim() !== ''
      ? parseQuantity(typed, reading.measure, units[reading.measure])
      : undefined
  const si = parsed?.outcome === 'understood' ? parsed.si : undefined
  const error =
    parsed?.outcome === 'refused' || parsed?.outcome === 'ambiguous' ? parsed.says : undefined
  const noTicket = person && item.ticket && lacking(person, [item.ticket]).length > 0
  const waits = waitsFor({
    ticket: noTicket && item.ticket ? ticketWords[item.ticket] : undefined,
    reading: reading !== undefined && si === undefined,
    text: item.text !== undefined && text.trim() === '',
  })
  const send = async (body: object) => {
    setSending(true)
    const granted = await act(`/items/${item.id}/tick`, body)
    setSending(false)
    if (!granted) return
    for (const empty of [setTyped, setText, setBecause]) empty('')
    onDone()
  }
  const tick = () =>
    send({
      answer: 'done',
      text: text.trim(),
      ...(si === undefined ? {} : { reading: { si, typed: typed.slice(0, 80) } }),
    })
  if (passing)
    return (
      <Frame
        aria-label={`Not called for: ${item.says}`}
        onSubmit={(event) => {
          event.preventDefault()
          if (because.trim().length >= 3) void send({ answer: 'not-here', because: because.trim() })
        }}
      >
        <TextField value={because} onChange={setBecause} maxLength={200} autoFocus>
          <Label>Not called for here, because</Label>
          <Input autoComplete="off" />
        </TextField>
        <div>
          <Button type="submit" isDisabled={sending || because.trim().length < 3}>
            Record why
          </Button>
          <Button
            look="text"
            onPress={() => {
              setBecause('')
              setPassing(false)
            }}
          >
            It is called for
          </Button>
        </div>
      </Frame>
    )
  return (
    <Frame
      aria-label={item.says}
      onSubmit={(event) => {
        event.preventDefault()
        if (!waits) void tick()
      }}
    >
      {reading && (
        <TextField
          value={typed}
          onChange={setTyped}
          isInvalid={error !== undefined}
          validationBehavior="aria"
        >
          <Label>
            {reading.label}, {show.unit(reading.measure)}
          </Label>
          <Input autoComplete="off" />
          {error === undefined && (
            <Text slot="description">
              {parsed?.outcome === 'understood'
                ? `Understood: ${parsed.echo}${parsed.question ? '. Unusual: is the unit right?' : ''}`
                : 'Any unit; a bare number is in the unit shown.'}
            </Text>
          )}
          <FieldError>{error}</FieldError>
        </TextField>
      )}
      {item.text && (
        <TextField value={text} onChange={setText} maxLength={400}>
          <Label>{inWords(item.text, words)}</Label>
          <Input autoComplete="off" />
        </TextField>
      )}
      <div>
        {waits ? (
          <Button look="wait" isDisabled>
            Done: waits for {waits}
          </Button>
        ) : (
          <Button type="submit" look="go" isDisabled={sending}>
            Done
          </Button>
        )}
        {!item.always && (
          <Button look="text" onPress={() => setPassing(true)}>
            Not called for here
          </Button>
        )}
      </div>
    </Frame>
  )
}

function waitsFor(open: {
  readonly ticket: string | undefined
  readonly reading: boolean
  readonly text: boolean
}): string | undefined {
  if (open.ticket)
    return `somebody with ${/^[aeiou]/.test(open.ticket) ? 'an' : 'a'} ${open.ticket}`
  if (open.reading) return 'its reading'
  return open.text ? 'a few words' : undefined
}

const Frame = styled.form`
  display: grid;
  gap: 10px;
  max-width: 520px;
  label {
    display: block;
    font-size: 15px;
    color: var(--ink-2);
  }
  input {
    width: 100%;
    min-height: 48px;
    font-size: 18px;
    background: transparent;
    border: 0;
    border-bottom: 1.5px solid var(--ink);
    border-radius: 0;
    padding: 4px;
  }
  [slot='description'] {
    font-size: 14px;
    color: var(--ink-3);
  }
  .react-aria-FieldError {
    font-size: 14px;
    color: var(--stop);
  }
  > div:last-child {
    display: flex;
    gap: 18px;
    align-items: center;
    flex-wrap: wrap;
  }
`
