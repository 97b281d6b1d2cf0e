import type { Change, Facts, Finding, Piece } from '../../job/index.ts'
import type { MouldPart } from '../../mould/index.ts'
import type { DraftRow } from './planDraft.ts'

/** From so deep a grip on a rigid part holds fast enough to be warned of, mm; less is a note [own]. */
export const DEEP = 25

/** Whether the concrete holds a rigid part by faces that want more draft; separators are freed by moving the blocks apart. */
export const isGripped = (row: DraftRow, parts: readonly MouldPart[]): boolean =>
  row.rigid && row.shortMm2 > 0 && parts.find((p) => p.id === row.partId)?.role !== 'separator'

type Short = {
  readonly level: Finding['level']
  readonly partId: string
  readonly facts: Facts
  readonly remedies: Finding['remedies']
}

/**
 * Of the rigid parts that concrete grips from two sides with less draft than so deep a grip wants the deepest is told, the
 * rest counted. Knockouts are told by their own rule, which knows their wraps.
 */
export function shortOfDraft(
  piece: Piece,
  parts: readonly MouldPart[],
  grips: readonly DraftRow[],
): Short | null {
  const short = grips
    .filter((r) => parts.find((p) => p.id === r.partId)!.source.of !== 'opening')
    .sort((a, b) => b.gripMm - a.gripMm || b.shortMm2 - a.shortMm2)
  const [worst] = short
  if (!worst) return null
  const part = parts.find((p) => p.id === worst.partId)!
  return {
    level: worst.gripMm > DEEP ? 'warn' : 'note',
    partId: worst.partId,
    facts: {
      part: part.name,
      more: short.length - 1,
      draftDegrees: Math.max(0, worst.leastDeg!),
      wantedDegrees: worst.wantedDeg,
      gripMm: worst.gripMm,
    },
    remedies: tapers(piece, part, worst.wantedDeg),
  }
}

/** Changes that let it go: the piece sloped by what is wanted where its part was made by a slope, or the core parted. */
function tapers(piece: Piece, part: MouldPart, wantedDegrees: number): Finding['remedies'] {
  const sloped = (changes: Change[]): Finding['remedies'] => [
    { code: 'tapered', facts: { wantedDegrees }, changes },
  ]
  // A plug is as straight as its hole.
  if (piece.kind === 'box' && part.source.of !== 'hole')
    return [
      ...sloped([{ type: 'shapeChanged', pieceId: piece.id, patch: { coreDraftDeg: wantedDegrees } }]),
      ...(piece.mould.method === 'planks' && piece.mould.core === 'drafted'
        ? [
            {
              code: 'parted',
              facts: {},
              changes: [
                { type: 'mouldChosen' as const, pieceId: piece.id, patch: { core: 'collapsible' as const } },
              ],
            },
          ]
        : []),
    ]
  if (piece.kind !== 'slab') return []
  const { source } = part
  if (source.of === 'basin' && piece.basin)
    return sloped([
      {
        type: 'shapeChanged',
        pieceId: piece.id,
        patch: { basin: { ...piece.basin, draftDeg: wantedDegrees } },
      },
    ])
  const field =
    source.of === 'feature' ? piece.panels.find((f) => f.id === source.featureId && f.kind === 'field') : null
  return field?.kind === 'field'
    ? sloped([
        {
          type: 'featureKept',
          pieceId: piece.id,
          list: 'panels',
          item: { ...field, draftDeg: wantedDegrees },
        },
      ])
    : []
}
