import {
  type Kernel,
  movedBy,
  type Point,
  type Region,
  type SolidRecipe,
  sectionSolid,
  uprightPlane,
  type Vector,
} from '../geometry/index.ts'
import type { Piece } from '../job/index.ts'
import type { MouldPart, MouldStation } from '../mould/index.ts'
import { type PieceStation, pouredPlacement } from '../piece/index.ts'
import type { SteelStation } from '../steel/index.ts'
import type { Material, SectionDrawing, SectionPart } from './types.ts'

export type SectionInput = {
  readonly piece: Piece
  readonly pieceStation: PieceStation
  readonly mould: MouldStation | null
  readonly steel: SteelStation | null
  readonly attitude: 'poured' | 'placed'
}

const MATERIAL: Readonly<Record<MouldPart['role'], Material>> = {
  base: 'board',
  tube: 'card',
  cleat: 'board',
  core: 'card',
  rubber: 'rubber',
  layer: 'foam',
  shell: 'print',
  jacket: 'plaster',
  packing: 'earth',
  separator: 'board',
  liner: 'rubber',
  form: 'board',
  former: 'board',
  strip: 'board',
  skin: 'board',
  rib: 'board',
  corner: 'board',
  knockout: 'board',
  chamfer: 'board',
  wrap: 'foam',
  sealant: 'sealant',
}

/** mm. */
const HAIR = 0.02

/**
 * Piece and mould cut by an upright plane along a line of the plan, from their solids. `from` and `to` are in the plan
 * of the attitude shown; as placed only the piece is cut.
 */
export function sectionDrawing(
  kernel: Kernel,
  input: SectionInput,
  from: Point,
  to: Point,
): SectionDrawing | null {
  const { piece, pieceStation, mould, attitude } = input
  const { recipe, thickness, low } = pieceStation.geometry
  if (!recipe) return null
  const poured = attitude === 'poured'
  // A hair beside the line: a seam that lies in it would be cut half.
  const cutAt = uprightPlane(from, to)
  const plane = {
    ...cutAt,
    origin: [cutAt.origin[0] + cutAt.u[1] * HAIR, cutAt.origin[1] - cutAt.u[0] * HAIR, 0] as const,
  }
  const length = Math.hypot(to[0] - from[0], to[1] - from[1])
  const parts = kernel.withSolids((scope) => {
    const cut = (
      id: string,
      material: Material,
      solid: SolidRecipe,
      part: MouldPart | null = null,
    ): SectionPart[] => {
      const region: Region = sectionSolid(scope, scope.solid(solid), plane)
      if (region.length === 0) return []
      const openingId = part?.source.of === 'opening' ? part.source.openingId : null
      return [
        { id, role: part?.role ?? null, openingId, material, layers: part ? layerHeights(part) : [], region },
      ]
    }
    const atAttitude = (solid: SolidRecipe): SolidRecipe =>
      poured ? { kind: 'moved', solid, by: pouredPlacement(piece.attitude, pieceStation.geometry) } : solid
    const turned = atAttitude(recipe)
    return [
      ...cut('piece', 'concrete', turned),
      ...pieceStation.geometry.inserts.flatMap((insert) =>
        cut(`insert/${insert.id}`, 'steel', atAttitude(insert.recipe)),
      ),
      ...(pieceStation.geometry.voidFormer
        ? cut('void-former', 'foam', atAttitude(pieceStation.geometry.voidFormer.recipe))
        : []),
      ...(poured && mould ? mould.parts.flatMap((p) => cut(p.id, MATERIAL[p.role], p.recipe, p)) : []),
    ]
  })
  const ys = parts.flatMap((p) => p.region.flat().map(([, y]) => y))
  return {
    length,
    low: Math.min(poured ? 0 : low, ...ys),
    high: Math.max(mould || piece.kind === 'slab' ? thickness : 0, ...ys),
    parts: [...parts, ...wireMarks(input, from, to, poured), ...barMarks(input, from, to, poured)],
  }
}

/** Heights at which the layers of a laminated part meet, from the base up. */
function layerHeights({ layers }: MouldPart): number[] {
  let height = 0
  return layers.slice(0, -1).map((layer) => {
    height += layer.thicknessMm
    return height
  })
}

