/** @jest-environment jsdom */
import type { Passkey } from '@hestian/core'
import { cleanup, fireEvent, screen, waitFor } from '@testing-library/react'
import { owner, renderAs } from '../people/renderAs.testing'
import { OwnPasskeys } from './OwnPasskeys'

afterEach(() => {
  cleanup()
  Reflect.deleteProperty(globalThis, 'PublicKeyCredential')
})
const desk: Passkey = {
  ...{ id: 'AAAA', name: 'Desk', madeAt: '2026-11-29T09:00:00.000Z', usedAt: null },
}

test('each device stands with its use, and is removed by its own button', async () => {
  let kept: Passkey[] = [desk, { ...desk, id: 'BBBB', name: 'Phone', usedAt: desk.madeAt }]
  const sent = renderAs(owner(), <OwnPasskeys />, (url) => {
    if (url.endsWith('/passkeys')) return kept
    kept = [desk]
    return {}
  })
  await screen.findByText('Desk')
  const rows = screen.getAllByRole('listitem').map(({ textContent }) => textContent)
  expect(rows[0]).toMatch(/^Deskmade .*, not used yet/)
  expect(rows[1]).toMatch(/^Phoneused /)
  fireEvent.click(screen.getByRole('button', { name: 'Remove the passkey of Phone' }))
  await screen.findByText('Phone signs in no more.')
  await waitFor(() => expect(screen.queryByText('Phone')).toBeNull())
  expect(sent.map(({ url }) => url)).toEqual(['/api/passkeys/BBBB/remove'])
})

test('where the browser has none it says what is wanted, and asks for nothing', async () => {
  renderAs(owner(), <OwnPasskeys />, () => [])
  await screen.findByText(/open it as localhost/)
  expect(screen.queryByRole('textbox')).toBeNull()
})

test('a device is added by a name, and a browser that gives no key says so', async () => {
  Reflect.set(globalThis, 'PublicKeyCredential', function Key() {})
  const asked = { challenge: 'AAAA', rp: { name: 'Hestian' }, user: { id: 'AAAA', name: 'x' } }
  const sent = renderAs(owner(), <OwnPasskeys />, (url) => (url.endsWith('/asked') ? asked : []))
  const add = await screen.findByRole('button', { name: 'Add a passkey of this device' })
  expect(add.matches(':disabled')).toBe(true)
  fireEvent.change(screen.getByLabelText('This device, by a name'), { target: { value: 'Phone' } })
  fireEvent.click(add)
  await screen.findByText(/gave no passkey/)
  expect(sent.map(({ url }) => url)).toEqual(['/api/passkeys/asked'])
  // The name stays for the next try.
  expect(screen.getByLabelText<HTMLInputElement>('This device, by a name').value).toBe('Phone')
})
