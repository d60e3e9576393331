import type { SheetId } from '@hestian/core'
import type { ComponentType } from 'react'
import { lazy } from 'react'

/** A page that is fetched when it is first shown, or before, when the browser has nothing else to do. */
const page = <K extends string>(
  load: () => Promise<Readonly<Record<K, ComponentType>>>,
  name: K,
) => {
  const fetched = async () => ({ default: (await load())[name] })
  return { Page: lazy(fetched), fetched }
}

const walk = page(() => import('../survey/WalkPage'), 'WalkPage')

/** Every sheet's page, each in a piece of its own. */
const pages: Readonly<Record<SheetId, ReturnType<typeof page>>> = {
  site: page(() => import('../survey/SitePage'), 'SitePage'),
  readings: page(() => import('../survey/ReadingsPage'), 'ReadingsPage'),
  plates: page(() => import('../survey/PlatesPage'), 'PlatesPage'),
  place: page(() => import('../survey/PlacePage'), 'PlacePage'),
  inspection: page(() => import('../survey/InspectionPage'), 'InspectionPage'),
  heat: page(() => import('../heat/HeatPage'), 'HeatPage'),
  circuit: page(() => import('../circuit/CircuitPage'), 'CircuitPage'),
  vessel: page(() => import('../design/VesselPage'), 'VesselPage'),
  safety: page(() => import('../safety/SafetyPage'), 'SafetyPage'),
  relief: page(() => import('../relief/ReliefPage'), 'ReliefPage'),
  gas: page(() => import('../design/GasPage'), 'GasPage'),
  water: page(() => import('../water/WaterPage'), 'WaterPage'),
  tightness: page(() => import('../prove/TightnessPage'), 'TightnessPage'),
  steps: page(() => import('../commission/CommissionPage'), 'CommissionPage'),
  handover: page(() => import('../handover/HandoverPage'), 'HandoverPage'),
}

export const isSheet = (name: string): name is SheetId => name in pages
export const pageOf = (sheet: SheetId | 'walk') => (sheet === 'walk' ? walk : pages[sheet]).Page

/** Fetches every page that is not here yet, one after the other: a phone goes on without a signal once a job is open. */
export async function fetchAllPages(): Promise<void> {
  for (const { fetched } of [walk, ...Object.values(pages)])
    // One that cannot be fetched now is fetched when it is shown.
    await fetched().catch(() => undefined)
}
