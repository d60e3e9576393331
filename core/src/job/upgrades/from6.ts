import type { Raw } from './raw'
import { isBranch, rowsIn } from './raw'

/** Version 7 tells gas pipe that lay here before from new pipe, and names the meter. */
export const from6 = (raw: Raw): Raw => ({
  ...raw,
  version: 7,
  gas: isBranch(raw.gas)
    ? {
        meterKind: null,
        ...raw.gas,
        segments: rowsIn(raw.gas.segments).map((segment) => ({ laid: null, ...segment })),
      }
    : raw.gas,
})
