import type { Source } from '../answer/sources'

/** What is handed over, the one list of papers. */
export const paperIds = [
  'householder',
  'certificate',
  'tests',
  'commissioning',
  'design',
  'settings',
  'deviations',
  'photographs',
  'service',
] as const
export type PaperId = (typeof paperIds)[number]

/** What handing over is called here, and what the place asks for beside it. */
export interface HandoverRules {
  readonly papers: Readonly<Record<PaperId, string>>
  /** What it is printed on. */
  readonly paper: 'A4' | 'LETTER'
  /** How often a temperature relief on a store is eased, months. */
  readonly reliefEased_months: number
  readonly reliefEasedSource: Source
  /**
   * Forms of others that are filled by hand: Hestian carries what they ask and never takes their
   * place.
   */
  readonly forms: readonly { readonly name: string; readonly source: Source }[]
}

const names: HandoverRules['papers'] = {
  householder: 'Householder’s page',
  certificate: 'Handover certificate',
  tests: 'Test certificates',
  commissioning: 'Commissioning record',
  design: 'Design report',
  settings: 'Settings to restore after a reset',
  deviations: 'Deviations and accepted findings',
  photographs: 'Photographs',
  service: 'Service plan',
}
const asRemembered = (says: string): Source => ({
  basis: 'from-memory',
  says: `${says}, as remembered: ask locally`,
})
const yearly: Source = {
  basis: 'common-practice',
  says: 'Common practice: the maker’s manual may ask for it sooner',
}

export const ukHandover: HandoverRules = {
  paper: 'A4',
  papers: names,
  reliefEased_months: 12,
  reliefEasedSource: yearly,
  forms: [
    {
      name: 'Notice of a new heat-producing appliance to building control, or through the installer’s own registration scheme',
      source: asRemembered('Building Regulations, notifiable work'),
    },
    {
      name: 'Notice of an unvented hot water store, where there is one',
      source: asRemembered('Building Regulations, Approved Document G3'),
    },
  ],
}
export const naHandover: HandoverRules = {
  paper: 'LETTER',
  papers: {
    ...names,
    householder: 'Owner’s page',
    commissioning: 'Start-up record',
  },
  reliefEased_months: 12,
  reliefEasedSource: yearly,
  forms: [
    {
      name: 'Final inspection under the permit, by the local authority',
      source: asRemembered('Permits and inspections differ by state, province and town'),
    },
  ],
}
export const auHandover: HandoverRules = {
  paper: 'A4',
  papers: names,
  reliefEased_months: 6,
  reliefEasedSource: asRemembered('Eased every six months, exchanged at five years'),
  forms: [
    {
      name: 'Certificate of the gas and plumbing work to the regulator of the state or territory, or in New Zealand to the register',
      source: asRemembered('Plumbing and gas certificates differ by state'),
    },
  ],
}
