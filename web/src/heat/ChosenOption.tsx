import type { HeatAnswer, HeatOption } from '@hestian/core'
import { applianceFromOption } from '@hestian/core'
import { useState } from 'react'
import styled from 'styled-components'
import { newId } from '../api/client'
import { useDesign, useJobActions } from '../job/JobContext'
import { Button } from '../ui/Button'
import { Choice } from '../ui/Choice'
import { InlineText } from '../ui/fields'
import { phone } from '../ui/phone'
import { rowId } from '../ui/quantity'

/**
 * The choice and its reason; what was chosen can go to the rating plates without being typed again.
 */
export function ChosenOption({ answer }: { readonly answer: HeatAnswer }) {
  const { draft } = useDesign()
  const { options, chosen } = draft.document.heat
  const [picked, setPicked] = useState<string>()
  const { says, take } = useChoosing(() => setPicked(undefined))
  if (options.length === 0) return null
  const { optionId: chosenId, because = '' } = chosen ?? {}
  const optionId = picked ?? chosenId
  const another = picked !== undefined && picked !== chosenId
  return (
    <Chosen data-place="heat.chosen" id={rowId('heat.chosen')}>
      <Choice
        labelled
        label="Chosen"
        value={optionId ?? null}
        options={options.map((option) => ({ id: option.id, text: option.name }))}
        onChoose={setPicked}
      />
      <InlineText
        key={optionId}
        lines
        labelled
        label="Because"
        value={another ? '' : because}
        maxLength={longest}
        onCommit={(because) => take(optionId, because)}
      />
      {says && <p role="alert">{says}</p>}
      {another && <p>Not chosen yet: it takes a reason.</p>}
      {answer.chosen && <ToPlates option={answer.chosen.option} />}
    </Chosen>
  )
}

const longest = 400

/** Takes an option with its reason, or says why it is not taken. */
function useChoosing(onTaken: () => void) {
  const { draft } = useDesign()
  const { edit, record } = useJobActions()
  const [says, setSays] = useState<string>()
  const take = (optionId: string | undefined, typed: string) => {
    const option = draft.document.heat.options.find((one) => one.id === optionId)
    const because = typed.trim().slice(0, longest)
    if (!option) return setSays('Choose one of them first.')
    if (because.length < 3)
      return setSays('Say why, in a few words: it is read again in eight years.')
    setSays(undefined)
    const name = option.name.slice(0, 200)
    if (!record({ kind: 'chosen-option', optionId: option.id, name, because })) return
    edit([{ path: ['heat', 'chosen'], value: { optionId: option.id, because } }])
    onTaken()
  }
  return { says, take }
}

function ToPlates({ option }: { readonly option: HeatOption }) {
  const { draft } = useDesign()
  const { edit } = useJobActions()
  const { appliances } = draft.document
  const fitted = applianceFromOption(option, appliances)
  if (fitted.length === 0) return null
  const put = () =>
    edit(
      fitted.map((appliance, i) => ({
        path: ['appliances', appliances.length + i],
        value: { ...appliance, id: newId() },
      })),
    )
  return <Button onPress={put}>Put it on the rating plates</Button>
}

const Chosen = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1.6fr);
  gap: 12px 24px;
  padding: 12px 0 16px;
  align-items: end;
  p {
    grid-column: 1 / -1;
    font-size: var(--small);
    color: var(--look);
  }
  button {
    justify-self: start;
  }
  ${phone} {
    grid-template-columns: 1fr;
  }
`
