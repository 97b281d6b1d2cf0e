import { findCrossing, loopChords, type PathCorner, type Point, pathLoop } from '../geometry/index.ts'
import type { DrawnOutline } from './types.ts'

/** One line or arc of a drawing, in its own unit; `rise` is the arc's, to the right of from to to. */
export type Stroke = {
  readonly layer: string
  readonly from: Point
  readonly to: Point
  readonly rise: number
}

/** A closed run of strokes as a path. */
type Ring = {
  readonly layer: string
  readonly corners: PathCorner[]
  readonly points: readonly Point[]
  readonly area: number
}

/**
 * Joins strokes of a layer end to end into closed rings. Ends that lie within `near` of each other meet; what stays open
 * is counted. A stroke that closes on itself is a ring.
 */
export function chainStrokes(strokes: readonly Stroke[], near: number): { rings: Ring[]; open: number } {
  const rings: Ring[] = []
  let open = 0
  const layers = new Map<string, Stroke[]>()
  for (const s of strokes) layers.set(s.layer, [...(layers.get(s.layer) ?? []), s])
  for (const [layer, own] of layers) {
    const cell = (p: Point) => `${Math.round(p[0] / near)}|${Math.round(p[1] / near)}`
    const ends = new Map<string, number[]>()
    own.forEach((s, i) => {
      for (const p of [s.from, s.to]) {
        const key = cell(p)
        ends.set(key, [...(ends.get(key) ?? []), i])
      }
    })
    const used = new Set<number>()
    const nearEnds = (p: Point): number[] => {
      const out: number[] = []
      for (const dx of [-near, 0, near])
        for (const dy of [-near, 0, near]) out.push(...(ends.get(cell([p[0] + dx, p[1] + dy])) ?? []))
      return out
    }
    const meets = (a: Point, b: Point) => Math.hypot(a[0] - b[0], a[1] - b[1]) <= near
    for (let i = 0; i < own.length; i += 1) {
      if (used.has(i)) continue
      used.add(i)
      const chain: Stroke[] = [own[i]!]
      const start = own[i]!.from
      for (;;) {
        const end = chain.at(-1)!.to
        if (meets(end, start) && (chain.length > 1 || own[i]!.rise !== 0)) break
        const next = nearEnds(end).find(
          (k) => !used.has(k) && (meets(own[k]!.from, end) || meets(own[k]!.to, end)),
        )
        if (next === undefined) break
        used.add(next)
        const s = own[next]!
        chain.push(meets(s.from, end) ? s : { ...s, from: s.to, to: s.from, rise: -s.rise })
      }
      const closed = meets(chain.at(-1)!.to, start) && chain.length > 1
      const ring = closed ? toRing(layer, chain) : null
      if (ring) rings.push(ring)
      else open += 1
    }
  }
  return { rings, open }
}

/** A closed chain as an anticlockwise path; null when it encloses nothing. */
export function toRing(layer: string, chain: readonly Stroke[]): Ring | null {
  const kept = chain.filter((s) => Math.hypot(s.to[0] - s.from[0], s.to[1] - s.from[1]) > 1e-9)
  if (kept.length < 2) return null
  const corners = kept.map(
    (s, i): PathCorner => ({
      x: s.from[0],
      y: s.from[1],
      radius: 0,
      side: `side-${i + 1}`,
      run: Math.abs(s.rise) > 1e-9 ? { kind: 'arc', rise: s.rise } : { kind: 'line' },
    }),
  )
  const points = ringPoints(corners)
  const area = signedArea(points)
  if (Math.abs(area) < 1e-9) return null
  if (area > 0) return { layer, corners, points, area }
  const turned = corners.map((_, i): PathCorner => {
    const j = (corners.length - i) % corners.length
    const at = corners[j]!
    const before = corners[(j + corners.length - 1) % corners.length]!
    return {
      ...at,
      side: `side-${i + 1}`,
      run: before.run.kind === 'arc' ? { kind: 'arc', rise: -before.run.rise } : before.run,
    }
  })
  return { layer, corners: turned, points: [...points].reverse(), area: -area }
}

