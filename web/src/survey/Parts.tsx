import type { Part, PartKind } from '@hestian/core'
import { blankPart, inWords, partFields, partKinds, partWords } from '@hestian/core'
import styled from 'styled-components'
import { newId } from '../api/client'
import { useDesign, useJobActions } from '../job/JobContext'
import { Makers } from '../job/MakerRow'
import { Prose, SectionHead } from '../ui/Answer'
import { Button } from '../ui/Button'
import { Choice } from '../ui/Choice'
import { InlineText } from '../ui/fields'
import { Photos } from '../ui/Photos'
import { Ledger, QuantityRow } from '../ui/QuantityRow'
import { knownOf } from '../ui/quantity'
import { StayAndYear } from './StayAndYear'

const circuits = [
  { id: 'heating', text: 'Heating' },
  { id: 'hot-water', text: 'Hot water' },
  { id: 'main', text: 'Cold main' },
] as const

/** The circuit of a kind that hardly ever stands on another. */
const usualCircuit: Readonly<Partial<Record<PartKind, Part['circuit']>>> = {
  'reducing-valve': 'main',
  'temperature-pressure-valve': 'hot-water',
}

/** Vessels and valves that stand there already, by their tags. */
export function Parts() {
  const { draft, solution } = useDesign()
  const { edit } = useJobActions()
  const { parts } = draft.document
  const { words } = solution.practice
  const kindName = (kind: PartKind) => inWords(partWords[kind], words)
  const add = (kind: PartKind) =>
    edit([
      {
        path: ['parts', parts.length],
        value: blankPart({
          id: newId(),
          name: kindName(kind),
          kind,
          circuit: usualCircuit[kind] ?? 'heating',
        }),
      },
    ])
  return (
    <>
      <SectionHead>Vessels and valves already there</SectionHead>
      {parts.length === 0 && (
        <Prose>
          Relief valves and vessels age: about ten years for a valve. Read their tags while you
          stand there.
        </Prose>
      )}
      {parts.map((part, i) => (
        <OnePart key={part.id} part={part} index={i} kind={kindName(part.kind)} />
      ))}
      <Add>
        <Choice
          labelled
          label="Add a vessel or valve"
          value={null}
          options={partKinds.map((kind) => ({ id: kind, text: kindName(kind) }))}
          onChoose={add}
        />
      </Add>
    </>
  )
}

function OnePart({
  part,
  index,
  kind,
}: {
  readonly part: Part
  readonly index: number
  readonly kind: string
}) {
  const { draft } = useDesign()
  const { edit } = useJobActions()
  const at = (key: string) => ['parts', index, key]
  return (
    <section>
      <SectionHead as="div">
        <Name>
          <InlineText
            label={`Name of part ${index + 1}`}
            required
            value={part.name}
            maxLength={120}
            onCommit={(name) => edit([{ path: at('name'), value: name.trim() }])}
          />
        </Name>
        <small>
          {kind}{' '}
          <Button
            look="text"
            aria-label={`Remove ${part.name}`}
            onPress={() =>
              edit([
                {
                  path: ['parts'],
                  value: draft.document.parts.filter((one) => one.id !== part.id),
                },
              ])
            }
          >
            Remove
          </Button>
        </small>
      </SectionHead>
      <Ledger>
        {partFields
          .filter((field) => field.kinds.includes(part.kind))
          .map((field) => (
            <QuantityRow
              key={field.key}
              label={`${field.label}`}
              place={`parts.${index}.${field.key}`}
              measure={field.measure}
              value={part[field.key]}
              how={field.how}
              why={field.why}
              onUse={(entry) => edit([{ path: at(field.key), value: knownOf(entry) }])}
              onClear={() => edit([{ path: at(field.key), value: null }])}
            />
          ))}
      </Ledger>
      <Choices>
        <Choice
          labelled
          label={`Circuit of ${part.name}`}
          value={part.circuit}
          options={circuits}
          onChoose={(circuit) => edit([{ path: at('circuit'), value: circuit }])}
        />
      </Choices>
      <StayAndYear
        name={part.name}
        stay={part.stay}
        year={part.madeYear}
        place={`parts.${index}.madeYear`}
        onStay={(stay) => edit([{ path: at('stay'), value: stay }])}
        onYear={(year) => edit([{ path: at('madeYear'), value: year }])}
      />
      <Makers of={[{ of: part.name, path: at('maker'), maker: part.maker, yearElsewhere: true }]} />
      <Photos
        label={`Photograph the tag of ${part.name}`}
        photos={part.photos}
        onChange={(photos) => edit([{ path: at('photos'), value: [...photos] }])}
      />
    </section>
  )
}

const Name = styled.div`
  flex: 1;
  max-width: 420px;
  input {
    font: 650 var(--lead)/22px var(--head);
    border-bottom: 0;
    padding-left: 0;
  }
`
const Choices = styled.div`
  max-width: 190px;
  padding-top: 8px;
`
const Add = styled.div`
  max-width: 320px;
  margin: 14px 0 20px;
`
