import { fingerprint } from '../../job/merge'
import { testedFingerprint } from '../gas-tightness/tested'
import type { At, HandTest } from './spec'

/**
 * A fingerprint of what a test is made on as the job stands; undefined where it is made on nothing
 * that a job holds.
 */
export const madeOnNow = ({ madeOn }: HandTest, at: At): string | undefined =>
  madeOn && fingerprint(madeOn(at))

/**
 * Water pipes as they lie, of outlets and of heating. Names, prices and what they end at by name do
 * not count.
 */
export const waterPipes = ({ document: { water, heating } }: At): unknown => [
  water.segments.map(({ id, from, length_m, elbows, branchTees, material, size, end }) => [
    ...[id, from, length_m?.value ?? null, elbows, branchTees, material, size, end?.kind ?? null],
  ]),
  (heating?.pipes ?? []).map(({ id, material, size, length_m }) => [
    ...[id, material, size, length_m?.value ?? null],
  ]),
  (heating?.emitters ?? []).map(({ id }) => id),
]

/** Gas pipes as they lie, and what hangs on them. */
export const gasPipes = ({ document }: At): unknown => testedFingerprint(document)

/** Which appliance stands there, and what it burns; its plate may be read later. */
export const burnerHere = ({ document, appliance }: At): unknown => [
  document.survey.fuel,
  appliance?.id,
  appliance?.kind,
]