const ringPoints = (corners: readonly PathCorner[]): Point[] =>
  loopChords(pathLoop(corners, { side: (i) => i, corner: (a) => a }), 40).points

function signedArea(points: readonly Point[]): number {
  return (
    points.reduce((sum, [x, y], i) => {
      const [nx, ny] = points[(i + 1) % points.length]!
      return sum + x * ny - nx * y
    }, 0) / 2
  )
}

const inside = ([x, y]: Point, ring: readonly Point[]): boolean => {
  let odd = false
  ring.forEach(([ax, ay], i) => {
    const [bx, by] = ring[(i + 1) % ring.length]!
    if (ay > y !== by > y && x < ax + ((bx - ax) * (y - ay)) / (by - ay)) odd = !odd
  })
  return odd
}

/** Rings sorted into outlines, largest first, each with the rings directly inside it; twice-drawn ones are dropped. */
export function sortOutlines(rings: readonly Ring[]): DrawnOutline[] {
  const sorted = [...rings].sort((a, b) => b.area - a.area)
  const distinct = sorted.filter(
    (r, i) =>
      !sorted
        .slice(0, i)
        .some(
          (o) =>
            Math.abs(o.area - r.area) < o.area * 1e-6 &&
            Math.hypot(o.points[0]![0] - r.points[0]![0], o.points[0]![1] - r.points[0]![1]) <
              Math.sqrt(o.area) * 1e-4 &&
            o.layer === r.layer,
        ),
  )
  const depth = distinct.map(
    (r, i) => distinct.slice(0, i).filter((o) => inside(r.points[0]!, o.points)).length,
  )
  return distinct.flatMap((r, i): DrawnOutline[] => {
    if (depth[i]! % 2 === 1) return []
    const xs = r.points.map((p) => p[0])
    const ys = r.points.map((p) => p[1])
    const inner = distinct.filter(
      (o, k) => k > i && depth[k] === depth[i]! + 1 && inside(o.points[0]!, r.points),
    )
    return [
      {
        layer: r.layer,
        corners: r.corners,
        inner: inner.map((o) => o.corners),
        length: Math.max(...xs) - Math.min(...xs),
        width: Math.max(...ys) - Math.min(...ys),
      },
    ]
  })
}

/** An arc as a stroke's rise, from its centre angles; more than a half turn is split so that rises stay small. */
export function arcStrokes(
  layer: string,
  centre: Point,
  radius: number,
  startRad: number,
  sweepRad: number,
): Stroke[] {
  const parts = Math.max(1, Math.ceil(Math.abs(sweepRad) / (Math.PI / 2) - 1e-9))
  const step = sweepRad / parts
  const at = (a: number): Point => [centre[0] + radius * Math.cos(a), centre[1] + radius * Math.sin(a)]
  return Array.from({ length: parts }, (_, i) => ({
    layer,
    from: at(startRad + step * i),
    to: at(startRad + step * (i + 1)),
    rise: Math.sign(step) * radius * (1 - Math.cos(Math.abs(step) / 2)),
  }))
}

/** Whether an outline crosses itself, told with the place. */
export const crossingOf = (corners: readonly PathCorner[]) => findCrossing(ringPoints(corners))

/** Points as a chain of straight strokes. */
export const polyStrokes = (layer: string, points: readonly Point[], closed: boolean): Stroke[] =>
  points.flatMap((from, i): Stroke[] => {
    const to = points[i + 1] ?? (closed ? points[0] : undefined)
    return to ? [{ layer, from, to, rise: 0 }] : []
  })

/** A path's corners scaled to millimetres. */
export const scalePath = (corners: readonly PathCorner[], k: number): PathCorner[] =>
  corners.map((c) => ({
    ...c,
    x: c.x * k,
    y: c.y * k,
    radius: c.radius * k,
    run:
      c.run.kind === 'arc'
        ? { kind: 'arc', rise: c.run.rise * k }
        : c.run.kind === 'spline'
          ? { kind: 'spline', through: c.run.through.map(([x, y]): Point => [x * k, y * k]) }
          : c.run,
  }))
