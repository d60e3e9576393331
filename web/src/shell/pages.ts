import type { SheetId } from '@hestian/core'
import type { ComponentType } from 'react'
import { lazy } from 'react'
import { NotFetched } from '../work/NotFetched'
import { lateOnes } from '../ui/lateOnes'
import { lateParts } from './lateParts'

interface Here {
  readonly default: ComponentType
}
interface FetchedPage {
  Page: ComponentType
  readonly fetched: () => Promise<Here>
}

/** Pages fetched at a time: a few, so that a hand is never kept waiting. */
const abreast = 8
/** When a page that could not be fetched may be tried again. */
const afresh_ms = 1000

/**
 * Gives what is here without a turn of the loop. A page that suspends, however shortly, says that it
 * is fetched for a third of a second before React shows it.
 */
const atOnce = (here: Here): Promise<Here> =>
  Object.assign(Promise.resolve(here), { then: (take: (here: Here) => void) => take(here) })

/**
 * A page that is fetched when it is first shown, or before, when the browser has nothing else to
 * do.
 */
function page<K extends string>(
  load: () => Promise<Readonly<Record<K, ComponentType>>>,
  name: K,
): FetchedPage {
  let here: Here | undefined
  const fetched = async (): Promise<Here> => {
    try {
      const { [name]: Page } = await load()
      here = { default: Page as ComponentType }
      return here
    } catch {
      // A lazy part that failed once fails for ever: the next try takes a new one. Not at once, since
      // React draws what broke once more, and would find one that is on its way again, for ever.
      setTimeout(() => (entry.Page = shown()), afresh_ms)
      throw new NotFetched('This sheet is not on this device yet, and the server does not answer.')
    }
  }
  const shown = (): ComponentType => lazy(() => (here ? atOnce(here) : fetched()))
  const entry: FetchedPage = { Page: shown(), fetched }
  return entry
}

const walk = page(() => import('../survey/WalkPage'), 'WalkPage')

/** Every sheet's page, each in a piece of its own. */
const pages: Readonly<Record<SheetId, FetchedPage>> = {
  work: page(() => import('../kinds/WorkPage'), 'WorkPage'),
  site: page(() => import('../survey/SitePage'), 'SitePage'),
  readings: page(() => import('../survey/ReadingsPage'), 'ReadingsPage'),
  plates: page(() => import('../survey/PlatesPage'), 'PlatesPage'),
  place: page(() => import('../survey/PlacePage'), 'PlacePage'),
  inspection: page(() => import('../survey/InspectionPage'), 'InspectionPage'),
  exchange: page(() => import('../exchange/ExchangePage'), 'ExchangePage'),
  heat: page(() => import('../heat/HeatPage'), 'HeatPage'),
  circuit: page(() => import('../circuit/CircuitPage'), 'CircuitPage'),
  vessel: page(() => import('../vessel/VesselPage'), 'VesselPage'),
  safety: page(() => import('../safety/SafetyPage'), 'SafetyPage'),
  relief: page(() => import('../relief/ReliefPage'), 'ReliefPage'),
  gas: page(() => import('../gas/GasPage'), 'GasPage'),
  water: page(() => import('../water/WaterPage'), 'WaterPage'),
  tightness: page(() => import('../bench/TightnessPage'), 'TightnessPage'),
  'by-hand': page(() => import('../by-hand/HandTestsPage'), 'HandTestsPage'),
  steps: page(() => import('../commission/CommissionPage'), 'CommissionPage'),
  list: page(() => import('../list/ListPage'), 'ListPage'),
  handover: page(() => import('../handover/HandoverPage'), 'HandoverPage'),
}

export const isSheet = (name: string): name is SheetId => name in pages
export const pageOf = (sheet: SheetId | 'walk'): ComponentType =>
  (sheet === 'walk' ? walk : pages[sheet]).Page

/** Fetches one page if it is not here; where it cannot be, that is said when it is shown. */
export const fetchPage = (sheet: SheetId): Promise<unknown> =>
  Promise.allSettled([pages[sheet].fetched()])

/** When the browser has nothing else to do, or soon after. */
const idle = (): Promise<unknown> =>
  'requestIdleCallback' in globalThis
    ? new Promise((resolve) => requestIdleCallback(resolve, { timeout: 250 }))
    : Promise.resolve()

/**
 * Fetches every page that is not here yet, a few at a time: a phone goes on without a signal once a
 * job is open. One that cannot be fetched now is fetched when it is shown.
 */
export async function fetchAllPages(): Promise<void> {
  const inTurn = async (all: readonly (() => Promise<unknown>)[]) => {
    for (let i = 0; i < all.length; i += abreast) {
      await idle()
      await Promise.allSettled(all.slice(i, i + abreast).map((fetched) => fetched()))
    }
  }
  const declared = () => lateOnes.map(({ fetch }) => fetch)
  // What the page that is looked at opens is wanted first; each other page brings its own.
  await idle()
  await Promise.allSettled(declared().map((fetched) => fetched()))
  await inTurn([walk, ...Object.values(pages)].map(({ fetched }) => fetched))
  await inTurn([...declared(), ...lateParts])
}
