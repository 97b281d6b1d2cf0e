import { combine, named } from './buildSolid.ts'
import { chordCount } from './chords.ts'
import { edgeCurve, edgeSize } from './edgeProfile.ts'
import type { Solid, SolidScope } from './kernel.ts'
import type { Loop, Point, Segment } from './outline.ts'
import type { EdgeShape, SolidRecipe } from './recipe.ts'

type RimCutter = Extract<SolidRecipe, { kind: 'rimCutter' }>

const OVERSHOOT = 1
/** Neighbouring cutters overlap by this along the rim, so that no sliver is left between them. */
const OVERLAP = 0.01

/**
 * The cutters of one rim, united. At an outside corner the runs pass each other, which leaves a true mitre; at an
 * inside corner they end and a turned cutter joins them; where two treatments meet on a rounded corner each takes
 * its half of the arc.
 */
export function cutRim(scope: SolidScope, rim: RimCutter): Solid {
  const parts: Solid[] = []
  const { loop } = rim
  loop.forEach((segment, i) => {
    const edge = rim.edges[segment.name] ?? { kind: 'square' }
    if (segment.arc) {
      parts.push(...arcCutters(scope, rim, loop, i))
      return
    }
    if (edge.kind === 'square') return
    parts.push(straightCutter(scope, rim, loop, i, edge))
    const next = loop[(i + 1) % loop.length]!
    const turn = next.arc ? 0 : turnBetween(segment, next)
    if (turn < -1e-9) {
      const start = Math.atan2(...swap(leftNormal(segment)))
      parts.push(
        turnedCutter(scope, rim, { at: segment.to, radius: 0, start, sweepRad: turn }, edge, segment.name),
      )
    }
  })
  if (parts.length === 0)
    return { body: scope.keep(new scope.kernel.Manifold(emptyMesh(scope))), names: new Map() }
  return combine(scope, 'union', parts)
}

const emptyMesh = (scope: SolidScope) =>
  new scope.kernel.Mesh({ numProp: 3, vertProperties: new Float32Array(0), triVerts: new Uint32Array(0) })

const swap = ([x, y]: Point): [number, number] => [y, x]

function direction({ from, to }: Segment): Point {
  const length = Math.hypot(to[0] - from[0], to[1] - from[1])
  return [(to[0] - from[0]) / length, (to[1] - from[1]) / length]
}

const leftNormal = (segment: Segment): Point => {
  const [x, y] = direction(segment)
  return [-y, x]
}

function turnBetween(a: Segment, b: Segment): number {
  const [ax, ay] = direction(a)
  const [bx, by] = direction(b)
  return Math.atan2(ax * by - ay * bx, ax * bx + ay * by)
}

const sameEdge = (a: EdgeShape, b: EdgeShape): boolean => a.kind === b.kind && edgeSize(a) === edgeSize(b)

/** How far a straight cutter runs on past its end into the neighbour's ground. */
function runOn(
  rim: RimCutter,
  edge: EdgeShape,
  segment: Segment,
  neighbour: Segment,
  beyond: Segment,
  turn: number,
): number {
  const size = edgeSize(edge)
  if (neighbour.arc) {
    if (neighbour.arc.sweepRad < 0) return OVERLAP
    const other = rim.edges[beyond.name] ?? { kind: 'square' }
    const reach = neighbour.arc.radius
    return sameEdge(edge, other) ? reach + OVERSHOOT : Math.max(OVERLAP, reach * Math.SQRT1_2)
  }
  if (segment === neighbour || turn <= 0) return OVERLAP
  return OVERSHOOT + Math.min(size * 10, size * Math.max(0, Math.tan(Math.PI / 2 - turn)))
}

