import {
  type CellMeasure,
  type CutPlane,
  joinMeasures,
  type Kernel,
  offsetRegion,
  type Point,
  type SolidRecipe,
  sectionSolid,
  splitMeasure,
  type Vector,
} from '../../geometry/index.ts'
import { trimmed } from '../bareParts.ts'
import type { CastBody } from '../castBody.ts'
import { type CurvedJoint, curvedFlange } from './curvedJoint.ts'
import { walkRing } from './walkRing.ts'

/** A plane that parts a shell: `normal` is a unit vector, level or straight up. */
export type Parting = { readonly normal: Vector; readonly offset: number }

export type ShellsTold = {
  readonly body: CastBody
  /** What the shells lie against: the cast, or the rubber round it. */
  readonly inner: SolidRecipe
  /** How far that stands outside the cast, mm. */
  readonly inside: number
  readonly wall: number
  readonly flange: number
  readonly flangeThickness: number
  /** Where the shells end below and above, mm; null leaves them closed. */
  readonly low: number | null
  readonly high: number | null
  readonly partings: readonly Parting[]
  /** A joint that is no plane, beside them: along `inner`. */
  readonly curve?: CurvedJoint | null
  /** Cylinders through the flanges, and whatever else is taken out. */
  readonly holes: readonly SolidRecipe[]
  readonly name: string
}

/** The coat of a cast by a distance; the same recipe wherever it is asked for, so that it is made once. */
export const coat = (body: CastBody, by: number): SolidRecipe => ({
  kind: 'grown',
  solid: body.recipe,
  by,
  name: 'shell',
})

/** One side or the other of every parting, in order: -1 behind it, 1 before it. */
export type Cell = readonly (1 | -1)[]

/** Every cell that parallel partings leave: a cell beyond the second of two parallel planes is beyond the first too. */
export function cells(partings: readonly Parting[]): Cell[] {
  let found: Cell[] = [[]]
  partings.forEach(({ normal, offset }, i) => {
    found = found.flatMap((cell): Cell[] => {
      const beyond = partings
        .slice(0, i)
        .some((p, k) => parallel(p.normal, normal) && p.offset > offset && cell[k] === 1)
      const behind = partings
        .slice(0, i)
        .some((p, k) => parallel(p.normal, normal) && p.offset < offset && cell[k] === -1)
      if (beyond) return [[...cell, 1]]
      if (behind) return [[...cell, -1]]
      return [
        [...cell, -1],
        [...cell, 1],
      ]
    })
  })
  return found
}

const parallel = (a: Vector, b: Vector): boolean =>
  Math.abs(a[0] * b[0] + a[1] * b[1] + a[2] * b[2] - 1) < 1e-9

/** The whole shell with a flange at each parting, before it is parted. */
export function wholeShell(told: ShellsTold): SolidRecipe {
  const { body, inner, inside, wall, flange, flangeThickness, partings, holes, name } = told
  const flanges = partings.map(
    (parting): SolidRecipe => ({
      kind: 'flange',
      solid: body.recipe,
      by: inside + wall + flange,
      plane: planeOf(parting),
      half: flangeThickness,
      name,
    }),
  )
  if (told.curve) flanges.push(curvedFlange(told.curve, wall + flange, flangeThickness, name))
  const coated = coat(body, inside + wall)
  let shell: SolidRecipe = {
    kind: 'difference',
    from: flanges.length > 0 ? { kind: 'union', of: [coated, ...flanges] } : coated,
    minus: [inner, ...holes],
  }
  if (told.low !== null) shell = trimmed(shell, [0, 0, 1], told.low, name)
  if (told.high !== null) shell = trimmed(shell, [0, 0, -1], -told.high, name)
  return shell
}

/**
 * Volume and box of every cell that holds something of a shell, by its sides. A cell may leave out the last partings: it
 * then lies on both sides of them. Partings are square to one another or parallel.
 */
export function measureCells(
  kernel: Kernel,
  shell: SolidRecipe,
  partings: readonly Parting[],
  wanted: readonly Cell[],
): ReadonlyMap<string, CellMeasure> {
  const ways: { readonly way: Vector; readonly offsets: number[] }[] = []
  for (const { normal, offset } of partings) {
    const known = ways.find(({ way }) => parallel(way, normal))
    if (known) known.offsets.push(offset)
    else ways.push({ way: normal, offsets: [offset] })
  }
  for (const { offsets } of ways) offsets.sort((a, b) => a - b)
  const measured = kernel.withSolids((scope) => splitMeasure(scope.solid(shell), ways))
  const found = new Map<string, CellMeasure>()
  for (const { middle, ...measure } of measured) {
    const cell = wanted.find((sides) =>
      sides.every((s, i) => {
        const { normal, offset } = partings[i]!
        const slab = ways.findIndex(({ way }) => parallel(way, normal))
        return middle[slab]! > offset === (s === 1)
      }),
    )
    const key = cell?.join()
    if (key === undefined) continue
    const known = found.get(key)
    found.set(key, known ? joinMeasures(known, measure) : measure)
  }
  return found
}

