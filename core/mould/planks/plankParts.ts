import {
  clipRing,
  type FlatRegion,
  type Placement,
  type Point,
  type SolidRecipe,
  type Vector,
} from '../../geometry/index.ts'
import type { Board } from '../../stock/index.ts'
import { type BarePart, barePart, DOWN, oneLayer, trimmed, UP } from '../bareParts.ts'
import type { PartOutline, StripBevels } from '../types.ts'
import type { CoreBox } from './cores.ts'
import type { PlankEdge, PlankShape } from './plankShapes.ts'

/** A plank of the mould with the face it stands behind. */
export type Plank = { readonly part: BarePart; readonly shape: PlankShape; readonly core: CoreBox | null }

/** The planks as parts in place, each named after its face. */
export function plankParts(
  faces: readonly FlatRegion[],
  shapes: readonly PlankShape[],
  cores: readonly CoreBox[],
  board: Board,
  wordsOf: (face: FlatRegion) => string,
): Plank[] {
  const used = new Map<string, number>()
  const unlike = (name: string): string => {
    const n = (used.get(name) ?? 0) + 1
    used.set(name, n)
    return n === 1 ? name : `${name} ${n}`
  }
  return shapes.map((shape): Plank => {
    const face = faces[shape.face]!
    const core = cores.find((c) => c.faces.includes(shape.face)) ?? null
    const name = unlike(core ? `core ${whichOf(face.normal)}` : `${wordsOf(face)} board`)
    const id = `plank/${shape.face + 1}`
    const [min, max] = boxOf([...shape.inside, ...shape.outside].flat())
    const [length, width] = [max[0] - min[0], max[1] - min[1]]
    const bevels = bevelsOf(shape, length)
    return {
      shape,
      core,
      part: barePart({
        id,
        role: core ? 'core' : 'form',
        source: { of: 'plank', n: shape.face + 1, is: 'whole' },
        name,
        together: core ? 'core boards' : 'boards',
        boardId: board.id,
        lengthMm: length,
        widthMm: width,
        thicknessMm: board.thickness,
        layers: oneLayer(board),
        pull: core ? (core.opens === 'down' ? DOWN : UP) : face.normal,
        bevels,
        ...(bevels === null && { drawn: { key: signature(shape, min), bevelsDeg: tilts(shape) } }),
        mass: {
          volume: ((areaOf(shape.inside) + areaOf(shape.outside)) / 2) * board.thickness,
          kgPerM3: board.densityKgPerM3,
        },
        recipe: plankSolid(shape, board.thickness, id),
      }),
    }
  })
}

/** What a face without a name of its own is called, by the way it faces as the piece is placed. */
export function facing(normal: Vector, by: Placement): string {
  const along = (v: Vector) => normal[0] * v[0] + normal[1] * v[1] + normal[2] * v[2]
  const [x, y, z] = [along(by.x), along(by.y), along(by.z)]
  if (Math.abs(z) > 0.9) return z > 0 ? 'upper' : 'lower'
  if (Math.abs(x) >= Math.abs(y)) return x > 0 ? 'right' : 'left'
  return y > 0 ? 'back' : 'front'
}

/** Which board of a core it is, by the way the concrete lies from it. */
function whichOf([x, y, z]: Vector): string {
  if (Math.abs(z) > 0.9) return z > 0 ? 'floor' : 'top'
  if (Math.abs(x) >= Math.abs(y)) return x > 0 ? 'left' : 'right'
  return y > 0 ? 'front' : 'back'
}

const boxOf = (points: readonly Point[]): [Point, Point] => [
  [Math.min(...points.map((p) => p[0])), Math.min(...points.map((p) => p[1]))],
  [Math.max(...points.map((p) => p[0])), Math.max(...points.map((p) => p[1]))],
]

const areaOf = (rings: readonly (readonly Point[])[]): number =>
  rings.reduce(
    (sum, ring) =>
      sum +
      ring.reduce((area, [x, y], i) => {
        const [u, v] = ring[(i + 1) % ring.length]!
        return area + (x * v - u * y) / 2
      }, 0),
    0,
  )

/** A body between the inside and the outside face of a plank; its holes taken out of it past both. */
function plankSolid({ inside, outside, by }: PlankShape, thickness: number, id: string): SolidRecipe {
  const stack = (k: number, past: number): SolidRecipe => {
    const [low, high] = [inside[k]!, outside[k]!]
    const at = (share: number): Point[] =>
      low.map(([x, y], i): Point => [x + (high[i]![0] - x) * share, y + (high[i]![1] - y) * share])
    const turned = (points: Point[]) => (k === 0 ? points : points.reverse())
    return {
      kind: 'stack',
      levels: [
        { z: -past, points: turned(at(-past / thickness)) },
        { z: thickness + past, points: turned(at(1 + past / thickness)) },
      ],
      name: id,
      lowName: `${id}/in`,
      highName: `${id}/out`,
    }
  }
  const holes = inside.slice(1).map((_, k) => stack(k + 1, 1))
  const whole = stack(0, 0)
  return {
    kind: 'moved',
    by,
    solid: holes.length === 0 ? whole : { kind: 'difference', from: whole, minus: holes },
  }
}

