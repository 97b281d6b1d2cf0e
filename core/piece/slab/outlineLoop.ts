import {
  boundLoop,
  insetPath,
  type Loop,
  type PathCorner,
  type PathNames,
  type Point,
  pathLoop,
  shiftPath,
} from '../../geometry/index.ts'
import type { OpeningShape, Outline, SideId, SlabPiece } from '../../job/index.ts'
import { sideNames } from './sideNames.ts'

/** The sides of a rectangle; a polygon has its own. */
export const SIDES: readonly SideId[] = ['front', 'right', 'back', 'left']

export const sideName = (id: SideId): string => `side/${id}`
/** A side of a drawn profile as it is said: `side-5` is side 5. The sides of a plan are called by where they lie. */
export const sideWords = (id: SideId): string => id.replaceAll('-', ' ')

/** The sides of a drawn profile by their ids: it lies upright, and has no front. */
const profileNames = (path: readonly { readonly side: SideId }[]): ReadonlyMap<SideId, string> =>
  new Map(path.map(({ side }) => [side, sideWords(side)]))

/** What was named before: each part of a mould asks for its side, and an outline never changes. */
const named = new WeakMap<Outline, ReadonlyMap<SideId, string>>()

/** What a plan's sides are called, by their ids. */
export function sideNamesOf(outline: Outline): ReadonlyMap<SideId, string> {
  const names = named.get(outline) ?? sideNames(outlinePath(outline))
  named.set(outline, names)
  return names
}

/** What one side of a plan is called; its id where the plan has no such side. */
export const nameOfSide = (outline: Outline, id: SideId): string =>
  sideNamesOf(outline).get(id) ?? sideWords(id)

const RECTANGLE_CORNERS: Readonly<Record<string, string>> = {
  'left|front': 'front-left',
  'front|right': 'front-right',
  'right|back': 'back-right',
  'back|left': 'back-left',
}
const cornerId = (before: SideId, after: SideId): string =>
  RECTANGLE_CORNERS[`${before}|${after}`] ?? `${before}-${after}`
export const OUTLINE_NAMES: PathNames = {
  side: sideName,
  corner: (before, after) => `corner/${cornerId(before, after)}`,
}

/** What an edge of an outline is: a side, or the round of a corner. */
export type OutlineEdge = {
  readonly of: 'side' | 'corner'
  readonly id: string
  /** As it is said: `front`, `side 5`, `front left`. */
  readonly words: string
}

/**
 * The edges of a path by the names its loop has, so that no name needs to be read; `names` are what its sides are called as
 * placed, whichever way the path lies. A path walked the other way names
 * its corners by the same two sides the other way round: it finds the same edges.
 */
export function outlineEdges(
  path: readonly { readonly side: SideId }[],
  names: ReadonlyMap<SideId, string> = profileNames(path),
): ReadonlyMap<string, OutlineEdge> {
  const edges = new Map<string, OutlineEdge>()
  path.forEach(({ side }, i) => {
    const before = path.at(i - 1)!.side
    edges.set(OUTLINE_NAMES.side(side), { of: 'side', id: side, words: names.get(side)! })
    const id = cornerId(before, side)
    for (const name of [OUTLINE_NAMES.corner(before, side), OUTLINE_NAMES.corner(side, before)])
      if (!edges.has(name))
        edges.set(name, { of: 'corner', id, words: cornerWords(names.get(before)!, names.get(side)!) })
  })
  return edges
}

/** A corner as it is said: `front left` where its sides are front and left, else both their names. */
function cornerWords(before: string, after: string): string {
  const [first] = [before, after].filter((name) => name === 'front' || name === 'back')
  const [second] = [before, after].filter((name) => name === 'left' || name === 'right')
  return first && second ? `${first} ${second}` : `${before} and ${after}`
}

/** Where the lower left of a drawn outline's box lies in its own coordinates. */
export const outlineStart = (outline: Outline): Point =>
  outline.kind === 'rectangle' ? [0, 0] : boundLoop(pathLoop(outline.corners, OUTLINE_NAMES)).min

