import type { ToldMove } from '../../../core/steel/index.ts'

/** Nothing is turned or carried below this, MPa. */
export const LEAST = 10
const HOURS = [24, 48, 72] as const

/** Ages that a margin is looked at for, and the strength the mix has by then at the piece's temperatures. */
export const agesOf = (
  strength: readonly { readonly hours: number; readonly mpa: number }[],
): { value: string; name: string; mpa: number }[] =>
  HOURS.flatMap((hours) => {
    const found = strength.find((s) => s.hours >= hours - 1e-6)
    return found ? [{ value: `${hours}`, name: `${hours} h`, mpa: found.mpa }] : []
  })

/** A move's margin at 10 MPa, at some strength, or at 28 days: what is allowed grows with the root of the strength. */
export const marginAt = (told: ToldMove, start: boolean, mpa: number | null): number =>
  start
    ? told.startMarginShare
    : mpa === null || told.move === 'use'
      ? told.fullMarginShare
      : told.startMarginShare * Math.sqrt(mpa / LEAST)
