import type { Edit } from '../answer/finding'
import type { Appliance, JobDocument } from '../job/document'
import { blankAppliance, blankPart } from '../job/document'
import { applianceWords } from '../job/fields'
import { blankHotWater } from '../job/hotWaterDocument'
import { blankHeating } from '../job/pressureDocument'
import { inWords } from '../job/questions'
import type { PartKind } from '../job/surveyDocument'
import type { ExchangedPart, WorkKindId } from '../job/workDocument'
import { blankExchange } from '../job/workDocument'
import type { Vocabulary } from '../practice/practice'
import { kindsOf, workKindOf } from './kinds'

/** What a kind of work brings, where the job has none of it yet. */
const bringsOne: Partial<Record<WorkKindId, Appliance['kind']>> = {
  'heating-new': 'boiler',
  'boiler-exchanged': 'boiler',
  'stored-hot-water': 'indirect-cylinder',
  'storage-heater-exchanged': 'storage-heater',
  'instantaneous-heater': 'instantaneous-heater',
}

/**
 * Edits that say what the work is and put down what it cannot be without. Nothing that is filled is
 * taken away.
 */
export function chooseWork(
  document: JobDocument,
  kinds: readonly WorkKindId[],
  newId: () => string,
): readonly Edit[] {
  const needs = new Set(kinds.flatMap((id) => workKindOf(id).needs))
  const fresh = kinds.flatMap((id): Appliance[] => {
    const kind = bringsOne[id]
    const there = document.appliances.some((one) => one.kind === kind && one.stay === 'new')
    return kind === undefined || there
      ? []
      : [blankAppliance({ id: newId(), name: applianceWords[kind], kind })]
  })
  const appliances = [...document.appliances, ...fresh]
  const boiler = appliances.find((one) => one.kind === 'boiler' && one.stay !== 'goes')
  return [
    {
      path: ['work', 'kinds'],
      value: kindsOf({ ...document, work: { ...document.work, kinds: [...kinds] } }).map(
        ({ id }) => id,
      ),
    },
    ...(fresh.length > 0 ? [{ path: ['appliances'], value: appliances }] : []),
    ...(needs.has('heating') && document.heating === null
      ? [{ path: ['heating'], value: blankHeating(boiler?.id ?? null) }]
      : []),
    ...(needs.has('hot-water') && document.hotWater === null
      ? [{ path: ['hotWater'], value: blankHotWater }]
      : []),
    ...(needs.has('inspecting') && !document.survey.inspecting
      ? [{ path: ['survey', 'inspecting'], value: true }]
      : []),
  ]
}

/** Safety parts in the practice's words. */
export const exchangedWords: Readonly<Record<ExchangedPart, string>> = {
  'relief-valve': '{reliefValve} at a boiler',
  'temperature-pressure-valve': '{temperatureRelief}',
  'expansion-vessel': '{vessel}',
  'reducing-valve': '{reducingValve} or {fillDevice}',
  'inlet-group': 'inlet group',
}

const rowOf: Readonly<Record<ExchangedPart, PartKind>> = {
  'relief-valve': 'relief-valve',
  'temperature-pressure-valve': 'temperature-pressure-valve',
  'expansion-vessel': 'expansion-vessel',
  'reducing-valve': 'reducing-valve',
  'inlet-group': 'reducing-valve',
}

/**
 * Edits that begin the exchange of one safety part: the plant it guards, where the job has none
 * yet, the old part and the new one.
 */
export function beginExchange(
  document: JobDocument,
  part: ExchangedPart,
  words: Vocabulary,
  newId: () => string,
): readonly Edit[] {
  const store = part === 'temperature-pressure-valve' || part === 'inlet-group'
  const kinds: readonly Appliance['kind'][] = store
    ? ['storage-heater', 'electric-storage-heater', 'heat-pump-heater', 'indirect-cylinder']
    : ['boiler']
  const there = document.appliances.find((one) => kinds.includes(one.kind) && one.stay !== 'goes')
  const kind = kinds[0] ?? 'boiler'
  const plant = there ?? {
    ...blankAppliance({ id: newId(), name: applianceWords[kind], kind }),
    stay: 'stays' as const,
  }
  const called = inWords(exchangedWords[part], words).replace(/ at a boiler$| or .*$/, '')
  const row = (name: string, stay: 'new' | 'goes') => ({
    ...blankPart({
      id: newId(),
      name,
      kind: rowOf[part],
      circuit: store ? 'hot-water' : 'heating',
    }),
    stay,
  })
  const old = row(`Old ${called.charAt(0).toLowerCase()}${called.slice(1)}`, 'goes')
  const fresh = row(`New ${called.charAt(0).toLowerCase()}${called.slice(1)}`, 'new')
  return [
    ...(there ? [] : [{ path: ['appliances'], value: [...document.appliances, plant] }]),
    { path: ['parts'], value: [...document.parts, old, fresh] },
    {
      path: ['work', 'exchange'],
      value: blankExchange({ part, plantId: plant.id, oldId: old.id, newId: fresh.id }),
    },
  ]
}
