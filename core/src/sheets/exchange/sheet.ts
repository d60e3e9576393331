import type { Sheet } from '../../answer/sheet'
import type { JobDocument } from '../../job/document'
import type { Practice } from '../../practice/practice'
import { sheetSpec } from '../sheetSpec'
import type { ExchangeAnswer } from './answer'
import { exchangeFindings } from './findings'
import { matchPoints, waterBelow_Pa } from './match'
import { exchangeMissing, isRelief } from './missing'
import { exchangeSentence } from './sentence'
import { exchangeWordings } from './wording'
import { exchangeWorkings } from './workings'

/** The rows an exchange speaks of; undefined where one was taken out. */
function rowsOf({ work, appliances, parts }: JobDocument) {
  const exchange = work.exchange
  if (!exchange) return
  const plant = appliances.find((one) => one.id === exchange.plantId)
  const old = parts.find((one) => one.id === exchange.oldId)
  const fresh = parts.find((one) => one.id === exchange.newId)
  return plant && old && fresh ? { exchange, plant, old, fresh } : undefined
}

/** One safety part exchanged: the new one held against the plant, then against the old one. */
export function exchangeSheet(document: JobDocument, practice: Practice): Sheet<ExchangeAnswer> {
  const { work } = document
  if (!work.exchange && !work.kinds.includes('safety-part-exchanged'))
    return { applies: false, because: 'No safety part is exchanged one for one.' }
  const rows = rowsOf(document)
  if (!rows)
    return {
      applies: true,
      answer: undefined,
      missing: [{ place: 'work.exchange', what: 'Which part is exchanged' }],
      findings: [],
      workings: () => [],
    }
  const set_Pa = rows.fresh.setGauge_Pa?.value
  const answer: ExchangeAnswer = {
    ...rows,
    points: matchPoints(rows.exchange, rows, document, practice),
    ...(set_Pa === undefined ? {} : { seenGauge_Pa: set_Pa + waterBelow_Pa(rows.exchange) }),
  }
  return {
    applies: true,
    answer,
    missing: exchangeMissing(rows),
    findings: exchangeFindings(answer),
    workings: () => (isRelief(rows.exchange) ? exchangeWorkings(answer) : []),
  }
}

export const exchangeSpec = sheetSpec()({
  id: 'exchange',
  wordings: exchangeWordings,
  place: 'work.exchange',
  says: exchangeSentence,
  inputs: (document) => {
    const rows = rowsOf(document)
    return [
      document.work.exchange,
      rows?.plant,
      rows?.old,
      rows?.fresh,
      document.survey.fuel,
      document.work.kinds.includes('safety-part-exchanged'),
    ]
  },
  solve: exchangeSheet,
})
