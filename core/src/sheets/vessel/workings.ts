import { sources } from '../../answer/sources'
import type { Working } from '../../answer/working'
import { fluidGrowth, plainWater } from '../../methods/fluid/glycol'
import type { VesselAnswer } from './answer'
import { chargedAt_K } from './chargedAt'

/** How the method and the fluid have the water expand. */
function expansionBy(
  isEn12828: boolean,
  glycol: boolean | undefined,
): Pick<Working, 'title' | 'formula' | 'source'> {
  if (!isEn12828)
    return {
      title: 'Net expansion',
      formula: 'Vn = C · [(v2/v1 − 1) − 3 · a · (t2 − t1)]',
      source: sources.handbookTank,
    }
  if (!glycol)
    return {
      title: 'Water that expands',
      formula: 'e = 0.31 % + 0.00039 % · t², to 0.01 %;  Ve = C · e',
      source: sources.en12828,
    }
  return {
    title: 'Glycol mix that expands',
    formula: 'e = density cold / density hot − 1;  Ve = C · e  (the method’s table is for water)',
    source: sources.glycolProperties,
  }
}

/** The arithmetic of a designed vessel, in the order one would do it on paper. */
export function vesselWorkings(answer: VesselAnswer): readonly Working[] {
  const {
    inputs,
    need,
    content,
    fill,
    forecast,
    fillAtVesselGauge_Pa: fillGauge_Pa,
    pumpUp,
    vapourMargin_Pa,
    vesselHead_Pa,
  } = answer
  const glycol = inputs.fluid && inputs.fluid.kind !== 'water'
  const water = { circuit: 'water' } as const
  const finalAbs_Pa = need.finalGauge_Pa + inputs.atmosphere_Pa
  const chargeAbs_Pa = need.chargeGauge_Pa + inputs.atmosphere_Pa
  const en = inputs.method === 'en12828'
  const figures = {
    ...inputs,
    ...need,
    finalAbs_Pa,
    chargeAbs_Pa,
    builtIn: 0,
    system_m3: inputs.system_m3,
    fillGauge_Pa,
  }
  const plain = Object.fromEntries(
    Object.entries(figures).filter(
      (entry): entry is [string, number] => typeof entry[1] === 'number',
    ),
  )
  return [
    {
      ...water,
      title: 'Water in the system',
      formula: 'C = sum of boiler, emitters, pipes (pi/4 · d² · L)',
      put: content.parts.map((_, i) => `{part${i}_m3}`).join(' + '),
      figures: {
        ...Object.fromEntries(content.parts.map((part, i) => [`part${i}_m3`, part.water_m3])),
        system_m3: content.total_m3,
      },
      result: 'system_m3',
      source: sources.arithmetic,
    },
    {
      ...water,
      title: 'Atmosphere at the site',
      formula: 'pa = 101 325 · (1 − 0.0000225577 · z)^5.25588, absolute',
      put: 'at the site’s elevation',
      figures: plain,
      result: 'atmosphere_Pa',
      source: sources.standardAtmosphere,
    },
    en
      ? {
          ...water,
          title: 'Charge, water side empty (gauge)',
          formula: 'p0 = 9 810 · H + margin',
          put: '9 810 · {height_m} + {margin_Pa}',
          figures: plain,
          result: 'chargeGauge_Pa',
          source: sources.en12828,
        }
      : {
          ...water,
          title: 'Charge and cold fill (gauge)',
          formula: 'p = H[ft] / 2.31 + 4 psi',
          put: '{height_m} / 2.31 + 4 psi',
          figures: plain,
          result: 'chargeGauge_Pa',
          source: sources.naFill,
        },
    en
      ? {
          ...water,
          title: 'Final pressure (gauge)',
          formula: 'pe = p_relief − 0.5 bar up to 5 bar, else 0.9 · p_relief',
          put: 'from {reliefSetGauge_Pa}',
          figures: plain,
          result: 'finalGauge_Pa',
          source: sources.en12828,
        }
      : {
          ...water,
          title: 'Maximum pressure (gauge)',
          formula: 'P2 = p_relief − margin',
          put: '{reliefSetGauge_Pa} − {reliefMargin_Pa}',
          figures: plain,
          result: 'finalGauge_Pa',
          source: sources.trade,
        },
    {
      ...water,
      ...expansionBy(en, glycol),
      put: '{system_m3} × {expansionFraction}',
      figures: plain,
      result: 'expansion_m3',
    },
    en
      ? {
          ...water,
          title: 'All vessels together',
          formula: 'V = (Ve + V_reserve) · (pe + pa) / (pe − p0)',
          put: '({expansion_m3} + {reserve_m3}) × {finalAbs_Pa} abs / ({finalGauge_Pa} − {chargeGauge_Pa})',
          figures: plain,
          result: 'needed_m3',
          source: sources.en12828,
        }
      : {
          ...water,
          title: 'Tank needed',
          formula: 'V = Vn / (1 − P1/P2), absolute',
          put: '{expansion_m3} / (1 − {chargeAbs_Pa} abs / {finalAbs_Pa} abs)',
          figures: plain,
          result: 'needed_m3',
          source: sources.handbookTank,
        },
    {
      ...water,
      title: 'Water that the fitted vessels serve',
      formula: 'C at which V(C) = V fitted, by bisection to 0.1 L',
      put: 'for {fitted_m3} beside what is there',
      figures: { ...plain, fitted_m3: answer.fitted_m3, goodFor_m3: answer.goodFor_m3 },
      result: 'goodFor_m3',
      source: en ? sources.en12828 : sources.handbookTank,
    },
    ...(need.builtInCounts_m3 > 0
      ? [
          {
            ...water,
            title: 'Left for a separate vessel',
            formula: 'V_new = V − what the vessels that are there take in, at the common charge',
            put: '{needed_m3} − {builtInCounts_m3}',
            figures: plain,
            result: 'neededNew_m3',
            source: sources.gasLaw,
          },
        ]
      : []),
    ...(fill.window && Number.isFinite(fill.window.leastGauge_Pa)
      ? [
          {
            ...water,
            title: 'Minimum cold fill (gauge)',
            formula: 'V · (p0 + pa) / (V − V_reserve) − pa',
            put: 'for {vessel_m3} of vessel',
            figures: {
              ...plain,
              vessel_m3: answer.fitted_m3 + need.builtInCounts_m3,
              leastGauge_Pa: fill.window.leastGauge_Pa,
            },
            result: 'leastGauge_Pa',
            source: sources.en12828,
          },
          {
            ...water,
            title: 'Maximum cold fill (gauge)',
            formula: '(pe + pa) / (1 + Ve · (pe + pa) / (V · (p0 + pa))) − pa',
            put: 'for {vessel_m3} of vessel',
            figures: {
              ...plain,
              vessel_m3: answer.fitted_m3 + need.builtInCounts_m3,
              greatestGauge_Pa: fill.window.greatestGauge_Pa,
            },
            result: 'greatestGauge_Pa',
            source: sources.en12828,
          },
        ]
      : []),
    ...(forecast.outcome === 'settles'
      ? [
          {
            ...water,
            title: 'Hot pressure to expect (gauge)',
            formula:
              'sum of V·(1 − p_charge/p_hot) = sum of V·(1 − p_charge/p_fill) + C · (density cold / density hot − 1), absolute',
            put: 'from {fillGauge_Pa} with {realFraction} of {system_m3}',
            figures: {
              ...plain,
              realFraction: fluidGrowth(inputs.fluid ?? plainWater, inputs),
              hotGauge_Pa: forecast.hotGauge_Pa,
            },
            result: 'hotGauge_Pa',
            source: sources.gasLaw,
          },
        ]
      : []),
    ...(vesselHead_Pa > 0
      ? [
          {
            ...water,
            title: 'The same fill at the gauge of the fill point',
            formula: 'p = p at the vessel + rho · g · height of the vessel',
            put: '{fillGauge_Pa} + {head_Pa}',
            figures: { ...plain, head_Pa: vesselHead_Pa, gauge_Pa: answer.fillGauge_Pa },
            result: 'gauge_Pa',
            source: sources.arithmetic,
          },
        ]
      : []),
    {
      ...water,
      title: 'Charge to pump up to today (gauge)',
      formula: 'p = (p0 + pa) · T_day / T_in use − pa, kelvin and absolute',
      put: '{chargeAbs_Pa} abs × {dayTemp_K} / {usedTemp_K}, less {atmosphere_Pa} abs',
      figures: {
        ...plain,
        dayTemp_K: pumpUp.dayTemp_K,
        usedTemp_K: chargedAt_K,
        pumpUpGauge_Pa: pumpUp.gauge_Pa,
      },
      result: 'pumpUpGauge_Pa',
      source: sources.idealGas,
    },
    ...(vapourMargin_Pa === undefined
      ? []
      : [
          {
            ...water,
            title: 'Over the boil at the highest point, hot',
            formula: 'p hot − rho · g · H + pa − p boiling(t)',
            put: 'at {height_m} and {maxTemp_K}',
            figures: { ...plain, overBoil_Pa: vapourMargin_Pa },
            result: 'overBoil_Pa',
            source: sources.if97,
          },
        ]),
  ]
}
