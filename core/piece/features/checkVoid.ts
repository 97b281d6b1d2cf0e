import type { Kernel, SolidRecipe } from '../../geometry/index.ts'
import type { Finding, Piece, Remedy } from '../../job/index.ts'
import type { PlacedVoid } from './voidFormer.ts'

/** Covers that are offered where the chosen one leaves no room, mm; less is not held in the pour. */
const COVERS = [60, 50, 40] as const
/** mm3 that two bodies may share by rounding. */
const SLIVER = 100

/** A void former that finds no room, or meets what else is cast in. */
export function checkVoid(
  kernel: Kernel,
  piece: Piece,
  placed: PlacedVoid | null,
  inserts: readonly { readonly id: string; readonly name: string; readonly recipe: SolidRecipe }[],
): Finding[] {
  const { voidFormer } = piece
  if (!voidFormer) return []
  const set = (code: string, cover: number | null, facts: Remedy['facts']): Remedy => ({
    code,
    facts,
    changes: [
      {
        type: 'pieceDescribed',
        pieceId: piece.id,
        patch: { voidFormer: cover === null ? null : { ...voidFormer, cover } },
      },
    ],
  })
  const finding = (
    code: string,
    level: Finding['level'],
    facts: Finding['facts'],
    remedies: readonly Remedy[],
  ): Finding => ({
    code,
    level,
    station: 'piece',
    about: [{ pieceId: piece.id, kind: 'choice', id: 'void-former' }],
    facts,
    remedies: [...remedies, set('none', null, {})],
  })
  if (!placed)
    return [
      finding(
        'void-no-room',
        'warn',
        { coverMm: voidFormer.cover },
        COVERS.filter((c) => c < voidFormer.cover).map((c) => set(`cover-${c}`, c, { coverMm: c })),
      ),
    ]
  const met = inserts.filter(
    ({ recipe }) =>
      kernel.withSolids((s) => s.keep(s.solid(placed.recipe).body.intersect(s.solid(recipe).body)).volume()) >
      SLIVER,
  )
  return met.map(({ name }) => finding('void-meets', 'stop', { insert: name }, []))
}
