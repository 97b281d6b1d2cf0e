import { pointToRing } from '../geometry/index.ts'
import type { Finding, Piece } from '../job/index.ts'
import type { PieceGeometry } from '../piece/index.ts'

/** Cone of concrete that a fixing pulls out, N: 8.9 sqrt(fc) hef^1.5 (mean, MPa and mm; concrete capacity design). */
const CONE = 8.9
/** Nearer to an edge than so many depths the cone is cut. */
const EDGE = 1.5
/** Safety where people lift by it and where something hangs from it; how deep it sits at least, in diameters. */
const [LIFT, HANG, DEEP] = [4, 3, 8]
/** Nothing is lifted below this, MPa. */
const LIFTED = 10

/** What may carry: cast in at one face, and not a tube or a smooth bar, which slips without a hook. */
const CARRIES: ReadonlySet<string> = new Set(['stud', 'socket', 'bolt', 'wire', 'cleat-screws', 'handle'])

/** A fixing that carries, and what each bears straight out of its face. */
export type Fixing = {
  readonly id: string
  readonly name: string
  readonly depthMm: number
  readonly edgeMm: number
  /** To be lifted by at 10 MPa, a quarter of what pulls it out; and to hang from at full strength, a third. */
  readonly liftN: number
  readonly hangN: number
}

/** What pulls a fixing out, N. `pullOut(30, 60, 200)` is 22,656; 45 mm from an edge half of that. */
export const pullOut = (fc: number, depth: number, edge: number): number =>
  CONE * Math.sqrt(fc) * depth ** 1.5 * Math.min(1, edge / (EDGE * depth))

/** The fixings of a piece with what they bear; `full` is the mix's strength at 28 days. */
export const fixingsOf = (piece: Piece, { faces }: Pick<PieceGeometry, 'faces'>, full: number): Fixing[] =>
  piece.inserts.flatMap((insert): Fixing[] => {
    const face = faces.find((f) => f.name === insert.on)
    if (!face || insert.depth === null || !CARRIES.has(insert.kind)) return []
    const edge = face.region.reduce(
      (near, ring) => Math.min(near, pointToRing([insert.u, insert.v], ring)),
      Infinity,
    )
    return [
      {
        id: insert.id,
        name: insert.name,
        depthMm: insert.depth,
        edgeMm: edge,
        liftN: pullOut(LIFTED, insert.depth, edge) / LIFT,
        hangN: pullOut(full, insert.depth, edge) / HANG,
      },
    ]
  })

/** Fixings that sit too shallow to be counted on. */
export const fixingFindings = (piece: Piece, fixings: readonly Fixing[]): Finding[] =>
  fixings.flatMap((f): Finding[] => {
    const { diameter } = piece.inserts.find((i) => i.id === f.id)!
    const least = DEEP * diameter
    if (f.depthMm >= least - 1e-6) return []
    return [
      {
        code: 'fixing-shallow',
        level: 'note',
        station: 'steel',
        about: [{ pieceId: piece.id, kind: 'feature', id: f.id }],
        facts: { insert: f.name, depthMm: f.depthMm, leastMm: least, liftN: f.liftN, hangN: f.hangN },
        remedies: [],
      },
    ]
  })
