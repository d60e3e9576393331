import type { OffState } from '../job/records'
import type { Appliance, JobDocument } from '../job/document'
import type { Practice } from '../practice/practices'
import type { Ticket } from '../practice/tickets'
import { fitted } from '../job/asked'
import type { Measure } from '../units/measure'

/** What must hold before a step is offered. `seen` is confirmed by eye; the others are judged from the records. */
export type Guard =
  | { readonly kind: 'seen'; readonly id: string; readonly text: string }
  | { readonly kind: 'put-back'; readonly offKey: string; readonly text: string }
  | { readonly kind: 'gas-tight'; readonly text: string }

/** Something a step leaves out of its normal place; it stays on the off strip until it is put back. */
export interface LeavesOff {
  readonly key: string
  readonly name: string
  readonly state: OffState
  readonly where: string
  /** The step it must be back before. */
  readonly backBefore: string
  /** Put back only when that step is reached and its earlier guards hold: power, and gas at a heater. */
  readonly waits?: true
}

export interface StepReading {
  readonly label: string
  readonly measure: Measure
  readonly least?: number
  readonly most?: number
  /** What the design says it should be. */
  readonly target?: number
  readonly limitSays: string
}

export interface Step {
  readonly id: string
  readonly title: string
  /** A few words, for the order of work. */
  readonly short: string
  readonly why: string
  readonly guards: readonly Guard[]
  readonly leavesOff: readonly LeavesOff[]
  /** Keys that this step itself puts back when it is signed. */
  readonly restores: readonly string[]
  readonly reading?: StepReading
  readonly ticket?: Ticket
}

/** What the design tells the sequence to aim at. */
export interface SequenceTargets {
  readonly chargeGauge_Pa?: number
  readonly fillGauge_Pa?: number
  readonly hotGauge_Pa?: number
  readonly reliefSetGauge_Pa?: number
  readonly finalGauge_Pa?: number
  /** Gas at the index appliance with everything burning. */
  readonly gasGauge_Pa?: number
  readonly gasLeastGauge_Pa?: number
  readonly gasLeastSays?: string
  readonly fitted_m3?: number
  readonly maxFlowTemp_K?: number
  /** Hottest that may run where people wash. */
  readonly tapMost_K?: number
}

const seen = (id: string, text: string): Guard => ({ kind: 'seen', id, text })
const back = (offKey: string, text: string): Guard => ({ kind: 'put-back', offKey, text })
const step = (
  part: Omit<Step, 'guards' | 'leavesOff' | 'restores'> &
    Partial<Pick<Step, 'guards' | 'leavesOff' | 'restores'>>,
): Step => ({ guards: [], leavesOff: [], restores: [], ...part })

/** The order of work from an empty circuit to a running one. A job without a heating circuit gets its heater's own. */
export function commissioningSequence(
  document: JobDocument,
  practice: Practice,
  targets: SequenceTargets,
): readonly Step[] {
  if (document.heating) return heatingSequence(practice, targets)
  const heater = fitted(document.appliances).find(
    (appliance) => appliance.kind === 'storage-heater' || appliance.kind === 'instantaneous-heater',
  )
  return heater ? heaterSequence(heater, practice, targets) : []
}

const gasAtIndex = (targets: SequenceTargets): Step =>
  step({
    id: 'gas-working',
    title: 'Read the gas at the index appliance, everything burning.',
    short: 'Gas, everything on',
    ticket: 'gas',
    why: 'Only now do all burners pull together. Too little pressure starves the flame; the design says what should be left.',
    guards: [
      seen('all-on', 'Every gas appliance at full rate'),
      seen('five-min', 'Held for 5 minutes'),
    ],
    reading: {
      label: 'At the appliance inlet',
      measure: 'gas-pressure',
      ...(targets.gasLeastGauge_Pa === undefined ? {} : { least: targets.gasLeastGauge_Pa }),
      ...(targets.gasGauge_Pa === undefined ? {} : { target: targets.gasGauge_Pa }),
      limitSays: targets.gasLeastSays ?? `the maker's minimum inlet pressure, not yet read`,
    },
  })

const flueProof = step({
  id: 'flue',
  title: 'Prove the flue and the combustion.',
  short: 'Flue and combustion',
  ticket: 'gas',
  why: "A combustion reading is the one most often missing from the record. Hold it against the maker's figures for this model and gas.",
  guards: [
    seen('flue-whole', 'Flue complete, supported and sealed'),
    seen('maker-figures', "CO and CO₂ inside the maker's figures"),
  ],
})

