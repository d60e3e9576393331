import { PasskeyAsked } from '@hestian/core'
import type {
  PublicKeyCredentialCreationOptionsJSON,
  PublicKeyCredentialRequestOptionsJSON,
} from '@simplewebauthn/browser'
import { ApiError, call } from '../api/client'
import { enter } from './enter'

/** Whether this browser makes and asks for passkeys here: none does for an address in figures. */
export const hasPasskeys = (): boolean =>
  typeof globalThis.PublicKeyCredential === 'function' &&
  !/^[\d.]+$|^\[/.test(globalThis.location.hostname)

const notGiven = 'The device gave no passkey. Press once more, or sign in with your password.'

/** Signs in with a key of this device; gives why it did not, or nothing where it did. */
export const signInByPasskey = (): Promise<string | undefined> =>
  tried(async () => {
    const [optionsJSON, { startAuthentication }] = await asked('/session/passkey/asked')
    const response = await startAuthentication({
      optionsJSON: optionsJSON as unknown as PublicKeyCredentialRequestOptionsJSON,
    })
    return enter('/session/passkey', { response })
  })

/** Makes a key of this device for whoever is signed in. */
export const makePasskey = (name: string): Promise<string | undefined> =>
  tried(async () => {
    const [optionsJSON, { startRegistration }] = await asked('/passkeys/asked')
    const response = await startRegistration({
      optionsJSON: optionsJSON as unknown as PublicKeyCredentialCreationOptionsJSON,
    })
    return enter('/passkeys', { name, response })
  })

/**
 * What the server asks of the device, and what puts it to the device: fetched when it is wanted.
 */
const asked = (path: string) =>
  Promise.all([call('POST', path, PasskeyAsked, {}), import('@simplewebauthn/browser')])

const tried = (work: () => Promise<string | undefined>): Promise<string | undefined> =>
  work().catch((error: unknown) => {
    if (error instanceof ApiError) return error.message
    return error instanceof Error && error.name === 'InvalidStateError'
      ? 'This device has a passkey for you already.'
      : notGiven
  })
