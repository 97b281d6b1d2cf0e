/** Round the foot in its hole, and gravel under it, mm [own]. */
const [ROUND, BED] = [100, 100]
/** What may be leaned on is embedded a quarter of its height above ground at least; a third is offered. */
export const EMBEDDED = { least: 1 / 4, offered: 1 / 3 } as const

export type Footing = {
  /** Of the piece in the ground, mm; and what stands above. */
  readonly depth: number
  readonly above: number
  /** Across the round hole, and its depth with its bed, mm. */
  readonly hole: number
  readonly digs: number
  readonly concreteLitres: number
  readonly bedLitres: number
}

/** The footing of a piece set `depth` mm into the ground: a round hole less what of the piece stands in it. */
export function footingOf(depth: number, height: number, footAcross: number, footArea: number): Footing {
  const hole = footAcross + 2 * ROUND
  const ground = (Math.PI / 4) * hole ** 2
  return {
    depth,
    above: height - depth,
    hole,
    digs: depth + BED,
    concreteLitres: Math.max(0, ground - footArea) * depth * 1e-6,
    bedLitres: ground * BED * 1e-6,
  }
}

/** The depth that is offered, in whole centimetres: a third of what then stands above. */
export const offeredDepth = (height: number): number =>
  Math.ceil((height * EMBEDDED.offered) / (1 + EMBEDDED.offered) / 10) * 10
