import { expectAbove0 } from '../../answer/expect'

/** Coefficients of the series for the logarithm of the gamma function. */
const lanczos = [
  676.5203681218851, -1259.1392167224028, 771.3234287776531, -176.6150291621406, 12.507343278686905,
  -0.13857109526572012, 9.984369578019572e-6, 1.5056327351493116e-7,
]

/** ln of the gamma function, x above 0. Source: sources.lanczos. */
function lnGamma(x: number): number {
  const shifted = x - 1
  const sum = lanczos.reduce((total, c, i) => total + c / (shifted + i + 1), 0.9999999999998099)
  const t = shifted + lanczos.length - 0.5
  return 0.5 * Math.log(2 * Math.PI) + (shifted + 0.5) * Math.log(t) - t + Math.log(sum)
}

/** The continued fraction of the incomplete beta function, by Lentz's method. */
function betaFraction(x: number, a: number, b: number): number {
  const tiny = 1e-300
  const away = (value: number) => (Math.abs(value) < tiny ? tiny : value)
  let c = 1
  let d = 1 / away(1 - ((a + b) * x) / (a + 1))
  let h = d
  for (let m = 1; m < 500; m++) {
    const even = (m * (b - m) * x) / ((a + 2 * m - 1) * (a + 2 * m))
    const odd = (-(a + m) * (a + b + m) * x) / ((a + 2 * m) * (a + 2 * m + 1))
    const before = h
    for (const term of [even, odd]) {
      d = 1 / away(1 + term * d)
      c = away(1 + term / c)
      h *= d * c
    }
    if (Math.abs(h / before - 1) < 1e-14) break
  }
  return h
}

/** Share of Student's distribution that lies beyond ±t. */
function beyond(t: number, freedom: number): number {
  const [a, b] = [freedom / 2, 0.5]
  const x = freedom / (freedom + t * t)
  const front = Math.exp(
    lnGamma(a + b) - lnGamma(a) - lnGamma(b) + a * Math.log(x) + b * Math.log1p(-x),
  )
  return x < (a + 1) / (a + b + 2)
    ? (front * betaFraction(x, a, b)) / a
    : 1 - (front * betaFraction(1 - x, b, a)) / b
}

/** How fast the share beyond ±t falls with t: twice the density there. */
function falls(t: number, freedom: number): number {
  const half = (freedom + 1) / 2
  const front = Math.exp(lnGamma(half) - lnGamma(freedom / 2)) / Math.sqrt(freedom * Math.PI)
  return 2 * front * Math.exp(-half * Math.log1p((t * t) / freedom))
}

/**
 * Student's t for a two-sided confidence (above 0, below 1) and degrees of freedom (1 or more);
 * RangeError outside. 2.10092 for 0.95 and 18. By Newton's steps, each held between what is known
 * to be too little and too much. Source: sources.leastSquares.
 */
export function studentT(confidence: number, freedom: number): number {
  expectAbove0({ confidence, freedom, left: 1 - confidence })
  const wanted = 1 - confidence
  let [low, high] = [0, 2]
  while (beyond(high, freedom) > wanted) [low, high] = [high, high * 2]
  let t = (low + high) / 2
  for (let i = 0; i < 100; i++) {
    const over = beyond(t, freedom) - wanted
    if (over > 0) low = t
    else high = t
    const step = t + over / falls(t, freedom)
    const next = step > low && step < high ? step : (low + high) / 2
    const isThere = Math.abs(next - t) <= 1e-15 * t
    t = next
    if (isThere) break
  }
  return t
}
