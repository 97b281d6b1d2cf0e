/** Corners of the table, or of the mould's base, where heights are taken. */
export const TABLE_CORNERS = ['front left', 'front right', 'back right', 'back left'] as const

export type Level = {
  /** What goes under each corner to bring it to the highest, mm. */
  readonly shims: readonly number[]
  /** Fall over the whole, along the length and across it, mm; positive where it rises to the right, to the back. */
  readonly along: number
  readonly across: number
  /** How far four corners are from lying in one plane: half of what the table is twisted, mm. */
  readonly twist: number
  /** A fill that finds its own level: how much deeper it is at the lowest corner than at the highest, mm. */
  readonly depthError: number
  /** What that takes beside, when the highest corner is filled to its line, kg. */
  readonly extraKg: number
}

/**
 * A table by its heights at three corners, or four: the plane through them (of least squares for four, where the
 * twist (h0 - h1 + h2 - h3)/4 is left over), what to shim, and what a level fill gets wrong if it is left as it is.
 */
export function tableLevel(
  heights: readonly number[],
  cast: { readonly areaMm2: number; readonly freshKgPerM3: number },
): Level {
  const [a, b, c] = [heights[0] ?? 0, heights[1] ?? 0, heights[2] ?? 0]
  // Three corners make a plane: the fourth lies where it goes on.
  const d = heights[3] ?? a - b + c
  const corners = [a, b, c, d]
  const most = Math.max(...corners)
  const along = (b + c - a - d) / 2
  const across = (c + d - a - b) / 2
  const depthError = Math.abs(along) + Math.abs(across)
  return {
    shims: corners.slice(0, heights.length === 3 ? 3 : 4).map((h) => most - h),
    along,
    across,
    twist: Math.abs(a - b + c - d) / 4,
    depthError,
    extraKg: cast.areaMm2 * (depthError / 2) * cast.freshKgPerM3 * 1e-9,
  }
}
