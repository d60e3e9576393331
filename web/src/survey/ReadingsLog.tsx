import { ofKind, surveyFields } from '@hestian/core'
import styled from 'styled-components'
import { useDesign, useJobActions, useReadBy, useStanding } from '../job/JobContext'
import { SectionHead } from '../ui/Answer'
import { Button } from '../ui/Button'
import { Thumb } from '../ui/Photos'
import { phone } from '../ui/phone'

/** Every reading as it was taken. Any of them can be the one the design uses. */
export function ReadingsLog() {
  const { draft } = useDesign()
  const { state } = useStanding()
  const { edit } = useJobActions()
  const { show, nameOf, dates } = useReadBy()
  const readings = [...ofKind(state.records, 'reading')].reverse()
  if (readings.length === 0) return null
  return (
    <>
      <SectionHead>
        Readings taken<small>the design uses the latest unless you choose another</small>
      </SectionHead>
      <Log>
        {readings.map((reading) => {
          const field = surveyFields.find((one) => `survey.${one.key}` === reading.body.field)
          if (!field) return null
          const used = draft.document.survey[field.key]?.recordId === reading.id
          return (
            <li key={reading.id}>
              <span>{field.label}</span>
              <b className="tnum">{show(reading.body.si, field.measure)}</b>
              <small>
                {reading.body.basis}, {reading.body.instrument || 'instrument not named'};{' '}
                {nameOf(reading.by)}, {dates.dayTime(reading.at)}
                {reading.body.photos?.map((photo) => (
                  <Thumb key={photo.hash} photo={photo} />
                ))}
              </small>
              {used ? (
                <i>in the design</i>
              ) : (
                <Button
                  look="text"
                  onPress={() =>
                    edit([
                      {
                        path: ['survey', field.key],
                        value: {
                          value: reading.body.si,
                          basis: reading.body.basis,
                          from: reading.body.instrument,
                          recordId: reading.id,
                        },
                      },
                    ])
                  }
                >
                  Use this one
                </Button>
              )}
            </li>
          )
        })}
      </Log>
    </>
  )
}

const Log = styled.ul`
  li {
    display: grid;
    grid-template-columns: minmax(0, 1.1fr) 100px minmax(0, 1.4fr) 110px;
    gap: 12px;
    align-items: center;
    border-bottom: 0.8px solid var(--hair);
    min-height: 34px;
    font-size: var(--small);
  }
  small {
    font-size: var(--note);
    line-height: 17px;
    color: var(--ink-3);
  }
  i {
    font-style: normal;
    font-size: var(--note);
    color: var(--ink-2);
  }
  b {
    font-weight: 650;
  }
  ${phone} {
    li {
      grid-template-columns: 1fr auto;
      padding: 6px 0;
    }
    small {
      grid-column: 1;
    }
  }
`
