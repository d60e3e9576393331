import { createHash, createSign, generateKeyPairSync, randomBytes } from 'node:crypto'
import { isoCBOR } from '@simplewebauthn/server/helpers'

const sha256 = (data: Buffer | string): Buffer => createHash('sha256').update(data).digest()
const b64 = (data: Uint8Array): string => Buffer.from(data).toString('base64url')

interface Asking {
  readonly challenge: string
  /** The page that asks, as the browser writes it down. */
  readonly origin?: string
}

/**
 * A device that keeps one key, as W3C Web Authentication Level 3 writes what it answers (sections
 * 6.1 and 6.5): ES256, no attestation.
 */
export class Authenticator {
  readonly id = randomBytes(16)
  /** Whether it saw who holds it: by finger, face or number. */
  saw = true
  /** Whether it counts how often it was used; one whose keys go from device to device does not. */
  counts = true
  private readonly keys = generateKeyPairSync('ec', { namedCurve: 'P-256' })
  private count = 0

  constructor(
    private readonly server: string,
    private readonly origin: string,
  ) {}

  register({ challenge, origin = this.origin }: Asking) {
    const attestationObject = isoCBOR.encode(
      new Map<string, string | Uint8Array | Map<never, never>>([
        ['fmt', 'none'],
        ['attStmt', new Map<never, never>()],
        ['authData', Buffer.concat([this.data(0x40), this.credential()])],
      ]),
    )
    return this.answer({
      clientDataJSON: b64(this.client('webauthn.create', challenge, origin)),
      attestationObject: b64(attestationObject),
    })
  }

  signIn({ challenge, origin = this.origin }: Asking) {
    const client = this.client('webauthn.get', challenge, origin)
    const data = this.data(0)
    const signature = createSign('sha256')
      .update(Buffer.concat([data, sha256(client)]))
      .sign(this.keys.privateKey)
    return this.answer({
      clientDataJSON: b64(client),
      authenticatorData: b64(data),
      signature: b64(signature),
    })
  }

  private answer<T extends object>(response: T) {
    const id = b64(this.id)
    return { id, rawId: id, type: 'public-key', clientExtensionResults: {}, response }
  }

  private client = (type: string, challenge: string, origin: string): Buffer =>
    Buffer.from(JSON.stringify({ type, challenge, origin, crossOrigin: false }))

  /** Whose server, what was seen (somebody there; them), how often it was used. */
  private data(more: number): Buffer {
    const counter = Buffer.alloc(4)
    counter.writeUInt32BE(this.counts ? ++this.count : 0)
    const flags = 0x01 | (this.saw ? 0x04 : 0) | more
    return Buffer.concat([sha256(this.server), Buffer.from([flags]), counter])
  }

  private credential(): Buffer {
    const { x = '', y = '' } = this.keys.publicKey.export({ format: 'jwk' })
    const cose = isoCBOR.encode(
      new Map<number, number | Uint8Array>([
        [1, 2],
        [3, -7],
        [-1, 1],
        [-2, new Uint8Array(Buffer.from(x, 'base64url'))],
        [-3, new Uint8Array(Buffer.from(y, 'base64url'))],
      ]),
    )
    return Buffer.concat([Buffer.alloc(16), Buffer.from([0, this.id.length]), this.id, cose])
  }
}
