import { massToForce } from '../units/convert.ts'

/** Pressure of fresh concrete at a depth (mm), kPa: a full liquid, p = rho g z. */
export const pressureAt = (depth: number, freshKgPerM3: number): number =>
  massToForce(freshKgPerM3 * depth * 1e-6)

/** Push on a side per mm of its length, N, for a fill of `height` mm; it acts at height/3 above the bottom. */
export const sidePush = (height: number, freshKgPerM3: number): number =>
  massToForce(((freshKgPerM3 * height * height) / 2) * 1e-9)

export type PryingJoint = {
  readonly school: 'wrap' | 'stand'
  readonly height: number
  readonly spacing: number
  readonly baseThickness: number
  readonly sideThickness: number
  readonly freshKgPerM3: number
}

/**
 * Pull on one screw of a side strip with a free top, N. Wrap: T = p F (h/3 + t_base)/(t_base/2); stand:
 * T = p F (h/3)/(t_side/2). Levers about the board's edge; our own derivation.
 * h 100, t 18, spacing 150, 2350 kg/m3, wrap: 98.6 N.
 */
export function screwPull({
  school,
  height,
  spacing,
  baseThickness,
  sideThickness,
  freshKgPerM3,
}: PryingJoint): number {
  const push = spacing * sidePush(height, freshKgPerM3)
  return school === 'wrap'
    ? (push * (height / 3 + baseThickness)) / (baseThickness / 2)
    : (push * (height / 3)) / (sideThickness / 2)
}
