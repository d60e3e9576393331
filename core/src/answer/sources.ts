/** How well a value of the method is known. The same words in code, page and pack. */
export type Basis = 'published' | 'published-equation' | 'from-memory' | 'common-practice' | 'assumed'

export interface Source {
  readonly basis: Basis
  /** Document and clause, as a page prints it. */
  readonly says: string
}

export const sources = {
  if97: { basis: 'published-equation', says: 'IAPWS R7-97(2012), industrial formulation for water and steam' },
  viscosity: { basis: 'published-equation', says: 'IAPWS R12-08(2008), viscosity of water, no critical enhancement' },
  en12828: { basis: 'from-memory', says: 'EN 12828:2003 Annex D, as remembered: check the current edition' },
  handbookTank: { basis: 'published-equation', says: 'ASHRAE Handbook HVAC Systems and Equipment, hydronic systems, closed-tank equations' },
  sealedTable: { basis: 'from-memory', says: 'BS 7074-1 / BS 5449 table for a 3.0 bar safety valve, as remembered: check the current edition' },
  gasLaw: { basis: 'published-equation', says: 'Isothermal gas law on absolute pressures (Boyle), water densities of IAPWS R7-97' },
  idealGas: { basis: 'published-equation', says: 'Ideal gas law on absolute pressures, rigid pipework' },
  naFill: { basis: 'common-practice', says: 'No source: height to the top emitter in ft divided by 2.31, plus 4 psi' },
  standardAtmosphere: { basis: 'published-equation', says: 'ISO 2533 standard atmosphere, below 11 km' },
  nfpa54Low: { basis: 'published-equation', says: 'NFPA 54 / IFGC low-pressure sizing equation; constants as remembered: check the current edition' },
  nfpa54Fittings: { basis: 'from-memory', says: 'NFPA 54 / IFGC equivalent lengths, screwed fittings, as remembered: check the current edition' },
  nfpa54Test: { basis: 'from-memory', says: 'NFPA 54 8.1.4 / IFGC 406.4, as remembered: check the current edition' },
  nfpa54Altitude: { basis: 'from-memory', says: 'NFPA 54, input at high altitude where the maker gives no other rule, as remembered' },
  bs6891: { basis: 'from-memory', says: 'BS 6891, discharge of copper tube at 1 mbar, as remembered: check the current edition' },
  up1: { basis: 'from-memory', says: 'IGEM/UP/1B and UP/1, as remembered: check the current edition' },
  colebrook: { basis: 'published-equation', says: 'Darcy–Weisbach with Colebrook–White (C. F. Colebrook, J. Inst. Civ. Eng. 11 (1939) 133); 64/Re when laminar' },
  swameeJain: { basis: 'published-equation', says: 'P. K. Swamee and A. K. Jain, J. Hydraulics Div. ASCE 102 (1976) 657' },
  asmeIV: { basis: 'from-memory', says: 'ASME Boiler Code section IV HG-400, as remembered: check the current edition' },
  continuity: { basis: 'published-equation', says: 'Sum of the gross inputs beyond, divided by the heating value' },
  trade: { basis: 'common-practice', says: 'Common practice, no source' },
  auSetting: { basis: 'assumed', says: 'No source here: check the local code' },
  assumedSetting: { basis: 'assumed', says: 'Assumed setting of this practice: confirm it locally' },
  maker: { basis: 'published', says: "The maker's rating plate and instructions" },
  arithmetic: { basis: 'published-equation', says: 'Geometry and addition' },
} as const satisfies Record<string, Source>

export type SourceName = keyof typeof sources
