import styled from 'styled-components'

/** The line under the search that narrows the list; it keeps its room while what stands in it is fetched. */
export const NarrowRoom = styled.div`
  display: flex;
  gap: 12px 24px;
  align-items: flex-end;
  flex-wrap: wrap;
  margin-bottom: 18px;
  > div {
    width: 230px;
  }
  @media (max-width: 720px) {
    > div {
      width: calc(50% - 12px);
    }
  }
`