/** How near to level, to square and to equal, mm and degrees, what a saw is set to once must be. */
const [SQUARE_MM, EQUAL_DEG] = [0.05, 0.02]

/**
 * Bevels of a plank of four sides, two of them level and sawn at one tilt; null for any other, which is cut to its drawn
 * outlines.
 */
function bevelsOf(shape: PlankShape, length: number): StripBevels | null {
  const [cast] = shape.cast
  const [edges] = shape.edges
  if (shape.cast.length !== 1 || cast!.length !== 4 || shape.inside[0]!.length !== 4) return null
  const foot = cast!.reduce((best, p, i) => {
    const own = (p[1] + cast![(i + 1) % 4]![1]) / 2
    const least = (cast![best]![1] + cast![(best + 1) % 4]![1]) / 2
    return own < least - 1e-6 ? i : best
  }, 0)
  const side = (k: number) => {
    const i = (foot + k) % 4
    return { from: cast![i]!, to: cast![(i + 1) % 4]!, edge: edges![i]! }
  }
  const [low, end, high, start] = [side(0), side(1), side(2), side(3)]
  if (![low, high].every(({ from, to }) => Math.abs(from[1] - to[1]) < SQUARE_MM)) return null
  if (Math.abs(low.edge.bevelDeg + high.edge.bevelDeg) > EQUAL_DEG) return null
  // Off the square across the face: positive where the upper edge is the longer one.
  const mitre = (run: number, rise: number) => tidy((Math.atan2(run, rise) * 180) / Math.PI)
  return {
    startBevelDeg: start.edge.bevelDeg,
    endBevelDeg: end.edge.bevelDeg,
    startMitreDeg: mitre(start.to[0] - start.from[0], start.from[1] - start.to[1]),
    endMitreDeg: mitre(end.to[0] - end.from[0], end.to[1] - end.from[1]),
    edgeDeg: tidy(high.edge.bevelDeg),
    startKind: start.edge.kind,
    endKind: end.edge.kind,
    insideLengthMm: Math.max(Math.abs(low.to[0] - low.from[0]), Math.abs(high.to[0] - high.from[0])),
    leadMm: Math.max(0, (length - Math.abs(low.to[0] - low.from[0])) / 2),
  }
}
const tidy = (n: number): number => (Math.abs(n) < 0.005 ? 0 : n)

/** Equal shapes are cut in one row: the corners of both faces to 0.01 mm, from the lowest and leftmost on. */
function signature({ inside, outside }: PlankShape, [x0, y0]: Point): string {
  const text = (ring: readonly Point[], from: number) =>
    ring.map((_, i) => {
      const [x, y] = ring[(from + i) % ring.length]!
      return `${(x - x0).toFixed(2)},${(y - y0).toFixed(2)}`
    })
  return inside
    .map((ring, k) => {
      const first = ring.reduce((best, p, i) => {
        const [own, least] = [p[1] + p[0] * 1e-3, ring[best]![1] + ring[best]![0] * 1e-3]
        return own < least - 1e-4 ? i : best
      }, 0)
      return [...text(ring, first), '|', ...text(outside[k]!, first)].join(' ')
    })
    .join('/')
}

/** The saw's tilt along each edge of a plank without holes, from its lowest edge round. */
function tilts({ cast, edges }: PlankShape): number[] {
  const [ring] = cast
  if (cast.length !== 1 || ring === undefined) return []
  const level = (i: number) => ring[i]![1] + ring[(i + 1) % ring.length]![1]
  const first = ring.reduce((best, _, i) => (level(i) < level(best) - 1e-4 ? i : best), 0)
  return ring.map((_, i) => tidy(edges[0]![(first + i) % ring.length]!.bevelDeg))
}

/** Lines of the planks that no table tells: their inside face, and their outside face where it is another. */
export function plankOutlines(planks: readonly Plank[]): PartOutline[] {
  return planks
    .filter(({ part }) => part.drawn !== undefined)
    .flatMap(({ part, shape }): PartOutline[] => {
      const [min] = boxOf([...shape.inside, ...shape.outside].flat())
      const loops = (rings: readonly (readonly Point[])[]) =>
        rings.map((ring) =>
          ring.map((p, i) => {
            const q = ring[(i + 1) % ring.length]!
            return {
              name: part.name,
              from: [p[0] - min[0], p[1] - min[1]] as Point,
              to: [q[0] - min[0], q[1] - min[1]] as Point,
              arc: null,
            }
          }),
        )
      const bevelled = shape.edges.flat().some((e) => Math.abs(e.bevelDeg) > EQUAL_DEG)
      return bevelled
        ? [
            { name: `${part.name}, inside face`, loops: loops(shape.inside) },
            { name: `${part.name}, outside face`, loops: loops(shape.outside) },
          ]
        : [{ name: part.name, loops: loops(shape.inside) }]
    })
}

