import { EvidenceParams, EvidenceStored, evidenceTypes, Refused } from '@hestian/core'
import type { FastifyPluginAsyncZod } from 'fastify-type-provider-zod'
import { Refusal } from '../app/refusal'
import { lets } from '../people/gate'
import type { EvidenceStore } from './evidenceStore'

export const largestEvidence = 20 * 1024 * 1024

/** Photographs and papers, in and out as they are. */
export const evidenceRoutes: FastifyPluginAsyncZod<{
  evidence: EvidenceStore
  /** What a limit per address is put on. */
  limits: { put: object }
}> = async (app, { evidence, limits }) => {
  app.addContentTypeParser(
    [...evidenceTypes, 'application/octet-stream', 'image/heic', 'image/heif'],
    { parseAs: 'buffer', bodyLimit: largestEvidence },
    (_request, body, done) => done(null, body),
  )

  app.put(
    '/evidence/:hash',
    {
      bodyLimit: largestEvidence,
      config: { lets: 'design', ...limits.put },
      schema: {
        params: EvidenceParams,
        response: {
          201: EvidenceStored,
          400: Refused,
          413: Refused,
          429: Refused,
          503: Refused,
          507: Refused,
        },
      },
    },
    async (request, reply) => {
      if (!Buffer.isBuffer(request.body))
        throw new Refusal('not-evidence', 'Send the file itself, as JPEG, PNG, WebP or PDF.')
      return reply.code(201).send(await evidence.put(request.params.hash, request.body))
    },
  )

  app.get(
    '/evidence/:hash',
    {
      ...lets('read'),
      schema: { params: EvidenceParams, response: { 404: Refused, 410: Refused } },
    },
    async (request, reply) => {
      const { type, bytes } = await evidence.get(request.params.hash)
      return (
        reply
          .header('content-type', type)
          .header('x-content-type-options', 'nosniff')
          .header('content-security-policy', "default-src 'none'")
          // Shown where a page asks for it as a picture, never run as a page of its own.
          .header('content-disposition', 'attachment')
          .header('cache-control', 'private, max-age=31536000, immutable')
          .send(bytes as never)
      )
    },
  )
}
