import { BandedSystem } from './bandedSystem.ts'
import { type Element, elementOf, momentsOf, type PlateMesh, plateStiffness } from './plate.ts'
import { solveDense } from './solveDense.ts'

type Point = readonly [x: number, y: number]

/** A force down at a point of a plate, N. */
export type PointLoad = { readonly at: Point; readonly force: number }

/** Where a plate rests: it presses there and is never held down. */
export type Resting = {
  /** N at each of the points it was given, in their order; 0 where it lifts off. */
  readonly reactions: readonly number[]
  /** Bending stress at the middle of each triangle, MPa: xx, yy, xy, stretched below where positive. */
  readonly stress: Float64Array
  /** Downward at each node, mm. */
  readonly deflection: Float64Array
}

/** Rounds in which points that would hold the plate down are let go, and taken back. */
const ROUNDS = 30
/** A point this far under the plate's load is none, as a share of it. */
const NOTHING = 1e-9

/**
 * A plate of varying thickness that rests on points, by discrete Kirchhoff triangles, for many loads and many places of
 * its supports: its stiffness is factored once, on three nodes that only stop it from floating away, and what it rests
 * on comes in as forces that bring those points level (the force method). `thickness` in mm a triangle. Throws
 * `LooseSystem` when it hangs together by so little that rounding parts it.
 */
export class RestingPlate {
  readonly mesh: PlateMesh
  readonly areas: Float64Array
  readonly middles: readonly Point[]
  readonly thickness: ArrayLike<number>
  private readonly elements: readonly Element[]
  private readonly system: BandedSystem
  private readonly pins: readonly number[]
  private readonly columns = new Map<string, { readonly dofs: Spread; readonly moved: Float64Array }>()

  constructor(mesh: PlateMesh, thickness: ArrayLike<number>, elasticity: number, poisson: number) {
    this.mesh = mesh
    this.thickness = thickness
    const { nodes, triangles } = mesh
    const unit = plateStiffness(1, 1, poisson)
    this.elements = triangles.map(([a, b, c], e) =>
      scaled(elementOf([nodes[a]!, nodes[b]!, nodes[c]!], unit), elasticity * thickness[e]! ** 3, unit),
    )
    this.areas = Float64Array.from(this.elements, (e) => e.area)
    this.middles = triangles.map(([a, b, c]) => [
      (nodes[a]![0] + nodes[b]![0] + nodes[c]![0]) / 3,
      (nodes[a]![1] + nodes[b]![1] + nodes[c]![1]) / 3,
    ])
    const first = Int32Array.from({ length: nodes.length * 3 }, (_, i) => i)
    for (const t of triangles) {
      const least = 3 * Math.min(...t)
      for (const n of t) for (let k = 0; k < 3; k += 1) first[n * 3 + k] = Math.min(first[n * 3 + k]!, least)
    }
    this.system = new BandedSystem(first)
    this.pins = threeApart(nodes).map((n) => n * 3)
    const held = new Set(this.pins)
    triangles.forEach((t, e) => {
      const { matrix } = this.elements[e]!
      const places = t.flatMap((n) => [n * 3, n * 3 + 1, n * 3 + 2])
      for (let i = 0; i < 9; i += 1)
        for (let j = 0; j <= i; j += 1)
          if (!held.has(places[i]!) && !held.has(places[j]!))
            this.system.add(places[i]!, places[j]!, matrix[i * 9 + j]!)
    })
    for (const pin of this.pins) this.system.add(pin, pin, 1)
    this.system.factor()
  }

  /** The node forces of a pressure on each triangle, MPa. */
  pressed(pressure: (triangle: number) => number): Float64Array {
    const load = new Float64Array(this.mesh.nodes.length * 3)
    this.mesh.triangles.forEach((t, e) => {
      for (const n of t) load[n * 3]! += (pressure(e) * this.areas[e]!) / 3
    })
    return load
  }

