import { Instrument, InstrumentParams, Refused } from '@hestian/core'
import type { FastifyPluginAsyncZod } from 'fastify-type-provider-zod'
import { z } from 'zod'
import type { InstrumentStore } from './instrumentStore'
import { lets } from '../people/gate'

/** The firm's list of gauges. */
export const instrumentRoutes: FastifyPluginAsyncZod<{ instruments: InstrumentStore }> = async (
  app,
  { instruments },
) => {
  app.get(
    '/instruments',
    { ...lets('read'), schema: { response: { 200: z.array(Instrument) } } },
    async () => instruments.list(),
  )
  app.put(
    '/instruments/:instrumentId',
    {
      ...lets('gauges'),
      schema: {
        params: InstrumentParams,
        body: Instrument,
        response: { 200: z.object({}), 400: Refused, 409: Refused },
      },
    },
    async (request) => {
      // The address says which one it is.
      await instruments.put({ ...request.body, id: request.params.instrumentId })
      return {}
    },
  )
}
