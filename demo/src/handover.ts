import type { HandoverSaid } from '@hestian/core'

/**
 * What the invented households are told. Telephone numbers are of ranges that are given to nobody.
 */
export const kestrelSaid: HandoverSaid = {
  shutOffs: {
    gas: 'in the meter box left of the boat doors: lever across the pipe',
    water: 'under the sink of the galley, red lever',
    power: 'switch marked BOILER on the board by the stairs',
  },
  call: { name: 'Maren Oduya, heating', phone: '01632 960 417', outOfHours: '01632 960 418' },
  nextVisit: '2027-11-02',
  words: 'In winter leave the dial of the changing rooms on the snowflake, never on off.',
}

export const saltbushSaid: HandoverSaid = {
  shutOffs: {
    gas: 'at the meter on the jetty side, lever across the pipe',
    water: 'blue lever at the tank stand',
    power: 'isolator beside the heater',
  },
  call: { name: 'Maren Oduya, gas and hot water', phone: '(02) 5550 0421', outOfHours: '' },
  nextVisit: '2027-05-11',
  words: '',
}
