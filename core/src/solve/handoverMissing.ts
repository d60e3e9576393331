import type { Finding } from '../answer/finding'
import type { JudgedLeaving } from './handover/leaving'
import type { SheetId } from './sheetIds'
import type { OffItem } from './offStrip'
import { offWords } from './offStrip'
import type { JudgedSheet } from './judgeSheets'
import type { UnsafeSituation } from './unsafe'
import { openUnsafe } from './unsafe'

/** Something between the job and its signature; a finding is worded by whoever shows it. */
export interface HandoverGap {
  readonly sheet: SheetId
  readonly what: string
  readonly finding?: Finding
}

export function handoverMissing(
  sheets: Readonly<Record<SheetId, JudgedSheet>>,
  {
    off,
    unsafe,
    leaving,
    householder,
  }: {
    readonly off: readonly OffItem[]
    readonly unsafe: readonly UnsafeSituation[]
    readonly leaving: readonly JudgedLeaving[]
    /** What the householder's page lacks. */
    readonly householder: readonly string[]
  },
  isAsked: (id: SheetId) => boolean,
): readonly HandoverGap[] {
  const all = Object.values(sheets).filter(
    (sheet) => sheet.id !== 'handover' && sheet.state !== 'does-not-apply',
  )
  return [
    ...all.flatMap((sheet): HandoverGap[] => [
      ...(isAsked(sheet.id) ? sheet.missing.map(({ what }) => ({ sheet: sheet.id, what })) : []),
      ...sheet.findings
        .filter((finding) => finding.severity !== 'note')
        .map((finding) => ({ sheet: sheet.id, what: finding.id, finding })),
      ...(sheet.state === 'ready'
        ? [{ sheet: sheet.id, what: `${sheet.name} is ready and not yet checked` }]
        : []),
    ]),
    ...off.map((item) => ({
      sheet: 'steps' as const,
      what: `${item.body.name} is still ${offWords[item.body.state]}`,
    })),
    ...openUnsafe(unsafe).map(({ body }) => ({
      sheet: 'work' as const,
      what: `Unsafe and not put right: ${body.what}`,
    })),
    ...leaving
      .filter(({ answered }) => answered === undefined)
      .map(({ says }) => ({ sheet: 'handover' as const, what: `Not said yet: ${says}` })),
    ...householder.map((what) => ({ sheet: 'handover' as const, what })),
  ]
}
