import type { Point } from '../../../core/geometry/index.ts'

/** A text that wants to stand beside a point, this far from it, px. */
export type Wish = { readonly key: string; readonly at: Point; readonly away: number; readonly text: string }

/** Half of a letter's width, of a line's height, and of the air round a label, px. */
const [LETTER, LINE, AIR] = [3.6, 10, 4]

/**
 * Where each text stands: above its point, else below, right or left of it, wherever it covers none that stands already
 * and lies inside the view. What finds no room is left out; who comes first chooses first.
 */
export function placeLabels(
  wishes: readonly Wish[],
  size: { readonly width: number; readonly height: number },
): ReadonlyMap<string, Point> {
  const taken: { x: number; y: number; w: number }[] = []
  const placed = new Map<string, Point>()
  for (const { key, at, away, text } of wishes) {
    const w = text.length * LETTER + AIR
    const [x, y] = at
    const tries: Point[] = [
      [x, y - away - LINE],
      [x, y + away + LINE],
      [x + away + w, y],
      [x - away - w, y],
    ]
    const free = tries.find(
      ([cx, cy]) =>
        cx - w > 0 &&
        cx + w < size.width &&
        cy - LINE > 0 &&
        cy + LINE < size.height &&
        taken.every((t) => Math.abs(t.x - cx) > t.w + w || Math.abs(t.y - cy) > 2 * LINE),
    )
    if (!free) continue
    taken.push({ x: free[0], y: free[1], w })
    placed.set(key, free)
  }
  return placed
}
