import type { EdgeShape } from './recipe.ts'

/** Chords of a rounded edge of 16 mm and more: with equal area each strays from the arc by at most r/4000 either way. */
const BEAD_CHORDS = 24
/** A small bead needs no finer chords than these strays, mm: the area is exact whatever their number. */
const BEAD_STRAY = 0.004
const beadChords = (size: number, coarser: number): number =>
  Math.max(
    5,
    Math.round((BEAD_CHORDS * Math.min(1, Math.sqrt(size / 4000 / BEAD_STRAY))) / Math.sqrt(coarser)),
  )

/** How far in from the side an edge treatment has cut at depth `w` below the rim, mm. */
export function edgeInset(edge: EdgeShape, w: number): number {
  if (edge.kind === 'square' || w >= edge.size || w < 0) return 0
  if (edge.kind === 'chamfer') return edge.size - w
  const rest = edge.size - w
  return edge.size - Math.sqrt(Math.max(0, edge.size * edge.size - rest * rest))
}

/**
 * Points (inset, depth) along the cut face from the rim to the side, both ends included; empty when square. The inner
 * points of a bead stand a little outside its arc, so that the chords enclose exactly a quarter circle: with n chords
 * of angle a, (n - 2) k^2 + 2 r k = (pi/2) r^2 / sin a gives their radius k.
 */
export function edgeCurve(edge: EdgeShape, coarser = 1): [inset: number, depth: number][] {
  if (edge.kind === 'square') return []
  const { size } = edge
  if (edge.kind === 'chamfer') {
    return [
      [size, 0],
      [0, size],
    ]
  }
  const n = beadChords(size, coarser)
  const step = Math.PI / 2 / n
  const wanted = ((Math.PI / 2) * (size * size)) / Math.sin(step)
  const k = (-size + Math.sqrt(size * size + (n - 2) * wanted)) / (n - 2)
  return Array.from({ length: n + 1 }, (_, i): [number, number] => {
    if (i === 0) return [size, 0]
    if (i === n) return [0, size]
    return [size - k * Math.sin(step * i), size - k * Math.cos(step * i)]
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
