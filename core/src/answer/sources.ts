/** How well a value of the method is known. The same words in code, page and pack. */
export type Basis =
  'published' | 'published-equation' | 'from-memory' | 'common-practice' | 'assumed'

export interface Source {
  readonly basis: Basis
  /** Document and clause, as a page prints it. */
  readonly says: string
}

export const sources = {
  if97: {
    basis: 'published-equation',
    says: 'IAPWS R7-97(2012), industrial formulation for water and steam',
  },
  viscosity: {
    basis: 'published-equation',
    says: 'IAPWS R12-08(2008), viscosity of water, no critical enhancement',
  },
  en12828: {
    basis: 'from-memory',
    says: 'EN 12828:2003 Annex D, as remembered: check the current edition',
  },
  handbookTank: {
    basis: 'published-equation',
    says: 'ASHRAE Handbook HVAC Systems and Equipment, hydronic systems, closed-tank equations',
  },
  sealedTable: {
    basis: 'from-memory',
    says: 'BS 7074-1 / BS 5449 table for a 3.0 bar safety valve, as remembered: check the current edition',
  },
  gasLaw: {
    basis: 'published-equation',
    says: 'Isothermal gas law on absolute pressures (Boyle), water densities of IAPWS R7-97',
  },
  idealGas: {
    basis: 'published-equation',
    says: 'Ideal gas law on absolute pressures, rigid pipework',
  },
  leastSquares: {
    basis: 'published-equation',
    says: 'Ordinary least squares with Student’s t: Abramowitz and Stegun, Handbook of Mathematical Functions, 26.7',
  },
  lanczos: {
    basis: 'published-equation',
    says: 'C. Lanczos, SIAM J. Numer. Anal. B 1 (1964) 86, logarithm of the gamma function',
  },
  thinWall: {
    basis: 'published-equation',
    says: 'Thin-walled elastic pipe, hoop stress p D / 2 s',
  },
  hydrostatic: {
    basis: 'from-memory',
    says: 'EN 806-4, Water Regulations guidance, ASME IV HG-510, ASME B31.9, as remembered: check the current edition',
  },
  naFill: {
    basis: 'common-practice',
    says: 'No source: height to the top emitter in ft divided by 2.31, plus 4 psi',
  },
  standardAtmosphere: {
    basis: 'published-equation',
    says: 'ISO 2533 standard atmosphere, below 11 km',
  },
  nfpa54Low: {
    basis: 'published-equation',
    says: 'NFPA 54 / IFGC low-pressure sizing equation; constants as remembered: check the current edition',
  },
  nfpa54Fittings: {
    basis: 'from-memory',
    says: 'NFPA 54 / IFGC equivalent lengths, screwed fittings, as remembered: check the current edition',
  },
  nfpa54Test: {
    basis: 'from-memory',
    says: 'NFPA 54 8.1.4 / IFGC 406.4, as remembered: check the current edition',
  },
  nfpa54Altitude: {
    basis: 'from-memory',
    says: 'NFPA 54, input at high altitude where the maker gives no other rule, as remembered',
  },
  bs6891: {
    basis: 'from-memory',
    says: 'BS 6891, discharge of copper tube at 1 mbar, as remembered: check the current edition',
  },
  up1: {
    basis: 'from-memory',
    says: 'IGEM/UP/1B and UP/1, as remembered: check the current edition',
  },
  colebrook: {
    basis: 'published-equation',
    says: 'Darcy–Weisbach with Colebrook–White (C. F. Colebrook, J. Inst. Civ. Eng. 11 (1939) 133); 64/Re when laminar',
  },
  swameeJain: {
    basis: 'published-equation',
    says: 'P. K. Swamee and A. K. Jain, J. Hydraulics Div. ASCE 102 (1976) 657',
  },
  asmeIV: {
    basis: 'from-memory',
    says: 'ASME Boiler Code section IV HG-400, as remembered: check the current edition',
  },
  continuity: {
    basis: 'published-equation',
    says: 'Sum of the gross inputs beyond, divided by the heating value',
  },
  heatBalance: {
    basis: 'published-equation',
    says: 'Heat balance, m·c·dT; water at 4.18 kJ/(kg K) and 1 kg/L where no other figures are given',
  },
  layeredStore: {
    basis: 'published-equation',
    says: 'One-dimensional multi-node store with plug flow and mixing of inversions (J. A. Duffie and W. A. Beckman, Solar Engineering of Thermal Processes, stratified tanks), the inlet as a fountain (J. S. Turner, J. Fluid Mech. 26 (1966) 779), as remembered',
  },
  pipeLoss: {
    basis: 'published-equation',
    says: 'EN ISO 12241 form: lagging and surface in series, film and wall neglected',
  },
  hydrantFlow: {
    basis: 'from-memory',
    says: 'NFPA 291, fire flow testing: flow goes with the fall to the power 0.54, as remembered',
  },
  hunter: {
    basis: 'from-memory',
    says: 'IPC Tables E103.3(2) and E103.3(3), fixture units and demand, as remembered: check the current edition',
  },
  en806Units: {
    basis: 'from-memory',
    says: 'EN 806-3:2006 Tables 2 and 3, loading units, as remembered: check the current edition',
  },
  en806Wait: {
    basis: 'from-memory',
    says: 'EN 806-2: hot within 30 s, as remembered: check the current edition',
  },
  din1988: {
    basis: 'from-memory',
    says: 'DIN 1988-300 peak flow, as remembered: check the current edition',
  },
  scald: {
    basis: 'from-memory',
    says: 'US CPSC leaflet on tap water scalds, adult full-thickness burns, as remembered',
  },
  storeHygiene: {
    basis: 'common-practice',
    says: 'Common practice: stored at 60 °C, bacteria grow between about 20 and 45 °C',
  },
  heatEstimate: {
    basis: 'assumed',
    says: 'No source: heat per floor area by age, a figure to begin with',
  },
  meterRange: {
    basis: 'common-practice',
    says: 'IGEM/UP/1B and BS 6891 practice: 19 to 23 mbar at the meter under load',
  },
  streetPressure: {
    basis: 'common-practice',
    says: 'Common practice: above 80 psi (5.5 bar) a reducing valve is wanted',
  },
  asmeHlw: {
    basis: 'common-practice',
    says: 'ANSI Z21.22 / ASME IV HLW-800 convention: 210 °F and the tank’s working pressure',
  },
  napier: {
    basis: 'published-equation',
    says: 'Napier’s equation for steam, W = 51.5 · A · P · K (ASME IV HG-402)',
  },
  iso4126: {
    basis: 'published-equation',
    says: 'EN ISO 4126-1 and -7, critical flow of saturated steam',
  },
  membraneTable: {
    basis: 'from-memory',
    says: 'Selection of membrane safety valves, DIN 4751 / TRD 721 style, as remembered: the data sheet of the real valve wins',
  },
  potableReliefTable: {
    basis: 'from-memory',
    says: 'DIN 1988-200 / DIN 4753 selection, as remembered: the data sheet of the real valve wins',
  },
  approvedG: {
    basis: 'from-memory',
    says: 'Approved Document G (England), G3, Table 3.1, as remembered: check the current edition',
  },
  approvedGRules: {
    basis: 'from-memory',
    says: 'Approved Document G (England), G3, discharge pipes, as remembered: check the current edition',
  },
  naDischarge: {
    basis: 'from-memory',
    says: 'IPC 504.6 / UPC 608.5 discharge piping, as remembered: check the current edition',
  },
  builtUp: {
    basis: 'common-practice',
    says: 'Common practice: built-up back pressure at most a tenth of the set pressure (API 520 gives it for conventional valves, as remembered)',
  },
  glycolFreezing: {
    basis: 'from-memory',
    says: 'ASHRAE Handbook Fundamentals, secondary coolants, freezing points by mass, as remembered; other handbooks differ by up to 1.5 K',
  },
  glycolProperties: {
    basis: 'from-memory',
    says: 'Density, heat capacity and viscosity of glycol and water in the form of Melinder’s tables, as remembered: the maker’s data sheet wins',
  },
  potableVessel: {
    basis: 'published-equation',
    says: 'Isothermal gas law on absolute pressures, DIN 4807-5 method, densities of IAPWS R7-97',
  },
  unventedLimits: {
    basis: 'from-memory',
    says: 'Unvented stores: energy cut-out at 80 to 90 °C that does not reset itself, relief below the boil, as remembered: check the current edition',
  },
  nfpa54Tables: {
    basis: 'from-memory',
    says: 'NFPA 54 / IFGC capacity tables, as remembered: check the current edition',
  },
  renouard: {
    basis: 'published-equation',
    says: 'Renouard’s formulas, constants as mostly printed; other national texts print 25 076 and 51.5',
  },
  pole: {
    basis: 'published-equation',
    says: 'Pole’s formula, one friction factor: optimistic in small copper',
  },
  spitzglass: { basis: 'published-equation', says: 'Spitzglass’s formula, low pressure' },
  en437: {
    basis: 'from-memory',
    says: 'EN 437, test gases and test pressures, as remembered: check the current edition',
  },
  hazenWilliams: {
    basis: 'published-equation',
    says: 'Hazen–Williams; coefficients differ by up to 0.5 % between books, network engines and NFPA 13',
  },
  networkEngine: {
    basis: 'published-equation',
    says: 'As general-purpose network engines take it: 64/Re, Dunlop’s cubic (as remembered), Swamee–Jain',
  },
  pumpLaw: {
    basis: 'assumed',
    says: 'Generic pump curves, a head falling with the square of the flow: the maker’s curve replaces them',
  },
  genericValve: {
    basis: 'assumed',
    says: 'Generic size, capacity computed with a derated coefficient of 0.4: the tag of the real valve wins',
  },
  emitterContent: {
    basis: 'assumed',
    says: 'Generic water content of the type: the maker’s sheet replaces it',
  },
  genericPrice: {
    basis: 'assumed',
    says: 'Generic price per metre, invented: the firm’s own replaces it',
  },
  nfpa54High: {
    basis: 'published-equation',
    says: 'NFPA 54 / IFGC sizing equation for 1.5 psi and above; constants as remembered: check the current edition',
  },
  isothermalPipe: {
    basis: 'published-equation',
    says: 'Isothermal flow in a pipe, squares of absolute pressure, friction by Colebrook–White',
  },
  gasVelocity: {
    basis: 'from-memory',
    says: 'IGEM/UP/2, at most 20 m/s where the gas is not filtered, as remembered: check the current edition',
  },
  elevatedDrop: {
    basis: 'from-memory',
    says: 'NFPA 54 / IFGC tables for elevated pressure: a drop of 1 psi before the line regulator, as remembered',
  },
  lineRegulator: {
    basis: 'common-practice',
    says: 'Common practice, no source: a line regulator wants its outlet and its own loss before it, locks up above it, and vents outside or through a limiter',
  },
  waterVelocity: {
    basis: 'common-practice',
    says: 'Common practice, no source: about 2 m/s (UK) or 8 ft/s cold and 5 ft/s hot (NA) in copper, and nothing under 15 mm or 1/2 in',
  },
  hotShare: {
    basis: 'common-practice',
    says: 'Hunter’s note: hot and cold of one fixture each count three quarters of its total',
  },
  loopBalance: {
    basis: 'published-equation',
    says: 'Heat balance of the loop; flows at each tee in proportion to the heat lost beyond (DVGW W 553 method)',
  },
  fillFlow: {
    basis: 'assumed',
    says: 'Assumed flow of a feed valve, and of its by-pass: time it once with a bucket',
  },
  quietPipe: {
    basis: 'common-practice',
    says: 'Common practice, no source: about 100 to 300 Pa/m and at most 1 m/s where people sleep',
  },
  containers: {
    basis: 'from-memory',
    says: 'Rule of propane containers, diameter × length × K at 0 °F with its factors for colder and warmer air, as remembered: check the supplier’s table',
  },
  trade: { basis: 'common-practice', says: 'Common practice, no source' },
  auSetting: { basis: 'assumed', says: 'No source here: check the local code' },
  assumedSetting: {
    basis: 'assumed',
    says: 'Assumed setting of this practice: confirm it locally',
  },
  maker: { basis: 'published', says: "The maker's rating plate and instructions" },
  arithmetic: { basis: 'published-equation', says: 'Geometry and addition' },
} as const satisfies Record<string, Source>

export type SourceName = keyof typeof sources