/** Wires that cross the plane, drawn as small rounds at their true size and height. */
function wireMarks(
  { piece, pieceStation, steel }: SectionInput,
  from: Point,
  to: Point,
  poured: boolean,
): SectionPart[] {
  if (!steel?.figures.heightMm) return []
  const { length, thickness } = pieceStation.geometry
  const flip = poured && piece.attitude.down === 'top'
  const run = Math.hypot(to[0] - from[0], to[1] - from[1])
  const u = [(to[0] - from[0]) / run, (to[1] - from[1]) / run] as const
  const radius = steel.figures.wireMm / 2
  const { heightMm, second } = steel.figures
  const mats = [
    { wires: steel.wires, at: heightMm },
    ...(second ? [{ wires: steel.secondWires, at: second.heightMm }] : []),
  ]
  const marks = mats.flatMap(({ wires, at: placed }) => {
    const height = flip ? thickness - placed : placed
    return wires.flatMap((wire): Point[][] => {
      const [a, b] = [wire.from, wire.to].map(([x, y]): Point => [flip ? length - x : x, y]) as [Point, Point]
      const side = (p: Point) => (p[0] - from[0]) * -u[1] + (p[1] - from[1]) * u[0]
      const [sa, sb] = [side(a), side(b)]
      if (sa === sb || sa > 0 === sb > 0) return []
      const t = sa / (sa - sb)
      const at: Point = [a[0] + (b[0] - a[0]) * t, a[1] + (b[1] - a[1]) * t]
      const x = (at[0] - from[0]) * u[0] + (at[1] - from[1]) * u[1]
      if (x < 0 || x > run) return []
      const along = Math.abs(b[0] - a[0]) > Math.abs(b[1] - a[1])
      return [disc(x, height + (along ? radius : -radius), radius)]
    })
  })
  return marks.length === 0
    ? []
    : [{ id: 'steel', material: 'steel', role: null, openingId: null, layers: [], region: marks }]
}

/** Bars that cross the plane as rounds, and those that lie in it as long as they do. */
function barMarks(
  { piece, pieceStation, steel }: SectionInput,
  from: Point,
  to: Point,
  poured: boolean,
): SectionPart[] {
  const run = Math.hypot(to[0] - from[0], to[1] - from[1])
  const u = [(to[0] - from[0]) / run, (to[1] - from[1]) / run] as const
  const by = poured ? pouredPlacement(piece.attitude, pieceStation.geometry) : movedBy([0, 0, 0])
  const at = ([x, y, z]: Vector): Vector => [
    by.x[0] * x + by.y[0] * y + by.z[0] * z + by.origin[0],
    by.x[1] * x + by.y[1] * y + by.z[1] * z + by.origin[1],
    by.x[2] * x + by.y[2] * y + by.z[2] * z + by.origin[2],
  ]
  /** Beside the plane, along it, and height. */
  const seen = (p: Vector): Vector => {
    const [x, y, z] = at(p)
    const [dx, dy] = [x - from[0], y - from[1]]
    return [dy * u[0] - dx * u[1], dx * u[0] + dy * u[1], z]
  }
  const lines = [
    ...(steel?.bars ?? []).map(({ path, closed, bar }) => ({ path, closed, r: bar.diameter / 2 })),
    ...(steel?.bentWires ?? []).map((path) => ({ path, closed: false, r: steel!.figures.wireMm / 2 })),
  ]
  const marks = lines.flatMap(({ path, closed, r }): Point[][] => {
    const points = (closed ? [...path, path[0]!] : path).map(seen)
    return points.slice(1).flatMap((b, i): Point[][] => {
      const a = points[i]!
      if (Math.abs(a[0]) < r && Math.abs(b[0]) < r) {
        const length = Math.hypot(b[1] - a[1], b[2] - a[2])
        if (length < r) return []
        const [nx, ny] = [(-(b[2] - a[2]) / length) * r, ((b[1] - a[1]) / length) * r]
        return [
          [
            [a[1] + nx, a[2] + ny],
            [b[1] + nx, b[2] + ny],
            [b[1] - nx, b[2] - ny],
            [a[1] - nx, a[2] - ny],
          ],
        ]
      }
      if (a[0] > 0 === b[0] > 0) return []
      const t = a[0] / (a[0] - b[0])
      const x = a[1] + (b[1] - a[1]) * t
      return x < 0 || x > run ? [] : [disc(x, a[2] + (b[2] - a[2]) * t, r)]
    })
  })
  return marks.length === 0
    ? []
    : [{ id: 'bars', material: 'steel', role: null, openingId: null, layers: [], region: marks }]
}

const disc = (x: number, y: number, r: number): Point[] =>
  Array.from(
    { length: 12 },
    (_, i): Point => [x + r * Math.cos((i * Math.PI) / 6), y + r * Math.sin((i * Math.PI) / 6)],
  )
