import { pointToRing } from '../geometry/index.ts'
import type { Finding, Piece } from '../job/index.ts'
import type { PieceGeometry } from '../piece/index.ts'
import { massToForce } from '../units/convert.ts'

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

/** What a piece may be lifted by. */
const LIFTS: ReadonlySet<string> = new Set(['socket', 'handle', 'wire'])

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

/** Fixings that sit too shallow to be counted on, bear less than hangs from them, or cannot lift the piece together. */
export function fixingFindings(piece: Piece, fixings: readonly Fixing[], placedKg: number): Finding[] {
  const finding = (
    code: string,
    level: Finding['level'],
    about: Pick<Finding['about'][number], 'kind' | 'id'>,
    facts: Finding['facts'],
    remedies: Finding['remedies'] = [],
  ): Finding => ({
    code,
    level,
    station: 'steel',
    about: [{ pieceId: piece.id, ...about }],
    facts,
    remedies,
  })
  const own = fixings.flatMap((f): Finding[] => {
    const insert = piece.inserts.find((i) => i.id === f.id)!
    const { diameter, carriesKg } = insert
    const about = { kind: 'feature', id: f.id } as const
    const least = DEEP * diameter
    const shallow = f.depthMm < least - 1e-6
    const hangs = massToForce(carriesKg)
    return [
      ...(shallow
        ? [
            finding('fixing-shallow', 'note', about, {
              insert: f.name,
              depthMm: f.depthMm,
              leastMm: least,
              liftN: f.liftN,
              hangN: f.hangN,
            }),
          ]
        : []),
      ...(hangs > f.hangN
        ? [
            finding(
              'fixing-over',
              'stop',
              about,
              { insert: f.name, carriesKg, hangN: f.hangN, weightN: hangs },
              // The cone grows with the depth to 1.5; near an edge with its root.
              [1.5, 2, 3].map((by) => ({
                code: `deeper-${by}`,
                facts: { depthMm: Math.ceil((f.depthMm * by) / 5) * 5 },
                changes: [
                  {
                    type: 'featureKept' as const,
                    pieceId: piece.id,
                    list: 'inserts' as const,
                    item: { ...insert, depth: Math.ceil((f.depthMm * by) / 5) * 5 },
                  },
                ],
              })),
            ),
          ]
        : []),
    ]
  })
  const lifted = fixings.filter((f) => LIFTS.has(piece.inserts.find((i) => i.id === f.id)!.kind))
  const liftN = lifted.reduce((sum, f) => sum + f.liftN, 0)
  return lifted.length > 0 && liftN < massToForce(placedKg)
    ? [
        ...own,
        finding(
          'fixings-lift-short',
          'warn',
          { kind: 'choice', id: 'fixings' },
          {
            count: lifted.length,
            liftN,
            weightN: massToForce(placedKg),
            weightKg: placedKg,
          },
        ),
      ]
    : own
}
