import { isIP } from 'node:net'
import { constants } from 'node:zlib'
import compress from '@fastify/compress'
import helmet from '@fastify/helmet'
import rateLimit from '@fastify/rate-limit'
import type { FastifyInstance } from 'fastify'
import { Refusal } from './refusal'

/** JSON nested deeper than this is no job of ours, and costs the parser dearly. */
export const deepestJson = 60

/** How much one address may ask for. */
export interface DoorLimits {
  /** Event streams open at a time. */
  readonly streams: number
  /** Uploads of photographs and papers in a minute. */
  readonly uploads: number
  /** Imports of jobs in a minute. */
  readonly imports: number
  /** Sign-ins in a minute. */
  readonly signIns: number
}

export const doorLimits: DoorLimits = { streams: 60, uploads: 600, imports: 60, signIns: 20 }

/**
 * What everything passes on its way in: the name the server was asked under, headers that keep a
 * page to itself, a parser that refuses what is nested too deep.
 */
export async function guardDoors(
  http: FastifyInstance,
  { hosts }: { readonly hosts: readonly string[] },
): Promise<void> {
  const known = new Set(['localhost', ...hosts.map((host) => host.toLowerCase())])
  http.addHook('onRequest', async (request) => {
    // An address in figures cannot be rebound by a foreign name server; a name can.
    const name = nameOf(request.headers.host ?? '')
    if (isIP(name) === 0 && !known.has(name))
      throw new Refusal(
        'other-host',
        `This server does not go by the name ${name.slice(0, 100) || '(none)'}. Name it in HESTIAN_HOSTS if it should.`,
      )
  })
  // Answers go out squeezed where the browser takes it; what comes in squeezed is not unpacked.
  await http.register(compress, {
    encodings: ['br', 'gzip'],
    globalDecompression: false,
    brotliOptions: { params: { [constants.BROTLI_PARAM_QUALITY]: 4 } },
  })
  await http.register(helmet, {
    contentSecurityPolicy: {
      useDefaults: false,
      directives: {
        defaultSrc: ["'self'"],
        scriptSrc: ["'self'"],
        // Styled components write their rules into the page.
        styleSrc: ["'self'", "'unsafe-inline'"],
        imgSrc: ["'self'", 'blob:', 'data:'],
        fontSrc: ["'self'"],
        connectSrc: ["'self'"],
        workerSrc: ["'self'"],
        objectSrc: ["'none'"],
        baseUri: ["'none'"],
        formAction: ["'self'"],
        frameAncestors: ["'none'"],
      },
    },
    // HTTPS is the firm's own, in front of this; said here it would lock out localhost.
    strictTransportSecurity: false,
    crossOriginEmbedderPolicy: false,
  })
  await http.register(rateLimit, { global: false })
  http.removeContentTypeParser('application/json')
  const parse = http.getDefaultJsonParser('error', 'error')
  http.addContentTypeParser('application/json', { parseAs: 'string' }, (request, body, done) => {
    if (isDeeper(body as string, deepestJson))
      done(
        new Refusal(
          'not-understood',
          `That cannot be understood: it is nested deeper than ${deepestJson} levels.`,
        ),
      )
    else void parse(request, body as string, done)
  })
}

/** The name of a Host header without its port; an IPv6 address without its brackets. */
function nameOf(host: string): string {
  const bracketed = /^\[([^\]]*)\](:\d+)?$/.exec(host)
  return (bracketed?.[1] ?? host.replace(/:\d+$/, '')).toLowerCase()
}

const [quote, backslash, brace, bracket, endBrace, endBracket] = [
  0x22, 0x5c, 0x7b, 0x5b, 0x7d, 0x5d,
]

/** Whether JSON nests deeper than so many levels, found in one pass that builds nothing. */
export function isDeeper(text: string, levels: number): boolean {
  let depth = 0
  let inString = false
  for (let i = 0; i < text.length; i++) {
    const char = text.charCodeAt(i)
    if (inString) {
      if (char === backslash) i++
      else if (char === quote) inString = false
    } else if (char === quote) inString = true
    else if (char === brace || char === bracket) {
      if (++depth > levels) return true
    } else if (char === endBrace || char === endBracket) depth--
  }
  return false
}
