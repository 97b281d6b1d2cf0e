import {
  addBulks,
  boundLoop,
  bulkAt,
  clipRing,
  findCrossing,
  type Kernel,
  loopChords,
  type Placement,
  type Point,
  pathLoop,
  rectangleLoop,
  type SolidRecipe,
  type Vector,
} from '../../geometry/index.ts'
import { findingList, type SweptPiece } from '../../job/index.ts'
import { sideFace } from '../frames.ts'
import { OUTLINE_NAMES, outlineEdges } from '../slab/outlineLoop.ts'
import type { Block, Built, FlatFace, Separator } from '../types.ts'
import type { PieceFindings } from '../words.ts'

const ENDS = { front: 'end/front', back: 'end/back' } as const
/** Whether a face is one of the two ends, on which the profile lies flat. */
export const isSweptEnd = (face: string): boolean => face === ENDS.front || face === ENDS.back

/** The profile as chords, its box at the origin. */
export function sweptProfile(piece: SweptPiece): { points: Point[]; names: string[]; size: Point } {
  const loop = pathLoop(piece.corners, OUTLINE_NAMES)
  const { min, max } = boundLoop(loop)
  const { points, names } = loopChords(loop)
  return {
    points: points.map(([x, y]): Point => [x - min[0], y - min[1]]),
    names,
    size: [max[0] - min[0], max[1] - min[1]],
  }
}

/** A side profile carried straight to a width, and cut into blocks by separators. */
export function buildSwept(_: Kernel, piece: SweptPiece): Built {
  const { findings, raise } = findingList<PieceFindings>('piece', piece.id, 'piece', piece.id)
  const { points, names, size } = sweptProfile(piece)
  const [length, height] = [Math.max(1e-3, size[0]), Math.max(1e-3, size[1])]
  const crossing = findCrossing(points)
  const area = clippedArea(points)
  if (crossing) raise('profile-crosses', 'stop', { xMm: crossing.at[0], yMm: crossing.at[1] })
  else if (area.area <= 1e-6) raise('profile-empty', 'stop', { areaMm2: area.area })
  const stopped = findings.length > 0
  const upright: Placement = { x: [1, 0, 0], y: [0, 0, 1], z: [0, -1, 0], origin: [0, piece.width, 0] }
  const whole: SolidRecipe = {
    kind: 'moved',
    by: upright,
    solid: {
      kind: 'prism',
      outline: points.map((from, i) => ({
        name: names[i]!,
        from,
        to: points[(i + 1) % points.length]!,
        arc: null,
      })),
      holes: [],
      low: 0,
      high: piece.width,
      lowName: ENDS.back,
      highName: ENDS.front,
    },
  }
  const cuts = [...piece.separators]
    .sort((a, b) => a.at - b.at)
    .map((s) => {
      const lean = (s.leanDeg * Math.PI) / 180
      const normal: Point = [Math.cos(lean), -Math.sin(lean)]
      return { s, normal, offset: normal[0] * s.at + (normal[1] * height) / 2 }
    })
  for (const { s, normal, offset } of cuts) {
    const left = clippedArea(clipRing(points, [-normal[0], -normal[1]], -offset + s.gap / 2)).area
    const right = clippedArea(clipRing(points, normal, offset + s.gap / 2)).area
    if (Math.min(left, right) < 1) raise('separator-misses', 'stop', { atMm: s.at, lengthMm: length })
  }
  const missed = findings.some((f) => f.code === 'separator-misses')
  const plane = (normal: Point, offset: number, solid: SolidRecipe, name: string): SolidRecipe => ({
    kind: 'trimmed',
    solid,
    normal: [normal[0], 0, normal[1]],
    offset,
    name,
  })
  const parts = Array.from({ length: cuts.length === 0 || missed ? 0 : cuts.length + 1 }, (_, i) => {
    const [before, after] = [cuts[i - 1], cuts[i]]
    let solid: SolidRecipe = whole
    let ring: Point[] = points
    if (before) {
      solid = plane(before.normal, before.offset + before.s.gap / 2, solid, `cut/${before.s.id}`)
      ring = clipRing(ring, before.normal, before.offset + before.s.gap / 2)
    }
    if (after) {
      const back: Point = [-after.normal[0], -after.normal[1]]
      solid = plane(back, -after.offset + after.s.gap / 2, solid, `cut/${after.s.id}`)
      ring = clipRing(ring, back, -after.offset + after.s.gap / 2)
    }
    return {
      block: { id: `block-${i + 1}`, name: `block ${i + 1}`, recipe: solid } satisfies Block,
      area: clippedArea(ring),
    }
  })
  const blocks = parts.map((p) => p.block)
  const separators = cuts
    .filter((c) => c.s.gap > 0)
    .map(({ s, normal, offset }): Separator => {
      const name = `separator/${s.id}`
      const back: Point = [-normal[0], -normal[1]]
      const half = plane(normal, offset - s.gap / 2, whole, name)
      return {
        id: s.id,
        gap: s.gap,
        normal: [normal[0], 0, normal[1]],
        recipe: plane(back, -offset - s.gap / 2, half, name),
      }
    })
  const gaps = cuts.some((c) => c.s.gap > 0)
  const recipe: SolidRecipe =
    gaps && blocks.length > 0 ? { kind: 'union', of: blocks.map((b) => b.recipe) } : whole
  const bulkOf = ({ area: a, middle }: { area: number; middle: Point }) =>
    bulkAt(a * piece.width, [middle[0], piece.width / 2, middle[1]])
  const bulk =
    gaps && parts.length > 0 ? addBulks(parts.map((p) => [1, bulkOf(p.area)] as const)) : bulkOf(area)
  return {
    geometry: {
      length,
      width: piece.width,
      height,
      low: 0,
      thickness: height,
      outline: rectangleLoop([0, 0], length, piece.width, [0, 0, 0, 0], {
        sides: [ENDS.front, 'side/right', ENDS.back, 'side/left'],
        corners: ['corner', 'corner', 'corner', 'corner'],
      }),
      openings: [],
      recipe: stopped || missed ? null : recipe,
      faces: sweptFaces(piece.corners, points, names, piece.width),
      blocks,
      ...(blocks.length > 0 && separators.length > 0 ? { parted: { whole, separators } } : {}),
      thinnest: null,
    },
    bulk: { ...bulk, area: 2 * area.area + perimeter(points) * piece.width },
    showFaceArea: perimeter(points) * piece.width,
    findings,
  }
}

