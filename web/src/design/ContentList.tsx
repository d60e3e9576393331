import type { MaterialName } from '@hestian/core'
import { materialNames, materials, pipeVolume_m3, sizeNamed } from '@hestian/core'
import styled from 'styled-components'
import { newId } from '../api/client'
import { useJob } from '../job/JobContext'
import { SectionHead } from '../ui/Answer'
import { Button } from '../ui/Button'
import { Choice, InlineCount, InlineText, RowGrid, Rows } from '../ui/fields'
import { QuantityCell } from '../ui/QuantityRow'

/** What holds the water: emitters, pipes, the boiler, and other parts with a pressure limit. */
export function ContentList() {
  const { draft, edit, show, solution } = useJob()
  const { heating } = draft.document
  if (!heating) return null
  const { practice } = solution
  const drop = (list: 'emitters' | 'pipes' | 'weakParts', id: string) => edit([{ path: ['heating', list], value: heating[list].filter((row: { id: string }) => row.id !== id) }])
  const total = solution.vessel.applies ? solution.vessel.answer?.content.total_m3 : undefined
  const litres = (value: number) => show(value, 'volume', 1)
  return (
    <section id="water-content">
      <SectionHead>Where the water is<small>{total === undefined ? '' : `${litres(total)} in all, boiler included`}</small></SectionHead>
      <Rows>
        {heating.emitters.map((emitter, i) => (
          <RowGrid key={emitter.id} $columns="minmax(0, 1.5fr) minmax(0, 1fr) 70px 110px 80px 32px" data-place={`heating.emitters.${i}`}>
            <InlineText label={`Emitter ${i + 1}`} required value={emitter.name} maxLength={120} onCommit={(name) => edit([{ path: ['heating', 'emitters', i, 'name'], value: name.trim() }])} />
            <InlineText label={`Zone of ${emitter.name}`} value={emitter.zone} maxLength={80} onCommit={(zone) => edit([{ path: ['heating', 'emitters', i, 'zone'], value: zone }])} />
            <InlineCount label={`How many of ${emitter.name}`} value={emitter.count} onCommit={(count) => edit([{ path: ['heating', 'emitters', i, 'count'], value: count }])} />
            <QuantityCell label={`Water in each of ${emitter.name}`} place={`heating.emitters.${i}.water`} measure="small-volume" value={emitter.waterEach_m3} onUse={({ si, basis, from }) => edit([{ path: ['heating', 'emitters', i, 'waterEach_m3'], value: { value: si, basis, from } }])} />
            <Sum className="tnum">{emitter.waterEach_m3 ? litres(emitter.waterEach_m3.value * emitter.count) : ''}</Sum>
            <Drop name={emitter.name} onPress={() => drop('emitters', emitter.id)} />
          </RowGrid>
        ))}
        {heating.pipes.map((pipe, i) => (
          <RowGrid key={pipe.id} $columns="minmax(0, 1.5fr) minmax(0, 1fr) 84px 110px 80px 32px" data-place={`heating.pipes.${i}`}>
            <InlineText label={`Pipe ${i + 1}`} required value={pipe.name} maxLength={120} onCommit={(name) => edit([{ path: ['heating', 'pipes', i, 'name'], value: name.trim() }])} />
            <Choice<MaterialName> label={`Material of ${pipe.name}`} value={pipe.material} options={materialNames.map((id) => ({ id, text: materials[id].label }))} onChoose={(material) => edit([{ path: ['heating', 'pipes', i, 'material'], value: material }, { path: ['heating', 'pipes', i, 'size'], value: materials[material].sizes[2]?.name ?? '' }])} />
            <Choice label={`Size of ${pipe.name}`} value={pipe.size} options={materials[pipe.material].sizes.map((size) => ({ id: size.name as string, text: size.name as string }))} onChoose={(size) => edit([{ path: ['heating', 'pipes', i, 'size'], value: size }])} />
            <QuantityCell label={`Length of ${pipe.name}`} place={`heating.pipes.${i}.length`} measure="length" value={pipe.length_m} onUse={({ si, basis, from }) => edit([{ path: ['heating', 'pipes', i, 'length_m'], value: { value: si, basis, from } }])} />
            <Sum className="tnum">{pipe.length_m ? litres(pipeVolume_m3(sizeNamed(pipe.material, pipe.size)?.bore_m ?? 0, pipe.length_m.value)) : ''}</Sum>
            <Drop name={pipe.name} onPress={() => drop('pipes', pipe.id)} />
          </RowGrid>
        ))}
      </Rows>
      <Adds>
        <Button look="text" onPress={() => edit([{ path: ['heating', 'emitters', heating.emitters.length], value: { id: newId(), name: `New ${practice.words.emitter}s`, zone: '', count: 1, waterEach_m3: null } }])}>Add emitters</Button>
        <Button look="text" onPress={() => edit([{ path: ['heating', 'pipes', heating.pipes.length], value: { id: newId(), name: 'New pipe', material: practice.gas.material === 'steel-schedule-40' ? 'copper-type-k' : 'copper-en1057', size: practice.gas.material === 'steel-schedule-40' ? '3/4' : '22 mm', length_m: null } }])}>Add a pipe</Button>
        <Button look="text" onPress={() => edit([{ path: ['heating', 'weakParts', heating.weakParts.length], value: { id: newId(), name: 'New part', maxWorkingGauge_Pa: null } }])}>Add a part with a pressure limit</Button>
      </Adds>
      {heating.weakParts.length > 0 && <SectionHead>Other parts with a pressure limit</SectionHead>}
      <Rows>
        {heating.weakParts.map((part, i) => (
          <RowGrid key={part.id} $columns="minmax(0, 1fr) 130px 32px">
            <InlineText label={`Part ${i + 1}`} required value={part.name} maxLength={120} onCommit={(name) => edit([{ path: ['heating', 'weakParts', i, 'name'], value: name.trim() }])} />
            <QuantityCell label={`Greatest working pressure of ${part.name}`} place={`heating.weakParts.${i}`} measure="water-pressure" value={part.maxWorkingGauge_Pa} onUse={({ si, basis, from }) => edit([{ path: ['heating', 'weakParts', i, 'maxWorkingGauge_Pa'], value: { value: si, basis, from } }])} />
            <Drop name={part.name} onPress={() => drop('weakParts', part.id)} />
          </RowGrid>
        ))}
      </Rows>
    </section>
  )
}

export const Drop = ({ name, onPress }: { readonly name: string; readonly onPress: () => void }) => <Cross look="text" aria-label={`Remove ${name}`} onPress={onPress}><span aria-hidden>✕</span></Cross>
const Cross = styled(Button)` && { color: var(--ink-3); text-decoration: none; padding: 4px 8px; } `
const Sum = styled.span` text-align: right; font-size: 15px; color: var(--ink-2); `
const Adds = styled.div` display: flex; gap: 22px; flex-wrap: wrap; padding: 8px 0; `
