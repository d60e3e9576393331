import { blankPosition } from '@hestian/core'
import { newId } from '../api/client'
import { useDesign, useJobActions } from '../job/JobContext'
import { Makers } from '../job/MakerRow'
import { SectionHead } from '../ui/Answer'
import { Button } from '../ui/Button'
import { Adds, Drop } from '../ui/Drop'
import { Choice } from '../ui/Choice'
import { InlineText } from '../ui/fields'
import { yesNo } from '../ui/ChoiceRow'
import { betweenOptions } from './VesselPosition'
import { QuantityCell } from '../ui/QuantityRow'
import { Acts, Cell, Row, Table } from '../ui/Table'
import { known } from '../ui/numbers'

/**
 * Parts of the circuit, beside the boiler, that a relief may not be set above; and further vessels
 * on it.
 */
export function WeakParts() {
  const { draft, solution } = useDesign()
  const { edit } = useJobActions()
  const { heating } = draft.document
  if (!heating) return null
  const { weakParts, furtherVessels } = heating
  const { words } = solution.practice
  const after = `Between ${words.pump} and ${words.vessel}`
  return (
    <section>
      <SectionHead>Other parts and vessels on the circuit</SectionHead>
      {weakParts.length > 0 && (
        <Table
          label="Parts with a pressure limit"
          columns="minmax(0, 1fr) 110px 120px 150px 32px"
          heads={['Part with a pressure limit', '>Stands', '>Above fill point', after, '']}
        >
          {weakParts.map((part, i) => (
            <Row key={part.id} place={`heating.weakParts.${i}`}>
              <Cell head="Part">
                <InlineText
                  label={`Part ${i + 1}`}
                  required
                  value={part.name}
                  maxLength={120}
                  onCommit={(name) =>
                    edit([{ path: ['heating', 'weakParts', i, 'name'], value: name.trim() }])
                  }
                />
              </Cell>
              <Cell head="Stands" end>
                <QuantityCell
                  label={`Maximum working pressure of ${part.name}`}
                  measure="water-pressure"
                  {...known(
                    part.maxWorkingGauge_Pa,
                    ['heating', 'weakParts', i, 'maxWorkingGauge_Pa'],
                    edit,
                  )}
                />
              </Cell>
              <Cell head="Above fill point" end>
                <QuantityCell
                  label={`Height of ${part.name} above the fill point`}
                  measure="height"
                  {...known(part.aboveFill_m, ['heating', 'weakParts', i, 'aboveFill_m'], edit)}
                />
              </Cell>
              <Cell head={after}>
                <Choice
                  label={`${part.name}: ${after}`}
                  value={part.afterPump}
                  options={yesNo}
                  onChoose={(id) =>
                    edit([{ path: ['heating', 'weakParts', i, 'afterPump'], value: id }])
                  }
                />
              </Cell>
              <Acts>
                <Drop
                  name={part.name}
                  onPress={() =>
                    edit([
                      {
                        path: ['heating', 'weakParts'],
                        value: weakParts.filter((one) => one.id !== part.id),
                      },
                    ])
                  }
                />
              </Acts>
            </Row>
          ))}
        </Table>
      )}
      {furtherVessels.length > 0 && (
        <Table
          label="Further vessels"
          columns="minmax(0, 1fr) 90px 90px 90px 170px 32px"
          heads={[
            'Further vessel that is there anyway',
            '>Volume',
            '>Charge',
            '>Stands',
            'Between it and the boiler',
            '',
          ]}
        >
          {furtherVessels.map((vessel, i) => (
            <Row key={vessel.id} place={`heating.furtherVessels.${i}`}>
              <Cell head="Vessel">
                <InlineText
                  label={`Vessel ${i + 1}`}
                  required
                  value={vessel.name}
                  maxLength={120}
                  onCommit={(name) =>
                    edit([{ path: ['heating', 'furtherVessels', i, 'name'], value: name.trim() }])
                  }
                />
              </Cell>
              <Cell head="Volume" end>
                <QuantityCell
                  label={`Volume of ${vessel.name}`}
                  measure="small-volume"
                  {...known(vessel.volume_m3, ['heating', 'furtherVessels', i, 'volume_m3'], edit)}
                />
              </Cell>
              <Cell head="Charge" end>
                <QuantityCell
                  label={`Charge of ${vessel.name}`}
                  measure="water-pressure"
                  {...known(
                    vessel.chargeGauge_Pa,
                    ['heating', 'furtherVessels', i, 'chargeGauge_Pa'],
                    edit,
                  )}
                />
              </Cell>
              <Cell head="Stands" end>
                <QuantityCell
                  label={`Maximum working pressure of ${vessel.name}`}
                  measure="water-pressure"
                  {...known(
                    vessel.maxWorkingGauge_Pa,
                    ['heating', 'furtherVessels', i, 'maxWorkingGauge_Pa'],
                    edit,
                  )}
                />
              </Cell>
              <Cell head="Between it and the boiler">
                <Choice
                  label={`Between ${vessel.name} and the boiler`}
                  value={vessel.position?.between ?? null}
                  options={betweenOptions}
                  onChoose={(between) =>
                    edit([
                      {
                        path: ['heating', 'furtherVessels', i, 'position'],
                        value: { ...(vessel.position ?? blankPosition), between },
                      },
                    ])
                  }
                />
              </Cell>
              <Acts>
                <Drop
                  name={vessel.name}
                  onPress={() =>
                    edit([
                      {
                        path: ['heating', 'furtherVessels'],
                        value: furtherVessels.filter((one) => one.id !== vessel.id),
                      },
                    ])
                  }
                />
              </Acts>
            </Row>
          ))}
        </Table>
      )}
      <Makers
        of={[
          {
            of: `The ${solution.practice.words.vessel}`,
            path: ['heating', 'vesselMaker'],
            maker: heating.vesselMaker,
          },
          ...furtherVessels.map((vessel, i) => ({
            of: vessel.name,
            path: ['heating', 'furtherVessels', i, 'maker'],
            maker: vessel.maker,
          })),
        ]}
      />
      <Adds>
        <Button
          look="text"
          onPress={() =>
            edit([
              {
                path: ['heating', 'weakParts', weakParts.length],
                value: {
                  id: newId(),
                  name: 'New part',
                  maxWorkingGauge_Pa: null,
                  aboveFill_m: null,
                  afterPump: null,
                },
              },
            ])
          }
        >
          Add a part with a pressure limit
        </Button>
        {furtherVessels.length < 6 && (
          <Button
            look="text"
            onPress={() =>
              edit([
                {
                  path: ['heating', 'furtherVessels', furtherVessels.length],
                  value: {
                    id: newId(),
                    name: 'Further vessel',
                    volume_m3: null,
                    chargeGauge_Pa: null,
                    maxWorkingGauge_Pa: null,
                    position: null,
                    maker: null,
                  },
                },
              ])
            }
          >
            Add a vessel that is there anyway
          </Button>
        )}
      </Adds>
    </section>
  )
}
