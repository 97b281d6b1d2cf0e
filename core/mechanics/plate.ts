import { BandedSystem } from './bandedSystem.ts'

type Point = readonly [x: number, y: number]

export type PlateMesh = {
  readonly nodes: readonly Point[]
  readonly triangles: readonly (readonly [number, number, number])[]
}

/** Bending stiffness, N mm: along x, across it, their coupling, and twist. */
export type PlateStiffness = {
  readonly x: number
  readonly y: number
  readonly coupling: number
  readonly twist: number
}

/** What is held at a node: its deflection, and its slopes along x and y. */
export type PlateSupport = {
  readonly node: number
  readonly deflection?: boolean
  readonly slopeX?: boolean
  readonly slopeY?: boolean
}

export type PlateResult = {
  /** At the nodes, mm, in the direction of the pressure. */
  readonly deflection: Float64Array
  /** At the middle of each triangle, N mm a mm: three numbers, moments mx, my, mxy. */
  readonly moments: Float64Array
}

/** D = E t^3/(12 (1 - nu^2)), N mm, for a board alike in both directions. */
export function plateStiffness(elasticity: number, thickness: number, poisson: number): PlateStiffness {
  const d = (elasticity * thickness ** 3) / (12 * (1 - poisson ** 2))
  return { x: d, y: d, coupling: poisson * d, twist: ((1 - poisson) / 2) * d }
}

/** A board with a grain: its own stiffness along x and y, nu their mean ratio, twist of their mean (Timoshenko 1959). */
export function grainStiffness(
  alongX: number,
  alongY: number,
  thickness: number,
  poisson: number,
): PlateStiffness {
  const unit = thickness ** 3 / (12 * (1 - poisson ** 2))
  const mean = Math.sqrt(alongX * alongY)
  return {
    x: alongX * unit,
    y: alongY * unit,
    coupling: poisson * mean * unit,
    twist: ((1 - poisson) / 2) * mean * unit,
  }
}

/** Squares of `columns` by `rows`, each cut into two triangles, the cuts mirrored about the middle. Numbered up the short way. */
export function rectangleMesh(length: number, height: number, columns: number, rows: number): PlateMesh {
  const nodes: Point[] = []
  for (let i = 0; i <= columns; i += 1)
    for (let j = 0; j <= rows; j += 1) nodes.push([(length * i) / columns, (height * j) / rows])
  const at = (i: number, j: number) => i * (rows + 1) + j
  const triangles: [number, number, number][] = []
  for (let i = 0; i < columns; i += 1)
    for (let j = 0; j < rows; j += 1) {
      const [a, b, c, d] = [at(i, j), at(i + 1, j), at(i + 1, j + 1), at(i, j + 1)]
      if (i < columns / 2 === j < rows / 2) triangles.push([a, b, c], [a, c, d])
      else triangles.push([a, b, d], [b, c, d])
    }
  return { nodes, triangles }
}

/**
 * A thin plate under pressure by discrete Kirchhoff triangles: Batoz, Bathe and Ho, A study of three-node triangular
 * plate bending elements, 1980. Unknowns at a node: deflection w, w,y and -w,x. `pressure` in MPa at a point.
 * Throws when the supports leave it free to move.
 */
export function solvePlate(
  mesh: PlateMesh,
  stiffness: PlateStiffness,
  supports: readonly PlateSupport[],
  pressure: (at: Point) => number,
): PlateResult {
  const { nodes, triangles } = mesh
  const held = new Uint8Array(nodes.length * 3)
  for (const { node, deflection, slopeX, slopeY } of supports) {
    if (deflection) held[node * 3] = 1
    if (slopeY) held[node * 3 + 1] = 1
    if (slopeX) held[node * 3 + 2] = 1
  }
  const first = Int32Array.from({ length: nodes.length * 3 }, (_, i) => i)
  for (const t of triangles) {
    const least = 3 * Math.min(...t)
    for (const n of t) for (let k = 0; k < 3; k += 1) first[n * 3 + k] = Math.min(first[n * 3 + k]!, least)
  }
  const system = new BandedSystem(first)
  const load = new Float64Array(nodes.length * 3)
  const elements = elementsOf(mesh, stiffness)
  triangles.forEach((t, e) => {
    const { area, matrix } = elements[e]!
    const middle: Point = [
      (nodes[t[0]]![0] + nodes[t[1]]![0] + nodes[t[2]]![0]) / 3,
      (nodes[t[0]]![1] + nodes[t[1]]![1] + nodes[t[2]]![1]) / 3,
    ]
    const places = t.flatMap((n) => [n * 3, n * 3 + 1, n * 3 + 2])
    for (const n of t) if (!held[n * 3]) load[n * 3]! += (pressure(middle) * area) / 3
    for (let i = 0; i < 9; i += 1) {
      if (held[places[i]!]) continue
      for (let j = 0; j <= i; j += 1)
        if (!held[places[j]!]) system.add(places[i]!, places[j]!, matrix[i * 9 + j]!)
    }
  })
  for (let i = 0; i < held.length; i += 1) if (held[i]) system.add(i, i, 1)
  const found = system.solve(load)
  const moments = new Float64Array(triangles.length * 3)
  triangles.forEach((t, e) => {
    const bend = elements[e]!.middle
    const curvature = [0, 0, 0]
    for (let k = 0; k < 9; k += 1)
      for (let c = 0; c < 3; c += 1)
        curvature[c]! += bend[c]![k]! * found[t[Math.floor(k / 3)]! * 3 + (k % 3)]!
    moments.set(momentsOf(stiffness, curvature[0]!, curvature[1]!, curvature[2]!), e * 3)
  })
  return { deflection: Float64Array.from(nodes, (_, n) => found[n * 3]!), moments }
}

