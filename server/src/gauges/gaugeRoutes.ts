import { GaugeParams, GaugeState, PlantCommand, Refused } from '@hestian/core'
import type { FastifyPluginAsyncZod } from 'fastify-type-provider-zod'
import { z } from 'zod'
import { Refusal } from '../app/refusal'
import { lets } from '../people/gate'
import type { GaugeLink } from './gaugeLink'

/** The gauges that are set up, and the hand at the simulated pipework. */
export const gaugeRoutes: FastifyPluginAsyncZod<{ gauges: readonly GaugeLink[] }> = async (
  app,
  { gauges },
) => {
  app.get(
    '/gauges',
    { ...lets('read'), schema: { response: { 200: z.array(GaugeState) } } },
    async () => gauges.map((gauge) => gauge.state()),
  )

  app.post(
    '/gauges/:gaugeId/plant',
    {
      ...lets('site'),
      schema: {
        params: GaugeParams,
        body: PlantCommand,
        response: { 200: z.object({}), 404: Refused, 409: Refused, 400: Refused },
      },
    },
    async (request) => {
      const gauge = gauges.find((one) => one.address.id === request.params.gaugeId)
      if (!gauge) throw new Refusal('no-such-gauge', 'No gauge of that name is set up.')
      if (!gauge.plant(request.body))
        throw new Refusal('gauge-silent', 'The simulated pipework does not answer.')
      return {}
    },
  )
}