function heatingSequence(practice: Practice, t: SequenceTargets): readonly Step[] {
  const { words, vessel } = practice
  const lever = practice.fillBy === 'feed-valve-with-lever'
  const fill = t.fillGauge_Pa
  const purged: Step = lever
    ? step({
        id: 'purge',
        title: 'Purge each loop at its outlet.',
        short: 'Loops purged',
        why: 'Air left in a loop stops its flow and gurgles for weeks. The lever pushes it along only while the outlet runs.',
        guards: [
          seen('outlet-open', 'Purge outlet open, hose in a bucket'),
          seen('no-bubbles', 'Ran until no bubbles came'),
        ],
        leavesOff: [
          {
            key: 'fast-fill',
            name: 'Fast-fill lever',
            state: 'lever-over',
            where: `on the ${words.fillDevice}`,
            backBefore: 'purge-shut',
          },
        ],
      })
    : step({
        id: 'purge',
        title: 'Bleed low to high, then flush each loop.',
        short: 'Bled and flushed',
        why: 'Air left in a loop stops its flow. Separators and automatic vents do not replace bleeding by hand.',
        guards: [
          seen('low-to-high', `Every ${words.emitter} bled, lowest first`),
          seen('clear', 'Flushed until clear'),
        ],
      })
  return [
    step({
      id: 'power-off',
      title: 'Isolate the power and keep it off.',
      short: 'Power isolated',
      ticket: 'electrical',
      why: 'A pump or boiler started dry is damaged in seconds. Nothing gets power until the circuit is full and vented.',
      guards: [seen('proved-dead', 'Proved dead at the boiler')],
      leavesOff: [
        {
          key: 'power',
          name: 'Boiler and pump supply',
          state: 'power-off',
          where: 'isolator, fuse in the tool bag',
          backBefore: 'power-on',
          waits: true,
        },
      ],
    }),
    step({
      id: 'vessel-charge',
      title: `Set the ${words.vessel} charge, water side empty.`,
      short: 'Vessel charge, empty',
      why: 'A charge read against water is the water’s pressure, not the charge. This is the only moment it can be trusted.',
      guards: [seen('empty', 'Water side open and empty')],
      reading: {
        label: 'Charge, gauge',
        measure: 'water-pressure',
        ...(t.chargeGauge_Pa === undefined
          ? {}
          : {
              target: t.chargeGauge_Pa,
              least: t.chargeGauge_Pa - vessel.fillTolerance_Pa,
              most: t.chargeGauge_Pa + vessel.fillTolerance_Pa,
            }),
        limitSays: 'within the fill tolerance of the charge for the temperature of the day',
      },
    }),
    step({
      id: 'relief-check',
      title: `Check the ${words.reliefValve} and where it ends.`,
      short: 'Relief and its end',
      ticket: practice.unventedTicket ? 'unvented' : 'gas',
      why: 'No pressure on any vessel without its relief, and its discharge, in place.',
      guards: [
        seen('rating', 'Setting on the tag is the design’s'),
        seen('no-valve', 'No valve, cap or plug before or after it'),
        seen('end', 'Discharge complete, falling, end in sight'),
      ],
    }),
    step({
      id: 'zones-open',
      title: 'Latch every zone valve open.',
      short: 'Zone valves latched',
      why: 'A shut zone fills with nothing but air.',
      guards: [seen('each', 'Each zone valve lever over and latched')],
      leavesOff: [
        {
          key: 'zones',
          name: 'Zone valves',
          state: 'held-open',
          where: 'latched by hand',
          backBefore: 'power-on',
        },
      ],
    }),
    step({
      id: 'fill',
      title: `Fill slowly through the ${words.fillDevice}.`,
      short: 'Filled cold',
      why: 'Slowly, with a vent open at the top: surge loosens joints and traps air.',
      guards: [
        seen('vent-open', 'A vent open at the top'),
        seen('joints', 'Someone watching the joints'),
      ],
      ...(lever
        ? {}
        : {
            leavesOff: [
              {
                key: 'link',
                name: 'Filling link',
                state: 'linked' as const,
                where: 'between the main and the circuit',
                backBefore: 'link-off',
              },
            ],
          }),
    }),
    purged,
    ...(lever
      ? [
          step({
            id: 'purge-shut',
            title: 'Lever back to automatic, then shut the purge outlet.',
            short: 'Lever back, outlet shut',
            why: 'In the other order full mains pressure lands on the boiler.',
            guards: [
              back('fast-fill', 'Fast-fill lever put back to automatic'),
              seen('outlet-shut', 'Outlet shut after the lever'),
            ],
          }),
        ]
      : []),
    step({
      id: 'cold-fill',
      title: 'Read the cold fill.',
      short: 'Cold fill',
      why: 'Every hot pressure follows from this one. The design’s window keeps the reserve in and the relief dry.',
      guards: [seen('still', 'Circuit full, vented and cold')],
      reading: {
        label: 'At the fill point, gauge',
        measure: 'water-pressure',
        ...(fill === undefined
          ? {}
          : {
              target: fill,
              least: fill - vessel.fillTolerance_Pa,
              most: fill + vessel.fillTolerance_Pa,
            }),
        limitSays: 'within the fill tolerance of the cold fill of the design',
      },
    }),
    ...(lever
      ? []
      : [
          step({
            id: 'link-off',
            title: 'Shut, disconnect and cap the filling link.',
            short: 'Link off and capped',
            why: 'A link left on lets the main into the heating, and heating water into the main.',
            guards: [back('link', 'Link shut, disconnected and capped')],
          }),
        ]),
    step({
      id: 'joints',
      title: 'Look at every joint under pressure.',
      short: 'Joints dry',
      why: 'A weep is found now or by the householder.',
      guards: [seen('dry', 'Every joint wiped and dry')],
    }),
    step({
      id: 'gas-on',
      title: 'Open the gas: retest, purge, spray.',
      short: 'Gas on and sprayed',
      ticket: 'gas',
      why: 'No flame before the pipe is proved with real gas and purged of air.',
      guards: [
        { kind: 'gas-tight', text: 'Gas tightness test passed' },
        seen('purged', 'Purged as the practice says, someone watching the outlet'),
        seen('sprayed', 'Joints sprayed; the test-point screw last'),
      ],
    }),
    step({
      id: 'power-on',
      title: 'Zone valves to automatic, then power on.',
      short: 'Power on',
      ticket: 'electrical',
      why: 'The circuit is full and vented: now, and not before, the pump may run. Pumps run before burners.',
      guards: [
        back('zones', 'Zone valves unlatched to automatic'),
        seen('pump-vented', 'Pump vented both sides'),
        seen('full', 'Full and vented'),
        back('power', 'Supply put back on'),
      ],
    }),
    step({
      id: 'limits',
      title: 'Make every limit act.',
      short: 'Limits proved',
      ticket: 'electrical',
      why: 'A limit that has never stopped a burner is a hope. It must stop for the limit and for a broken wire.',
      guards: [
        seen('trips', 'Burner stops when each limit trips'),
        seen('wire', 'Burner stops when its wire is broken'),
      ],
    }),
    gasAtIndex(t),
    flueProof,
    step({
      id: 'hot',
      title: 'Watch the first heat cycle to its top.',
      short: 'Hot maximum',
      why: 'This is the pressure the vessel was designed for. Over it, the charge, the fill or the content is not what was thought.',
      guards: [
        seen('at-top', 'Flow at its highest setting'),
        seen('relief-dry', `${capital(words.reliefValve)} dry throughout`),
      ],
      reading: {
        label: 'Hot, at the fill point, gauge',
        measure: 'water-pressure',
        ...(t.hotGauge_Pa === undefined ? {} : { target: t.hotGauge_Pa }),
        ...(t.finalGauge_Pa === undefined ? {} : { most: t.finalGauge_Pa }),
        limitSays: 'the final pressure of the design',
      },
    }),
    step({
      id: 'controls',
      title: 'Hand the controls back to automatic.',
      short: 'Controls handed back',
      why: 'What was overridden for the test is what is forgotten.',
      guards: [
        seen('auto', 'Programmer, thermostats and zones on automatic'),
        seen('recheck', 'Discharges dry on a second look'),
      ],
    }),
  ]
}

