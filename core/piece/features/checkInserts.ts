import { type Kernel, lengthOf, meshSolid, type SolidRecipe, type Vector } from '../../geometry/index.ts'
import type { About, Finding, Piece } from '../../job/index.ts'
import type { FlatFace, PieceFigures } from '../types.ts'
import { axisPlacement, type InsertAxis, insertAxis, insertMass, insertRecipe } from './insertSolid.ts'

type SolidMesh = ReturnType<typeof meshSolid>
type Items = PieceFigures['inserts']['items']
export type PlacedInserts = {
  readonly items: Items
  readonly recipes: readonly { readonly id: string; readonly name: string; readonly recipe: SolidRecipe }[]
  readonly findings: readonly Finding[]
}

/** Least concrete over an insert, mm [own]; and how near a bar may come to another, in diameters. */
const COVER = 15

/** Where inserts stand, what they displace, their cover and clashes. Without the solid the displacement is by length. */
export function placeInserts(
  kernel: Kernel,
  piece: Piece,
  faces: readonly FlatFace[],
  wordsOf: (face: string) => string,
  size: readonly [number, number, number],
  body: SolidRecipe | null,
): PlacedInserts {
  const findings: Finding[] = []
  const raise = (id: string, code: string, level: Finding['level'], facts: Finding['facts']) => {
    const about: About[] = [{ pieceId: piece.id, kind: 'feature', id }]
    findings.push({ code, level, station: 'piece', about, facts, remedies: [] })
  }
  const placed = piece.inserts.flatMap((insert) => {
    const face = faces.find((f) => f.name === insert.on)
    if (!face) {
      raise(insert.id, 'insert-no-face', 'stop', { insert: insert.name, face: insert.on })
      return []
    }
    if (insert.bore >= insert.diameter) {
      raise(insert.id, 'insert-no-wall', 'stop', {
        insert: insert.name,
        boreMm: insert.bore,
        diameterMm: insert.diameter,
      })
      return []
    }
    const deep =
      Math.abs(face.frame.z[0]) * size[0] +
      Math.abs(face.frame.z[1]) * size[1] +
      Math.abs(face.frame.z[2]) * size[2]
    const axis = insertAxis(insert, face, deep)
    return [{ insert, face, axis, recipe: insertRecipe(insert, axis) }]
  })
  for (let i = 0; i < placed.length; i += 1)
    for (let j = i + 1; j < placed.length; j += 1) {
      const [a, b] = [placed[i]!, placed[j]!]
      const apart = axesApart(a.axis, b.axis) - (a.insert.diameter + b.insert.diameter) / 2
      if (apart < 0)
        raise(a.insert.id, 'inserts-clash', 'stop', {
          insert: a.insert.name,
          other: b.insert.name,
          overlapMm: -apart,
        })
    }
  const mesh = body && placed.length > 0 ? kernel.withSolids((scope) => meshSolid(scope.solid(body))) : null
  const items = placed.map(({ insert, axis, recipe, face }): Items[number] => {
    const whole = (Math.PI / 4) * insert.diameter ** 2 * axis.inside
    const found =
      body && mesh
        ? inConcrete(kernel, [body, mesh], recipe, axis, insert.diameter / 2, face.name, {
            through: insert.depth === null,
            square: insert.tiltDeg === 0,
          })
        : null
    const displaced = found ? found.volume : whole
    if (found && found.volume < whole * 0.02)
      raise(insert.id, 'insert-outside', 'stop', { insert: insert.name })
    else if (found && insert.depth !== null && found.volume < whole * 0.97)
      raise(insert.id, 'insert-breaks-out', 'stop', {
        insert: insert.name,
        insidePercent: Math.round((found.volume / whole) * 100),
      })
    else if (found?.cover != null && found.cover < COVER)
      raise(insert.id, 'insert-cover', 'warn', {
        insert: insert.name,
        coverMm: Math.max(0, found.cover),
        to: wordsOf(found.to),
        wantedMm: COVER,
      })
    if (insert.held === 'wet')
      raise(insert.id, 'insert-wet', 'note', {
        insert: insert.name,
        millilitres: Math.round(displaced / 100) / 10,
      })
    return {
      id: insert.id,
      name: insert.name,
      massKg: insertMass(insert, axis),
      displacedLitres: displaced / 1e6,
      coverMm: found?.cover ?? 0,
      coverTo: found ? wordsOf(found.to) : '',
    }
  })
  return {
    items,
    recipes: placed.map(({ insert, recipe }) => ({ id: insert.id, name: insert.name, recipe })),
    findings,
  }
}