/** The two ends, which can lie on the base, and every straight side of the profile. */
function sweptFaces(
  corners: SweptPiece['corners'],
  points: readonly Point[],
  names: readonly string[],
  width: number,
): FlatFace[] {
  const xs = points.map((p) => p[0])
  const ys = points.map((p) => p[1])
  const middle: Point = [(Math.min(...xs) + Math.max(...xs)) / 2, (Math.min(...ys) + Math.max(...ys)) / 2]
  const size = [Math.max(...xs) - Math.min(...xs), Math.max(...ys) - Math.min(...ys)] as const
  const end = (name: string, words: string, x: Vector, z: Vector, y: number): FlatFace => ({
    name,
    words,
    frame: { x, y: [0, 0, 1], z, origin: [middle[0], y, middle[1]] },
    region: [
      (x[0] > 0 ? points : [...points].reverse()).map(
        ([px, py]): Point => [(px - middle[0]) * x[0], py - middle[1]],
      ),
    ],
    size,
  })
  const edges = outlineEdges(corners)
  const sides = points.flatMap((from, i): FlatFace[] => {
    const name = names[i]!
    const to = points[(i + 1) % points.length]!
    if (names.filter((n) => n === name).length > 1) return []
    const { words } = edges.get(name)!
    // Walked anticlockwise in (x, z) seen from the front, the outside is on the right.
    const face = sideFace(name, `${words} face`, [
      [from[0], 0, from[1]],
      [from[0], width, from[1]],
      [to[0], width, to[1]],
      [to[0], 0, to[1]],
    ])
    return face ? [face] : []
  })
  return [
    end(ENDS.front, 'front end', [1, 0, 0], [0, -1, 0], 0),
    end(ENDS.back, 'back end', [-1, 0, 0], [0, 1, 0], width),
    ...sides,
  ]
}

function clippedArea(ring: readonly Point[]): { area: number; middle: Point } {
  let [area, x, y] = [0, 0, 0]
  ring.forEach((a, i) => {
    const b = ring[(i + 1) % ring.length]!
    const cross = a[0] * b[1] - b[0] * a[1]
    area += cross / 2
    x += ((a[0] + b[0]) * cross) / 6
    y += ((a[1] + b[1]) * cross) / 6
  })
  return { area, middle: area === 0 ? [0, 0] : [x / area, y / area] }
}

const perimeter = (ring: readonly Point[]): number =>
  ring.reduce((sum, a, i) => {
    const b = ring[(i + 1) % ring.length]!
    return sum + Math.hypot(b[0] - a[0], b[1] - a[1])
  }, 0)
