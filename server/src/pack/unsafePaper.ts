import { paperInks, smellOfGas, unsafeRules } from '@hestian/core'
import type { Content, TDocumentDefinitions } from 'pdfmake/interfaces'
import { Refusal } from '../app/refusal'
import type { HandoverFacts } from './paper'
import { paper, section, witnessOf } from './paper'
import { unsafeLines } from './workList'

/**
 * The paper of one unsafe situation, for the person responsible: what, how bad, what was done, and
 * a line to sign.
 */
export function unsafePaper(facts: HandoverFacts, unsafeId: string): TDocumentDefinitions {
  const { state, solution, judgement } = facts
  const situation = judgement.unsafe.find((one) => one.id === unsafeId)
  if (!situation) throw new Refusal('no-such-record', 'There is no such unsafe situation here.')
  const witness = witnessOf(facts)
  const rules = unsafeRules[solution.practice.name]
  const { name, asks } = rules.classes[situation.body.class]
  return paper({
    title: `${state.document.site.name}: unsafe situation`,
    foot: `Job ${state.number}, unsafe situation`,
    content: [
      {
        text: name,
        font: 'Head',
        bold: true,
        fontSize: 26,
        color: paperInks.stop,
        headlineLevel: 1,
      },
      {
        text: `${state.document.site.name}, ${state.document.site.address || 'no address given'}. Job ${state.number}.`,
        margin: [0, 2, 0, 8],
        color: paperInks['ink-2'],
      },
      { text: asks, fontSize: 12, margin: [0, 0, 0, 8] },
      unsafeLines(situation, solution, witness),
      section('For the person responsible'),
      {
        text: `Do not use what is named above until somebody licensed for it has put it right. If you smell gas: ${smellOfGas(solution.practice)}`,
      },
      {
        text: `${solution.practice.words.gasEmergency.charAt(0).toUpperCase()}${solution.practice.words.gasEmergency.slice(1)}: ______________________________`,
        margin: [0, 6, 0, 0],
      },
      {
        text: 'Received: ______________________________    Date: ______________',
        margin: [0, 26, 0, 0],
      },
      {
        text: `${rules.source.says}. Local code, the gas supplier and licensed practice come first. ${witness.sealed}`,
        color: paperInks['ink-3'],
        fontSize: 9,
        margin: [0, 16, 0, 0],
      },
    ] as Content[],
  })
}
