import type { Point } from '../../core/geometry/index.ts'
import type { Change, Opening, PlaceRule, SlabPiece } from '../../core/job/index.ts'
import { movedRule, outlineSize, reach, resolvePlacing } from '../../core/piece/index.ts'

export type Snapped = {
  readonly changes: readonly Change[]
  readonly guides: readonly { axis: 'u' | 'v'; at: number }[]
}

/**
 * Where a dragged opening comes to rest: on the piece's middle or another opening's when within `near` mm, else at
 * whole steps from the side its rule measures from. Rules by other openings are kept.
 */
export function snapOpening(
  piece: SlabPiece,
  openingId: string,
  wanted: Point,
  near: number,
  step: number,
): Snapped {
  const opening = piece.openings.find((o) => o.id === openingId)!
  const { middles } = resolvePlacing(piece)
  const size = outlineSize(piece.outline)
  const guides: { axis: 'u' | 'v'; at: number }[] = []
  const patch: { u?: PlaceRule; v?: PlaceRule } = {}
  for (const axis of ['u', 'v'] as const) {
    const k = axis === 'u' ? 0 : 1
    const total = axis === 'u' ? size.length : size.width
    const now = middles.get(openingId)![k]
    const others = piece.openings
      .filter((o) => o.id !== openingId && !leansOn(piece, o, openingId, axis))
      .map((o) => ({ at: middles.get(o.id)![k], onto: o.id as string | null }))
    const best = [{ at: total / 2, onto: null as string | null }, ...others]
      .map((t) => ({ ...t, off: Math.abs(t.at - wanted[k]) }))
      .sort((a, b) => a.off - b.off)[0]!
    if (best.off <= near) {
      guides.push({ axis, at: best.at })
      if (Math.abs(best.at - now) < 1e-6) continue
      patch[axis] =
        best.onto === null
          ? { rule: 'centred', offset: 0 }
          : { rule: 'centredOn', opening: best.onto, offset: 0 }
      continue
    }
    const rule = opening[axis]
    const steady: PlaceRule =
      rule.rule === 'centred' ? { rule: 'fromStart', distance: now - reach(opening, axis) } : rule
    const moved = movedRule(steady, wanted[k] - now)
    const round = (n: number) => Math.round(Math.round(n / step) * step * 1e4) / 1e4
    patch[axis] =
      'distance' in moved
        ? { ...moved, distance: round(moved.distance) }
        : 'gap' in moved
          ? { ...moved, gap: round(moved.gap) }
          : { ...moved, offset: round(moved.offset) }
  }
  return {
    changes: patch.u || patch.v ? [{ type: 'openingChanged', pieceId: piece.id, openingId, patch }] : [],
    guides,
  }
}

/** Whether an opening's place follows another's along an axis, near or far: it cannot be snapped to it. */
function leansOn(piece: SlabPiece, opening: Opening, onto: string, axis: 'u' | 'v'): boolean {
  const seen = new Set<string>()
  let at: Opening | undefined = opening
  while (at && !seen.has(at.id)) {
    seen.add(at.id)
    const rule: PlaceRule = at[axis]
    if (!('opening' in rule)) return false
    const next: string = rule.opening
    if (next === onto) return true
    at = piece.openings.find((o) => o.id === next)
  }
  return false
}
