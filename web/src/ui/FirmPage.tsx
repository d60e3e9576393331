import type { ReactNode } from 'react'
import { Link } from 'react-router'
import styled from 'styled-components'
import { Logo } from './icons'
import { phone } from './phone'
import { ThemeSwitch } from './ThemeSwitch'

/** A page of the firm, beside its jobs: the way back to them at the top. */
export const FirmPage = ({
  children,
  who,
}: {
  readonly children: ReactNode
  /** Who is signed in, where that matters on it. */
  readonly who?: ReactNode
}) => (
  <Page>
    <Top>
      <Link to="/" aria-label="Hestian, all jobs">
        <Logo size={30} />
        <b>Hestian</b>
      </Link>
      <i />
      {who}
      <ThemeSwitch />
    </Top>
    <main>{children}</main>
  </Page>
)

/** The same for somebody outside the firm: there is nothing to go back to. */
export const Bare = ({ children }: { readonly children: ReactNode }) => (
  <Page>
    <Top>
      <span>
        <Logo size={30} />
        <b>Hestian</b>
      </span>
      <i />
      <ThemeSwitch />
    </Top>
    <main>{children}</main>
  </Page>
)

const Page = styled.div`
  min-height: 100vh;
  main {
    max-width: 900px;
    padding: 28px 40px 60px;
  }
  h1 {
    font: 450 var(--head-1)/1.15 var(--head);
    margin-bottom: 8px;
  }
  h1 b {
    font-weight: 700;
  }
  main > p {
    max-width: 64ch;
    color: var(--ink-2);
    margin-bottom: 14px;
  }
  main > button,
  main > form,
  main > button + p {
    margin-top: 18px;
  }
  main > ul + p {
    margin-top: 12px;
  }
  ${phone} {
    main {
      padding: 18px 16px 60px;
    }
  }
`
const Top = styled.header`
  display: flex;
  gap: 18px;
  align-items: center;
  padding: 8px 24px;
  border-bottom: 0.8px solid var(--hair);
  a,
  span {
    display: flex;
    gap: 10px;
    align-items: center;
    color: var(--ink);
    text-decoration: none;
    font: 700 var(--large)/30px var(--head);
    min-height: 44px;
  }
  i {
    flex: 1;
  }
`
/** The head of a list on it. */
export const FirmHead = styled.h2`
  display: flex;
  justify-content: space-between;
  align-items: baseline;
  gap: 14px;
  border-bottom: 1.5px solid var(--ink);
  padding-bottom: 4px;
  font: 650 var(--plain)/25px var(--head);
  small {
    font: 400 var(--note)/20px var(--text);
    color: var(--ink-2);
  }
`