/** How much of an insert stands in the concrete, and the least concrete beside it: from points on it to the mesh. */
function inConcrete(
  kernel: Kernel,
  [body, mesh]: readonly [SolidRecipe, SolidMesh],
  recipe: SolidRecipe,
  axis: InsertAxis,
  radius: number,
  entry: string,
  { through, square }: { readonly through: boolean; readonly square: boolean },
): { volume: number; cover: number | null; to: string } {
  const looks = surfaceLooks(axis, radius, through)
  const [least, face] = nearestFace(mesh, looks, axis.into, entry, through)
  const cover = Number.isFinite(least) ? least : null
  // No face comes between the looks, nor before the first: the insert is wholly in the concrete, or wholly beside it.
  const spacing =
    Math.hypot(axis.inside / LOOKS.along, (Math.PI * radius) / LOOKS.round) + axis.inside * LOOKS.first
  if (square && !through && cover !== null && cover > spacing) {
    const within = windingNumber(mesh, along(axis, axis.inside / 2)) > 0.5
    return { volume: within ? Math.PI * radius ** 2 * axis.inside : 0, cover, to: face }
  }
  const volume = kernel.withSolids((scope) =>
    scope.keep(scope.solid(body).body.intersect(scope.solid(recipe).body)).volume(),
  )
  return { volume, cover, to: face }
}

const along = ({ start, into }: InsertAxis, s: number): Vector => [
  start[0] + into[0] * s,
  start[1] + into[1] * s,
  start[2] + into[2] * s,
]

/** Places along the axis and round it that are looked at. */
const LOOKS = { along: 6, round: 8, first: 0.15 } as const

/** Points on an insert's skin, clear of the face it enters and, when it goes through, of the one it leaves by. */
function surfaceLooks({ start, into, inside }: InsertAxis, radius: number, through: boolean): Vector[] {
  const { x, y } = axisPlacement(start, into)
  const [first, last] = [LOOKS.first, through ? 1 - LOOKS.first : 1]
  return Array.from({ length: LOOKS.along * LOOKS.round }, (_, k): Vector => {
    const s = inside * (first + ((last - first) * Math.floor(k / LOOKS.round)) / (LOOKS.along - 1))
    const a = (2 * Math.PI * (k % LOOKS.round)) / LOOKS.round
    const at = (i: 0 | 1 | 2) => start[i] + into[i] * s + radius * (x[i] * Math.cos(a) + y[i] * Math.sin(a))
    return [at(0), at(1), at(2)]
  })
}

function nearestFace(
  { positions: p, triangles: t, faceOfTriangle, faceNames }: SolidMesh,
  looks: readonly Vector[],
  into: Vector,
  entry: string,
  through: boolean,
): [number, string] {
  let least = Infinity
  let face = ''
  const box = [0, 1, 2]
    .map((d) => looks.map((q) => q[d]!))
    .map((v) => [Math.min(...v), Math.max(...v)] as const)
  /** How far a triangle's box is from that of all looks: none of them can be nearer. */
  const boxGap = (k: number): number => {
    let sum = 0
    for (let d = 0; d < 3; d += 1) {
      const [u, v, w] = [p[t[k]! * 3 + d]!, p[t[k + 1]! * 3 + d]!, p[t[k + 2]! * 3 + d]!]
      const gap = Math.max(0, Math.min(u, v, w) - box[d]![1], box[d]![0] - Math.max(u, v, w))
      sum += gap * gap
    }
    return Math.sqrt(sum)
  }
  const look = (k: number) => {
    const name = faceNames[faceOfTriangle[k / 3]!]!
    if (name === entry) return
    const at = (j: number): Vector => {
      const v = t[k + j]! * 3
      return [p[v]!, p[v + 1]!, p[v + 2]!]
    }
    const [a, b, c] = [at(0), at(1), at(2)]
    const n = normal(a, b, c)
    // What the insert passes through is not beside it.
    if (through && Math.abs(n[0] * into[0] + n[1] * into[1] + n[2] * into[2]) > 0.9) return
    for (const q of looks) {
      const d = pointToTriangle(q, a, b, c)
      if (d < least) {
        least = d
        face = name
      }
    }
  }
  // What may be near first: most of the rest then cannot be nearer.
  const gaps = new Float64Array(t.length / 3)
  for (let k = 0; k < t.length; k += 3) {
    gaps[k / 3] = boxGap(k)
    if (gaps[k / 3]! < COVER) look(k)
  }
  for (let k = 0; k < t.length; k += 3) if (gaps[k / 3]! >= COVER && gaps[k / 3]! < least) look(k)
  return [least, face]
}

