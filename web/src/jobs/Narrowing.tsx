import type { BoardPage, BoardQuery } from '@hestian/core'
import { boardSorts, boardStages } from '@hestian/core'
import styled from 'styled-components'
import { Button } from '../ui/Button'
import { Choice } from '../ui/Choice'
import { stageWords } from './stageWords'
import { phone } from '../ui/phone'

const sortWords: Readonly<Record<BoardQuery['sort'], string>> = {
  changed: 'Last changed',
  name: 'Name',
  number: 'Number, newest first',
  stage: 'Stage',
  waiting: 'What needs somebody most',
}

interface NarrowingProps {
  readonly query: BoardQuery
  readonly change: (change: Partial<BoardQuery>) => void
  readonly data: BoardPage | undefined
}

/** Stage, order, and what is put away. */
export function Narrowing({ query, change, data }: NarrowingProps) {
  return (
    <Line>
      <Choice
        labelled
        label="Stage"
        value={query.stage}
        options={(['all', ...boardStages] as const).map((id) => ({
          id,
          text: id === 'all' ? stageWords.all : `${stageWords[id]} (${data?.byStage[id] ?? 0})`,
        }))}
        onChoose={(stage) => change({ stage })}
      />
      <Choice
        labelled
        label="Order"
        value={query.sort}
        options={boardSorts.map((id) => ({ id, text: sortWords[id] }))}
        onChoose={(sort) => change({ sort })}
      />
      <Button
        look="text"
        onPress={() => change({ archived: query.archived === 'yes' ? 'no' : 'yes', stage: 'all' })}
      >
        {query.archived === 'yes'
          ? 'Back to the jobs at hand'
          : `Put away (${data?.archived ?? 0})`}
      </Button>
    </Line>
  )
}

const Line = styled.div`
  display: flex;
  gap: 12px 24px;
  align-items: flex-end;
  flex-wrap: wrap;
  margin-bottom: 18px;
  > div {
    width: 230px;
  }
  ${phone} {
    > div {
      width: calc(50% - 12px);
    }
  }
`