/** How much a wedge opens towards the hollow it is drawn into, degrees to either side [own]; room beside the boards, mm. */
const [WEDGE_DEG, ROOM] = [8, 5]

/**
 * The widest wall of a core parted by a wedge: with it drawn, both halves slide towards each other by more than a board's
 * thickness, off the mitres of their neighbours.
 */
export function partWall(planks: readonly Plank[], core: CoreBox): Plank[] {
  const walls = planks.filter((p) => p.core === core && Math.abs(p.shape.by.z[2]) < 0.9)
  const widest = walls.reduce((a, b) => (b.part.lengthMm > a.part.lengthMm + 1e-6 ? b : a))
  return planks.flatMap((p): Plank[] => (p === widest ? parted(p) : [p]))
}

function parted(plank: Plank): Plank[] {
  const { part, shape } = plank
  const t = part.thicknessMm
  const [min, max] = boxOf(shape.inside.flat())
  const middle = (min[0] + max[0]) / 2
  const half = t + ROOM / 2
  const slope = Math.tan((WEDGE_DEG * Math.PI) / 180)
  const { x, z, origin } = shape.by
  const size = Math.hypot(1, slope)
  /** Keeps what lies beyond a plane that opens by the wedge's slope, `way` along the wall. */
  const beyond = (solid: SolidRecipe, at: number, way: 1 | -1, leans: 1 | -1): SolidRecipe => {
    const along = (k: 0 | 1 | 2) => (way * x[k] + leans * slope * z[k]) / size
    const normal: Vector = [along(0), along(1), along(2)]
    const offset = (way * at) / size + normal[0] * origin[0] + normal[1] * origin[1] + normal[2] * origin[2]
    return trimmed(solid, normal, offset, part.id)
  }
  /** Its faces between two places along the wall, each moving with the wedge's slope towards the outside face. */
  const between = (from: number | null, to: number | null, opens: 1 | -1): PlankShape => {
    const cut = (ring: readonly Point[], out: number): Point[] => {
      const after = from === null ? [...ring] : clipRing(ring, [1, 0], from - opens * out)
      return to === null ? after : clipRing(after, [-1, 0], -(to + opens * out))
    }
    return {
      ...shape,
      inside: shape.inside.map((ring) => cut(ring, 0)),
      outside: shape.outside.map((ring) => cut(ring, t * slope)),
    }
  }
  const own = (
    is: 'first' | 'second' | 'wedge',
    name: string,
    cutTo: PlankShape,
    recipe: SolidRecipe,
  ): Plank => {
    const [low, high] = boxOf([...cutTo.inside, ...cutTo.outside].flat())
    return {
      ...plank,
      shape: cutTo,
      part: {
        ...part,
        id: `${part.id}/${is}`,
        source: { of: 'plank', n: shape.face + 1, is },
        name: `${part.name}, ${name}`,
        lengthMm: high[0] - low[0],
        widthMm: high[1] - low[1],
        bevels: null,
        drawn: { key: signature(cutTo, low), bevelsDeg: [] },
        ...(is === 'wedge' && { pull: z }),
        mass: {
          volume: Math.max(1, ((areaOf(cutTo.inside) + areaOf(cutTo.outside)) / 2) * t),
          kgPerM3: part.mass!.kgPerM3,
        },
        recipe,
      },
    }
  }
  const { recipe } = part
  const [a, b] = [middle - half, middle + half]
  return [
    own('first', 'first half', between(null, a, -1), beyond(recipe, a, -1, -1)),
    own('wedge', 'wedge', between(a, b, 1), beyond(beyond(recipe, a, 1, 1), b, -1, 1)),
    own('second', 'second half', between(b, null, -1), beyond(recipe, b, 1, -1)),
  ]
}

/** Pairs of planks with the joint between them, each once: the plank that runs past first. */
export function jointsOf(
  planks: readonly Plank[],
): { readonly over: Plank; readonly under: Plank; readonly edge: PlankEdge }[] {
  const byFace = new Map(planks.map((p) => [p.shape.face, p]))
  return planks.flatMap((plank) =>
    plank.shape.edges.flat().flatMap((edge) => {
      const other = byFace.get(edge.beside)
      if (!other || byFace.get(plank.shape.face) !== plank) return []
      const first = edge.kind === 'over' || (edge.kind === 'mitre' && plank.shape.face < edge.beside)
      return first ? [{ over: plank, under: other, edge }] : []
    }),
  )
}
