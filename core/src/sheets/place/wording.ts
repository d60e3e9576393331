import type { FindingOf, Wordings } from '../../practice/worded'

/** Every finding of this subject: its sentence and its why, in the words of the practice. */
export const placeWordings = {
  'draught-failed': ({ practice }) => ({
    head: `The draught failed: the ${practice.words.flue} spills into the room.`,
    why: 'Carbon monoxide. The appliance is shut off and labelled, and whoever lives here is told today.',
  }),
  'draught-cannot-tell': ({ n }) => ({
    head: 'The smoke went in, but the trial was not whole.',
    why: `Still to do: ${n(0)}. With less running, a bad draught looks good.`,
  }),
  'draught-not-tried': () => ({
    head: 'The draught was not tried.',
    why: 'An open-flued appliance stands here. It is tried before anything is removed, and again after.',
  }),
  'relief-out-of-reach': ({ practice }) => ({
    head: `The ${practice.words.reliefValve} is hidden.`,
    why: 'Its lever must be within reach and its outlet in sight, or nobody knows that it weeps.',
  }),
  'relief-blocked': ({ practice }) => ({
    head: `The ${practice.words.reliefValve} is plugged or capped.`,
    why: 'Shut off the burner now: a store that cannot relieve can burst.',
  }),
  'vehicle-path': () => ({
    head: 'A vehicle can reach it: it needs a guard.',
    why: 'A post or kerb that a slow car cannot push. A gas appliance that is pushed leaks behind itself.',
  }),
  'ignition-low': ({ f, show }) => ({
    head: `The flame is ${show(f('height_m'), 'length')} above a garage floor.`,
    why: `Vapour of fuel lies low. Unsealed burners usually stand ${show(f('least_m'), 'length')} up; sealed ones differ: the maker and the local code say.`,
  }),
  'pan-wanted': ({ n, practice }) => ({
    head: `A ${practice.words.pan} under it, with a drain of its own.`,
    why: n(0),
  }),
  'straps-wanted': () => ({
    head: 'Straps at the upper and lower third, flexible connectors.',
    why: 'A full heater that walks breaks its gas pipe.',
  }),
  frost: () => ({
    head: 'It can freeze here.',
    why: 'Lag the pipes, lead the condensate inside or lag and heat it, and end the discharge where ice cannot close it.',
  }),
  'corrosive-air': () => ({
    head: 'The air here eats metal.',
    why: 'Take the air for burning from outside with a sealed appliance, and move what gives off the vapour.',
  }),
  'clearance-short': ({ n }) => ({
    head: `${n(0)} is too little.`,
    why: "The manual's figure is the least. Move the place or choose another appliance.",
  }),
  'combustion-air-short': () => ({
    head: 'Too little air for an open burner.',
    why: 'It makes carbon monoxide. Open permanent vents of the size the manual and local code ask for, or take a sealed appliance.',
  }),
  'flue-unsound': ({ n, practice }) => ({
    head: `The route for the ${practice.words.flue} ${n(0)}.`,
    why: 'Nothing is connected to it before it is sound from end to end.',
  }),
  'no-drain': () => ({
    head: 'There is no drain here.',
    why: 'Discharge, condensate and a pan all need one. A bucket is an open item, never a design.',
  }),
  'drain-pumped': () => ({
    head: 'Only a pumped drain here.',
    why: 'A pump may carry condensate, never a relief discharge, and it stops with the power.',
  }),
  'supply-shared': ({ n }) => ({
    head: `Its electrical supply ${n(0)}.`,
    why: 'An isolator of its own, within sight: switching off one appliance must not switch off another.',
  }),
  'no-drip-loop': () => ({
    head: 'A cord runs straight down into its socket.',
    why: 'Let it hang below the socket before it rises: water then drips off.',
  }),
} satisfies Wordings
export type PlaceFinding = FindingOf<typeof placeWordings>