/** An outline as a path whose plan starts at the origin. */
export function outlinePath(outline: Outline): PathCorner[] {
  if (outline.kind === 'rectangle') {
    const { length, width, radii } = outline
    return [
      [0, 0],
      [length, 0],
      [length, width],
      [0, width],
    ].map(([x, y], i) => ({ x: x!, y: y!, radius: radii[i]!, side: SIDES[i]!, run: { kind: 'line' } }))
  }
  const min = outlineStart(outline)
  return min[0] === 0 && min[1] === 0 ? outline.corners : shiftPath(outline.corners, -min[0], -min[1])
}

/** The piece's plan as placed, anticlockwise, its sides named; its box starts at the origin. */
export const outlineLoop = (outline: Outline): Loop => pathLoop(outlinePath(outline), OUTLINE_NAMES)

/** Extents of an outline's box, mm. */
export function outlineSize(outline: Outline): { length: number; width: number } {
  if (outline.kind === 'rectangle') return { length: outline.length, width: outline.width }
  const { min, max } = boundLoop(pathLoop(outline.corners, OUTLINE_NAMES))
  return { length: max[0] - min[0], width: max[1] - min[1] }
}

/** The sides of a slab in order. */
export const sidesOf = ({ outline }: SlabPiece): readonly SideId[] =>
  outline.kind === 'rectangle' ? SIDES : outline.corners.map((c) => c.side)

/** A rectangle's outline with these extents; a polygon stretched to them, a round one grown as a whole. */
export function resizedOutline(outline: Outline, size: { length?: number; width?: number }): Outline {
  if (outline.kind === 'rectangle') return { ...outline, ...size }
  const now = outlineSize(outline)
  let [kx, ky] = [(size.length ?? now.length) / now.length, (size.width ?? now.width) / now.width]
  // What is round all about stays round, whichever way it is sized.
  if (outline.corners.every((c) => c.run.kind === 'arc')) {
    const both = size.length === undefined ? ky : size.width === undefined ? kx : Math.sqrt(kx * ky)
    ;[kx, ky] = [both, both]
  }
  const even = Math.sqrt(kx * ky)
  return {
    kind: 'polygon',
    corners: outline.corners.map((c) => ({
      ...c,
      x: tidy(c.x * kx),
      y: tidy(c.y * ky),
      run:
        c.run.kind === 'spline'
          ? { kind: 'spline', through: c.run.through.map(([x, y]): [number, number] => [x * kx, y * ky]) }
          : c.run.kind === 'arc'
            ? { kind: 'arc', rise: tidy(c.run.rise * even) }
            : c.run,
    })),
  }
}
const tidy = (n: number): number => Math.round(n * 1e4) / 1e4

/** An outline as a polygon of its own, to be given more corners. */
export function asPolygon(outline: Outline): Extract<Outline, { kind: 'polygon' }> {
  if (outline.kind === 'polygon') return outline
  return { kind: 'polygon', corners: outlinePath(outline).map((c) => ({ ...c, run: { kind: 'line' } })) }
}

/** How far a shape reaches either way from its middle, along u and v. */
export function halfSize(shape: OpeningShape, turnDeg = 0): Point {
  if (shape.kind === 'round') return [shape.diameter / 2, shape.diameter / 2]
  if (turnDeg % 180 === 0 && shape.kind !== 'polygon') return [shape.length / 2, shape.width / 2]
  const { min, max } = boundLoop(shapeLoop(shape, [0, 0], 'x', turnDeg))
  return [Math.max(-min[0], max[0]), Math.max(-min[1], max[1])]
}

/** A shape smaller all round by `inset` mm (larger when negative); its radius shrinks with it. */
export function insetShape(shape: OpeningShape, inset: number): OpeningShape {
  switch (shape.kind) {
    case 'round':
      return { kind: 'round', diameter: shape.diameter - 2 * inset }
    case 'slot':
      return { kind: 'slot', length: shape.length - 2 * inset, width: shape.width - 2 * inset }
    case 'rectangle':
      return {
        kind: 'rectangle',
        length: shape.length - 2 * inset,
        width: shape.width - 2 * inset,
        radius: Math.max(0, shape.radius - inset),
      }
    case 'polygon':
      return shape.corners.some((c) => c.run.kind !== 'line')
        ? shape
        : {
            ...shape,
            corners: insetPath(shape.corners, () => inset)
              .map(roundedLess(shape.corners, inset))
              .map((c) => ({ ...c, run: { kind: 'line' as const } })),
          }
  }
}

