import type { Appliance } from '@hestian/core'
import { applianceKinds, applianceWords, blankAppliance, blankHeating, burnsGas, plateFields } from '@hestian/core'
import styled from 'styled-components'
import { newId } from '../api/client'
import { useJob } from '../job/JobContext'
import { ProveSheet } from '../shell/ProveSheet'
import { Answer, Prose, SectionHead, VerdictLine } from '../ui/Answer'
import { Button } from '../ui/Button'
import { Choice, InlineText } from '../ui/fields'
import { Ledger, QuantityRow } from '../ui/QuantityRow'
import { SheetPage } from '../ui/SheetPage'
import { Toggle } from './SitePage'

export function PlatesPage() {
  const { draft, edit, judgement, solution, show } = useJob()
  const { appliances, heating } = draft.document
  const burners = appliances.filter((appliance) => burnsGas(appliance.kind))
  const total_W = solution.gas.applies && solution.gas.answer ? solution.gas.answer.total_W : undefined
  const boiler = appliances.find((appliance) => appliance.kind === 'boiler')
  const findings = [...judgement.sheets.D1.findings, ...judgement.sheets.D2.findings, ...judgement.sheets.P1.findings].filter((finding) => finding.place.startsWith('appliances.'))
  const add = (kind: Appliance['kind']) => edit([
    { path: ['appliances', appliances.length], value: blankAppliance({ id: newId(), name: applianceWords[kind], kind }) },
  ])
  return (
    <SheetPage sheet="S3" findings={findings}>
      <Answer>{appliances.length === 0 ? <>What stands here, or <b>will</b>?</> : <><b>{appliances.length}</b> {appliances.length === 1 ? 'appliance' : 'appliances'}, <b>{burners.length}</b> {burners.length === 1 ? 'burns' : 'burn'} gas{total_W ? <>: <b>{show(total_W, 'power')}</b> gross together.</> : '.'}</>}</Answer>
      <VerdictLine>Read the plate; do not trust the last form. Inputs are kept gross whatever the plate says.</VerdictLine>
      {appliances.map((appliance, i) => <Plate key={appliance.id} appliance={appliance} index={i} />)}
      <Add><Choice label="Add an appliance" value={null} options={applianceKinds.map((kind) => ({ id: kind, text: applianceWords[kind] }))} onChoose={add} labelled /></Add>
      <SectionHead>Heating circuit</SectionHead>
      <Toggle isSelected={heating !== null} onChange={(on) => edit([{ path: ['heating'], value: on ? blankHeating(boiler?.id ?? null) : null }])}><i />This job has a heating circuit</Toggle>
      {heating !== null && !boiler && <Prose>It has no boiler yet: add one above.</Prose>}
      <ProveSheet sheet="S3" />
    </SheetPage>
  )
}

const net = [{ id: 'gross', text: 'gross' }, { id: 'net', text: 'net' }] as const

function Plate({ appliance, index }: { readonly appliance: Appliance; readonly index: number }) {
  const { edit, draft, solution } = useJob()
  const at = (key: string) => ['appliances', index, key]
  const remove = () => edit([
    { path: ['appliances'], value: draft.document.appliances.filter((one) => one.id !== appliance.id) },
    { path: ['gas', 'segments'], value: draft.document.gas.segments.map((segment) => (segment.applianceId === appliance.id ? { ...segment, applianceId: null } : segment)) },
  ])
  const fields = plateFields.filter((field) => field.kinds.includes(appliance.kind))
  return (
    <section>
      <SectionHead as="div"><Name><InlineText label={`Name of appliance ${index + 1}`} required value={appliance.name} maxLength={120} onCommit={(name) => edit([{ path: at('name'), value: name.trim() }])} /></Name><small>{applianceWords[appliance.kind]} <Button look="text" onPress={remove} aria-label={`Remove ${appliance.name}`}>Remove</Button></small></SectionHead>
      <Ledger>
        {fields.map((field) => (
          <QuantityRow key={field.key} label={`${field.label}${field.key === 'input_W' ? ` (${appliance.inputSaid})` : ''}`} place={`appliances.${index}.${field.key}`} measure={field.measure} value={appliance[field.key]} how={field.how} why={field.why}
            empty={field.needed ? 'needed' : 'not looked at yet'}
            onUse={({ si, basis, from }) => edit([{ path: at(field.key), value: { value: si, basis, from } }])} onClear={() => edit([{ path: at(field.key), value: null }])} />
        ))}
      </Ledger>
      {burnsGas(appliance.kind) && <Said>The plate’s input is <Choice label={`Input of ${appliance.name} is gross or net`} value={appliance.inputSaid} options={net} onChoose={(said) => edit([{ path: at('inputSaid'), value: said }])} /> {appliance.inputSaid === 'net' && <small>Gas is counted gross: times {solution.practice.name === 'north-america' ? 'the ratio' : '1.11 for natural gas'}.</small>}</Said>}
    </section>
  )
}

const Name = styled.div` flex: 1; max-width: 420px; input { font: 650 17px/22px var(--head); border-bottom: 0; padding-left: 0; } `
const Said = styled.div` display: flex; gap: 10px; align-items: center; font-size: 15px; color: var(--ink-2); padding: 4px 0 12px; > div { width: 96px; } small { font-size: 14px; } `
const Add = styled.div` max-width: 320px; margin: 14px 0 20px; `
