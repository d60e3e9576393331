import type { ReactNode } from 'react'
import { useDesign } from '../job/JobContext'

interface OptionRowProps {
  readonly label: string
  readonly kind?: 'result' | 'strong'
  /** In the order of the options. */
  readonly cells: readonly ReactNode[]
}

/** One row of the options side by side; the chosen one's cell is told apart. */
export function OptionRow({ label, kind, cells }: OptionRowProps) {
  const { draft } = useDesign()
  const { options, chosen } = draft.document.heat
  return (
    <tr data-kind={kind}>
      <th scope="row">{label}</th>
      {options.map(({ id }, i) => (
        <td key={id} data-chosen={id === chosen?.optionId || undefined}>
          {cells[i]}
        </td>
      ))}
    </tr>
  )
}
