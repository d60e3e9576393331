import type { Refused } from '@hestian/core'
import type { FastifyError, FastifyInstance } from 'fastify'
import {
  hasZodFastifySchemaValidationErrors,
  isResponseSerializationError,
} from 'fastify-type-provider-zod'
import { Refusal } from './refusal'

const tooLarge =
  'That is too large: at most 1 MB is accepted here, 20 MB for a photograph or paper, 64 MB for a job file, 512 MB for a job with its photographs.'

/** Turns everything that goes wrong into a status and a sentence. */
export function answerErrors(http: FastifyInstance): void {
  http.setErrorHandler((error: FastifyError, request, reply) => {
    const { status, ...refused } = answerTo(error)
    if (status >= 500) http.log.error({ err: error, says: String(error), url: request.url })
    return reply.code(status).send(refused satisfies Refused)
  })
}

function answerTo(error: FastifyError): Refused & { readonly status: number } {
  if (error instanceof Refusal) {
    const { status, code, message: says, current } = error
    return { status, code, says, ...(current === undefined ? {} : { current }) }
  }
  if (hasZodFastifySchemaValidationErrors(error)) {
    const says = error.validation
      .slice(0, 3)
      .map(({ instancePath, message }) => {
        const place = instancePath.replaceAll('/', ' ').trim()
        return `${place || 'the request'}: ${message ?? 'is wrong'}`
      })
      .join('; ')
    return { status: 400, code: 'not-understood', says: `That cannot be understood. ${says}.` }
  }
  if (isResponseSerializationError(error))
    return {
      status: 422,
      code: 'job-unreadable',
      says: 'What is stored here cannot be read. The other jobs are not touched. Restore it from a backup, or keep the data folder for somebody who can mend it.',
    }
  if (error.statusCode === 413) return { status: 413, code: 'too-large', says: tooLarge }
  if (error.statusCode === 429)
    return {
      status: 429,
      code: 'too-many',
      says: 'Too many of these came from one place within a minute. Wait a minute and try again; nothing you typed is lost.',
    }
  if (error.statusCode !== undefined && error.statusCode < 500)
    return {
      status: error.statusCode === 415 ? 400 : error.statusCode,
      code: 'not-understood',
      says: `That cannot be understood: ${error.message}.`,
    }
  return {
    status: 500,
    code: 'not-understood',
    says: 'Something went wrong in Hestian itself. Nothing you typed is lost; try again.',
  }
}
