import type { Finding, Piece } from '../../job/index.ts'
import type { Bar } from '../../stock/index.ts'
import { massToForce } from '../../units/convert.ts'
import type { PlacedBar } from '../bars/types.ts'
import type { Mat } from '../mat/planMat.ts'
import type { Handling } from './planHandling.ts'

/** What steel is trusted with where concrete has cracked, MPa; its lever as a share of its depth. */
const [STEEL_MPA, LEVER] = [200, 0.9]
/** Someone who leans on it, N, so far from its end, mm. */
const PERSON = { n: 1000, in: 50 } as const
/** An overhang shorter than this is no place to lean on, mm [own]. */
const SHORT = 100

export type Overhang = {
  readonly overhang: number
  /** Bending at the support, with its own weight, N mm. */
  readonly moment: number
  /** What wires and bars over the support carry of it by themselves, N mm. */
  readonly carried: number
}

/**
 * The longest overhang beyond the supports of a piece that is used on two, and what of its bending the steel over the support
 * holds: As x 200 MPa x 0.9 d, d from the underside to the steel. Null of one without.
 */
export function overhangOf(
  piece: Piece,
  { way, bearers }: Handling,
  {
    kg,
    mats,
    bars,
  }: { readonly kg: number; readonly mats: readonly Mat[]; readonly bars: readonly PlacedBar[] },
): Overhang | null {
  if (piece.steel.handling.use !== 'supports' || bearers.length < 2) return null
  const sorted = [...bearers].sort((a, b) => a - b)
  const [near, far] = [sorted[0]!, way.length - sorted.at(-1)!]
  const overhang = Math.max(near, far)
  if (overhang < SHORT) return null
  const s = near >= far ? near : way.length - far
  const own = (massToForce(kg) / way.length) * (overhang ** 2 / 2)
  const [ux, uy] = [(way.to[0] - way.from[0]) / way.length, (way.to[1] - way.from[1]) / way.length]
  const along = (p: readonly number[]) => (p[0]! - way.from[0]) * ux + (p[1]! - way.from[1]) * uy
  /** Whether it runs along the piece over the support. */
  const over = (a: readonly number[], b: readonly number[]): boolean => {
    const [p, q] = [along(a), along(b)]
    const long = Math.abs(q - p) > 0.9 * Math.hypot(b[0]! - a[0]!, b[1]! - a[1]!)
    return long && Math.min(p, q) < s - HELD && Math.max(p, q) > s + HELD
  }
  const ofMats = mats.reduce(
    (sum, { sheet, mesh, height }) =>
      sum +
      sheet.wires.filter((w) => over(w.from, w.to)).length * areaOf(mesh.wire) * STEEL_MPA * LEVER * height,
    0,
  )
  const ofBars = bars
    .filter((b) => over(b.path[0]!, b.path.at(-1)!))
    .reduce((sum, b) => sum + areaOf(b.bar.diameter) * STEEL_MPA * LEVER * b.path[0]![2], 0)
  return { overhang, moment: PERSON.n * (overhang - PERSON.in) + own, carried: ofMats + ofBars }
}
/** What is told where its steel does not hold someone beyond the support by itself; a mat may lie elsewhere. */
export const overhangFindings = (piece: Piece, found: Overhang | null, hasMat: boolean): Finding[] =>
  found && found.carried < found.moment
    ? [
        {
          code: 'overhang-steel',
          level: 'warn',
          station: 'steel',
          about: [{ pieceId: piece.id, kind: 'piece', id: piece.id }],
          facts: { overhangMm: found.overhang, carriedShare: found.carried / found.moment },
          remedies: hasMat
            ? (
                [
                  ['high', { depth: 'weather-face' }],
                  ['both', { twice: true }],
                ] as const
              ).map(([code, patch]) => ({
                code,
                facts: {},
                changes: [{ type: 'steelChosen' as const, pieceId: piece.id, patch }],
              }))
            : [],
        },
      ]
    : []

/** A wire that ends nearer to the support than this holds nothing over it, mm [own]. */
const HELD = 60

const areaOf = (diameter: Bar['diameter']): number => (Math.PI / 4) * diameter ** 2
