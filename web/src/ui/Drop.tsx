import styled from 'styled-components'
import { Button } from './Button'

/** Takes a row away. */
export const Drop = ({
  name,
  onPress,
}: {
  readonly name: string
  readonly onPress: () => void
}) => (
  <Cross look="text" aria-label={`Remove ${name}`} onPress={onPress}>
    <span aria-hidden>✕</span>
  </Cross>
)

/** What can be added below a table. */
export const Adds = styled.div`
  display: flex;
  gap: 22px;
  flex-wrap: wrap;
  padding: 8px 0;
`
const Cross = styled(Button)`
  && {
    color: var(--ink-3);
    text-decoration: none;
    padding: 4px 8px;
  }
`
