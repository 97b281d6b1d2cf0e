import type { Point, Vector } from '../../geometry/index.ts'
import type { Strip } from './strips.ts'

/** Whether two strips meet in a mitre at an inside corner, where each stands in the other's way. */
const locked = (end: Strip['start']): boolean => end.kind === 'mitre' && end.outside < 0

/** The way a strip leaves: straight off its face; halving the corner where one end is mitred at an inside corner. */
export function stripPull(strips: readonly Strip[], i: number): Vector {
  const n = strips.length
  const strip = strips[i]!
  const [x, y] = outward(strip)
  const [atStart, atEnd] = [locked(strip.start), locked(strip.end)]
  if (atStart === atEnd) return [x, y, 0]
  const [ox, oy] = outward(strips[(i + (atStart ? n - 1 : 1)) % n]!)
  const length = Math.hypot(x + ox, y + oy) || 1
  return [(x + ox) / length, (y + oy) / length, 0]
}

function outward({ from, to, sideLength }: Strip): Point {
  return [(to[1] - from[1]) / sideLength, (from[0] - to[0]) / sideLength]
}

/**
 * The order in which strips come off: one that laps over a neighbour's end before it, one that stops short of an inside
 * corner before the one that goes through, and along a row of mitred inside corners from its two ends inward. A ring
 * of laps has no first: it is begun where the plan begins.
 */
export function leavingOrder(strips: readonly Strip[]): number[] {
  const before = lapsOver(strips)
  const order: number[] = []
  const left = new Set(strips.keys())
  while (left.size > 0) {
    const free = [...left].filter((i) => [...before[i]!].every((j) => !left.has(j)))
    const next = free[0] ?? [...left][0]!
    order.push(next)
    left.delete(next)
  }
  return order
}

/** Of each strip, those that lap over it or stand in its way: they leave before it. */
export function lapsOver(strips: readonly Strip[]): ReadonlySet<number>[] {
  const n = strips.length
  const before: Set<number>[] = strips.map(() => new Set())
  for (let i = 0; i < n; i += 1) {
    const j = (i + 1) % n
    const [own, next] = [strips[i]!.end.kind, strips[j]!.start.kind]
    if (own === 'over' || own === 'short') before[j]!.add(i)
    else if (next === 'over' || next === 'short') before[i]!.add(j)
  }
  for (let i = 0; i < n; i += 1) {
    const strip = strips[i]!
    // The bottom of a notch waits for its sides.
    if (!locked(strip.start) || !locked(strip.end)) continue
    const [toStart, toEnd] = [rowEnd(strips, i, -1), rowEnd(strips, i, 1)]
    if (toStart <= toEnd) before[i]!.add((i + n - 1) % n)
    if (toEnd <= toStart) before[i]!.add((i + 1) % n)
  }
  return before
}

/** How many strips on, this way, a row of mitred inside corners ends. */
function rowEnd(strips: readonly Strip[], i: number, way: 1 | -1): number {
  const n = strips.length
  let steps = 0
  for (; steps < n; steps += 1) {
    const strip = strips[(i + way * steps + n * n) % n]!
    if (!locked(way === 1 ? strip.end : strip.start)) break
  }
  return steps
}
