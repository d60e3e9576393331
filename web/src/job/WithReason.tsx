import { useState } from 'react'
import { Input, Label, TextField } from 'react-aria-components'
import styled from 'styled-components'
import { useKeptText } from './useKeptText'
import { Button } from '../ui/Button'

interface WithReasonProps {
  /** What the reason is of: it is kept under this until it is given. */
  readonly of: string
  /** What opens it, and what does it. */
  readonly opens: string
  readonly asks: string
  readonly does: string
  /** Gives false where it was not done: the reason stays. */
  readonly onDo: (because: string) => boolean | Promise<boolean>
}

/** Something that is only done with a reason: folded away until it is wanted. */
export function WithReason({ of, opens, asks, does, onDo }: WithReasonProps) {
  const [because, setBecause] = useKeptText(`because:${of}`)
  const [isOpen, setOpen] = useState(because !== '')
  if (!isOpen)
    return (
      <Button look="text" onPress={() => setOpen(true)}>
        {opens}
      </Button>
    )
  const isTold = because.trim().length >= 3
  return (
    <Frame
      onSubmit={(event) => {
        event.preventDefault()
        event.stopPropagation()
        if (!isTold) return
        void Promise.resolve(onDo(because)).then((isDone) => isDone && setBecause(''))
      }}
    >
      <Reason value={because} onChange={setBecause} maxLength={200} autoFocus>
        <Label>{asks}</Label>
        <Input />
      </Reason>
      <Button type="submit" isDisabled={!isTold}>
        {does}
      </Button>
      <Button look="text" onPress={() => setOpen(false)}>
        Leave it
      </Button>
    </Frame>
  )
}

const Frame = styled.form`
  display: flex;
  flex-wrap: wrap;
  gap: 10px 16px;
  align-items: end;
`
const Reason = styled(TextField)`
  display: grid;
  gap: 4px;
  flex: 1 1 260px;
  label {
    font-size: var(--small);
    color: var(--ink-2);
  }
  input {
    min-height: 48px;
    padding: 6px 10px;
    border: 1.5px solid var(--rule);
    border-radius: 4px;
    background: var(--sheet);
    color: var(--ink);
    font: 450 var(--plain)/22px var(--text);
  }
`