function heaterSequence(
  heater: Appliance,
  practice: Practice,
  t: SequenceTargets,
): readonly Step[] {
  const { words } = practice
  const storage = heater.kind === 'storage-heater'
  const highest = t.tapMost_K ?? practice.hotWater.tapMost_K
  return [
    step({
      id: 'isolate',
      title: 'Gas shut at the heater, power off.',
      short: 'Gas and power off',
      ticket: 'gas',
      why: 'A heater fired dry is scrap. Nothing burns until it is full and the air is out.',
      guards: [seen('gas-shut', 'Appliance gas valve shut')],
      leavesOff: [
        {
          key: 'heater-gas',
          name: `${heater.name} gas valve`,
          state: 'shut',
          where: 'at the heater',
          backBefore: 'gas-on',
          waits: true,
        },
      ],
    }),
    step({
      id: 'relief-check',
      title: 'Check the relief valve and where it ends.',
      short: 'Relief and its end',
      why: 'No pressure on any vessel without its relief, and its discharge, in place.',
      guards: [
        seen('rating', 'Tag is at or below the heater’s rating'),
        seen('no-valve', 'No valve, cap or plug before or after it'),
        seen('end', 'Discharge falling, end in sight and safe'),
      ],
    }),
    step({
      id: 'tap-open',
      title: `Open the furthest hot ${words.tap}.`,
      short: 'Hot tap open',
      why: 'Air has to leave somewhere while water comes in.',
      guards: [seen('open', `Hot ${words.tap} open, aerator off`)],
      leavesOff: [
        {
          key: 'hot-tap',
          name: `Furthest hot ${words.tap}`,
          state: 'opened',
          where: 'aerator off',
          backBefore: 'gas-on',
        },
      ],
    }),
    step({
      id: 'fill',
      title: 'Open the cold slowly until it runs clear.',
      short: 'Filled',
      why: 'Slowly: surge loosens joints and stirs up grit.',
      guards: [
        seen('steady', `Runs at the ${words.tap} without spitting`),
        seen('dry', 'Every joint wiped and dry'),
      ],
    }),
    step({
      id: 'cold-pressure',
      title: 'Read the cold pressure at the heater.',
      short: 'Cold pressure',
      why: 'The relief valve has to stand well above it, or it drips every night.',
      guards: [seen('shut-taps', 'All taps shut')],
      reading: {
        label: 'Cold supply, gauge',
        measure: 'water-pressure',
        ...(heater.maxWorkingGauge_Pa ? { most: heater.maxWorkingGauge_Pa.value * 0.8 } : {}),
        limitSays: 'four fifths of the heater’s rating',
      },
    }),
    step({
      id: 'gas-on',
      title: 'Close the tap, open the gas: purge, spray.',
      short: 'Gas on and sprayed',
      ticket: 'gas',
      why: 'No flame before the pipe is proved and purged of air.',
      guards: [
        { kind: 'gas-tight', text: 'Gas tightness test passed' },
        back('hot-tap', `Hot ${words.tap} shut, aerator back`),
        seen('full', 'Full, every joint dry'),
        back('heater-gas', 'Gas valve at the heater opened'),
        seen('purged', 'Purged to open air, someone watching'),
        seen('sprayed', 'Joints sprayed; the test-point screw last'),
      ],
    }),
    step({
      id: 'light',
      title: 'Light it and watch the flame.',
      short: 'First flame',
      ticket: 'gas',
      why: 'The first minute shows a wrong gas, a starved flame or a blocked flue.',
      guards: [
        seen('flame', 'Flame steady, no lifting, no smell'),
        seen('clear-of', 'Flue terminal clear'),
      ],
    }),
    gasAtIndex(t),
    ...(storage
      ? [
          step({
            id: 'thermostat',
            title: 'Heat through and see the thermostat stop it.',
            short: 'Thermostat stops it',
            why: 'The limit behind it must never be the one that does the daily work.',
            guards: [
              seen('cuts', 'Burner stops at the set point'),
              seen('relief-dry', 'Relief dry, or drips back within a minute'),
            ],
          }),
        ]
      : []),
    step({
      id: 'tap-temp',
      title: 'Read the hot water at the nearest tap.',
      short: 'Tap temperature',
      why: 'Hot water scalds: within seconds at 60 °C, within minutes at 49 °C (as remembered). It must be safe before anyone uses it.',
      guards: [seen('run', 'Run until it is steady')],
      reading: {
        label: 'At the tap',
        measure: 'temperature',
        most: highest,
        limitSays: 'the practice’s maximum tap temperature, a setting: check the local code',
      },
    }),
    step({
      id: 'explain',
      title: 'Set the dial and explain it.',
      short: 'Explained',
      why: 'What is unsaid is found out at two in the morning.',
      guards: [
        seen('dial', 'Set and marked'),
        seen('told', 'Occupier knows where gas and water shut, and what a gas smell means'),
      ],
    }),
  ]
}

const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1)
