import type { CircuitAnswer } from '@hestian/core'
import styled from 'styled-components'
import { useReadBy } from '../job/JobContext'
import { SectionHead } from '../ui/Answer'
import { phone } from '../ui/phone'

/** Where the water is: one bar per part, what is guessed in pencil. */
export function WaterContent({ answer }: { readonly answer: CircuitAnswer }) {
  const { show } = useReadBy()
  const { parts, total_m3, between_m3 } = answer.content
  const most = Math.max(...parts.map((part) => part.water_m3), 1e-9)
  return (
    <section id="water-content">
      <SectionHead>
        Where the water is
        <small>
          {show(total_m3, 'volume', 1)} in all, {show.figure(between_m3[0], 'volume', 1)} to{' '}
          {show(between_m3[1], 'volume', 1)}
        </small>
      </SectionHead>
      <List>
        {[...parts]
          .sort((a, b) => b.water_m3 - a.water_m3)
          .map((part) => (
            <li key={part.of}>
              <span>{part.name}</span>
              <i
                data-pencil={part.assumed || undefined}
                style={{ width: `${Math.max(0.5, (100 * part.water_m3) / most)}%` }}
              />
              <b className="tnum" data-pencil={part.assumed || undefined}>
                {show(part.water_m3, 'volume', 1)}
              </b>
            </li>
          ))}
      </List>
    </section>
  )
}

const List = styled.ul`
  li {
    display: grid;
    grid-template-columns: 230px minmax(0, 1fr) 90px;
    gap: 10px;
    align-items: center;
    min-height: 28px;
    font-size: var(--small);
  }
  i {
    height: 12px;
    background: var(--cold);
  }
  i[data-pencil] {
    background: repeating-linear-gradient(115deg, var(--pencil) 0 1.2px, transparent 1.2px 6px);
    border: 1px dashed var(--pencil);
  }
  b {
    text-align: right;
    font-weight: 450;
  }
  b[data-pencil] {
    color: var(--pencil);
  }
  ${phone} {
    li {
      grid-template-columns: minmax(0, 1fr) 84px;
    }
    i {
      grid-row: 2;
      grid-column: 1 / -1;
      height: 8px;
    }
  }
`