  /**
   * The plate under node forces (see `pressed`) and point loads, resting on points. Throws when the points leave it
   * unstable: all in a line, or the load outside them.
   */
  rest(load: Float64Array, points: readonly Point[], extra: readonly PointLoad[] = []): Resting {
    const total = load.slice()
    for (const { at, force } of extra)
      for (const [dof, share] of this.spread(at)) total[dof]! += share * force
    const free = this.moved(total)
    const columns = points.map((p) => this.column(p))
    const weight = total.reduce((sum, f, i) => (i % 3 === 0 ? sum + f : sum), 0)
    let on = points.map((_, i) => i)
    let forces = new Float64Array(points.length)
    for (let round = 0; round < ROUNDS; round += 1) {
      const found = this.level(on, columns, free, total)
      if (!found) throw new UnstablePlate()
      forces = new Float64Array(points.length)
      on.forEach((i, k) => {
        forces[i] = found.forces[k]!
      })
      const lifted = on.filter((i) => forces[i]! < -NOTHING * weight)
      if (lifted.length > 0) {
        const worst = lifted.reduce((a, b) => (forces[b]! < forces[a]! ? b : a))
        on = on.filter((i) => i !== worst)
        continue
      }
      // Where the plate has sunk below a point it had been let go from, it rests on it again.
      const sunk = points
        .map((_, i) => i)
        .filter(
          (i) =>
            !on.includes(i) &&
            this.downAt(columns[i]!.dofs, free, columns, forces, found.rigid, points[i]!) > 1e-9,
        )
      if (sunk.length === 0 || round > ROUNDS / 2) break
      on = [...on, sunk[0]!].sort((a, b) => a - b)
    }
    const net = total.slice()
    columns.forEach(({ dofs }, i) => {
      for (const [dof, share] of dofs) net[dof]! -= share * forces[i]!
    })
    const deflection = this.moved(net)
    return {
      reactions: [...forces],
      stress: this.stressOf(deflection),
      deflection: Float64Array.from(this.mesh.nodes, (_, n) => deflection[n * 3]!),
    }
  }

  /** The same with the force at each point known beforehand, as where hands share a weight. */
  carried(load: Float64Array, hands: readonly PointLoad[], extra: readonly PointLoad[] = []): Resting {
    const net = load.slice()
    for (const { at, force } of extra) for (const [dof, share] of this.spread(at)) net[dof]! += share * force
    for (const { at, force } of hands) for (const [dof, share] of this.spread(at)) net[dof]! -= share * force
    const deflection = this.moved(net)
    return {
      reactions: hands.map((h) => h.force),
      stress: this.stressOf(deflection),
      deflection: Float64Array.from(this.mesh.nodes, (_, n) => deflection[n * 3]!),
    }
  }

  /** Forces at the points that are on, and the rigid movement, so that all of them are level and all is in balance. */
  private level(
    on: readonly number[],
    columns: readonly { readonly dofs: Spread; readonly moved: Float64Array }[],
    free: Float64Array,
    total: Float64Array,
  ): { readonly forces: readonly number[]; readonly rigid: readonly number[] } | null {
    const n = on.length
    if (n < 3) return null
    const [cx, cy, scale] = this.frame()
    const flexible = Math.abs(at(columns[on[0]!]!.dofs, columns[on[0]!]!.moved)) || 1
    const size = n + 3
    const matrix = Array.from({ length: size }, () => new Float64Array(size))
    const right = new Float64Array(size)
    on.forEach((i, row) => {
      const { dofs } = columns[i]!
      on.forEach((j, column) => {
        matrix[row]![column] = -at(dofs, columns[j]!.moved) / flexible
      })
      const [x, y] = this.placeOf(dofs)
      const rigid = [1, (x - cx) / scale, (y - cy) / scale]
      rigid.forEach((value, k) => {
        matrix[row]![n + k] = value
        matrix[n + k]![row] = value
      })
      right[row] = -at(dofs, free) / flexible
    })
    this.mesh.nodes.forEach(([x, y], node) => {
      const f = total[node * 3]!
      right[n]! += f
      right[n + 1]! += (f * (x - cx)) / scale
      right[n + 2]! += (f * (y - cy)) / scale
    })
    const found = solveDense(matrix, right)
    if (!found) return null
    return { forces: [...found.slice(0, n)], rigid: [...found.slice(n)].map((v) => v * flexible) }
  }

  private downAt(
    dofs: Spread,
    free: Float64Array,
    columns: readonly { readonly moved: Float64Array }[],
    forces: Float64Array,
    rigid: readonly number[],
    [x, y]: Point,
  ): number {
    const [cx, cy, scale] = this.frame()
    let down = at(dofs, free) + rigid[0]! + (rigid[1]! * (x - cx)) / scale + (rigid[2]! * (y - cy)) / scale
    columns.forEach(({ moved }, i) => {
      if (forces[i] !== 0) down -= forces[i]! * at(dofs, moved)
    })
    return down
  }