export const momentsOf = (
  s: PlateStiffness,
  kx: number,
  ky: number,
  kxy: number,
): [number, number, number] => [s.x * kx + s.coupling * ky, s.coupling * kx + s.y * ky, s.twist * kxy]

/** A triangle's area, its curvatures at its middle from its nine unknowns, its stiffness by rows, and what that is made of. */
export type Element = {
  readonly area: number
  readonly middle: Bend
  readonly matrix: Float64Array
  readonly stiffness: PlateStiffness
}

/** Every triangle's element; those of one shape share theirs. */

function elementsOf({ nodes, triangles }: PlateMesh, stiffness: PlateStiffness): Element[] {
  const known = new Map<string, Element>()
  return triangles.map((t) => {
    const [a, b, c] = [nodes[t[0]]!, nodes[t[1]]!, nodes[t[2]]!]
    const sides = [b[0] - a[0], b[1] - a[1], c[0] - a[0], c[1] - a[1]]
    const key = sides.map((d) => d.toFixed(6)).join()
    const made = known.get(key) ?? elementOf([a, b, c], stiffness)
    known.set(key, made)
    return made
  })
}

type Bend = readonly [number[], number[], number[]]

/** Stiffness of a triangle, integrated at the middles of its sides, and its curvatures at its own middle. */
export function elementOf([p1, p2, p3]: readonly [Point, Point, Point], stiffness: PlateStiffness): Element {
  const side = (i: Point, j: Point) => {
    const [x, y] = [i[0] - j[0], i[1] - j[1]]
    const l2 = x * x + y * y
    return { x, y, p: (-6 * x) / l2, t: (-6 * y) / l2, q: (3 * x * y) / l2, r: (3 * y * y) / l2 }
  }
  const [s4, s5, s6] = [side(p2, p3), side(p3, p1), side(p1, p2)]
  const twice = s5.x * s6.y - s6.x * s5.y
  const bendAt = (u: number, v: number): Bend => {
    const [a, b] = [1 - 2 * u, 1 - 2 * v]
    const xu = [
      s6.p * a + (s5.p - s6.p) * v,
      s6.q * a - (s5.q + s6.q) * v,
      -4 + 6 * (u + v) + s6.r * a - v * (s5.r + s6.r),
      -s6.p * a + v * (s4.p + s6.p),
      s6.q * a - v * (s6.q - s4.q),
      -2 + 6 * u + s6.r * a + v * (s4.r - s6.r),
      -v * (s5.p + s4.p),
      v * (s4.q - s5.q),
      -v * (s5.r - s4.r),
    ]
    const yu = [
      s6.t * a + v * (s5.t - s6.t),
      1 + s6.r * a - v * (s5.r + s6.r),
      -s6.q * a + v * (s5.q + s6.q),
      -s6.t * a + v * (s4.t + s6.t),
      -1 + s6.r * a + v * (s4.r - s6.r),
      -s6.q * a - v * (s4.q - s6.q),
      -v * (s4.t + s5.t),
      v * (s4.r - s5.r),
      -v * (s4.q - s5.q),
    ]
    const xv = [
      -s5.p * b - u * (s6.p - s5.p),
      s5.q * b - u * (s5.q + s6.q),
      -4 + 6 * (u + v) + s5.r * b - u * (s5.r + s6.r),
      u * (s4.p + s6.p),
      u * (s4.q - s6.q),
      -u * (s6.r - s4.r),
      s5.p * b - u * (s4.p + s5.p),
      s5.q * b + u * (s4.q - s5.q),
      -2 + 6 * v + s5.r * b + u * (s4.r - s5.r),
    ]
    const yv = [
      -s5.t * b - u * (s6.t - s5.t),
      1 + s5.r * b - u * (s5.r + s6.r),
      -s5.q * b + u * (s5.q + s6.q),
      u * (s4.t + s6.t),
      u * (s4.r - s6.r),
      -u * (s4.q - s6.q),
      s5.t * b - u * (s4.t + s5.t),
      -1 + s5.r * b + u * (s4.r - s5.r),
      -s5.q * b - u * (s4.q - s5.q),
    ]
    const by = (f: (k: number) => number): number[] => xu.map((_, k) => f(k) / twice)
    return [
      by((k) => s5.y * xu[k]! + s6.y * xv[k]!),
      by((k) => -s5.x * yu[k]! - s6.x * yv[k]!),
      by((k) => -s5.x * xu[k]! - s6.x * xv[k]! + s5.y * yu[k]! + s6.y * yv[k]!),
    ]
  }
  const area = Math.abs(twice) / 2
  const matrix = new Float64Array(81)
  for (const bend of [bendAt(0.5, 0), bendAt(0.5, 0.5), bendAt(0, 0.5)])
    for (let i = 0; i < 9; i += 1) {
      const [mx, my, mxy] = momentsOf(stiffness, bend[0][i]!, bend[1][i]!, bend[2][i]!)
      for (let j = 0; j < 9; j += 1)
        matrix[i * 9 + j]! += ((mx * bend[0][j]! + my * bend[1][j]! + mxy * bend[2][j]!) * area) / 3
    }
  return { area, middle: bendAt(1 / 3, 1 / 3), matrix, stiffness }
}
