/** Even steps of height that a fill is told at. */
const STEPS = 128

/**
 * What a mould holds up to each of 129 even heights from the lowest of its cast to the highest, as shares of all of it.
 * `positions` are corners x, y, z of a closed mesh, three to each triangle by `triangles`, outside seen anticlockwise.
 * What of a body lies above a height h is the sum over its triangles of the level area each covers, positive where it looks
 * up, times the mean of max(0, z - h) over it (the theorem of Gauss for a field along z).
 * Example: a cone on its foot is 7/8 full at half its height.
 */
export function fillLevels(positions: ArrayLike<number>, triangles: ArrayLike<number>): Float64Array {
  let [low, high] = [Infinity, -Infinity]
  for (let i = 2; i < positions.length; i += 3) {
    low = Math.min(low, positions[i]!)
    high = Math.max(high, positions[i]!)
  }
  const step = (high - low) / STEPS
  const levels = new Float64Array(STEPS + 1)
  if (!(step > 0)) return levels
  const above = new Float64Array(STEPS + 1)
  // Triangles that lie wholly above the first heights, by how many of those: covered area, and that times their height.
  const [areas, moments] = [new Float64Array(STEPS + 2), new Float64Array(STEPS + 2)]
  for (let t = 0; t < triangles.length; t += 3) {
    const [a, b, c] = [3 * triangles[t]!, 3 * triangles[t + 1]!, 3 * triangles[t + 2]!]
    const covers =
      ((positions[b]! - positions[a]!) * (positions[c + 1]! - positions[a + 1]!) -
        (positions[c]! - positions[a]!) * (positions[b + 1]! - positions[a + 1]!)) /
      2
    if (covers === 0) continue
    const [za, zb, zc] = [positions[a + 2]! - low, positions[b + 2]! - low, positions[c + 2]! - low]
    const [bottom, top] = [Math.min(za, zb, zc), Math.max(za, zb, zc)]
    const middle = za + zb + zc - bottom - top
    const mean = (za + zb + zc) / 3
    const first = Math.min(STEPS + 1, Math.ceil(bottom / step))
    areas[first]! += covers
    moments[first]! += covers * mean
    for (let k = first; k <= STEPS && k * step < top; k++)
      above[k]! += covers * over(k * step, bottom, middle, top)
  }
  // Under every height before its own, a triangle counts whole.
  let [area, moment] = [0, 0]
  for (let k = STEPS; k >= 0; k--) {
    area += areas[k + 1]!
    moment += moments[k + 1]!
    above[k]! += moment - area * k * step
  }
  for (let k = 0; k <= STEPS; k++) levels[k] = Math.min(1, Math.max(0, 1 - above[k]! / above[0]!))
  return levels
}

/** The mean of max(0, z - h) over a triangle with corners so high, bottom <= h < top. */
const over = (h: number, bottom: number, middle: number, top: number): number =>
  h >= middle
    ? (top - h) ** 3 / (3 * (top - bottom) * (top - middle))
    : (bottom + middle + top) / 3 - h + (h - bottom) ** 3 / (3 * (middle - bottom) * (top - bottom))

/** How high a fill stands when so much of it is in, as a share of the whole height; by the levels of `fillLevels`. */
export function heightOfFill(levels: ArrayLike<number>, share: number): number {
  const last = levels.length - 1
  if (share <= 0) return 0
  let k = 1
  while (k < last && levels[k]! < share) k++
  const [from, to] = [levels[k - 1]!, levels[k]!]
  return Math.min(1, (k - 1 + (to > from ? Math.min(1, (share - from) / (to - from)) : 1)) / last)
}
