import { useState } from 'react'
import styled from 'styled-components'
import { Button } from './Button'

/** A link that is shown once, to be handed on. */
export function GivenLink({ href, says }: { readonly href: string; readonly says: string }) {
  const [copied, setCopied] = useState(false)
  return (
    <Frame>
      <p>{says}</p>
      <input
        readOnly
        aria-label="The link"
        value={href}
        onFocus={(event) => event.target.select()}
      />
      <Button
        look="text"
        onPress={() => {
          // Not every browser lets a page on plain HTTP copy; the line above can be marked.
          void navigator.clipboard?.writeText(href).then(() => setCopied(true))
        }}
      >
        {copied ? 'Copied' : 'Copy it'}
      </Button>
    </Frame>
  )
}

const Frame = styled.div`
  display: grid;
  gap: 4px;
  justify-items: start;
  width: min(560px, 100%);
  p {
    color: var(--ink-2);
  }
  input {
    width: 100%;
    min-height: 44px;
    padding: 4px 8px;
    border: 1.5px dashed var(--rule);
    background: transparent;
    color: var(--ink);
    font: 400 var(--small)/20px var(--text);
  }
`
