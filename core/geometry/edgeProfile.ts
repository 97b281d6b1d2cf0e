import type { EdgeShape } from './recipe.ts'

/** Chords of a rounded edge of 16 mm and more: with equal area each strays from the arc by at most r/4000 either way. */
const BEAD_CHORDS = 24
/** A small bead needs no finer chords than these strays, mm: the area is exact whatever their number. */
const BEAD_STRAY = 0.004
export const beadChords = (size: number): number =>
  Math.max(5, Math.round(BEAD_CHORDS * Math.min(1, Math.sqrt(size / 4000 / BEAD_STRAY))))

/** How far in from its side an edge reaches on its face, mm. */
export const edgeSize = (edge: EdgeShape): number => (edge.kind === 'square' ? 0 : edge.size)
/** How far down its side it reaches, mm. */
export const edgeDeep = (edge: EdgeShape): number =>
  edge.kind === 'square' ? 0 : edge.kind === 'bead' ? edge.size : (edge.rise ?? edge.size)

type Unit = readonly [inward: number, down: number]

/** Points of an edge from its face (1, 0) to its side (0, 1), in shares of how far in and how far down it goes. */
export function edgeShape(edge: Exclude<EdgeShape, { kind: 'square' | 'bead' }>): readonly Unit[] {
  const chords = Math.max(4, Math.round(beadChords(Math.max(edge.size, edgeDeep(edge))) / 2))
  switch (edge.kind) {
    case 'chamfer':
      return [
        [1, 0],
        [0, 1],
      ]
    // A quarter ellipse about the corner that was there.
    case 'cove':
      return quarter(2 * chords)
    // About the point that lies in and down.
    case 'ovolo':
      return quarter(2 * chords).map(([x, y]): Unit => [1 - y, 1 - x])
    // Hollow at the side, full at the face.
    case 'ogee': {
      const half = quarter(chords)
      return [
        ...half.map(([x, y]): Unit => [1 - y / 2, (1 - x) / 2]),
        ...half.map(([x, y]): Unit => [x / 2, 0.5 + y / 2]).slice(1),
      ]
    }
  }
}

/** Cosine and sine along a quarter turn in `n` chords, the inner points a little out, so that they enclose exactly its sector. */
function quarter(n: number): Unit[] {
  const a = Math.PI / 2
  const k = (-1 + Math.sqrt(1 + ((n - 2) * a) / Math.sin(a / n))) / (n - 2)
  return Array.from({ length: n + 1 }, (_, i): Unit => {
    const [t, r] = [(a * i) / n, i === 0 || i === n ? 1 : k]
    return [r * Math.cos(t), r * Math.sin(t)]
  })
}

/**
 * Section area A = integral of d and second integral B = integral of d^2 over the depth, d the inset:
 * bead A = (1 - pi/4) r^2, B = r^3 (10 - 3 pi)/6; chamfer A = c h/2, B = c^2 h/3; others along their chords.
 */
export function edgeIntegrals(edge: EdgeShape): { area: number; second: number } {
  if (edge.kind === 'square') return { area: 0, second: 0 }
  const s = edge.size
  if (edge.kind === 'bead')
    return { area: (1 - Math.PI / 4) * s * s, second: (s ** 3 * (10 - 3 * Math.PI)) / 6 }
  const deep = edgeDeep(edge)
  const points = edgeShape(edge).map(([x, y]) => [x * s, y * deep] as const)
  return points.slice(1).reduce(
    ({ area, second }, [d, z], i) => {
      const [before, above] = points[i]!
      const h = z - above
      return {
        area: area + ((before + d) / 2) * h,
        second: second + ((before * before + before * d + d * d) / 3) * h,
      }
    },
    { area: 0, second: 0 },
  )
}
