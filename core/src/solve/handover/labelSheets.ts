/** Sheets of labels by what they measure, mm: no maker's, so that any sheet of that size does. */
export const labelSheets = {
  '24-a4': {
    paper: 'A4',
    across: 3,
    down: 8,
    width: 64,
    height: 34,
    left: 8,
    top: 12.5,
    gapX: 2.5,
    gapY: 0,
  },
  '21-a4': {
    paper: 'A4',
    across: 3,
    down: 7,
    width: 63.5,
    height: 38.1,
    left: 7.2,
    top: 15.1,
    gapX: 2.5,
    gapY: 0,
  },
  '8-a4': {
    paper: 'A4',
    across: 2,
    down: 4,
    width: 99,
    height: 67.7,
    left: 4.7,
    top: 13.1,
    gapX: 2.6,
    gapY: 0,
  },
  '30-letter': {
    paper: 'LETTER',
    across: 3,
    down: 10,
    width: 66.7,
    height: 25.4,
    left: 4.8,
    top: 12.7,
    gapX: 3.2,
    gapY: 0,
  },
} as const
export type LabelSheetId = keyof typeof labelSheets
export const labelSheetIds = Object.keys(labelSheets) as [LabelSheetId, ...LabelSheetId[]]

/** How many labels stand on one sheet. */
export const labelsOn = (id: LabelSheetId): number => labelSheets[id].across * labelSheets[id].down
