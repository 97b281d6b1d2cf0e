import {
  arcByRise,
  type LoftLoop,
  type LoftSide,
  type PathCorner,
  type Point,
  type SideProfile,
  sampleSpline,
} from '../geometry/index.ts'

/** A path as the loop of a loft: sharp corners with their radius, and for each side its profile. */
export function loftLoop(
  path: readonly PathCorner[],
  names: { side: (id: string) => string; corner: (before: string, after: string) => string },
  profileOf: (side: string) => SideProfile,
): LoftLoop {
  const n = path.length
  return path.flatMap((corner, i): LoftSide[] => {
    const [before, next] = [path[(i + n - 1) % n]!, path[(i + 1) % n]!]
    const [from, to]: [Point, Point] = [
      [corner.x, corner.y],
      [next.x, next.y],
    ]
    const straight = before.run.kind === 'line' && corner.run.kind === 'line'
    const shared = {
      name: names.side(corner.side),
      radius: straight ? corner.radius : 0,
      corner: names.corner(before.side, corner.side),
      profile: profileOf(corner.side),
    }
    if (corner.run.kind === 'spline') {
      const points = sampleSpline([from, ...corner.run.through, to])
      return points
        .slice(0, -1)
        .map((p, k) => ({ ...shared, radius: 0, from: p, to: points[k + 1]!, arc: null }))
    }
    if (Math.hypot(to[0] - from[0], to[1] - from[1]) < 1e-9) return []
    return [
      { ...shared, from, to, arc: corner.run.kind === 'arc' ? arcByRise(from, to, corner.run.rise) : null },
    ]
  })
}

/** The loop walked the other way, as a hole's is: its inside is then on the right. */
export function reverseLoftLoop(loop: LoftLoop): LoftLoop {
  const n = loop.length
  return loop.map((_, k) => {
    const i = n - 1 - k
    const [side, next] = [loop[i]!, loop[(i + 1) % n]!]
    return {
      ...side,
      from: side.to,
      to: side.from,
      arc: side.arc && { ...side.arc, sweepRad: -side.arc.sweepRad },
      radius: next.radius,
      corner: next.corner,
    }
  })
}

/** The same loop with every profile turned over: insets become outsets, as a cutter's are to its hole. */
export const negated = (profile: SideProfile): SideProfile => profile.map((s) => ({ ...s, inset: -s.inset }))
