import { type Kernel, measureSolid, meshSolid, type NamedMesh } from '../core/geometry/index.ts'
import type { Job } from '../core/job/index.ts'
import { solveDense } from '../core/mechanics/index.ts'
import { planPieceStation } from '../core/piece/index.ts'
import { noMemo } from '../core/station.ts'
import { planBars } from '../core/steel/bars/planBars.ts'
import { flatPlate } from '../core/steel/handling/flatPlate.ts'
import { planHandling } from '../core/steel/handling/planHandling.ts'
import { mapThickness } from '../core/steel/thickness/thicknessMap.ts'

const timed = (work: () => void): number => {
  const start = performance.now()
  work()
  return performance.now() - start
}

/** How long the thickness of each piece of a job takes to be mapped, the slowest first, ms. */
export function timeMaps(kernel: Kernel, job: Job): { id: string; ms: number }[] {
  return job.pieces
    .flatMap((piece) => {
      const { recipe } = planPieceStation(kernel, piece, 2300, false).geometry
      return recipe ? [{ id: piece.id, ms: timed(() => mapThickness(kernel, recipe)) }] : []
    })
    .sort((a, b) => b.ms - a.ms)
}

/** The same for a mesh that is held: an imported pattern. */
export const timeMapOfMesh = (kernel: Kernel, mesh: string): number =>
  timed(() => mapThickness(kernel, { kind: 'mesh', id: mesh, name: 'face' }))

/** As many rays as a map has balls, each against every triangle: the plain way, ms. */
export function timeRays(kernel: Kernel, job: Job, id: string, count = 900): number {
  const piece = job.pieces.find((p) => p.id === id)!
  const { recipe } = planPieceStation(kernel, piece, 2300, false).geometry
  const mesh = kernel.withSolids((s) => meshSolid(s.solid(recipe!)))
  return timed(() => {
    for (let i = 0; i < count; i += 1) castRay(mesh, i % (mesh.triangles.length / 3))
  })
}

function castRay({ positions: p, triangles }: NamedMesh, from: number): number {
  const corner = (t: number, k: number) => {
    const v = triangles[3 * t + k]! * 3
    return [p[v]!, p[v + 1]!, p[v + 2]!] as const
  }
  type V = readonly [number, number, number]
  const minus = (a: V, b: V): V => [a[0] - b[0], a[1] - b[1], a[2] - b[2]]
  const cross = (a: V, b: V): V => [
    a[1] * b[2] - a[2] * b[1],
    a[2] * b[0] - a[0] * b[2],
    a[0] * b[1] - a[1] * b[0],
  ]
  const dot = (a: V, b: V) => a[0] * b[0] + a[1] * b[1] + a[2] * b[2]
  const [a, b, c] = [corner(from, 0), corner(from, 1), corner(from, 2)]
  const normal = cross(minus(b, a), minus(c, a))
  const at: V = [(a[0] + b[0] + c[0]) / 3, (a[1] + b[1] + c[1]) / 3, (a[2] + b[2] + c[2]) / 3]
  let near = Infinity
  for (let t = 0; t < triangles.length / 3; t += 1) {
    const origin = corner(t, 0)
    const [e1, e2] = [minus(corner(t, 1), origin), minus(corner(t, 2), origin)]
    const h = cross(normal, e2)
    const det = dot(e1, h)
    if (det === 0) continue
    const s = minus(at, origin)
    const u = dot(s, h) / det
    const q = cross(s, e1)
    const v = dot(normal, q) / det
    const far = dot(e2, q) / det
    if (u >= 0 && v >= 0 && u + v <= 1 && far < -1e-9) near = Math.min(near, -far)
  }
  return near
}

/** The bars of a piece with every kind it takes, none remembered, against its solid measured once, ms. */
export function timeBars(kernel: Kernel, job: Job, id: string): { bars: number; solid: number } {
  const found = job.pieces.find((p) => p.id === id)!
  const all = { rails: true, corners: true, hoops: true, cage: true, ribs: true }
  const piece = { ...found, steel: { ...found.steel, bars: { ...found.steel.bars, ...all } } }
  const { geometry } = planPieceStation(kernel, piece, 2300, false)
  const input = {
    piece,
    geometry,
    stock: job.stock.bars,
    mat: null,
    lands: [],
    coverOf: () => 30,
    quick: false,
  }
  const solid = timed(() => kernel.withSolids((s) => measureSolid(s.solid(geometry.recipe!).body)))
  return { bars: timed(() => planBars(kernel, input, noMemo)), solid }
}

/** A flat piece bent in all its moves, then again with its bearers moved; and a dense
 * system of a third of its unknowns solved once, ms. */
export function timePlate(
  kernel: Kernel,
  job: Job,
  id: string,
): { run: number; drag: number; dense: number } {
  const piece = job.pieces.find((p) => p.id === id)!
  const mix = job.stock.mixes.find((m) => m.id === piece.mix.mix)!
  const { geometry, figures } = planPieceStation(kernel, piece, 2300, false)
  const way = { people: 2, kg: figures.concreteKg, suctionKPa: 1, turn: null }
  let flat = flatPlate(kernel, geometry)!
  const run = timed(() => {
    flat = flatPlate(kernel, geometry)!
    planHandling(flat, piece, mix, way)
  })
  const moved = {
    ...piece,
    steel: { ...piece.steel, handling: { ...piece.steel.handling, bearers: [210, geometry.length - 190] } },
  }
  const drag = timed(() => planHandling(flat, moved, mix, way))
  const n = flat.plate.mesh.nodes.length
  const rows = Array.from({ length: n }, (_, i) =>
    Float64Array.from({ length: n }, (_, k) => (i === k ? n : 1 / (1 + Math.abs(i - k)))),
  )
  const dense = timed(() => solveDense(rows, new Float64Array(n).fill(1)))
  return { run, drag, dense }
}
