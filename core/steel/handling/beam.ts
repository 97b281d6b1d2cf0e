import {
  boundSolid,
  type Kernel,
  type Point,
  type Region,
  type SolidRecipe,
  sectionsAlong,
  type Vector,
} from '../../geometry/index.ts'
import type { Mix } from '../../stock/index.ts'
import { massToForce } from '../../units/convert.ts'
import { isPost, longWay, sizeOf } from '../longWay.ts'
import { lambdaOf, type MoveCheck, neededStrength } from './planHandling.ts'

/** Sections looked at along it. */
const STATIONS = 48
/** Handling jerks; two bearers bend an even bar least there; a hand, and a bearing, in from its end, mm. */
const [JERK, FIFTH, HAND, BEARING] = [1.5, 0.207, 40, 25]
/** Someone on the middle of it, N. */
const PERSON = 1000

/** Area and section moduli of a cut: `least` the weaker way, `upright` for bending up and down (v); mm2 and mm3. */
export type SectionModuli = {
  readonly area: number
  readonly least: number
  readonly upright: number
}

/**
 * The moduli of a section about its own middle, from its contours (holes run clockwise); the weaker way is that of its
 * principal axes. A 100 x 200 upright rectangle: 20,000, 333,333 and 666,667.
 */
export function sectionModuli(region: Region): SectionModuli {
  let [a, mx, my, xx, yy, xy] = [0, 0, 0, 0, 0, 0]
  for (const ring of region)
    ring.forEach(([x, y], i) => {
      const [u, v] = ring[(i + 1) % ring.length]!
      const c = x * v - u * y
      a += c / 2
      mx += ((x + u) * c) / 6
      my += ((y + v) * c) / 6
      xx += ((x * x + x * u + u * u) * c) / 12
      yy += ((y * y + y * v + v * v) * c) / 12
      xy += ((x * v + 2 * x * y + 2 * u * v + u * y) * c) / 24
    })
  if (a <= 0) return { area: 0, least: 0, upright: 0 }
  const [cx, cy] = [mx / a, my / a]
  const [ix, iy, ixy] = [xx - a * cx * cx, yy - a * cy * cy, xy - a * cx * cy]
  const points = region.flat()
  const modulus = ([px, py]: Point): number => {
    const i = ix * px * px + iy * py * py + 2 * ixy * px * py
    const far = Math.max(...points.map(([x, y]) => Math.abs((x - cx) * px + (y - cy) * py)))
    return i / far
  }
  const turn = Math.atan2(2 * ixy, ix - iy) / 2
  const axes: Point[] = [
    [Math.cos(turn), Math.sin(turn)],
    [-Math.sin(turn), Math.cos(turn)],
  ]
  return { area: a, least: Math.min(...axes.map(modulus)), upright: modulus([0, 1]) }
}

/** The plane of a cut across each way; v is up where the bar lies. */
const ACROSS: readonly { readonly u: Vector; readonly v: Vector }[] = [
  { u: [0, 1, 0], v: [0, 0, 1] },
  { u: [-1, 0, 0], v: [0, 0, 1] },
  { u: [1, 0, 0], v: [0, 1, 0] },
]

export type Beam = {
  readonly checks: readonly MoveCheck[]
  readonly length: number
  readonly bearers: readonly number[]
}

export type BeamOptions = {
  /** At stripping, and as it stands hardened. */
  readonly kg: number
  readonly placedKg: number
  readonly mix: Mix
  /** Whether it lies on its ends in use, and someone stands on it. */
  readonly spans: boolean
}

/**
 * How a bar of any section bends as a beam: laid on two bearers, carried by its ends, each the weaker way round; and in use on
 * its ends with someone in the middle, up and down. Uncracked, each section by its own modulus; shear, twist and
 * steel are not counted. Null of what is not half as long again as it is wide, and of boards.
 */
export function planBeam(
  kernel: Kernel,
  recipe: SolidRecipe,
  { kg, placedKg, mix, spans }: BeamOptions,
): Beam | null {
  const size = sizeOf(kernel, recipe)
  const axis = longWay(size)
  if (axis === null || !isPost(size)) return null
  const { u, v } = ACROSS[axis]!
  const { min, max } = boundSolid(kernel, recipe)
  const [low, length] = [min[axis], size[axis]]
  const at = Array.from({ length: STATIONS }, (_, i) => ((i + 0.5) * length) / STATIONS)
  const sections = kernel.withSolids((s) =>
    sectionsAlong(
      s,
      s.solid(recipe),
      { origin: [0, 0, 0], u, v },
      at.map((x) => low + x),
    ).map(sectionModuli),
  )
  const area = sections.reduce((sum, m) => sum + m.area, 0)
  const lambda = lambdaOf(mix)
  const check = (
    move: MoveCheck['move'],
    mass: number,
    factor: number,
    [p, q]: readonly [number, number],
    person: number,
  ): MoveCheck => {
    const loads = sections.map((m, i) => ({ s: at[i]!, n: (massToForce(mass) * factor * m.area) / area }))
    if (person > 0) loads.push({ s: length / 2, n: person })
    const total = loads.reduce((sum, l) => sum + l.n, 0)
    const far = loads.reduce((sum, l) => sum + l.n * (l.s - p), 0) / (q - p)
    let worst = { mpa: 0, s: length / 2, top: false }
    sections.forEach((m, i) => {
      const s = at[i]!
      const moment =
        (s > p ? (total - far) * (s - p) : 0) +
        (s > q ? far * (s - q) : 0) -
        loads.reduce((sum, l) => (l.s < s ? sum + l.n * (s - l.s) : sum), 0)
      const modulus = person > 0 ? m.upright : m.least
      if (modulus <= 0) return
      const mpa = Math.abs(moment) / modulus
      if (mpa > worst.mpa) worst = { mpa, s, top: moment < 0 }
    })
    const middle = [0, 1].map((k) => (k === axis ? low + worst.s : (min[k]! + max[k]!) / 2))
    return {
      move,
      massKg: mass,
      peakMpa: worst.mpa,
      at: [middle[0]!, middle[1]!],
      along: worst.s,
      stretched: worst.top ? 'top' : 'bottom',
      neededMpa: neededStrength(worst.mpa, 1, lambda),
      held: [],
      bands: new Float32Array(0),
    }
  }
  const bearers = [FIFTH * length, (1 - FIFTH) * length] as const
  return {
    length,
    bearers: bearers.map(Math.round),
    checks: [
      check('lay', kg, JERK, bearers, 0),
      check('ends', kg, JERK, [HAND, length - HAND], 0),
      ...(spans && axis !== 2 ? [check('use', placedKg, 1, [BEARING, length - BEARING], PERSON)] : []),
    ],
  }
}
