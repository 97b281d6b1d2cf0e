import { chordCount } from './chords.ts'
import type { EdgeShape } from './recipe.ts'

/** How far in from the side an edge treatment has cut at depth `w` below the rim, mm. */
export function edgeInset(edge: EdgeShape, w: number): number {
  if (edge.kind === 'square' || w >= edge.size || w < 0) return 0
  if (edge.kind === 'chamfer') return edge.size - w
  const rest = edge.size - w
  return edge.size - Math.sqrt(Math.max(0, edge.size * edge.size - rest * rest))
}

/** Points (inset, depth) along the cut face from the rim to the side, both ends included; empty when square. */
export function edgeCurve(edge: EdgeShape): [inset: number, depth: number][] {
  if (edge.kind === 'square') return []
  const { size } = edge
  if (edge.kind === 'chamfer') {
    return [
      [size, 0],
      [0, size],
    ]
  }
  const chords = chordCount(size, Math.PI / 2, 2.5)
  return Array.from({ length: chords + 1 }, (_, i) => {
    const a = (Math.PI / 2) * (i / chords)
    return [size * (1 - Math.sin(a)), size * (1 - Math.cos(a))]
  })
}

export const edgeSize = (edge: EdgeShape): number => (edge.kind === 'square' ? 0 : edge.size)

/**
 * Section area A = integral of d and second integral B = integral of d^2 over the depth, d the inset:
 * bead A = (1 - pi/4) r^2, B = r^3 (10 - 3 pi)/6; chamfer A = c^2/2, B = c^3/3.
 */
export function edgeIntegrals(edge: EdgeShape): { area: number; second: number } {
  if (edge.kind === 'square') return { area: 0, second: 0 }
  const s = edge.size
  return edge.kind === 'bead'
    ? { area: (1 - Math.PI / 4) * s * s, second: (s ** 3 * (10 - 3 * Math.PI)) / 6 }
    : { area: (s * s) / 2, second: s ** 3 / 3 }
}
