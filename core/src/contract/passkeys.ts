import { z } from 'zod'

// A key of a device that signs somebody in, in place of a password. What a browser sends is checked
// by the library that reads it.

const part = z.string().max(20_000)
/** The name that a device gives its key. */
export const passkeyId = z
  .string()
  .min(1)
  .max(1400)
  .regex(/^[\w-]+$/, 'the id of a passkey')
const answered = {
  id: passkeyId,
  rawId: passkeyId,
  type: z.literal('public-key'),
  clientExtensionResults: z.looseObject({}),
  authenticatorAttachment: z.string().max(40).nullish(),
}

/** What is asked of a device: as the library makes it. */
export const PasskeyAsked = z.looseObject({ challenge: z.string() })
export type PasskeyAsked = z.infer<typeof PasskeyAsked>

export const NewPasskey = z.object({
  name: z.string().trim().min(1, 'a name to tell it by').max(60, 'at most 60 characters'),
  response: z.object({
    ...answered,
    response: z.looseObject({ clientDataJSON: part, attestationObject: part }),
  }),
})
export type NewPasskey = z.infer<typeof NewPasskey>

export const PasskeySignIn = z.object({
  response: z.object({
    ...answered,
    response: z.looseObject({ clientDataJSON: part, authenticatorData: part, signature: part }),
  }),
})
export type PasskeySignIn = z.infer<typeof PasskeySignIn>

export const Passkey = z.object({
  id: passkeyId,
  name: z.string(),
  madeAt: z.iso.datetime(),
  usedAt: z.iso.datetime().nullable(),
})
export type Passkey = z.infer<typeof Passkey>
export const PasskeyParams = z.object({ passkeyId })