const minus = (a: Vector, b: Vector): Vector => [a[0] - b[0], a[1] - b[1], a[2] - b[2]]
const dot = (a: Vector, b: Vector): number => a[0] * b[0] + a[1] * b[1] + a[2] * b[2]

function normal(a: Vector, b: Vector, c: Vector): Vector {
  const [u, v] = [minus(b, a), minus(c, a)]
  const n: Vector = [u[1] * v[2] - u[2] * v[1], u[2] * v[0] - u[0] * v[2], u[0] * v[1] - u[1] * v[0]]
  const length = lengthOf(n[0], n[1], n[2]) || 1
  return [n[0] / length, n[1] / length, n[2] / length]
}

/**
 * How often a closed mesh goes round a point, 1 within and 0 outside: the sum of the solid angles of its triangles over
 * 4 pi (Van Oosterom and Strackee, 1983).
 */
export function windingNumber({ positions: p, triangles: t }: SolidMesh, q: Vector): number {
  let sum = 0
  for (let k = 0; k < t.length; k += 3) {
    const [i, j, l] = [t[k]! * 3, t[k + 1]! * 3, t[k + 2]! * 3]
    const [ax, ay, az] = [p[i]! - q[0], p[i + 1]! - q[1], p[i + 2]! - q[2]]
    const [bx, by, bz] = [p[j]! - q[0], p[j + 1]! - q[1], p[j + 2]! - q[2]]
    const [cx, cy, cz] = [p[l]! - q[0], p[l + 1]! - q[1], p[l + 2]! - q[2]]
    const [a, b, c] = [lengthOf(ax, ay, az), lengthOf(bx, by, bz), lengthOf(cx, cy, cz)]
    const turn = ax * (by * cz - bz * cy) + ay * (bz * cx - bx * cz) + az * (bx * cy - by * cx)
    const rest =
      a * b * c +
      (ax * bx + ay * by + az * bz) * c +
      (bx * cx + by * cy + bz * cz) * a +
      (cx * ax + cy * ay + cz * az) * b
    sum += 2 * Math.atan2(turn, rest)
  }
  return sum / (4 * Math.PI)
}

/** Distance from a point to a triangle, by the regions of its plane (Ericson, Real-Time Collision Detection, 5.1.5). */
export function pointToTriangle(p: Vector, a: Vector, b: Vector, c: Vector): number {
  const [ab, ac, ap] = [minus(b, a), minus(c, a), minus(p, a)]
  const [d1, d2] = [dot(ab, ap), dot(ac, ap)]
  if (d1 <= 0 && d2 <= 0) return lengthOf(ap[0], ap[1], ap[2])
  const bp = minus(p, b)
  const [d3, d4] = [dot(ab, bp), dot(ac, bp)]
  if (d3 >= 0 && d4 <= d3) return lengthOf(bp[0], bp[1], bp[2])
  const cp = minus(p, c)
  const [d5, d6] = [dot(ab, cp), dot(ac, cp)]
  if (d6 >= 0 && d5 <= d6) return lengthOf(cp[0], cp[1], cp[2])
  const toLine = (from: Vector, way: Vector, t: number): number =>
    lengthOf(p[0] - from[0] - way[0] * t, p[1] - from[1] - way[1] * t, p[2] - from[2] - way[2] * t)
  const vc = d1 * d4 - d3 * d2
  if (vc <= 0 && d1 >= 0 && d3 <= 0) return toLine(a, ab, d1 / (d1 - d3))
  const vb = d5 * d2 - d1 * d6
  if (vb <= 0 && d2 >= 0 && d6 <= 0) return toLine(a, ac, d2 / (d2 - d6))
  const va = d3 * d6 - d5 * d4
  if (va <= 0 && d4 - d3 >= 0 && d5 - d6 >= 0) return toLine(b, minus(c, b), (d4 - d3) / (d4 - d3 + d5 - d6))
  const total = va + vb + vc
  if (total === 0) return lengthOf(ap[0], ap[1], ap[2])
  const [v, w] = [vb / total, vc / total]
  return lengthOf(ap[0] - ab[0] * v - ac[0] * w, ap[1] - ab[1] * v - ac[1] * w, ap[2] - ab[2] * v - ac[2] * w)
}

/** Least distance between two axes as straight pieces. */
function axesApart(a: InsertAxis, b: InsertAxis): number {
  // Both run from their faces inward: sampling one against the other's exact foot is enough at shop sizes.
  let least = Infinity
  const steps = 60
  for (let i = 0; i <= steps; i += 1) {
    const p = along(a, (a.inside * i) / steps)
    const t = Math.max(0, Math.min(b.inside, dot(minus(p, b.start), b.into)))
    least = Math.min(least, lengthOf(...minus(p, along(b, t))))
  }
  return least
}