  /** The middle of the plate and its size, so that the numbers of a small system are alike. */
  private frame(): readonly [number, number, number] {
    const { nodes } = this.mesh
    const [a, b] = [nodes[0]!, nodes.at(-1)!]
    return [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2, Math.hypot(b[0] - a[0], b[1] - a[1]) || 1]
  }

  private moved(load: Float64Array): Float64Array {
    const right = load.slice()
    for (const pin of this.pins) right[pin] = 0
    return this.system.solve(right)
  }

  private column(p: Point): { readonly dofs: Spread; readonly moved: Float64Array } {
    const key = `${p[0]},${p[1]}`
    const known = this.columns.get(key)
    if (known) return known
    const dofs = this.spread(p)
    const unit = new Float64Array(this.mesh.nodes.length * 3)
    for (const [dof, share] of dofs) unit[dof] = share
    const made = { dofs, moved: this.moved(unit) }
    this.columns.set(key, made)
    return made
  }

  /** How a force at a point goes to the nodes of the triangle it lies in, or the nearest. */
  private spread([x, y]: Point): Spread {
    const { nodes, triangles } = this.mesh
    let [best, off]: [Spread, number] = [[], Infinity]
    for (const t of triangles) {
      const [a, b, c] = [nodes[t[0]]!, nodes[t[1]]!, nodes[t[2]]!]
      const twice = (b[0] - a[0]) * (c[1] - a[1]) - (c[0] - a[0]) * (b[1] - a[1])
      const u = ((x - a[0]) * (c[1] - a[1]) - (c[0] - a[0]) * (y - a[1])) / twice
      const v = ((b[0] - a[0]) * (y - a[1]) - (x - a[0]) * (b[1] - a[1])) / twice
      const outside = Math.max(0, -u, -v, u + v - 1) * Math.sqrt(Math.abs(twice))
      if (outside >= off) continue
      const shares = [1 - u - v, u, v].map((s) => Math.max(0, s))
      const sum = shares[0]! + shares[1]! + shares[2]!
      best = t.map((n, k) => [n * 3, shares[k]! / sum] as const)
      off = outside
      if (outside === 0) break
    }
    return best
  }

  private placeOf(dofs: Spread): Point {
    return dofs.reduce<Point>(
      ([x, y], [dof, share]) => {
        const p = this.mesh.nodes[dof / 3]!
        return [x + share * p[0], y + share * p[1]]
      },
      [0, 0],
    )
  }

  private stressOf(moved: Float64Array): Float64Array {
    const stress = new Float64Array(this.mesh.triangles.length * 3)
    this.mesh.triangles.forEach((t, e) => {
      const { middle, stiffness } = this.elements[e]!
      const curvature = [0, 0, 0]
      for (let k = 0; k < 9; k += 1)
        for (let c = 0; c < 3; c += 1)
          curvature[c]! += middle[c]![k]! * moved[t[Math.floor(k / 3)]! * 3 + (k % 3)]!
      const m = momentsOf(stiffness, curvature[0]!, curvature[1]!, curvature[2]!)
      stress.set(
        m.map((value) => (6 * value) / this.thickness[e]! ** 2),
        e * 3,
      )
    })
    return stress
  }
}

/** The points it rests on do not hold it. */
export class UnstablePlate extends Error {
  constructor() {
    super('The plate is not held in place.')
  }
}

type Spread = readonly (readonly [dof: number, share: number])[]
const at = (dofs: Spread, moved: Float64Array): number =>
  dofs.reduce((sum, [dof, share]) => sum + share * moved[dof]!, 0)

function scaled(element: Element, by: number, unit: Element['stiffness']): Element {
  return {
    ...element,
    matrix: element.matrix.map((v) => v * by),
    stiffness: { x: unit.x * by, y: unit.y * by, coupling: unit.coupling * by, twist: unit.twist * by },
  }
}

/** Three nodes far apart and not in a line. */
function threeApart(nodes: readonly Point[]): number[] {
  const far = (from: Point) =>
    nodes.reduce((best, p, i) => (away(p, from) > away(nodes[best]!, from) ? i : best), 0)
  const a = far(nodes[0]!)
  const b = far(nodes[a]!)
  const [p, q] = [nodes[a]!, nodes[b]!]
  const off = ([x, y]: Point) => Math.abs((q[0] - p[0]) * (y - p[1]) - (x - p[0]) * (q[1] - p[1]))
  const c = nodes.reduce((best, n, i) => (off(n) > off(nodes[best]!) ? i : best), 0)
  return [a, b, c]
}
const away = (a: Point, b: Point): number => Math.hypot(a[0] - b[0], a[1] - b[1])
