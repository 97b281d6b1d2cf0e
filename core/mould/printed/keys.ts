import type { SolidRecipe, Vector } from '../../geometry/index.ts'
import { type Cell, cylinderAlong, cylinderArea, type Parting } from '../shells/flangedShells.ts'

/** A peg that keys a seam, mm; its socket is this much larger [own]. */
const PEG = { radius: 2.5, high: 4, clearance: 0.2 }

export type Keys = {
  /** Tips of the pegs on this part. */
  readonly tips: readonly Vector[]
  readonly pegs: readonly SolidRecipe[]
  readonly sockets: readonly SolidRecipe[]
  /** What they add to the part, mm3. */
  readonly volume: number
}

/** Pegs on the far side of each seam, sockets on the near one, so that parts meet in one way only: every second place. */
export function keysOf(
  fixings: readonly (readonly Vector[])[],
  partings: readonly Parting[],
  cell: Cell,
): Keys {
  const tips: Vector[] = []
  const pegs: SolidRecipe[] = []
  const sockets: SolidRecipe[] = []
  const wide = PEG.radius + PEG.clearance
  const deep = PEG.high + PEG.clearance
  fixings.forEach((points, i) => {
    const { normal } = partings[i]!
    for (const p of points.filter((_, k) => k % 2 === 1)) {
      if (!belongs(p, partings, cell, i)) continue
      if (cell[i] === 1) {
        pegs.push(cylinderAlong(p, normal, PEG.radius, PEG.high, 1, 'key'))
        tips.push([p[0] - normal[0] * PEG.high, p[1] - normal[1] * PEG.high, p[2] - normal[2] * PEG.high])
      } else sockets.push(cylinderAlong(p, normal, wide, deep, 1, 'key'))
    }
  })
  const volume =
    pegs.length * cylinderArea(PEG.radius) * PEG.high - sockets.length * cylinderArea(wide) * deep
  return { tips, pegs, sockets, volume }
}

/** A part with its keys. */
export function keyed(part: SolidRecipe, { pegs, sockets }: Keys): SolidRecipe {
  const joined: SolidRecipe = pegs.length > 0 ? { kind: 'union', of: [part, ...pegs] } : part
  return sockets.length > 0 ? { kind: 'difference', from: joined, minus: sockets } : joined
}

/** Whether a point on one seam belongs to a cell: well inside all the others. */
const belongs = (p: Vector, partings: readonly Parting[], cell: Cell, own: number): boolean =>
  partings.every(({ normal, offset }, i) => {
    if (i === own) return true
    const d = p[0] * normal[0] + p[1] * normal[1] + p[2] * normal[2] - offset
    return d * cell[i]! > PEG.radius + 1
  })
