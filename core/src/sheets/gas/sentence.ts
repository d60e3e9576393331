import type { Telling } from '../sheetSpec'
import type { AnswerSentence } from '../../answer/sentence'
import { gaps, sentence, strong, toFix, waitsFor } from '../../answer/sentence'
import type { GasAnswer } from './answer'

/** `Boiler` in the middle of a sentence; a name in capitals stays. */
const lower = (text: string): string =>
  /^[A-Z][a-z]/.test(text) ? text.charAt(0).toLowerCase() + text.slice(1) : text

/**
 * The pipe to the index appliance and its drop; beside it what everything draws and what the others
 * have to spare.
 */
export function gasSentence(
  answer: GasAnswer | undefined,
  { missing, show, fixes }: Telling,
): AnswerSentence {
  if (!answer) return { head: waitsFor('The pipe', missing), beside: [gaps(missing)] }
  const { index, supply } = answer
  const bar = (pressure_Pa: number) => strong(show(pressure_Pa, 'gas-pressure'))
  const spare_Pa = Math.min(
    ...answer.pipes
      .filter((pipe) => pipe.appliance && pipe.id !== index.id)
      .map((pipe) => (pipe.allowed_Pa ?? answer.allowance_Pa) - pipe.dropTo_Pa),
  )
  const others = Number.isFinite(spare_Pa)
    ? sentence` The others have ${bar(spare_Pa)} or more to spare.`
    : undefined
  return {
    head: sentence`${strong(index.pipe.size.name)} to the ${lower(index.appliance?.name ?? 'last appliance')}; ${bar(index.dropTo_Pa)} of the ${bar(answer.indexAllowed_Pa)} allowed.`,
    beside: sentence`Everything at full rate draws ${strong(show(answer.total_m3_s, 'gas-flow'))}, starting from ${answer.meterAssumed ? 'an assumed ' : undefined}${bar(supply.meterGauge_Pa)} ${{ text: 'at the meter', to: 'readings' }}.${others}${fixes > 0 ? ` ${toFix(fixes)}` : undefined}`,
  }
}
