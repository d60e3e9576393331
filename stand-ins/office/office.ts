import type { IncomingMessage, Server } from 'node:http'
import { createServer } from 'node:http'

interface Told {
  readonly place?: { readonly address?: string }
  readonly appliances?: readonly {
    readonly name?: string
    readonly make?: string
    readonly model?: string
  }[]
}

/** What an office asks of a notice before it takes it. */
export function reasonsAgainst({ place, appliances = [] }: Told): readonly string[] {
  return [
    ...((place?.address ?? '').trim() === '' ? ['The address of the work is missing.'] : []),
    ...appliances
      .filter(({ make = '', model = '' }) => make.trim() === '' || model.trim() === '')
      .map(({ name }) => `Make and model of ${name ?? 'an appliance'} are missing.`),
  ]
}

/**
 * A simulated registration office: takes a notice and gives it a number, or refuses it with
 * reasons. A notice sent again under its key gets the answer it got. `POST /mode {"mode":
 * "silent"}` makes it keep still, as an office does on a Friday; `"open"` ends that.
 */
export function makeOffice(): Server {
  const numbers = new Map<string, string>()
  let isSilent = false
  const answerTo = async (
    request: IncomingMessage,
  ): Promise<readonly [number, object] | undefined> => {
    const body = JSON.parse(await textOf(request)) as Told & { readonly mode?: string }
    if (request.url === '/mode') {
      isSilent = body.mode === 'silent'
      return [200, {}]
    }
    if (isSilent) return undefined
    const key = String(request.headers['idempotency-key'] ?? '')
    if (request.url !== '/notices' || request.method !== 'POST' || key === '')
      return [400, { says: 'POST /notices with an idempotency-key' }]
    const known = numbers.get(key)
    if (known) return [200, { outcome: 'accepted', number: known }]
    const reasons = reasonsAgainst(body)
    if (reasons.length > 0) return [422, { outcome: 'refused', reasons }]
    const number = `N-${String(numbers.size + 1).padStart(6, '0')}`
    numbers.set(key, number)
    return [201, { outcome: 'accepted', number }]
  }
  return createServer((request, response) => {
    answerTo(request)
      .catch((): readonly [number, object] => [400, { says: 'JSON is asked for' }])
      .then((answer) => {
        if (!answer) return
        response.writeHead(answer[0], { 'content-type': 'application/json' })
        response.end(JSON.stringify(answer[1]))
      })
      .catch(() => response.destroy())
  })
}

async function textOf(request: IncomingMessage): Promise<string> {
  const parts: Buffer[] = []
  for await (const part of request as AsyncIterable<Buffer>) parts.push(part)
  return Buffer.concat(parts).toString('utf8')
}
