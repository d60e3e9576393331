import { demoJobs } from '../../../demo/src/index'
import { atOneOf, everyZone, inZone, pipePlaces, placeOf, zonePlaces } from './places'

test.each(['common', everyZone, 'every zone', 'one', 'zone one', 'with a space'])(
  'a zone with the id %j is told from all of them, and its emitters from it',
  (id) => {
    expect(placeOf(inZone(id))).toEqual({ zoneId: id, carries: 'all' })
    expect(placeOf(atOneOf(id))).toEqual({ zoneId: id, carries: 'one-emitter' })
    expect(placeOf(inZone(null))).toEqual({ zoneId: null, carries: 'all' })
  },
)

test.each(Object.entries(demoJobs()))('%s: no two places go by one id', (_, { document }) => {
  const zones = document.heating?.zones ?? []
  for (const places of [zonePlaces(zones), pipePlaces(zones)])
    expect(new Set(places.map(({ id }) => id)).size).toBe(places.length)
})
