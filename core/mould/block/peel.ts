import type { Kernel } from '../../geometry/index.ts'
import type { Finding, MouldPatch, Piece } from '../../job/index.ts'
import type { Rubber } from '../../stock/index.ts'
import { type CastBody, levelSections, regionBox } from '../castBody.ts'
import { finding } from '../checkMould.ts'
import { undercutShare } from './rubber.ts'

/** Levels at which a cast is looked at. */
const LEVELS = 32

/**
 * How far a rubber in one piece is stretched as it comes off a cast at its open top: at each level it passes over all
 * that stands deeper, so that the greatest ratio of a girth to one nearer the mouth counts; 1 where the cast only
 * narrows downward. Girths are those of the boxes in plan. Example: a cone 300 across below and 200 at its open top, 1.5.
 */
export function peelStretch(kernel: Kernel, { recipe, height }: Pick<CastBody, 'recipe' | 'height'>): number {
  const near = Math.min(0.5, height / 50)
  const levels = Array.from({ length: LEVELS + 1 }, (_, i) => near + (i / LEVELS) * (height - 2 * near))
  let [deeper, most] = [0, 1]
  for (const region of levelSections(kernel, recipe, levels)) {
    const { min, max } = regionBox(region)
    const girth = max[0] - min[0] + max[1] - min[1]
    // What is nothing there has no rubber round it.
    if (girth > 0) most = Math.max(most, deeper / girth)
    deeper = Math.max(deeper, girth)
  }
  return most
}

/** A rubber that is not stretched so far without tearing, told with what lets the cast go. */
export function stretchFindings(
  piece: Piece,
  stretch: number,
  rubber: Rubber,
  rubbers: readonly Rubber[],
): Finding[] {
  const most = 1 + undercutShare(rubber.hardnessShoreA)
  if (stretch <= most) return []
  const soft = rubbers
    .filter((r) => 1 + undercutShare(r.hardnessShoreA) >= stretch)
    .toSorted((a, b) => b.hardnessShoreA - a.hardnessShoreA)[0]
  const cures: (MouldPatch & { readonly code: string })[] = [
    ...(soft ? [{ code: 'softer', rubber: soft.id }] : []),
    {
      code: 'two-halves',
      ...(piece.mould.method !== 'block' && { method: 'block' as const }),
      rubberParts: 2,
    },
  ]
  const facts = { percent: Math.round((stretch - 1) * 100), mostPercent: Math.round((most - 1) * 100) }
  return [
    {
      ...finding(piece, 'rubber-must-stretch', 'warn', 'rubber', facts),
      remedies: cures.map(({ code, ...patch }) => ({
        code,
        facts: { rubber: code === 'softer' ? soft!.name : '' },
        changes: [{ type: 'mouldChosen', pieceId: piece.id, patch: patch as MouldPatch }],
      })),
    },
  ]
}
