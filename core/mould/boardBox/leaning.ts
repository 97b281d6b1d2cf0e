import {
  insetPath,
  type LoftLoop,
  type Loop,
  type PathCorner,
  type Point,
  type SolidRecipe,
  type Vector,
} from '../../geometry/index.ts'
import { boxStrips, type Strip, type StripChoice } from './strips.ts'

/** How a side's inside face stands as poured: how far inside the plan at z = 0, and what it gains for each mm up. */
export type Lean = { readonly at: number; readonly slope: number }
export const UPRIGHT: Lean = { at: 0, slope: 0 }
/** Slopes below this stand upright. */
const FLAT = 1e-9

export const leanInset = ({ at, slope }: Lean, z: number): number => at + slope * z
export const leans = ({ slope }: Lean): boolean => Math.abs(slope) > FLAT

/** How an end of a leaning strip is sawn: across its face off the square, and the blade off upright, degrees. */
export type CompoundEnd = { readonly mitreDeg: number; readonly tiltDeg: number }

/** A leaning strip as it is cut from a flat board, and as it stands. */
export type LeaningStrip = {
  readonly recipe: SolidRecipe
  /** Its plan where it stands lowest. */
  readonly foot: Loop
  /** Its plan where its side is not set in: there it meets the outline of the piece. */
  readonly atOutline: Loop
  readonly length: number
  readonly width: number
  /** Both long edges, off the square: its lean from upright. */
  readonly edgeDeg: number
  readonly start: CompoundEnd
  readonly end: CompoundEnd
  /** How far its longest end stands before the corner of the plan at z = 0. */
  readonly lead: number
}

/**
 * Every strip between two heights where sides lean. A level cut through a leaning board is a strip like any other, as
 * thick as t / cos(lean) and set in by the lean, so that each level is worked out by the rules for upright strips; all
 * faces come out flat because every corner runs straight up between them.
 */
export function leaningStrips(
  path: readonly PathCorner[],
  thicknessOf: (side: string) => number,
  choice: StripChoice,
  leanOf: (side: string) => Lean,
  heightsOf: (side: string) => readonly [low: number, high: number],
): Map<string, LeaningStrip> {
  const levelAt = new Map<number, Strip[]>()
  const level = (z: number): Strip[] => {
    const known = levelAt.get(z)
    if (known) return known
    const strips = boxStrips(
      insetPath(path, (side) => leanInset(leanOf(side), z)),
      (side) => thicknessOf(side) * Math.hypot(1, leanOf(side).slope),
      choice,
    )
    levelAt.set(z, strips)
    return strips
  }
  return new Map(
    level(0).map((atBase): [string, LeaningStrip] => {
      const [low, high] = heightsOf(atBase.side)
      const at = (z: number) => level(z).find((s) => s.side === atBase.side)!
      return [
        atBase.side,
        leaningStrip(
          at(low),
          at(high),
          low,
          high,
          atBase,
          leanOf(atBase.side).slope,
          thicknessOf(atBase.side),
        ),
      ]
    }),
  )
}

function leaningStrip(
  below: Strip,
  above: Strip,
  low: number,
  high: number,
  atBase: Strip,
  slope: number,
  thickness: number,
): LeaningStrip {
  const { from, to, side, sideLength } = atBase
  const u: Vector = [(to[0] - from[0]) / sideLength, (to[1] - from[1]) / sideLength, 0]
  const out: Vector = [u[1], -u[0], 0]
  const c = 1 / Math.hypot(1, slope)
  // Up along the board's face, and square off it, away from the concrete.
  const up: Vector = [-slope * c * out[0], -slope * c * out[1], c]
  const off: Vector = [c * out[0], c * out[1], slope * c]
  const lower = below.corners.map(([x, y]): Vector => [x, y, low])
  const upper = above.corners.map(([x, y]): Vector => [x, y, high])
  const along = [...lower, ...upper].map((p) => dot(sub(p, [from[0], from[1], 0]), u))
  const cut = (a: Vector, b: Vector, c2: Vector): CompoundEnd => {
    const m = cross(sub(b, a), sub(c2, a))
    const size = (Math.sign(dot(m, u)) || 1) * Math.hypot(...m)
    const n: Vector = [m[0] / size, m[1] / size, m[2] / size]
    return {
      mitreDeg: tidy((Math.atan2(-dot(n, up), dot(n, u)) * 180) / Math.PI),
      tiltDeg: tidy((Math.asin(-dot(n, off)) * 180) / Math.PI),
    }
  }
  const first = cut(lower[0]!, lower[3]!, upper[0]!)
  const last = cut(lower[1]!, lower[2]!, upper[1]!)
  return {
    recipe: ruled(below.corners, above.corners, low, high, `strip/${side}`),
    foot: quad(below.corners, `strip/${side}`),
    atOutline: quad((slope < 0 ? above : below).corners, `strip/${side}`),
    length: Math.max(...along) - Math.min(...along),
    width: (high - low) / c + thickness * Math.abs(slope),
    edgeDeg: (Math.atan(slope) * 180) / Math.PI,
    // Seen from its own end a cut is positive when the outside face, or the upper edge, is the longer one.
    start: { mitreDeg: tidy(-first.mitreDeg), tiltDeg: tidy(-first.tiltDeg) },
    end: last,
    lead: Math.max(0, -Math.min(...along)),
  }
}

type Quad = Strip['corners']
const FACES = ['back', 'end', 'face', 'end'] as const

/** Four plan corners as a loop, anticlockwise, its sides named after the part. */
export function quad(corners: readonly Point[], name: string): Loop {
  const turned = [...corners].reverse()
  return turned.map((from, k) => ({
    name: `${name}/${FACES[k % 4]!}`,
    from,
    to: turned[(k + 1) % turned.length]!,
    arc: null,
  }))
}

/** The body between two quadrilaterals with parallel sides, one above the other. */
export function ruled(below: Quad, above: Quad, low: number, high: number, name: string): SolidRecipe {
  const [from, to] = [[...below].reverse(), [...above].reverse()]
  const outline: LoftLoop = from.map((p, k) => {
    const q = from[(k + 1) % 4]!
    const length = Math.hypot(q[0] - p[0], q[1] - p[1]) || 1
    const inward: Point = [-(q[1] - p[1]) / length, (q[0] - p[0]) / length]
    const inset = (to[k]![0] - p[0]) * inward[0] + (to[k]![1] - p[1]) * inward[1]
    const face = `${name}/${FACES[k]!}`
    return {
      name: face,
      from: p,
      to: q,
      arc: null,
      radius: 0,
      corner: face,
      profile: [
        { z: low, inset: 0, name: face },
        { z: high, inset, name: face },
      ],
    }
  })
  return {
    kind: 'loft',
    outline,
    holes: [],
    low,
    high,
    lowName: `${name}/under`,
    highName: `${name}/top`,
  }
}

const dot = (a: Vector, b: Vector): number => a[0] * b[0] + a[1] * b[1] + a[2] * b[2]
const sub = (a: Vector, b: Vector): Vector => [a[0] - b[0], a[1] - b[1], a[2] - b[2]]
const cross = (a: Vector, b: Vector): Vector => [
  a[1] * b[2] - a[2] * b[1],
  a[2] * b[0] - a[0] * b[2],
  a[0] * b[1] - a[1] * b[0],
]
const tidy = (n: number): number => (Math.abs(n) < 1e-9 ? 0 : n)
