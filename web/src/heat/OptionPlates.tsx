import type { HeatOption } from '@hestian/core'
import { useDesign, useJobActions } from '../job/JobContext'
import { Button } from '../ui/Button'
import { InlineCount, InlineText } from '../ui/fields'
import { QuantityCell } from '../ui/QuantityRow'
import { knownOf } from '../ui/quantity'
import { OptionRow } from './OptionRow'
import { plateFigures } from './optionWords'

/** What is typed off the plates of the options, a row for each figure. */
export function OptionPlates() {
  const { draft } = useDesign()
  const { edit } = useJobActions()
  const { options, chosen } = draft.document.heat
  const cells = (cell: (option: HeatOption, index: number) => React.ReactNode) => options.map(cell)
  const put = (i: number, key: string, value: unknown) =>
    edit([{ path: ['heat', 'options', i, key], value }])
  const remove = ({ id }: HeatOption) =>
    edit([
      { path: ['heat', 'options'], value: options.filter((one) => one.id !== id) },
      ...(id === chosen?.optionId ? [{ path: ['heat', 'chosen'], value: null }] : []),
    ])
  return (
    <>
      {options.some((option) => option.kind === 'cascade') && (
        <OptionRow
          label="How many"
          cells={cells((option, i) =>
            option.kind === 'cascade' ? (
              <InlineCount
                label={`How many of ${option.name}`}
                value={option.units}
                onCommit={(units) => put(i, 'units', Math.min(8, Math.max(1, units)))}
              />
            ) : (
              '1'
            ),
          )}
        />
      )}
      {plateFigures
        .filter((figure) => options.some(figure.on))
        .map((figure) => (
          <OptionRow
            key={figure.key}
            label={figure.label}
            cells={cells((option, i) =>
              figure.on(option) ? (
                <QuantityCell
                  label={`${figure.label} of ${option.name}`}
                  place={`heat.options.${i}.${figure.key}`}
                  measure={figure.measure}
                  value={option[figure.key]}
                  why={figure.why}
                  onUse={(entry) => put(i, figure.key, knownOf(entry))}
                  onClear={() => put(i, figure.key, null)}
                />
              ) : (
                <i>none</i>
              ),
            )}
          />
        ))}
      <OptionRow
        label="Space"
        cells={cells((option, i) => (
          <InlineText
            lines
            label={`Space of ${option.name}`}
            value={option.space}
            maxLength={200}
            onCommit={(space) => put(i, 'space', space)}
          />
        ))}
      />
      <OptionRow
        label="Out of the table"
        cells={cells((option) => (
          <Button look="text" aria-label={`Remove ${option.name}`} onPress={() => remove(option)}>
            Remove
          </Button>
        ))}
      />
    </>
  )
}
