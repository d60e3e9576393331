import type { PanNeed } from '@hestian/core'
import { useDesign, useJobActions } from '../job/JobContext'
import { Schools } from '../job/Schools'
import { Prose, SectionHead } from '../ui/Answer'
import { Choice } from '../ui/Choice'
import { InlineText } from '../ui/fields'
import { Cell, Row, RowHead, Table } from '../ui/Table'

const reasons: Readonly<Record<PanNeed['because'], string>> = {
  'over-living-space': 'wanted: a leak here comes through a ceiling',
  always: 'wanted: by the school chosen, always',
  'not-over-living-space': 'not wanted: nothing to spoil below',
  'instantaneous-none': 'not wanted: an instantaneous heater holds next to nothing',
  'nothing-to-leak': 'not wanted: nothing here stores hot water',
  'not-looked': 'nobody has looked yet whether somebody lives below',
}

/** What stands under the heater, where it drains, and why it was left out where it was. */
export function Pan({ need }: { readonly need: PanNeed }) {
  const { draft, solution } = useDesign()
  const { edit } = useJobActions()
  const { pan } = draft.document
  const name = solution.practice.words.pan
  return (
    <section>
      <SectionHead>
        {name.charAt(0).toUpperCase() + name.slice(1)} under the heater
        <small>{reasons[need.because]}</small>
      </SectionHead>
      <Table label={name} columns="minmax(0, 1fr) minmax(0, 280px)" heads={['', '']}>
        <Row place="pan.fitted">
          <RowHead head="">Fitted</RowHead>
          <Cell head="">
            <Choice
              label={`${name} fitted`}
              value={pan.fitted}
              options={[
                { id: 'yes' as const, text: 'yes' },
                { id: 'no' as const, text: 'no' },
              ]}
              onChoose={(fitted) => edit([{ path: ['pan', 'fitted'], value: fitted }])}
            />
          </Cell>
        </Row>
        {pan.fitted === 'yes' && (
          <Row place="pan.runsTo">
            <RowHead head="">Its pipe runs</RowHead>
            <Cell head="">
              <Choice
                label={`Where the ${name} drains`}
                value={pan.runsTo}
                options={[
                  { id: 'drain' as const, text: 'to a drain' },
                  { id: 'outside' as const, text: 'outside, in sight' },
                  { id: 'nowhere' as const, text: 'nowhere' },
                ]}
                onChoose={(runsTo) => edit([{ path: ['pan', 'runsTo'], value: runsTo }])}
              />
            </Cell>
          </Row>
        )}
        {pan.fitted === 'yes' && (
          <Row place="pan.condensate">
            <RowHead head="">Condensate</RowHead>
            <Cell head="">
              <Choice
                label="Condensate"
                value={pan.condensate}
                options={[
                  { id: 'separate' as const, text: 'runs by itself' },
                  { id: 'same-pan' as const, text: 'into the same pan' },
                  { id: 'none' as const, text: 'there is none' },
                ]}
                onChoose={(condensate) =>
                  edit([{ path: ['pan', 'condensate'], value: condensate }])
                }
              />
            </Cell>
          </Row>
        )}
        {pan.fitted === 'no' && need.wanted && (
          <Row place="pan.because">
            <RowHead head="">Left out, because</RowHead>
            <Cell head="">
              <InlineText
                label="Left out, because"
                value={pan.because}
                maxLength={300}
                lines
                onCommit={(because) => edit([{ path: ['pan', 'because'], value: because }])}
              />
            </Cell>
          </Row>
        )}
      </Table>
      <Prose>
        Maker first, then code, then the school: the reason is kept where it is left out.
      </Prose>
      <Schools only={['safetyPan', 'instantaneousPan']} title="Two schools" />
    </section>
  )
}
