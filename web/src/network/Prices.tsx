import type { MaterialName, PipeSize } from '@hestian/core'
import { genericPrice, materials, pricePerMetre, sizeNamed, units } from '@hestian/core'
import { memo, useState } from 'react'
import styled from 'styled-components'
import { useDesign, useJobActions, useReadBy, useStanding } from '../job/JobContext'
import { Prose, SectionHead } from '../ui/Answer'
import { Button } from '../ui/Button'
import { Cell, Figure, Row, RowHead, Table } from '../ui/Table'

interface PricesProps {
  readonly used: readonly {
    readonly material: MaterialName
    readonly size: PipeSize
    readonly length_m: number
  }[]
  readonly cost: number
}

/**
 * What a metre of each size costs: what the choice of sizes makes least. Generic until the firm
 * writes its own.
 */
export const Prices = memo(function Prices({ used, cost }: PricesProps) {
  const { draft, solution } = useDesign()
  const { frozen } = useStanding()
  const { edit } = useJobActions()
  const { show } = useReadBy()
  const { prices } = draft.document
  const { length } = solution.practice.units
  const unit = length === 'ft' ? 'foot' : 'metre'
  const unit_m = units[length].factor
  const [all, setAll] = useState(false)
  const inUse = [...new Set(used.map((pipe) => pipe.material))]
  const rows = inUse.flatMap((material) =>
    materials[material].sizes
      .filter(
        (size) =>
          all ||
          prices.some((price) => price.material === material && price.size === size.name) ||
          used.some((pipe) => pipe.material === material && pipe.size.name === size.name),
      )
      .map((size) => ({ material, size: size as PipeSize })),
  )
  const write = (material: MaterialName, size: PipeSize, perMetre: number | undefined) =>
    edit([
      {
        path: ['prices'],
        value: [
          ...prices.filter((price) => price.material !== material || price.size !== size.name),
          ...(perMetre === undefined ? [] : [{ material, size: size.name, perMetre }]),
        ],
      },
    ])
  return (
    <section>
      <SectionHead>
        What the pipe costs<small>{cost.toFixed(2)} in all, by this list</small>
      </SectionHead>
      <Table
        label="Prices"
        columns="minmax(0, 1.5fr) 110px 110px 130px"
        heads={['Pipe', '>Of it here', `>A ${unit}`, '']}
      >
        {rows.map(({ material, size }) => {
          const own = prices.find(
            (price) => price.material === material && price.size === size.name,
          )
          const laid_m = used
            .filter((pipe) => pipe.material === material && pipe.size.name === size.name)
            .reduce((sum, pipe) => sum + pipe.length_m, 0)
          return (
            <Row key={`${material}/${size.name}`} place={`prices.${material}.${size.name}`}>
              <RowHead head="Pipe">
                {materials[material].label}, {size.name}
              </RowHead>
              <Figure head="Of it here">{laid_m > 0 ? show(laid_m, 'length') : ''}</Figure>
              <Cell head={`A ${unit}`} end>
                <PriceInput
                  label={`Price of a ${unit} of ${materials[material].label}, ${size.name}`}
                  value={pricePerMetre(prices, material, size) * unit_m}
                  most={Math.floor(mostPerMetre * unit_m)}
                  own={own !== undefined}
                  frozen={frozen}
                  onUse={(next) =>
                    write(
                      material,
                      size,
                      isSame(next, genericPrice(material, size.bore_m) * unit_m)
                        ? undefined
                        : next / unit_m,
                    )
                  }
                />
              </Cell>
              <Cell head="">
                {own ? (
                  <Button look="text" onPress={() => write(material, size, undefined)}>
                    generic again
                  </Button>
                ) : (
                  <Generic>generic</Generic>
                )}
              </Cell>
            </Row>
          )
        })}
      </Table>
      <Prose>
        {prices.some((price) => !sizeNamed(price.material, price.size))
          ? 'Some prices are for sizes that are not in the catalogue; they are kept and not used. '
          : ''}
        In whatever money you reckon in. Sizes left to Hestian are the cheapest by this list that
        keep every limit. Generic prices are invented: write your own beside what you buy most.{' '}
        <Button look="text" onPress={() => setAll(!all)}>
          {all ? 'Only what is laid here' : 'Every size of these materials'}
        </Button>
      </Prose>
    </section>
  )
})

/** Dearest that is taken, for a metre. */
const mostPerMetre = 10000
const isSame = (a: number, b: number): boolean => Math.abs(a - b) < 0.005

function PriceInput({
  label,
  value,
  own,
  frozen,
  most,
  onUse,
}: {
  readonly label: string
  readonly value: number
  readonly own: boolean
  readonly frozen: boolean
  readonly most: number
  readonly onUse: (value: number) => void
}) {
  const [text, setText] = useState<string>()
  const [says, setSays] = useState<string>()
  const use = () => {
    if (text === undefined || text.trim() === '') return setText(undefined)
    const next = Number(text.trim().replace(',', '.'))
    if (!(next >= 0 && next <= most)) return setSays(`A price from 0 to ${most}.`)
    setSays(undefined)
    setText(undefined)
    if (next !== value) onUse(next)
  }
  return (
    <PriceBox data-own={own || undefined}>
      <input
        aria-label={label}
        aria-invalid={says !== undefined}
        inputMode="decimal"
        readOnly={frozen}
        value={text ?? value.toFixed(2)}
        onFocus={(event) => event.currentTarget.select()}
        onChange={(event) => {
          setText(event.target.value)
          setSays(undefined)
        }}
        onBlur={use}
        onKeyDown={(event) => {
          if (event.key === 'Enter') use()
        }}
      />
      {says && <small role="alert">{says}</small>}
    </PriceBox>
  )
}

const Generic = styled.small`
  color: var(--ink-3);
  font-size: var(--note);
`
const PriceBox = styled.span`
  display: inline-grid;
  justify-items: end;
  input {
    width: 84px;
    text-align: right;
    min-height: 32px;
    background: transparent;
    border: 0;
    border-bottom: 1.5px dashed var(--pencil);
    color: var(--pencil);
    font: 450 var(--small)/20px var(--text);
    font-feature-settings: 'tnum';
    padding: 2px 4px;
    &:hover {
      background: var(--select);
    }
  }
  &[data-own] input {
    border-bottom: 1.5px solid var(--ink);
    color: var(--ink);
  }
  small {
    color: var(--stop);
    font-size: var(--note);
  }
  @media (pointer: coarse) {
    input {
      min-height: 48px;
    }
  }
`
