import type { Point, SolidRecipe, Vector } from '../../geometry/index.ts'
import type { Board } from '../../stock/index.ts'
import { massToForce } from '../../units/convert.ts'
import { type BarePart, barePart, oneLayer, prism, rectangle } from '../bareParts.ts'
import { bowLimit, sideBow } from '../bowing.ts'
import type { Plank } from './plankParts.ts'

/** Depths of battens on edge behind a plank, mm [own]: the least that does not bow is taken. */
const DEPTHS = [60, 90, 120, 150]
/** Battens closer than this are no answer: a thicker board is, mm [own]. */
export const LEAST_SPACING = 100

/** How a plank stands against the fill: its extent level and up it, the pressure at its foot, whether its top is free. */
export type Pushed = {
  readonly level: number
  readonly up: number
  readonly footMPa: number
  readonly topFree: boolean
  /** Battens may stand behind it: no other board is in their way. */
  readonly bare: boolean
}

export function pushOn(plank: Plank, planks: readonly Plank[], height: number, freshKgPerM3: number): Pushed {
  const { shape, part } = plank
  const foot = Math.min(...shape.inside[0]!.map((p) => inSpace(shape, p)[2]))
  const edges = shape.edges.flat()
  return {
    level: part.lengthMm,
    up: part.widthMm,
    footMPa: massToForce(freshKgPerM3 * Math.max(0, height - foot) * 1e-9),
    topFree: edges.some((e) => e.topOpen),
    // At an inside corner the battens of both boards would cross.
    bare:
      plank.core === null &&
      edges.every((e) => e.angleDeg < 180) &&
      roomBehind(plank, planks) >= part.thicknessMm + DEPTHS.at(-1)!,
  }
}
const inSpace = ({ by: { x, y, origin } }: Plank['shape'], [u, v]: Point): Vector => [
  origin[0] + u * x[0] + v * y[0],
  origin[1] + u * x[1] + v * y[1],
  origin[2] + u * x[2] + v * y[2],
]

/** How far behind the outside face of a plank the nearest board that faces it stands, mm; without end where none does. */
function roomBehind(plank: Plank, planks: readonly Plank[]): number {
  const { z, origin } = plank.shape.by
  const along = (p: Vector) => z[0] * p[0] + z[1] * p[1] + z[2] * p[2]
  const own = along(origin) + plank.part.thicknessMm
  return planks.reduce((least, { shape, part }) => {
    if (along(shape.by.z) > -0.3) return least
    const near = Math.min(...shape.inside[0]!.map((p) => along(inSpace(shape, p))))
    return near - own < -part.thicknessMm ? least : Math.min(least, near - own - part.thicknessMm)
  }, Infinity)
}

/** Bow of a strip of unit width held at both ends, 5 q L^4/(384 E I). */
const stripBow = (push: number, span: number, elasticity: number, thickness: number): number =>
  (5 * push * span ** 4) / (384 * elasticity * (thickness ** 3 / 12))

/**
 * How far a plank bows, mm: as a plate with its top free where it reaches the fill's surface, else as a strip across its
 * lesser extent; with battens behind it no more than the strip between two of them under the push at its foot.
 */
export function plankBow(push: Pushed, board: Board, freshKgPerM3: number, spacing: number | null): number {
  const { level, up, footMPa, topFree } = push
  const [along, across] = [board.elasticity, board.elasticityAcross]
  const bare = topFree
    ? sideBow({
        length: level,
        depth: up,
        thickness: board.thickness,
        elasticity: [along, across],
        freshKgPerM3,
        clampedFoot: false,
        braces: [],
        rows: 1,
      }).most
    : level <= up
      ? stripBow(footMPa, level, along, board.thickness)
      : stripBow(footMPa, up, across, board.thickness)
  return spacing === null
    ? bare
    : Math.min(bare, stripBow(footMPa, Math.min(level, spacing), along, board.thickness))
}

export const plankLimit = ({ level, up }: Pushed): number => bowLimit(Math.min(level, up))

/** The widest spacing of battens, in whole 10 mm, that keeps a plank within its limit: (384 E I w/(5 q))^(1/4). */
export function battenSpacing(push: Pushed, board: Board): number {
  const limit = plankLimit(push)
  const span = ((384 * board.elasticity * (board.thickness ** 3 / 12) * limit) / (5 * push.footMPa)) ** 0.25
  return Math.floor(span / 10) * 10
}

/** Battens on edge behind a plank, evenly, no further apart than `spacing` from each other and from its ends. */
export function battensBehind(
  { part, shape }: Plank,
  push: Pushed,
  board: Board,
  spacing: number,
  height: number,
): BarePart[] {
  const t = board.thickness
  const [xs, ys] = [shape.inside[0]!.map((p) => p[0]), shape.inside[0]!.map((p) => p[1])]
  const [x0, x1] = [Math.min(...xs), Math.max(...xs)]
  const count = Math.max(0, Math.ceil((x1 - x0) / spacing - 1e-9) - 1)
  const depth =
    DEPTHS.find(
      (d) => stripBow(push.footMPa * spacing, push.up, board.elasticity * t, d) <= bowLimit(push.up),
    ) ?? DEPTHS.at(-1)!
  return Array.from({ length: count }, (_, i): BarePart => {
    const x = x0 + ((x1 - x0) * (i + 1)) / (count + 1)
    const [foot, head] = across(shape.outside[0]!, x - t / 2, x + t / 2) ?? [Math.min(...ys), Math.max(...ys)]
    const [over, under] = between(shape, t + depth, height)
    const [low, high] = [Math.max(foot, over), Math.min(head, under)]
    const id = `${part.id}/batten/${i + 1}`
    const recipe: SolidRecipe = {
      kind: 'moved',
      by: shape.by,
      solid: prism(rectangle(id, [x - t / 2, low], [x + t / 2, high]), t, t + depth, id),
    }
    return barePart({
      id,
      role: 'cleat',
      source: { of: 'batten', plank: shape.face + 1, n: i + 1 },
      name: `batten ${i + 1} of ${part.name}`,
      together: 'battens',
      boardId: board.id,
      lengthMm: high - low,
      widthMm: depth,
      thicknessMm: t,
      layers: oneLayer(board),
      pull: shape.by.z,
      mass: { volume: (high - low) * depth * t, kgPerM3: board.densityKgPerM3 },
      recipe,
    })
  })
}

/** From where to where up a leaning plank a batten stays over the base and under the fill line with its far edge too. */
function between({ by: { y, z, origin } }: Plank['shape'], out: number, height: number): [number, number] {
  if (y[2] < 1e-6) return [-Infinity, Infinity]
  const at = (level: number) => (level - origin[2] - out * z[2]) / y[2]
  return [z[2] < 0 ? at(0) : -Infinity, z[2] > 0 ? at(height) : Infinity]
}

/** How far up and down a ring reaches over all of a strip between two places along it; null where it does not. */
function across(
  ring: readonly (readonly [number, number])[],
  from: number,
  to: number,
): [number, number] | null {
  const at = (x: number): number[] =>
    ring.flatMap((p, i) => {
      const q = ring[(i + 1) % ring.length]!
      if (p[0] <= x === q[0] <= x) return []
      return [p[1] + ((q[1] - p[1]) * (x - p[0])) / (q[0] - p[0])]
    })
  const [a, b] = [at(from), at(to)]
  if (a.length < 2 || b.length < 2) return null
  const [low, high] = [Math.max(Math.min(...a), Math.min(...b)), Math.min(Math.max(...a), Math.max(...b))]
  return high > low ? [low, high] : null
}
