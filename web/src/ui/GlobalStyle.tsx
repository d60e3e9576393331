import { createGlobalStyle } from 'styled-components'

/**
 * Tokens of the two themes, sizes of type, and the few rules that hold everywhere. Values: the
 * look's table.
 */
export const GlobalStyle = createGlobalStyle`
  :root {
    --paper: #F4EFE4; --sheet: #FCF9F2; --sunk: #EAE3D4; --select: #F1E2BC; --ink: #22272A; --ink-2: #474D50; --ink-3: #5F6467; --pencil: #66635D; --rule: #8C8577; --hair: #D5CCBB;
    --ember: #C04A00; --on-ember: #FFFFFF; --ember-ink: #A94400; --cold: #1C5A96; --hot: #BD3118; --gas: #7F5E06; --gas-fill: #D9AA2E; --condensate: #526A5B; --cold-wash: #D9E4EC; --hot-wash: #F3DCD0;
    --pass: #1D6A3E; --look: #854F00; --stop: #A5112D; --pass-wash: #D9E6D6; --look-wash: #F6DFA9; --stop-wash: #F4D8D5;
    --off-bg: #22272A; --off-fg: #F7F2E7; --off-2: #C9C3B6; --tag: #F4EFE4; --tag-ink: #22272A; --tag-2: #4A4F52;
    --head: 'Special Gothic Variable', sans-serif; --text: 'Atkinson Hyperlegible Next Variable', sans-serif;
    --note: 14px; --small: 15px; --plain: 16px; --lead: 17px; --large: 18px; --head-3: 20px; --head-2: 24px; --head-1: 26px;
    color-scheme: light;
  }
  :root[data-theme='cellar'] {
    --paper: #17191A; --sheet: #1F2224; --sunk: #101213; --select: #33301F; --ink: #F0EBDF; --ink-2: #C8C3B7; --ink-3: #A5A196; --pencil: #A39E93; --rule: #77756F; --hair: #35393B;
    --ember: #FF8A4A; --on-ember: #1D110A; --ember-ink: #FF8A4A; --cold: #78B7F2; --hot: #FF7A58; --gas: #E3B843; --gas-fill: #C99B25; --condensate: #9FBAA8; --cold-wash: #1D2A35; --hot-wash: #3A231C;
    --pass: #72D096; --look: #F3BC50; --stop: #FF8088; --pass-wash: #1B3325; --look-wash: #38300F; --stop-wash: #3E1C20;
    --off-bg: #2E3335; --off-fg: #F0EBDF; --off-2: #C8C3B7; --tag: #DDD5C4; --tag-ink: #1B1E20; --tag-2: #45494B;
    color-scheme: dark;
  }
  *, *::before, *::after { box-sizing: border-box; }
  html, body, #root { height: 100%; margin: 0; }
  body { background: var(--paper); color: var(--ink); font: 400 16px/22px var(--text); -webkit-font-smoothing: antialiased; }
  h1, h2, h3, p, ul, ol, dl, dd, figure { margin: 0; padding: 0; }
  ul, ol { list-style: none; }
  button, input, select, textarea { font: inherit; color: inherit; }
  a { color: inherit; }
  :focus-visible, [data-focus-visible] { outline: 3px solid var(--ink); outline-offset: 2px; }
  input:focus-visible, textarea:focus-visible { outline-offset: -1px; }
  .tnum, td, time { font-feature-settings: 'tnum'; }
  .unseen { position: absolute; width: 1px; height: 1px; overflow: hidden; clip-path: inset(50%); white-space: nowrap; }
  button, a, [role='button'], [role='row'] { transition: background-color 120ms ease-out, border-color 120ms ease-out; }
  @media (prefers-reduced-motion: reduce) { *, *::before, *::after { transition: none !important; animation: none !important; } }
  @media print { body { background: white; } }
`
