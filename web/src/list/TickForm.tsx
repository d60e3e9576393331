import type { Parsed, Person, TickItem } from '@hestian/core'
import { inWords, lacking, parseQuantity, ticketWords } from '@hestian/core'
import type { ReactNode } from 'react'
import { useState } from 'react'
import { FieldError, Input, Label, Text, TextField } from 'react-aria-components'
import { useDesign, useJobActions, useReadBy } from '../job/JobContext'
import { useKeptText } from '../job/useKeptText'
import { Button } from '../ui/Button'
import { DoneForm } from '../ui/DoneRow'

interface TickFormProps {
  readonly item: TickItem
  readonly onDone: () => void
}

/**
 * One thing of the list ticked: with its reading, with what it wants written down, or passed over
 * with a reason.
 */
export function TickForm({ item, onDone }: TickFormProps) {
  const [because, setBecause] = useKeptText(`tick-because:${item.id}`)
  const [passing, setPassing] = useState(because !== '')
  const { sending, send } = useTick(item, onDone)
  if (!passing)
    return (
      <Doing item={item} sending={sending} send={send}>
        {!item.always && (
          <Button look="text" onPress={() => setPassing(true)}>
            Not called for here
          </Button>
        )}
      </Doing>
    )
  const isSaid = because.trim().length >= 3
  const pass = async () => {
    if (isSaid && (await send({ answer: 'not-here', because: because.trim() }))) setBecause('')
  }
  return (
    <DoneForm
      aria-label={`Not called for: ${item.says}`}
      onSubmit={(event) => {
        event.preventDefault()
        void pass()
      }}
    >
      <TextField value={because} onChange={setBecause} maxLength={200} autoFocus>
        <Label>Not called for here, because</Label>
        <Input autoComplete="off" />
      </TextField>
      <div>
        <Button type="submit" isDisabled={sending || !isSaid}>
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
    </DoneForm>
  )
}

/** Sends a tick; gives whether it was granted. */
function useTick(item: TickItem, onDone: () => void) {
  const { act } = useJobActions()
  const [sending, setSending] = useState(false)
  const send = async (body: object): Promise<boolean> => {
    setSending(true)
    const granted = await act(`/items/${item.id}/tick`, body)
    setSending(false)
    if (granted) onDone()
    return granted
  }
  return { sending, send }
}

interface DoingProps {
  readonly item: TickItem
  readonly sending: boolean
  readonly send: (body: object) => Promise<boolean>
  readonly children: ReactNode
}

function Doing({ item, sending, send, children }: DoingProps) {
  const { solution } = useDesign()
  const { person } = useReadBy()
  const [typed, setTyped] = useKeptText(`tick-reading:${item.id}`)
  const [text, setText] = useKeptText(`tick-text:${item.id}`)
  const { units, words } = solution.practice
  const { reading } = item
  const parsed =
    reading && typed.trim() !== ''
      ? parseQuantity(typed, reading.measure, units[reading.measure])
      : undefined
  const si = parsed?.outcome === 'understood' ? parsed.si : undefined
  const waits = waitsFor(item, { person, si, text })
  const tick = async () => {
    const read = si === undefined ? {} : { reading: { si, typed: typed.slice(0, 80) } }
    if (!(await send({ answer: 'done', text: text.trim(), ...read }))) return
    setTyped('')
    setText('')
  }
  return (
    <DoneForm
      aria-label={item.says}
      onSubmit={(event) => {
        event.preventDefault()
        if (!waits) void tick()
      }}
    >
      {reading && (
        <ReadingLine reading={reading} typed={typed} onTyped={setTyped} parsed={parsed} />
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
        {children}
      </div>
    </DoneForm>
  )
}

interface ReadingLineProps {
  readonly reading: NonNullable<TickItem['reading']>
  readonly typed: string
  readonly onTyped: (text: string) => void
  readonly parsed: Parsed | undefined
}

function ReadingLine({ reading, typed, onTyped, parsed }: ReadingLineProps) {
  const { show } = useReadBy()
  const error =
    parsed?.outcome === 'refused' || parsed?.outcome === 'ambiguous' ? parsed.says : undefined
  return (
    <TextField
      value={typed}
      onChange={onTyped}
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
  )
}

function waitsFor(
  item: TickItem,
  given: {
    readonly person: Person | undefined
    readonly si: number | undefined
    readonly text: string
  },
): string | undefined {
  const [lacks] = given.person && item.ticket ? lacking(given.person, [item.ticket]) : []
  if (lacks) {
    const ticket = ticketWords[lacks]
    return `somebody with ${/^[aeiou]/.test(ticket) ? 'an' : 'a'} ${ticket}`
  }
  if (item.reading && given.si === undefined) return 'its reading'
  return item.text && given.text.trim() === '' ? 'a few words' : undefined
}
