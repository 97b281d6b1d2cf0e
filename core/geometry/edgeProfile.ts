import type { EdgeShape } from './recipe.ts'

/** Chords of a rounded edge of 16 mm and more: with equal area each strays from the arc by at most r/4000 either way. */
const BEAD_CHORDS = 24
/** A small bead needs no finer chords than these strays, mm: the area is exact whatever their number. */
const BEAD_STRAY = 0.004
export const beadChords = (size: number): number =>
  Math.max(5, Math.round(BEAD_CHORDS * Math.min(1, Math.sqrt(size / 4000 / BEAD_STRAY))))

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
