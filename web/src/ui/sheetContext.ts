import type { Finding, SheetId } from '@hestian/core'
import { createContext, useContext } from 'react'

/** The sheet a page shows, and what is said on it. */
export interface SheetShown {
  readonly sheet: SheetId
  readonly findings: readonly Finding[]
}

export const SheetContext = createContext<SheetShown>({ sheet: 'site', findings: [] })
export const useSheet = (): SheetShown => useContext(SheetContext)