/** What of a shell lies in a cell. */
export const cellOf = (
  shell: SolidRecipe,
  partings: readonly Parting[],
  cell: Cell,
  name: string,
): SolidRecipe =>
  partings.reduce<SolidRecipe>((solid, { normal, offset }, i) => {
    const s = cell[i]!
    return trimmed(solid, [normal[0] * s, normal[1] * s, normal[2] * s], offset * s, name)
  }, shell)

/** The way a cell leaves: outward of all its partings; straight up or down where that is all there is. */
export function pullOf(partings: readonly Parting[], cell: Cell, otherwise: Vector): Vector {
  const sum: [number, number, number] = [0, 0, 0]
  const seen: Vector[] = []
  partings.forEach(({ normal }, i) => {
    if (seen.some((n) => parallel(n, normal))) return
    seen.push(normal)
    // Between two parallel planes it leaves neither way along them.
    const sides = partings.flatMap((p, k) => (parallel(p.normal, normal) ? [cell[k]!] : []))
    if (sides.some((s) => s !== cell[i])) return
    for (const k of [0, 1, 2] as const) sum[k] += normal[k] * cell[i]!
  })
  const size = Math.hypot(...sum)
  return size < 1e-9 ? otherwise : [sum[0] / size, sum[1] / size, sum[2] / size]
}

/** The plane of a parting: its u and v with the normal are right-handed. */
export const planeOf = ({ normal, offset }: Parting): CutPlane => ({
  origin: [normal[0] * offset, normal[1] * offset, normal[2] * offset],
  ...(Math.abs(normal[2]) < 0.5
    ? { u: [-normal[1], normal[0], 0] as const, v: [0, 0, 1] as const }
    : { u: [1, 0, 0] as const, v: [0, 1, 0] as const }),
})

/** Points along the middle of a flange, evenly spaced, clear of its ends, in space. */
export function flangePoints(
  kernel: Kernel,
  told: Pick<ShellsTold, 'body' | 'inside' | 'wall' | 'flange' | 'low' | 'high'>,
  { normal, offset }: Parting,
  spacing: number,
): Vector[] {
  const { body, inside, wall, flange } = told
  const upright = Math.abs(normal[2]) < 0.5
  const plane = planeOf({ normal, offset })
  const { u, v, origin } = plane
  const section = kernel.withSolids((scope) => sectionSolid(scope, scope.solid(body.recipe), plane))
  const rings = offsetRegion(kernel, section, inside + wall + flange / 2, 'round')
  const clear = (z: number) =>
    (told.low === null || z > told.low + flange / 2) && (told.high === null || z < told.high - flange / 2)
  return rings
    .filter((ring) => signedArea(ring) > 0)
    .flatMap((ring) => walkRing(ring, spacing))
    .map(
      ([a, b]): Vector => [
        origin[0] + u[0] * a + v[0] * b,
        origin[1] + u[1] * a + v[1] * b,
        origin[2] + u[2] * a + v[2] * b,
      ],
    )
    .filter((p) => !upright || clear(p[2]))
}

const signedArea = (ring: readonly Point[]): number =>
  ring.reduce((sum, [x, y], i) => {
    const [nx, ny] = ring[(i + 1) % ring.length]!
    return sum + x * ny - nx * y
  }, 0)

/** A round hole or peg along a direction through a point: from `back` behind it to `ahead` before it. */
export function cylinderAlong(
  [x, y, z]: Vector,
  normal: Vector,
  radius: number,
  back: number,
  ahead: number,
  name: string,
): SolidRecipe {
  const upright = Math.abs(normal[2]) > 0.5
  const u: Vector = upright ? [1, 0, 0] : [-normal[1], normal[0], 0]
  const v: Vector = [
    normal[1] * u[2] - normal[2] * u[1],
    normal[2] * u[0] - normal[0] * u[2],
    normal[0] * u[1] - normal[1] * u[0],
  ]
  return {
    kind: 'moved',
    by: { x: u, y: v, z: normal, origin: [x, y, z] },
    solid: {
      kind: 'plate',
      region: [
        Array.from({ length: FEW }, (_, i): Point => {
          const a = (2 * Math.PI * i) / FEW
          return [radius * Math.cos(a), radius * Math.sin(a)]
        }),
      ],
      low: -back,
      high: ahead,
      name,
    },
  }
}

/** Area across a hole or peg of this radius, of its few sides. */
export const cylinderArea = (radius: number): number =>
  (FEW / 2) * Math.sin((2 * Math.PI) / FEW) * radius ** 2

/** Sides of a bolt hole or peg: a mould has many, and none is measured by. */
const FEW = 16
