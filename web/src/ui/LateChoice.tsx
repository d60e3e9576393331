import type { ReactElement } from 'react'
import { lazy, Suspense } from 'react'
import styled from 'styled-components'
import type { ChoiceProps } from './fields'

type Choosing = <K extends string>(props: ChoiceProps<K>) => ReactElement
const Choice = lazy(async () => ({
  default: (await import('./fields')).Choice,
})) as unknown as Choosing

/** {@link Choice} for the first page: its list is fetched after the page, its place is kept. */
export const LateChoice: Choosing = (props) => (
  <Suspense fallback={<Room />}>
    <Choice {...props} />
  </Suspense>
)

const Room = styled.div`
  min-height: 57px;
`
