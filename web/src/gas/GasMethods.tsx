import type { GasAnswer, Show, SizingMethod } from '@hestian/core'
import { indexStage, priceList, sizesByMethods } from '@hestian/core'
import { memo, useMemo } from 'react'
import styled from 'styled-components'
import { useDesign, useReadBy } from '../job/JobContext'
import { Prose, SectionHead } from '../ui/Answer'
import { Figure, Row, RowHead, Table } from '../ui/Table'

const names: Readonly<Record<SizingMethod, string>> = {
  'longest-length': 'Longest length',
  branch: 'By branch',
  'pipe-by-pipe': 'As here',
}

/**
 * The same tree sized in the usual ways, beside what stands here: size by size, and how much metal
 * each takes.
 */
export const GasMethods = memo(function GasMethods({ answer }: { readonly answer: GasAnswer }) {
  const { draft } = useDesign()
  const { show } = useReadBy()
  const { prices } = draft.document
  const stage = useMemo(() => indexStage(answer), [answer])
  const methods = useMemo(
    () =>
      sizesByMethods(stage.pipes, answer.conditions, {
        allowance_Pa: answer.allowance_Pa,
        byTable: answer.tableLength_m !== undefined,
        price: priceList(prices),
      }),
    [answer, stage, prices],
  )
  const [longest, , here] = methods
  const saved = longest?.cost && here?.cost ? 1 - here.cost / longest.cost : undefined
  return (
    <section>
      <SectionHead>
        Sized in the usual ways, side by side
        <small>{saved === undefined ? '' : costSays(saved, show)}</small>
      </SectionHead>
      <Table
        label="Sizes by method"
        columns="minmax(0, 1.4fr) 110px 110px 110px"
        heads={['Pipe', ...methods.map(({ method }) => `>${names[method]}`)]}
      >
        {answer.pipes
          .filter((pipe) => pipe.root === answer.index.root)
          .map((pipe) => {
            const own = here?.sizes.get(pipe.id)?.name
            return (
              <Row key={pipe.id} place={`methods.${pipe.id}`}>
                <RowHead head="Pipe">
                  {pipe.segment.name}
                  {pipe.chosen ? '' : <Stays>stays as it is</Stays>}
                </RowHead>
                {methods.map(({ method, sizes }) => {
                  const name = sizes.get(pipe.id)?.name
                  return (
                    <Figure key={method} head={names[method]}>
                      <Size data-other={name !== own || undefined}>{name ?? 'none does'}</Size>
                    </Figure>
                  )
                })}
              </Row>
            )
          })}
      </Table>
      <Prose>
        The <b>longest length</b> gives every pipe the way to the farthest appliance,{' '}
        {show(Math.max(...(longest?.lengths_m.values() ?? [0])), 'length')} with fittings, and so
        wastes what the near ones could spend. <b>By branch</b> each pipe goes by the farthest
        appliance beyond it. <b>As here</b> the whole tree is chosen at once: the cheapest by your
        price list with which every appliance keeps its pressure
        {answer.tableLength_m === undefined ? '' : ', and every pipe its line of the table'}. All
        three by the same equation
        {stage.staged ? ', for the stage that the index appliance is on' : ''}.
      </Prose>
    </section>
  )
})

const Size = styled.span`
  &[data-other] {
    color: var(--ink-3);
  }
`
const Stays = styled.small`
  color: var(--ink-3);
  font-size: var(--note);
  padding-left: 8px;
`

/** What these sizes cost beside those by the longest length. */
function costSays(savedRatio: number, show: Show): string {
  if (savedRatio > 0.005)
    return `${show(savedRatio, 'ratio', 0)} cheaper than by the longest length`
  if (savedRatio < -0.005)
    return `${show(-savedRatio, 'ratio', 0)} dearer than by the longest length`
  return 'as dear as by the longest length'
}
