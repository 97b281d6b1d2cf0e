import {
  insetPath,
  loftCounts,
  loftPoints,
  type PathCorner,
  type Point,
  type SolidRecipe,
} from '../../geometry/index.ts'
import type { SideId } from '../../job/index.ts'
import {
  apronCutters,
  loftLoop,
  nameOfSide,
  OUTLINE_NAMES,
  type PieceGeometry,
  pouredPlacement,
  sidesOf,
} from '../../piece/index.ts'
import type { Board } from '../../stock/index.ts'
import { type BarePart, barePart, DOWN, oneLayer, UP } from '../bareParts.ts'
import { chooseLaminate } from '../laminate.ts'
import { type BoxedSlab, leanOf, stripHigh } from './boxedSlab.ts'
import { boxInside } from './boxInside.ts'
import { leanInset, quad, ruled } from './leaning.ts'

/** A liner of rubber or moulded plastic, kg/m3 [own]. */
const LINER_KG_PER_M3 = 1100

type Four = readonly [Point, Point, Point, Point]

/** Corners of a band along a side at one level: from `inner` inside the plan out to `outer`, mitred to its neighbours. */
function band(
  path: readonly PathCorner[],
  i: number,
  inner: (side: SideId) => number,
  outer: (side: SideId) => number,
): Four {
  const j = (i + 1) % path.length
  const [near, far] = [insetPath(path, inner), insetPath(path, outer)]
  const at = (p: readonly PathCorner[], k: number): Point => [p[k]!.x, p[k]!.y]
  return [at(near, i), at(near, j), at(far, j), at(far, i)]
}

/** A textured sheet on each lined side, between the strip and the cast, mitred where two lined sides meet. */
export function linerParts(piece: BoxedSlab, path: readonly PathCorner[]): BarePart[] {
  if (path.some((c) => c.run.kind === 'arc')) return curvedLiners(piece, path)
  return sidesOf(piece).flatMap((side): BarePart[] => {
    const { liner } = piece.sides[side]!
    const i = path.findIndex((c) => c.side === side)
    if (liner <= 0 || path[i]?.run.kind !== 'line') return []
    const high = stripHigh(piece, side)
    const level = (z: number) =>
      band(
        path,
        i,
        (s) => piece.sides[s]!.liner + leanInset(leanOf(piece, s), z),
        (s) => leanInset(leanOf(piece, s), z),
      )
    const [low, top] = [level(0), level(high)]
    const length = Math.max(...[low, top].map((c) => spanOf(c[3], c[2])))
    const slope = Math.hypot(1, leanOf(piece, side).slope)
    return [
      barePart({
        id: `liner/${side}`,
        role: 'liner',
        source: { of: 'side', side },
        name: `${nameOfSide(piece.outline, side)} liner`,
        lengthMm: length,
        widthMm: high * slope,
        thicknessMm: liner,
        pull: outward(low),
        foot: null,
        atOutline: quad(leanOf(piece, side).slope < 0 ? top : low, `liner/${side}`),
        mass: {
          volume: ((spanOf(low[0], low[1]) + spanOf(low[3], low[2])) / 2) * liner * high,
          kgPerM3: LINER_KG_PER_M3,
        },
        recipe: ruled(low, top, 0, high, `liner/${side}`),
      }),
    ]
  })
}

/**
 * Liners of a plan with curved sides, all upright: each the ground between its side and the same side moved in, from
 * where the one before it ends to where the next begins.
 */
function curvedLiners(piece: BoxedSlab, path: readonly PathCorner[]): BarePart[] {
  const sharp = path.map((c) => ({ ...c, radius: 0 }))
  const loopAt = (insetOf: (side: SideId) => number) =>
    loftLoop(sharp, OUTLINE_NAMES, (side) => [{ z: 0, inset: insetOf(side), name: side }])
  const [bare, lined] = [loopAt(() => 0), loopAt((side) => piece.sides[side]!.liner)]
  const counts = loftCounts(bare, 1)
  const [outer, inner] = [bare, lined].map((loop) => loftPoints(loop, 0, 1, counts))
  let first = 0
  return sharp.flatMap(({ side, run }, i): BarePart[] => {
    const { corner, side: between } = counts[i]!
    const [from, to] = [first, first + corner + between]
    first = to
    const { liner } = piece.sides[side]!
    if (liner <= 0) return []
    const along = (points: readonly Point[]) => [...points.slice(from, to), points[to % points.length]!]
    const [face, back] = [along(inner!), along(outer!)]
    const lengthOf = (line: readonly Point[]) =>
      line.slice(1).reduce((sum, p, k) => sum + spanOf(line[k]!, p), 0)
    const high = stripHigh(piece, side)
    const lengthMm = (lengthOf(face) + lengthOf(back)) / 2
    return [
      barePart({
        id: `liner/${side}`,
        role: 'liner',
        source: { of: 'side', side },
        name: `${nameOfSide(piece.outline, side)} liner${run.kind === 'arc' ? ', bent' : ''}`,
        lengthMm,
        widthMm: high,
        thicknessMm: liner,
        pull: outward([back[0]!, back.at(-1)!, back.at(-1)!, back[0]!]),
        foot: null,
        mass: { volume: lengthMm * liner * high, kgPerM3: LINER_KG_PER_M3 },
        recipe: {
          kind: 'plate',
          region: [[...back, ...face.toReversed()]],
          low: 0,
          high,
          name: `liner/${side}`,
        },
      }),
    ]
  })
}

const spanOf = (a: Point, b: Point): number => Math.hypot(b[0] - a[0], b[1] - a[1])
const outward = ([a, b]: Four): readonly [number, number, number] => {
  const length = spanOf(a, b) || 1
  return [(b[1] - a[1]) / length, (a[0] - b[0]) / length, 0]
}

