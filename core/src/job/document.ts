import { z } from 'zod'
import { buildings } from '../practice/buildings'
import { practiceNames } from '../practice/practiceNames'
import { timeZones } from '../practice/timeZones'
import { blankSchools, schoolsShape } from '../practice/schools'
import { blankHeat, Heat, HotWater } from './hotWaterDocument'
import { Evidence, id, known, madeYear, Maker, name, photos, rowsOf } from './known'
import { blankPan, DrainPan, Heating, ReliefValve } from './pressureDocument'
import { blankSurvey, partKinds, Survey } from './surveyDocument'
import { blankHandover, HandoverSaid } from './handoverDocument'
import { blankGasRules, GasSupply } from './gasDocument'
import { blankWater, PipePrices, Water } from './waterDocument'
import { blankWork, Work } from './workDocument'

/** The version that this code writes. Older files are brought forward by `upgradeDocument`. */
export const documentVersion = 9

export const applianceKinds = [
  'boiler',
  'instantaneous-heater',
  'storage-heater',
  'electric-storage-heater',
  'heat-pump-heater',
  'indirect-cylinder',
  'solid-fuel-boiler',
  'solar-collector',
  'cooktop',
  'other-gas',
] as const
export type ApplianceKind = (typeof applianceKinds)[number]

export const Appliance = z.object({
  id,
  name,
  kind: z.enum(applianceKinds),
  input_W: known('power'),
  /** Whether the plate's input counts the heat of condensation. */
  inputSaid: z.enum(['gross', 'net']),
  output_W: known('power'),
  maxWorkingGauge_Pa: known('water-pressure'),
  water_m3: known('small-volume'),
  builtInVessel_m3: known('small-volume'),
  builtInChargeGauge_Pa: known('water-pressure'),
  minInletGauge_Pa: known('gas-pressure'),
  maxInletGauge_Pa: known('gas-pressure'),
  /** Greatest pressure its gas side may be tested at; above it, it is disconnected and capped. */
  maxTestGauge_Pa: known('gas-pressure'),
  /** Of its water side above the fill point; null stands at the fill point. */
  aboveFill_m: known('height'),
  /** Made to condense its flue gas; of a boiler. */
  condensing: z.enum(['yes', 'no']).nullable(),
  /** New here, there already and staying, or there and taken out. */
  stay: z.enum(['new', 'stays', 'goes']),
  madeYear: madeYear.nullable(),
  maker: Maker.nullable(),
  /** What must be on site at the end; null while it is not. */
  papers: z.object({
    manual: Evidence.nullable(),
    installation: Evidence.nullable(),
    charts: Evidence.nullable(),
  }),
  photos,
})
export type Appliance = z.infer<typeof Appliance>

/** A vessel or valve by its plate. */
export const Part = z.object({
  id,
  name,
  kind: z.enum(partKinds),
  circuit: z.enum(['heating', 'hot-water', 'main']),
  setGauge_Pa: known('water-pressure'),
  openTemp_K: known('temperature'),
  capacity_W: known('power'),
  volume_m3: known('small-volume'),
  chargeGauge_Pa: known('water-pressure'),
  stay: z.enum(['new', 'stays', 'goes']),
  madeYear: madeYear.nullable(),
  maker: Maker.nullable(),
  photos,
})
export type Part = z.infer<typeof Part>

/**
 * A point of the work that waits for a test: before the boards go down, before the cylinder stands
 * here.
 */
export const HoldPoint = z.object({
  id,
  /** As it goes on after 'before'. */
  name,
  /** A pressure test of the gas pipes or a test by hand, by its id. */
  test: z.string().min(1).max(80),
})
export type HoldPoint = z.infer<typeof HoldPoint>

export const JobDocument = z.object({
  version: z.literal(documentVersion),
  practice: z.enum(practiceNames),
  site: z.object({
    name,
    address: z.string().max(300),
    notes: z.string().max(2000),
    /** What the building is used for: rules of hot water and of backflow hang on it. */
    building: z.enum(buildings).nullable(),
    /** Consented before the rule of today, where the practice asks. */
    olderConsent: z.enum(['yes', 'no']).nullable(),
    /** Whose clock the papers carry; null takes the practice's own, if it has one. */
    timeZone: z.enum(timeZones).nullable(),
  }),
  /** Where schools disagree: the installer's choice; null takes the practice's own. */
  schools: schoolsShape,
  /** What is done here; what is asked follows from it. */
  work: Work,
  survey: Survey,
  appliances: rowsOf(Appliance, 50),
  parts: rowsOf(Part, 50),
  heat: Heat,
  /** Null when the job makes no hot water. */
  hotWater: HotWater.nullable(),
  /** Null when the job has no heating circuit. */
  heating: Heating.nullable(),
  reliefs: rowsOf(ReliefValve, 12),
  pan: DrainPan,
  gas: GasSupply,
  water: Water,
  /**
   * What the installer holds a test against: nothing is hidden or set down before it has passed.
   */
  holdPoints: rowsOf(HoldPoint, 20),
  handover: HandoverSaid,
  /** What a metre costs, where it differs from the generic list. */
  prices: PipePrices,
})
export type JobDocument = z.infer<typeof JobDocument>

/** A document with a name and a practice and nothing looked at yet. */
export const blankDocument = (site: {
  readonly name: string
  readonly address: string
  readonly practice: JobDocument['practice']
  readonly timeZone?: JobDocument['site']['timeZone'] | undefined
}): JobDocument => ({
  version: documentVersion,
  practice: site.practice,
  site: {
    name: site.name,
    address: site.address,
    notes: '',
    building: null,
    olderConsent: null,
    timeZone: site.timeZone ?? null,
  },
  schools: blankSchools,
  work: blankWork,
  survey: blankSurvey,
  appliances: [],
  parts: [],
  heat: blankHeat,
  hotWater: null,
  heating: null,
  reliefs: [],
  pan: blankPan,
  gas: { segments: [], meterMaxTestGauge_Pa: null, ...blankGasRules },
  water: blankWater,
  holdPoints: [],
  handover: blankHandover,
  prices: [],
})

/** An appliance with nothing read from its plate yet. */
export const blankAppliance = (plate: Pick<Appliance, 'id' | 'name' | 'kind'>): Appliance => ({
  ...plate,
  input_W: null,
  inputSaid: 'gross',
  output_W: null,
  maxWorkingGauge_Pa: null,
  water_m3: null,
  builtInVessel_m3: null,
  builtInChargeGauge_Pa: null,
  minInletGauge_Pa: null,
  maxInletGauge_Pa: null,
  maxTestGauge_Pa: null,
  aboveFill_m: null,
  condensing: null,
  stay: 'new',
  madeYear: null,
  maker: null,
  papers: { manual: null, installation: null, charts: null },
  photos: [],
})

/** A vessel or valve with nothing read from it yet. */
export const blankPart = (part: Pick<Part, 'id' | 'name' | 'kind' | 'circuit'>): Part => ({
  ...part,
  setGauge_Pa: null,
  openTemp_K: null,
  capacity_W: null,
  volume_m3: null,
  chargeGauge_Pa: null,
  stay: 'stays',
  madeYear: null,
  maker: null,
  photos: [],
})
