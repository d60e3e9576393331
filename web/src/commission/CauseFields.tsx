import type { StepReading } from '@hestian/core'
import { inWords, notFound, symptoms } from '@hestian/core'
import { Input, Label, Radio, RadioGroup, TextField } from 'react-aria-components'
import styled from 'styled-components'
import { useDesign } from '../job/JobContext'
import { Button } from '../ui/Button'

interface CauseProps {
  readonly reading: StepReading
  readonly cause: string
  readonly action: string
  readonly onCause: (text: string) => void
  readonly onAction: (text: string) => void
  /** Puts what is still to be done on the list of snags. */
  readonly onSnag: () => void
}

/**
 * A reading outside its limits: what it comes from, what tells the causes apart, and what was done.
 */
export function CauseFields({ reading, cause, action, onCause, onAction, onSnag }: CauseProps) {
  const { words } = useDesign().solution.practice
  const symptom = reading.symptom && symptoms[reading.symptom]
  const causes = symptom?.causes.map((one) => inWords(one, words)) ?? []
  const options = [...causes, notFound]
  return (
    <Frame aria-label="Outside its limits">
      <h3>Outside its limits</h3>
      {symptom && <p>{symptom.decides}</p>}
      <Causes value={cause === '' ? null : cause} onChange={onCause}>
        <Label>What it comes from</Label>
        {options.map((one) => (
          <Radio key={one} value={one}>
            <i />
            {one}
          </Radio>
        ))}
      </Causes>
      <Text value={action} onChange={onAction} maxLength={200}>
        <Label>What was done</Label>
        <Input />
      </Text>
      <Button look="text" onPress={onSnag}>
        Still to be done: put it on the snags
      </Button>
    </Frame>
  )
}

const Frame = styled.section`
  display: grid;
  gap: 10px;
  justify-items: start;
  margin-top: 14px;
  padding: 12px 16px;
  border-left: 4px solid var(--stop);
  background: var(--stop-wash);
  max-width: 640px;
  h3 {
    font: 650 var(--large)/24px var(--head);
  }
  p {
    font-size: var(--small);
    line-height: 20px;
  }
  > * {
    max-width: 100%;
  }
`
const Causes = styled(RadioGroup)`
  display: grid;
  gap: 2px;
  > span {
    font-size: var(--small);
    color: var(--ink-2);
  }
  .react-aria-Radio {
    display: flex;
    gap: 10px;
    align-items: center;
    min-height: 44px;
    cursor: pointer;
    font-size: var(--plain);
  }
  i {
    flex: none;
    width: 20px;
    height: 20px;
    border: 1.5px solid var(--ink);
    border-radius: 50%;
  }
  [data-selected] i {
    border-width: 6px;
  }
  [data-focus-visible] i {
    outline: 3px solid var(--ember);
    outline-offset: 2px;
  }
`
const Text = styled(TextField)`
  display: grid;
  gap: 4px;
  width: 100%;
  label {
    font-size: var(--small);
    color: var(--ink-2);
  }
  input {
    min-height: 44px;
    padding: 6px 10px;
    border: 1.5px solid var(--rule);
    border-radius: 4px;
    background: var(--sheet);
    color: var(--ink);
    font: 450 var(--plain)/22px var(--text);
  }
`