/** Rounded outside corners lose what the sides move in by, inside ones gain it. */
const roundedLess =
  (before: readonly PathCorner[], inset: number) =>
  (corner: PathCorner, i: number): PathCorner => {
    if (corner.radius === 0) return corner
    const [a, b, c] = [-1, 0, 1].map((k) => before[(i + k + before.length) % before.length]!) as [
      PathCorner,
      PathCorner,
      PathCorner,
    ]
    const turn = (b.x - a.x) * (c.y - b.y) - (b.y - a.y) * (c.x - b.x)
    return { ...corner, radius: Math.max(0, corner.radius - Math.sign(turn) * inset) }
  }

/** A shape's boundary about the origin as a path, its sides numbered from 1. */
function shapePath(shape: OpeningShape): PathCorner[] {
  const line = { kind: 'line' } as const
  const rectangle = (length: number, width: number, radius: number): PathCorner[] =>
    [
      [-1, -1],
      [1, -1],
      [1, 1],
      [-1, 1],
    ].map(([x, y], i) => ({
      x: (x! * length) / 2,
      y: (y! * width) / 2,
      radius,
      side: String(i + 1),
      run: line,
    }))
  switch (shape.kind) {
    case 'round': {
      // Four quarter arcs, so that its chords reach the axes and its extents are exact.
      const r = shape.diameter / 2
      const run = { kind: 'arc', rise: r * (1 - Math.SQRT1_2) } as const
      return [
        [r, 0],
        [0, r],
        [-r, 0],
        [0, -r],
      ].map(([x, y]) => ({ x: x!, y: y!, radius: 0, side: '1', run }))
    }
    case 'slot': {
      const [long, short] = [Math.max(shape.length, shape.width), Math.min(shape.length, shape.width)]
      const straight = Math.max(0, long - short)
      const path = rectangle(straight, short, 0)
      const round = { kind: 'arc', rise: short / 2 } as const
      const along = path.map((c, i): PathCorner => ({ ...c, run: i % 2 === 1 ? round : line }))
      return shape.length >= shape.width ? along : along.map((c) => ({ ...c, x: -c.y, y: c.x }))
    }
    case 'rectangle':
      return rectangle(shape.length, shape.width, shape.radius)
    case 'polygon':
      return shape.corners.map((c, i) => ({ ...c, side: String(i + 1) }))
  }
}

/** A path turned about the origin, then moved. */
function turnPath(path: readonly PathCorner[], turnDeg: number, [dx, dy]: Point): PathCorner[] {
  if (turnDeg === 0) return shiftPath(path, dx, dy)
  const [c, s] = [Math.cos((turnDeg * Math.PI) / 180), Math.sin((turnDeg * Math.PI) / 180)]
  const at = ([x, y]: Point): Point => [x * c - y * s + dx, x * s + y * c + dy]
  return path.map((corner) => {
    const [x, y] = at([corner.x, corner.y])
    return {
      ...corner,
      x,
      y,
      run:
        corner.run.kind === 'spline' ? { kind: 'spline', through: corner.run.through.map(at) } : corner.run,
    }
  })
}

const wallNames = (key: string): PathNames => ({
  side: (n) => `opening/${key}/wall/${n}`,
  corner: (before, after) => `opening/${key}/wall/${before}-${after}`,
})

/** An opening's boundary as a path about its middle: for bodies whose walls lean or have rims. */
export const openingPath = (shape: OpeningShape, centre: Point, turnDeg: number): PathCorner[] =>
  turnPath(shapePath(shape), turnDeg, centre)

/** An opening's boundary about its middle, anticlockwise, walls named `opening/<key>/wall/<n>`. */
export const shapeLoop = (shape: OpeningShape, centre: Point, key: string, turnDeg = 0): Loop =>
  pathLoop(openingPath(shape, centre, turnDeg), wallNames(key))
