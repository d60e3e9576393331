import type { School, SchoolName } from '@hestian/core'
import { schoolNames, schools, sideOf } from '@hestian/core'
import { Radio, RadioGroup } from 'react-aria-components'
import styled from 'styled-components'
import { useDesign, useJobActions } from './JobContext'
import { SectionHead } from '../ui/Answer'
import { InlineText } from '../ui/fields'
import { phone } from '../ui/phone'

/** Where good people disagree: both reasons, the side this job takes, and why. */
export function Schools({
  only,
  title = 'Schools',
}: {
  readonly only?: readonly SchoolName[]
  readonly title?: string
}) {
  const { draft, solution } = useDesign()
  const { edit } = useJobActions()
  const { practice, schools: chosen } = draft.document
  return (
    <>
      <SectionHead>
        {title}
        <small>both have their reasons; the choice is recorded</small>
      </SectionHead>
      {(only ?? schoolNames).map((name) => {
        const school: School = schools[name]
        const side = sideOf(name, practice, chosen)
        const forced = school.only?.[practice] !== undefined
        const usual = chosen[name] ? 'chosen here' : `usual in ${solution.practice.label}`
        return (
          <One key={name} data-place={`schools.${name}`}>
            <RadioGroup
              aria-label={school.label}
              value={side}
              isDisabled={forced}
              onChange={(next) =>
                edit([
                  {
                    path: ['schools', name],
                    value: { side: next, because: chosen[name]?.because ?? '', basis: 'chosen' },
                  },
                ])
              }
            >
              <h4>
                {(only?.length ?? 2) > 1 && school.label}
                <small>{forced ? 'the practice leaves no choice' : usual}</small>
              </h4>
              {(['a', 'b'] as const).map((id) => (
                <Radio key={id} value={id}>
                  <b>{school[id].says}</b>
                  <span>because {school[id].because}</span>
                </Radio>
              ))}
            </RadioGroup>
            {chosen[name] && !forced && (
              <InlineText
                labelled
                label="Why, on this job"
                value={chosen[name]?.because ?? ''}
                maxLength={300}
                onCommit={(because) =>
                  edit([{ path: ['schools', name], value: { side, because, basis: 'chosen' } }])
                }
              />
            )}
          </One>
        )
      })}
    </>
  )
}

const One = styled.div`
  padding: 8px 0 12px;
  border-bottom: 0.8px solid var(--hair);
  display: grid;
  gap: 8px;
  h4 {
    font: 650 var(--plain)/22px var(--head);
    margin: 0;
    display: flex;
    flex-wrap: wrap;
    gap: 0 12px;
    align-items: baseline;
    small {
      font: 400 var(--note)/20px var(--text);
      color: var(--ink-3);
    }
  }
  [role='radiogroup'] {
    display: grid;
    grid-template-columns: 1fr 1fr;
    gap: 6px 10px;
    h4 {
      grid-column: 1 / -1;
    }
    label {
      display: grid;
      align-content: start;
      border: 1.5px solid var(--rule);
      padding: 8px 12px;
      cursor: pointer;
      b {
        font-weight: 650;
      }
      span {
        font-size: var(--note);
        line-height: 18px;
        color: var(--ink-2);
      }
    }
    label[data-selected] {
      border-color: var(--ink);
      background: var(--select);
    }
    label[data-focus-visible] {
      outline: 3px solid var(--ink);
    }
    label[data-disabled] {
      cursor: default;
    }
  }
  ${phone} {
    [role='radiogroup'] {
      grid-template-columns: 1fr;
    }
  }
`
