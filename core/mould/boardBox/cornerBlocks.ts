import { filletReach, type Loop, type PathCorner, type Point, reverseLoop } from '../../geometry/index.ts'
import type { SideId } from '../../job/index.ts'
import { OUTLINE_NAMES, outlineEdges } from '../../piece/index.ts'
import { interiorAngle } from './interiorAngle.ts'

export type CornerBlock = {
  readonly name: string
  /** The corner of the outline it rounds, as it is called and said. */
  readonly corner: { readonly id: string; readonly words: string }
  readonly loop: Loop
  readonly radius: number
  /** Hollow inside a sharp outside corner, or a rounded post at an inside corner. */
  readonly shape: 'hollow corner' | 'rounded post'
  /** Outward, halving the corner. */
  readonly pull: Point
}

/** What rounds the corners of a plan: blocks in its outside corners, posts between the strips at its inside ones. */
export function cornerBlocks(
  path: readonly PathCorner[],
  outline: Loop,
  thick: number,
  names: ReadonlyMap<SideId, string>,
  rounds: 'block' | 'bent' = 'block',
): CornerBlock[] {
  const n = path.length
  const edges = outlineEdges(path, names)
  return path.flatMap((corner, i): CornerBlock[] => {
    const before = path[(i + n - 1) % n]!
    const names = cornerNames(before.side, corner.side)
    const segment = outline.find((s) => s.arc && names.includes(s.name))
    if (filletReach(path, i) <= 0 || !segment?.arc) return []
    const after = path[(i + 1) % n]!
    const at: Point = [corner.x, corner.y]
    const outside = interiorAngle([before.x, before.y], at, [after.x, after.y]) < 180
    if (outside && rounds === 'bent') return []
    const { centre, radius } = segment.arc
    const away = Math.hypot(at[0] - centre[0], at[1] - centre[1]) || 1
    const sign = outside ? 1 : -1
    const pull: Point = [(sign * (at[0] - centre[0])) / away, (sign * (at[1] - centre[1])) / away]
    const [back] = reverseLoop([segment])
    const line = (from: Point, to: Point) => ({ name: `${segment.name}/outer`, from, to, arc: null })
    const face = { ...back!, name: `${segment.name}/face` }
    if (outside)
      return [
        {
          name: segment.name,
          corner: edges.get(segment.name)!,
          radius,
          shape: 'hollow corner',
          pull,
          loop: [line(at, segment.to), face, line(segment.from, at)],
        },
      ]
    // Between the square ends of the strips, which stop where the round begins, or sooner where it is small.
    const [u, v] = [unit([before.x, before.y], at), unit(at, [after.x, after.y])]
    const stop = postReach(path, i, thick)
    const ends: Point[] = [
      [at[0] - u[0] * stop, at[1] - u[1] * stop],
      [at[0] - u[0] * stop + u[1] * thick, at[1] - u[1] * stop - u[0] * thick],
      [at[0] + v[0] * stop + v[1] * thick, at[1] + v[1] * stop - v[0] * thick],
      [at[0] + v[0] * stop, at[1] + v[1] * stop],
    ]
    const round = [segment.from, ...ends, segment.to]
    const inner = round
      .slice(1)
      .map((to, k) => line(round[k]!, to))
      .filter(({ from, to }) => Math.hypot(to[0] - from[0], to[1] - from[1]) > 1e-9)
    return [
      {
        name: segment.name,
        corner: edges.get(segment.name)!,
        radius,
        shape: 'rounded post',
        pull,
        loop: [face, ...inner],
      },
    ]
  })
}

/** How far before a rounded inside corner the strips stop, so that their ends do not meet behind it. */
export function postReach(path: readonly PathCorner[], i: number, thick: number): number {
  const { radius } = path[i]!
  const reach = filletReach(path, i)
  return reach * Math.max(1, thick / radius)
}

const unit = (a: Point, b: Point): Point => {
  const length = Math.hypot(b[0] - a[0], b[1] - a[1]) || 1
  return [(b[0] - a[0]) / length, (b[1] - a[1]) / length]
}

/** What a corner between two sides is called, walked either way. */
const cornerNames = (a: string, b: string): readonly string[] => [
  OUTLINE_NAMES.corner(a, b),
  OUTLINE_NAMES.corner(b, a),
]