/**
 * What forms the back of the aprons. Top down they rise above the slab: a board stands behind each, hung from a bridge
 * with its foot on the strike-off line. Underside down they hang into the mould: the base is built up behind them.
 */
export function apronParts(
  piece: BoxedSlab,
  geometry: PieceGeometry,
  path: readonly PathCorner[],
  sideBoard: (side: SideId) => Board,
  boards: readonly Board[],
): BarePart[] {
  const aproned = sidesOf(piece).filter((s) => piece.sides[s]!.apron)
  if (aproned.length === 0) return []
  if (piece.attitude.down === 'bottom') return [builtUpFloor(piece, geometry, path, boards)]
  const backs = aproned.map((side) => ({ side, back: apronBack(piece, path, side, sideBoard(side)) }))
  const cast: SolidRecipe = {
    kind: 'moved',
    solid: geometry.recipe!,
    by: pouredPlacement(piece.attitude, geometry),
  }
  return backs.map(({ side, back }) => {
    const i = path.findIndex((c) => c.side === side)
    const { drop } = piece.sides[side]!.apron!
    const beside = [i - 1, i + 1].map((k) => path[(k + path.length) % path.length]!.side)
    const shallower = backs.filter(
      (b) => beside.includes(b.side) && piece.sides[b.side]!.apron!.drop < drop - 1e-9,
    )
    if (shallower.length === 0) return back
    // It runs on over a shallower apron, and is notched round that one and its back.
    return {
      ...back,
      name: `${back.name}, notched`,
      recipe: {
        kind: 'difference',
        from: back.recipe,
        minus: [cast, ...shallower.map((b) => b.back.recipe)],
      },
    }
  })
}

function apronBack(piece: BoxedSlab, path: readonly PathCorner[], side: SideId, board: Board): BarePart {
  const { drop } = piece.sides[side]!.apron!
  const { high } = piece.poured
  const t = board.thickness
  const i = path.findIndex((c) => c.side === side)
  // A neighbour with as deep an apron has a back of its own, mitred to this one; else this one runs to its strip.
  const depthOf = (s: SideId, z: number, more: number): number => {
    const { apron, liner } = piece.sides[s]!
    return apron && apron.drop >= drop - 1e-9
      ? apron.thickness + liner + more
      : liner + leanInset(leanOf(piece, s), z)
  }
  const level = (z: number) =>
    band(
      path,
      i,
      (s) => depthOf(s, z, t),
      (s) => depthOf(s, z, 0),
    )
  const [low, top] = [level(high), level(high + drop)]
  const ends = [low, top].flatMap((c) => [spanOf(c[0], c[1]), spanOf(c[3], c[2])])
  const bevel = (from: Point, to: Point, way: 1 | -1) => {
    const [ux, uy] = [(low[2][0] - low[3][0]) / (ends[1] || 1), (low[2][1] - low[3][1]) / (ends[1] || 1)]
    return (way * Math.atan2((to[0] - from[0]) * ux + (to[1] - from[1]) * uy, t) * 180) / Math.PI
  }
  const insideLengthMm = spanOf(low[3], low[2])
  return barePart({
    id: `apron/${side}`,
    role: 'former',
    source: { of: 'apron', side },
    name: `${nameOfSide(piece.outline, side)} apron back`,
    boardId: board.id,
    lengthMm: Math.max(...ends),
    widthMm: drop,
    thicknessMm: t,
    layers: oneLayer(board),
    pull: UP,
    bevels: {
      startBevelDeg: bevel(low[3], low[0], -1),
      endBevelDeg: bevel(low[2], low[1], 1),
      startMitreDeg: 0,
      endMitreDeg: 0,
      edgeDeg: 0,
      startKind: 'mitre',
      endKind: 'mitre',
      insideLengthMm,
      leadMm: 0,
    },
    foot: null,
    atOutline: quad(low, `apron/${side}`),
    mass: { volume: ((ends[0]! + ends[1]!) / 2) * t * drop, kgPerM3: board.densityKgPerM3 },
    recipe: ruled(low, top, high, high + drop, `apron/${side}`),
  })
}

function builtUpFloor(
  piece: BoxedSlab,
  geometry: PieceGeometry,
  path: readonly PathCorner[],
  boards: readonly Board[],
): BarePart {
  const by = pouredPlacement(piece.attitude, geometry)
  const { low } = piece.poured
  const hollows = apronCutters({ ...piece, attitude: { down: 'bottom', turnDeg: 0 } })
  const laminate = chooseLaminate(low, boards)
  const behind = insetPath(path, (side) => {
    const { apron, liner } = piece.sides[side]!
    return liner + (apron?.thickness ?? 0)
  })
  const span = (of: (c: PathCorner) => number) => Math.max(...behind.map(of)) - Math.min(...behind.map(of))
  const [length, width] = [span((c) => c.x), span((c) => c.y)]
  const recipe: SolidRecipe = {
    kind: 'intersection',
    of: [
      boxInside(piece, geometry, 0, low, 'apron/floor'),
      { kind: 'moved', by, solid: hollows.length === 1 ? hollows[0]! : { kind: 'union', of: hollows } },
    ],
  }
  return barePart({
    id: 'apron/floor',
    role: 'former',
    source: { of: 'apron', side: null },
    name: 'built-up floor behind the aprons',
    lengthMm: length,
    widthMm: width,
    thicknessMm: low,
    layers: laminate?.layers ?? [],
    laminate,
    pull: DOWN,
    foot: null,
    mass: { volume: length * width * low, kgPerM3: boards[0]?.densityKgPerM3 ?? 650 },
    recipe,
  })
}
