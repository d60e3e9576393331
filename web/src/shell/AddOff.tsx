import type { OffState } from '@hestian/core'
import { offWords } from '@hestian/core'
import { useState } from 'react'
import { Input, Label, TextField } from 'react-aria-components'
import styled from 'styled-components'
import { useJobActions, useStanding } from '../job/JobContext'
import { useKeptText } from '../job/useKeptText'
import { Button } from '../ui/Button'
import { Choice } from '../ui/Choice'

const states = (Object.keys(offWords) as OffState[]).filter((state) => state !== 'unlit')

/**
 * Puts something on the off strip by hand: whatever anybody shut, opened, held or took off, in any
 * stage.
 */
export function AddOff() {
  const { frozen } = useStanding()
  const { record } = useJobActions()
  const [isOpen, setOpen] = useState(false)
  const [name, setName] = useKeptText('off-name')
  const [state, setState] = useState<OffState>('shut')
  const [where, setWhere] = useKeptText('off-where')
  const [because, setBecause] = useKeptText('off-because')
  if (frozen) return null
  if (!isOpen)
    return (
      <Button look="text" onPress={() => setOpen(true)}>
        Put something on the strip
      </Button>
    )
  const waits = [
    [name, 'what it is'],
    [where, 'where it is'],
    [because, 'why'],
  ].find(([text = '']) => text.trim().length < 2)?.[1]
  const add = () => {
    const body = { name: name.trim(), state, where: where.trim(), because: because.trim() }
    if (record({ kind: 'off', ...body }) === undefined) return
    setName('')
    setWhere('')
    setBecause('')
    setOpen(false)
  }
  return (
    <Form
      aria-label="Put something on the strip"
      onSubmit={(event) => {
        event.preventDefault()
        if (!waits) add()
      }}
    >
      <Text value={name} onChange={setName} maxLength={200} autoFocus>
        <Label>What</Label>
        <Input />
      </Text>
      <Choice
        label="How it stands"
        labelled
        value={state}
        options={states.map((id) => ({ id, text: offWords[id] }))}
        onChoose={setState}
      />
      <Text value={where} onChange={setWhere} maxLength={200}>
        <Label>Where</Label>
        <Input />
      </Text>
      <Text value={because} onChange={setBecause} maxLength={200}>
        <Label>Why</Label>
        <Input />
      </Text>
      <Button type="submit" isDisabled={waits !== undefined}>
        {waits ? `Put it on: waits for ${waits}` : 'Put it on the strip'}
      </Button>
      <Button look="text" onPress={() => setOpen(false)}>
        Leave it
      </Button>
    </Form>
  )
}

const Form = styled.form`
  display: grid;
  gap: 10px;
  padding: 12px 0;
  color: var(--tag-ink);
`
const Text = styled(TextField)`
  display: grid;
  gap: 4px;
  label {
    font-size: var(--small);
    color: var(--tag-2);
  }
  input {
    min-height: 44px;
    padding: 6px 10px;
    border: 1.5px solid var(--tag-2);
    border-radius: 4px;
    background: transparent;
    color: var(--tag-ink);
    font: 450 var(--plain)/22px var(--text);
  }
`
