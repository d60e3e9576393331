import {
  latentHeat_J_kg,
  liquidWater,
  saturatedLiquid,
  saturationAbs_Pa,
  saturationTemp_K,
  viscosity_Pas,
  expansionFraction,
  waterDensity_kg_m3,
} from './water'

// IAPWS R7-97(2012), Table 5: values published for checking a program.
test.each([
  [300, 3e6, 0.100215168e-2, 0.115331273e6, 0.417301218e4, 0.150773921e4],
  [300, 80e6, 0.971180894e-3, 0.184142828e6, 0.401008987e4, 0.163469054e4],
  [500, 3e6, 0.1202418e-2, 0.975542239e6, 0.465580682e4, 0.124071337e4],
])(
  'liquid at %d K and %d Pa has the published volume, enthalpy, heat capacity and speed of sound',
  (temp_K, pressureAbs_Pa, volume, enthalpy, heat, sound) => {
    const water = liquidWater({ temp_K, pressureAbs_Pa })
    expect(water.specificVolume_m3_kg / volume).toBeCloseTo(1, 8)
    expect(water.enthalpy_J_kg / enthalpy).toBeCloseTo(1, 8)
    expect(water.specificHeat_J_kgK / heat).toBeCloseTo(1, 8)
    expect(water.soundSpeed_m_s / sound).toBeCloseTo(1, 8)
  },
)

// IAPWS R7-97(2012), Tables 35 and 36.
test.each([
  [300, 0.353658941e-2],
  [500, 0.263889776e1],
  [600, 0.123443146e2],
])('saturation pressure at %d K is %d MPa', (temp_K, published_MPa) => {
  expect(saturationAbs_Pa(temp_K) / 1e6 / published_MPa).toBeCloseTo(1, 8)
})
test.each([
  [0.1, 0.372755919e3],
  [1, 0.453035632e3],
  [10, 0.584149488e3],
])('water boils under %d MPa at %d K', (pressure_MPa, published_K) => {
  expect(saturationTemp_K(pressure_MPa * 1e6) / published_K).toBeCloseTo(1, 8)
})

// IAPWS R12-08(2008), Table 4.
test.each([
  [298.15, 998, 889.7351],
  [298.15, 1200, 1437.649467],
  [373.15, 1000, 307.883622],
])('viscosity at %d K and %d kg/m³ is %d µPa·s', (temp_K, density_kg_m3, published) => {
  expect((viscosity_Pas({ temp_K, density_kg_m3 }) * 1e6) / published).toBeCloseTo(1, 7)
})

test('latent heat at 100 °C is the steam-table 2 256.5 kJ/kg', () =>
  expect(latentHeat_J_kg(373.15) / 1000).toBeCloseTo(2256.5, 0))
test('a pressure below saturation is raised to it, so the liquid stays liquid', () =>
  expect(liquidWater({ temp_K: 400, pressureAbs_Pa: 1 })).toEqual(saturatedLiquid(400)))
test('outside 0 to 350 °C it refuses', () =>
  expect(() => liquidWater({ temp_K: 200, pressureAbs_Pa: 1e5 })).toThrow(RangeError))

// Domain figures: 10-60 °C 1.68 %, 10-70 2.24, 10-80 2.87, 10-82 3.02, 10-90 3.56; density ratios,
// so physics, rounded to 0.01 %.
test.each([
  [60, 1.68],
  [70, 2.24],
  [80, 2.87],
  [82, 3.02],
  [90, 3.56],
])('from 10 to %d °C water grows by %d %%', (hot, percent) => {
  expect(
    Math.abs(expansionFraction({ fillTemp_K: 283.15, maxTemp_K: hot + 273.15 }) * 100 - percent),
  ).toBeLessThan(0.016)
})
test('water is densest near 4 °C, so it shrinks from 0 to 4', () => {
  expect(expansionFraction({ fillTemp_K: 273.15, maxTemp_K: 277.15 })).toBeLessThan(0)
  expect(waterDensity_kg_m3(277.13)).toBeCloseTo(999.97, 1)
})
