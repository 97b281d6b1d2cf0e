import { type PullSearch, pullWay } from '../../mould/index.ts'

/** How a rigid mould round a shaped piece is best parted. */
export type PullFigures = {
  /** The best first: each is a way by which one half is drawn, the other against it. */
  readonly best: readonly {
    /** Off upright, as poured; 0 is straight up, 90 level. */
    readonly leanDeg: number
    /** Which way it leans, seen from above, from the right anticlockwise. */
    readonly roundDeg: number
    /** What neither half leaves. */
    readonly undercutM2: number
    /** What only slides. */
    readonly slidesM2: number
  }[]
  /** The fewest rigid parts that leave all of it, each its own way; null where more than six are needed, or none do. */
  readonly partsNeeded: number | null
}

/** Ways told at most. */
const TOLD = 3

export function pullFigures({ pulls, parts }: PullSearch): PullFigures {
  return {
    best: pulls.slice(0, TOLD).map(({ way, undercutMm2, slidesMm2 }) => ({
      ...pullWay(way),
      undercutM2: undercutMm2 / 1e6,
      slidesM2: slidesMm2 / 1e6,
    })),
    partsNeeded: parts,
  }
}
