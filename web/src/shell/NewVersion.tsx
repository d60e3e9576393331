import { useEffect, useState } from 'react'
import styled from 'styled-components'
import { registerSW } from 'virtual:pwa-register'
import { isTestRunning } from '../sync/runningTest'
import { Button } from '../ui/Button'

/**
 * Keeps the shell on this device when the browser is idle; says when there is a newer one and takes
 * it on a press, never under a running test.
 */
export function NewVersion() {
  const [take, setTake] = useState<() => Promise<void>>()
  const [says, setSays] = useState<string>()
  useEffect(() => {
    const idle = window.requestIdleCallback ?? ((work: () => void) => setTimeout(work, 2000))
    idle(() => {
      const update = registerSW({ onNeedRefresh: () => setTake(() => () => update(true)) })
    })
  }, [])
  if (!take) return null
  const press = async () => {
    if (await isTestRunning())
      setSays('A test is running in this browser. The new version waits until it has ended.')
    else await take()
  }
  return (
    <Bar role="status">
      <span>{says ?? 'A new version of Hestian is here.'}</span>
      <Button onPress={() => void press()}>Take it now</Button>
      <Button look="text" onPress={() => setTake(undefined)}>
        Later
      </Button>
    </Bar>
  )
}

const Bar = styled.aside`
  position: fixed;
  z-index: 5;
  right: 16px;
  bottom: 16px;
  max-width: calc(100vw - 32px);
  display: flex;
  flex-wrap: wrap;
  gap: 8px 16px;
  align-items: center;
  background: var(--sheet);
  border: 1.5px solid var(--ink);
  padding: 10px 14px;
`
