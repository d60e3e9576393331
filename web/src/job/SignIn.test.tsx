/** @jest-environment jsdom */
import type { SessionState } from '@hestian/core'
import { act, cleanup, fireEvent, render, screen, waitFor } from '@testing-library/react'
import { SignIn } from './SignIn'

globalThis.AbortSignal.timeout ??= () => new AbortController().signal

let sent: { url: string; body: unknown }[]
let came: number
/** What the server answers: in, or why not. */
let answer: { readonly status: number; readonly body: object }
beforeEach(() => {
  sent = []
  came = 0
  answer = { status: 200, body: {} }
  globalThis.fetch = ((url: string, { body }: RequestInit = {}) => {
    sent.push({ url, body: JSON.parse(body as string) as unknown })
    return Promise.resolve({
      ...{ ok: answer.status < 300, status: answer.status, headers: new Headers() },
      text: () => Promise.resolve(JSON.stringify(answer.body)),
    })
  }) as unknown as typeof fetch
})
afterEach(() => {
  cleanup()
  Reflect.deleteProperty(globalThis, 'PublicKeyCredential')
})

const maren = { id: 'maren-oduya', name: 'Maren Oduya', role: 'owner' }
const door = (demo: SessionState['demo'] = []): SessionState => ({
  ...{ person: null, firstRun: false },
  demo,
})
const open = (demo: SessionState['demo'] = [], name?: string) =>
  render(
    <SignIn
      door={door(demo)}
      {...(name ? { name } : {})}
      onIn={() => {
        came++
        return Promise.resolve()
      }}
    />,
  )
const type = (label: string, value: string) =>
  fireEvent.change(screen.getByLabelText(label), { target: { value } })
const press = (name: string | RegExp) =>
  act(() => fireEvent.click(screen.getByRole('button', { name })))
const alert = () => screen.findByRole('alert').then(({ textContent }) => textContent)

test('name and password are sent as they were typed, and let one in', async () => {
  open()
  type('Name', 'Maren Oduya')
  type('Password', ' three plain words ')
  press('Sign in')
  await waitFor(() => expect(came).toBe(1))
  const body = { name: 'Maren Oduya', password: ' three plain words ' }
  expect(sent).toEqual([{ url: '/api/session', body }])
  expect(screen.queryByRole('alert')).toBeNull()
})

test('with one of them missing nothing is sent', async () => {
  open()
  for (const [label, value] of [
    ['Name', 'Maren Oduya'],
    ['Name', '  '],
    ['Password', 'three plain words'],
  ] as const) {
    type(label, value)
    press('Sign in')
    expect(await alert()).toBe('Type your name and your password.')
  }
  expect(sent).toEqual([])
})

test('why one is not let in is said in the words of the server, and what was typed stays', async () => {
  const says = 'Name and password do not go together.'
  answer = { status: 403, body: { code: 'wrong-sign-in', says } }
  open([], 'Maren Oduya')
  type('Password', 'four plain words here')
  press('Sign in')
  expect(await alert()).toBe(says)
  expect(came).toBe(0)
  expect(screen.getByLabelText<HTMLInputElement>('Name').value).toBe('Maren Oduya')
  expect(screen.getByLabelText<HTMLInputElement>('Password').value).toBe('four plain words here')
  answer = { status: 200, body: {} }
  press('Sign in')
  await waitFor(() => expect(came).toBe(1))
  expect(screen.queryByRole('alert')).toBeNull()
})

test('the people of a demo come in by a press', async () => {
  open([maren])
  press(/Maren Oduya/)
  await waitFor(() => expect(came).toBe(1))
  expect(sent).toEqual([{ url: '/api/session/demo', body: { personId: 'maren-oduya' } }])
})

test('a passkey is offered where the browser has them, and what it does not give is said', async () => {
  const offered = () => screen.queryByRole('button', { name: 'With a passkey of this device' })
  open()
  expect(offered()).toBeNull()
  cleanup()
  Reflect.set(globalThis, 'PublicKeyCredential', function Key() {})
  answer = { status: 200, body: { challenge: 'AAAA', rpId: 'localhost' } }
  open()
  press('With a passkey of this device')
  expect(await alert()).toMatch(/gave no passkey/)
  expect(sent.map(({ url }) => url)).toEqual(['/api/session/passkey/asked'])
  expect(came).toBe(0)
  const says = 'Passkeys go by the name of a server, and this address is only figures.'
  answer = { status: 409, body: { code: 'no-passkey', says } }
  press('With a passkey of this device')
  await waitFor(async () => expect(await alert()).toBe(says))
})