function straightCutter(scope: SolidScope, rim: RimCutter, loop: Loop, i: number, edge: EdgeShape): Solid {
  const n = loop.length
  const segment = loop[i]!
  const before = loop[(i + n - 1) % n]!
  const after = loop[(i + 1) % n]!
  const t = direction(segment)
  const inward = leftNormal(segment)
  const start = runOn(
    rim,
    edge,
    segment,
    before,
    loop[(i + n - 2) % n]!,
    before.arc ? 0 : turnBetween(before, segment),
  )
  const end = runOn(
    rim,
    edge,
    segment,
    after,
    loop[(i + 2) % n]!,
    after.arc ? 0 : turnBetween(segment, after),
  )
  const length = Math.hypot(segment.to[0] - segment.from[0], segment.to[1] - segment.from[1]) + start + end
  const size = edgeSize(edge)
  const profile: [number, number][] = [
    [-OVERSHOOT, size],
    [-OVERSHOOT, -OVERSHOOT],
    [size, -OVERSHOOT],
    ...edgeCurve(edge),
  ]
  const section = scope.keep(new scope.kernel.CrossSection(profile, 'EvenOdd'))
  const bar = scope.keep(section.extrude(length))
  const body = scope.keep(
    bar.transform([
      ...inward, 0, 0,
      0, 0, rim.into, 0,
      ...t, 0, 0,
      segment.from[0] - t[0] * start, segment.from[1] - t[1] * start, rim.level, 1,
    ]), // biome-ignore format: a matrix reads by column
  )
  return named(scope, body, rim.names[segment.name] ?? segment.name)
}

/** One cutter for an arc, or two halves where the sides it joins differ. */
function arcCutters(scope: SolidScope, rim: RimCutter, loop: Loop, i: number): Solid[] {
  const n = loop.length
  const segment = loop[i]!
  const { centre, radius, sweepRad } = segment.arc!
  const start = Math.atan2(segment.from[1] - centre[1], segment.from[0] - centre[0])
  const own = rim.edges[segment.name]
  const first = own ? segment.name : neighbourName(loop, i, n - 1)
  const second = own ? segment.name : neighbourName(loop, i, 1)
  const a = rim.edges[first] ?? { kind: 'square' as const }
  const b = rim.edges[second] ?? { kind: 'square' as const }
  const whole = { at: centre, radius, start, sweepRad }
  if (sameEdge(a, b)) return a.kind === 'square' ? [] : [turnedCutter(scope, rim, whole, a, first)]
  const halves: Solid[] = []
  if (a.kind !== 'square')
    halves.push(turnedCutter(scope, rim, { ...whole, sweepRad: sweepRad / 2 }, a, first))
  if (b.kind !== 'square')
    halves.push(
      turnedCutter(scope, rim, { ...whole, start: start + sweepRad / 2, sweepRad: sweepRad / 2 }, b, second),
    )
  return halves
}

/** The nearest straight side's name, walking by `step` from segment `i`. */
function neighbourName(loop: Loop, i: number, step: number): string {
  for (let k = 1; k < loop.length; k += 1) {
    const at = loop[(i + k * step) % loop.length]!
    if (!at.arc) return at.name
  }
  return loop[i]!.name
}

type Turn = { readonly at: Point; readonly radius: number; readonly start: number; readonly sweepRad: number }

/** The profile turned about an arc's centre: outward of a convex corner (sweep > 0), inward of a hollow one. */
function turnedCutter(
  scope: SolidScope,
  rim: RimCutter,
  turn: Turn,
  edge: EdgeShape,
  segmentName: string,
): Solid {
  const { radius } = turn
  const size = edgeSize(edge)
  const convex = turn.sweepRad > 0
  const clamp = (r: number) => Math.max(0, r)
  const open = convex ? radius + OVERSHOOT : clamp(radius - OVERSHOOT)
  const at = (inset: number) => clamp(convex ? radius - inset : radius + inset)
  const profile: [number, number][] = [
    [open, size],
    [open, -OVERSHOOT],
    [at(size), -OVERSHOOT],
    ...edgeCurve(edge).map(([inset, depth]): [number, number] => [at(inset), depth]),
  ]
  const inSpace = profile.map(([r, w]): [number, number] => [r, rim.into * w])
  const section = scope.keep(new scope.kernel.CrossSection(inSpace, 'EvenOdd'))
  const degrees = (Math.abs(turn.sweepRad) * 180) / Math.PI
  const chords = chordCount(Math.max(radius, size), turn.sweepRad)
  const turned = scope.keep(section.revolve(Math.max(3, chords), degrees))
  const from = turn.sweepRad > 0 ? turn.start : turn.start + turn.sweepRad
  const rotated = scope.keep(turned.rotate(0, 0, (from * 180) / Math.PI))
  const body = scope.keep(rotated.translate(turn.at[0], turn.at[1], rim.level))
  return named(scope, body, rim.names[segmentName] ?? segmentName)
}
