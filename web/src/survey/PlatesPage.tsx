import type { Appliance } from '@hestian/core'
import {
  applianceKinds,
  applianceWords,
  blankAppliance,
  blankHeating,
  blankHotWater,
  burnsGas,
  plateFields,
} from '@hestian/core'
import styled from 'styled-components'
import { newId } from '../api/client'
import { useDesign, useJobActions, useReadBy, useStanding } from '../job/JobContext'
import { Makers } from '../job/MakerRow'
import { CheckSheet } from '../shell/CheckSheet'
import { Answer, Prose, SectionHead, VerdictLine } from '../ui/Answer'
import { Button } from '../ui/Button'
import { Choice } from '../ui/Choice'
import { InlineText } from '../ui/fields'
import { Ledger, QuantityRow } from '../ui/QuantityRow'
import { knownOf } from '../ui/quantity'
import { Paper, Photos } from '../ui/Photos'
import { ChoiceRow, yesNo } from '../ui/ChoiceRow'
import { Contents } from '../ui/Contents'
import { NotesHere, SheetPage } from '../ui/SheetPage'
import { Parts } from './Parts'
import { StayAndYear } from './StayAndYear'
import { Toggle } from '../ui/Toggle'

export function PlatesPage() {
  const { draft, solution } = useDesign()
  const { judgement } = useStanding()
  const { edit } = useJobActions()
  const { show } = useReadBy()
  const { appliances, heating, hotWater } = draft.document
  const burners = appliances.filter((appliance) => burnsGas(appliance.kind))
  const total_W =
    solution.gas.applies && solution.gas.answer ? solution.gas.answer.total_W : undefined
  const boiler = appliances.find((appliance) => appliance.kind === 'boiler')
  const makesHotWater: readonly Appliance['kind'][] = [
    'instantaneous-heater',
    'storage-heater',
    'electric-storage-heater',
    'heat-pump-heater',
    'indirect-cylinder',
  ]
  const findings = [
    ...judgement.sheets.plates.findings,
    ...judgement.sheets.vessel.findings,
    ...judgement.sheets.gas.findings,
    ...judgement.sheets.tightness.findings,
  ].filter((finding) => finding.place.startsWith('appliances.'))
  const add = (kind: Appliance['kind']) =>
    edit([
      {
        path: ['appliances', appliances.length],
        value: blankAppliance({ id: newId(), name: applianceWords[kind], kind }),
      },
      ...(makesHotWater.includes(kind) && hotWater === null
        ? [{ path: ['hotWater'], value: blankHotWater }]
        : []),
    ])
  return (
    <SheetPage sheet="plates" findings={findings}>
      <Answer>
        {appliances.length === 0 ? (
          <>
            What stands here, or <b>will</b>?
          </>
        ) : (
          <>
            <b>{appliances.length}</b> {appliances.length === 1 ? 'appliance' : 'appliances'},{' '}
            <b>{burners.length}</b> {burners.length === 1 ? 'burns' : 'burn'} gas
            {total_W ? (
              <>
                : <b>{show(total_W, 'power')}</b> gross together.
              </>
            ) : (
              '.'
            )}
          </>
        )}
      </Answer>
      <VerdictLine>
        Read the plate; do not trust the last form. Inputs are kept gross whatever the plate says.
      </VerdictLine>
      <Contents />
      {appliances.map((appliance, i) => (
        <Plate key={appliance.id} appliance={appliance} index={i} />
      ))}
      <Add>
        <Choice
          label="Add an appliance"
          value={null}
          options={applianceKinds.map((kind) => ({ id: kind, text: applianceWords[kind] }))}
          onChoose={add}
          labelled
        />
      </Add>
      <Parts />
      <SectionHead>Heating and hot water</SectionHead>
      <Toggle
        isSelected={heating !== null}
        onChange={(on) =>
          edit([{ path: ['heating'], value: on ? blankHeating(boiler?.id ?? null) : null }])
        }
      >
        <i />
        This job has a heating circuit
      </Toggle>
      <Toggle
        isSelected={hotWater !== null}
        onChange={(on) => edit([{ path: ['hotWater'], value: on ? blankHotWater : null }])}
      >
        <i />
        This job makes hot water
      </Toggle>
      {heating !== null && !boiler && <Prose>It has no boiler yet: add one above.</Prose>}
      <CheckSheet sheet="plates" />
    </SheetPage>
  )
}

