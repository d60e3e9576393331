import type { GasAnswer, SizingMethod } from '@hestian/core'
import { sizesByMethods } from '@hestian/core'
import { memo, useMemo } from 'react'
import styled from 'styled-components'
import { useJob } from '../job/JobContext'
import { Prose, SectionHead } from '../ui/Answer'
import { Cell, Figure, Row, Table } from '../ui/Table'

const names: Readonly<Record<SizingMethod, string>> = { 'longest-length': 'Longest length', branch: 'By branch', 'pipe-by-pipe': 'As here' }

/** The same tree sized in the usual ways, beside what stands here: size by size, and how much metal each takes. */
export const GasMethods = memo(function GasMethods({ answer }: { readonly answer: GasAnswer }) {
  const { show, solution } = useJob()
  const { practice } = solution
  const methods = useMemo(() => sizesByMethods(answer.pipes.map((pipe) => pipe.pipe), answer.conditions, { allowance_Pa: answer.allowance_Pa, byTable: answer.tableLength_m !== undefined }), [answer])
  const [longest, , here] = methods
  const saved = longest?.metal_m2 && here?.metal_m2 ? 1 - here.metal_m2 / longest.metal_m2 : undefined
  return (
    <section>
      <SectionHead>Sized in the usual ways, side by side<small>{saved === undefined ? '' : saved > 0.005 ? `${show(saved, 'ratio', 0)} less metal than by the longest length` : saved < -0.005 ? `${show(-saved, 'ratio', 0)} more metal than by the longest length` : 'as much metal as by the longest length'}</small></SectionHead>
      <Table label="Sizes by method" columns="minmax(0, 1.4fr) 110px 110px 110px" heads={['Pipe', ...methods.map(({ method }) => `>${names[method]}`)]}>
        {answer.pipes.map((pipe) => {
          const own = here?.sizes.get(pipe.id)?.name
          return (
            <Row key={pipe.id} place={`methods.${pipe.id}`}>
              <Cell head="Pipe">{pipe.segment.name}{pipe.chosen ? '' : <Stays>stays as it is</Stays>}</Cell>
              {methods.map(({ method, sizes }) => { const name = sizes.get(pipe.id)?.name; return <Figure key={method} head={names[method]}><Size data-other={name !== own || undefined}>{name ?? 'none does'}</Size></Figure> })}
            </Row>
          )
        })}
      </Table>
      <Prose>The <b>longest length</b> gives every pipe the way to the farthest appliance, {show(Math.max(...(longest?.lengths_m.values() ?? [0])), 'length')} with fittings, and so wastes what the near ones could spend. <b>By branch</b> each pipe goes by the farthest appliance beyond it. <b>As here</b> the whole tree is chosen at once: the least metal with which every appliance keeps its pressure{answer.tableLength_m === undefined ? '' : ', and every pipe its line of the table'}. {practice.gas.method === 'nfpa54-low' ? 'All three by the low-pressure equation.' : 'All three by Darcy–Weisbach.'}</Prose>
    </section>
  )
})

const Size = styled.span` &[data-other] { color: var(--ink-3); } `
const Stays = styled.small` color: var(--ink-3); font-size: 14px; padding-left: 8px; `