const papers = [
  { key: 'manual', label: 'Manual' },
  { key: 'installation', label: 'Installation instructions' },
  { key: 'charts', label: 'Charts' },
] as const
const net = [
  { id: 'gross', text: 'gross' },
  { id: 'net', text: 'net' },
] as const

function Plate({ appliance, index }: { readonly appliance: Appliance; readonly index: number }) {
  const { draft, solution } = useDesign()
  const { edit } = useJobActions()
  const at = (key: string) => ['appliances', index, key]
  const remove = () =>
    edit([
      {
        path: ['appliances'],
        value: draft.document.appliances.filter((one) => one.id !== appliance.id),
      },
      {
        path: ['gas', 'segments'],
        value: draft.document.gas.segments.map((segment) =>
          segment.applianceId === appliance.id ? { ...segment, applianceId: null } : segment,
        ),
      },
    ])
  const fields = plateFields.filter((field) => field.kinds.includes(appliance.kind))
  return (
    <section>
      <SectionHead as="div">
        <Name>
          <InlineText
            label={`Name of appliance ${index + 1}`}
            required
            value={appliance.name}
            maxLength={120}
            onCommit={(name) => edit([{ path: at('name'), value: name.trim() }])}
          />
        </Name>
        <small>
          {applianceWords[appliance.kind]}{' '}
          <Button look="text" onPress={remove} aria-label={`Remove ${appliance.name}`}>
            Remove
          </Button>
        </small>
      </SectionHead>
      <Ledger>
        {fields.map((field) => (
          <QuantityRow
            key={field.key}
            label={`${field.label}${field.key === 'input_W' ? ` (${appliance.inputSaid})` : ''}`}
            place={`appliances.${index}.${field.key}`}
            measure={field.measure}
            value={appliance[field.key]}
            how={field.how}
            why={field.why}
            empty={field.needed ? 'needed' : 'not looked at yet'}
            onUse={(entry) => edit([{ path: at(field.key), value: knownOf(entry) }])}
            onClear={() => edit([{ path: at(field.key), value: null }])}
          />
        ))}
        {appliance.kind === 'boiler' && (
          <ChoiceRow
            label="Made to condense"
            place={`appliances.${index}.condensing`}
            why="One that is not must not get cool water back; one that is wants it."
            value={appliance.condensing}
            options={yesNo}
            onChoose={(id) => edit([{ path: at('condensing'), value: id }])}
          />
        )}
      </Ledger>
      {burnsGas(appliance.kind) && (
        <Said>
          The plate’s input is{' '}
          <Choice
            label={`Input of ${appliance.name} is gross or net`}
            value={appliance.inputSaid}
            options={net}
            onChoose={(said) => edit([{ path: at('inputSaid'), value: said }])}
          />{' '}
          {appliance.inputSaid === 'net' && (
            <small>Gas is counted gross: times {solution.practice.gas.netToGross}.</small>
          )}
        </Said>
      )}
      <StayAndYear
        name={appliance.name}
        stay={appliance.stay}
        year={appliance.madeYear}
        place={`appliances.${index}.madeYear`}
        onStay={(stay) => edit([{ path: at('stay'), value: stay }])}
        onYear={(year) => edit([{ path: at('madeYear'), value: year }])}
      />
      <Makers
        of={[
          { of: appliance.name, path: at('maker'), maker: appliance.maker, yearElsewhere: true },
        ]}
      />
      <div data-place={`appliances.${index}.papers`}>
        {papers.map(({ key, label }) => (
          <Paper
            key={key}
            label={`${label} of ${appliance.name}`}
            paper={appliance.papers[key]}
            onChange={(paper) => edit([{ path: [...at('papers'), key], value: paper }])}
          />
        ))}
        <NotesHere place={`appliances.${index}.papers`} />
      </div>
      <Photos
        label={`Photograph the plate of ${appliance.name}`}
        photos={appliance.photos}
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
const Said = styled.div`
  display: flex;
  gap: 10px;
  align-items: center;
  font-size: var(--small);
  color: var(--ink-2);
  padding: 4px 0 12px;
  > div {
    width: 96px;
  }
  small {
    font-size: var(--note);
  }
`
const Add = styled.div`
  max-width: 320px;
  margin: 14px 0 20px;
`
