import {
  addBulks,
  type Bulk,
  edgeDeep,
  type Kernel,
  measureRecipe,
  type PathCorner,
  rectangleLoop,
  type SideProfile,
  type SolidRecipe,
  type Vector,
} from '../../geometry/index.ts'
import { type BoxPiece, findingList } from '../../job/index.ts'
import { levelFace, sideFace } from '../frames.ts'
import { loftLoop } from '../loftLoop.ts'
import type { Built, FlatFace } from '../types.ts'
import { wallProfile } from '../wallProfile.ts'
import type { PieceFindings } from '../words.ts'
import { boxPanels } from './panels.ts'

const SIDES = ['front', 'right', 'back', 'left'] as const

/** A rectangle as a loft's loop with one profile a side. */
function rectangle(
  [x, y]: readonly [number, number],
  length: number,
  width: number,
  radius: number,
  names: { side: (id: string) => string; corner: (a: string, b: string) => string },
  profile: (side: string) => SideProfile,
) {
  const path: PathCorner[] = [
    [x, y],
    [x + length, y],
    [x + length, y + width],
    [x, y + width],
  ].map(([px, py], i) => ({ x: px!, y: py!, radius, side: SIDES[i]!, run: { kind: 'line' } }))
  return loftLoop(path, names, profile)
}

/** A box or planter: cast in one over a core, or built of panels. */
export function buildBox(_: Kernel, piece: BoxPiece): Built {
  return piece.built ? buildFromPanels(piece) : castBox(piece)
}

/** How much wall is left at the foot: the outside comes in by its taper, the core by its draft. */
const coreInset = (piece: BoxPiece, z: number): number =>
  Math.tan((piece.coreDraftDeg * Math.PI) / 180) * (piece.height - z)

function castBox(piece: BoxPiece): Built {
  const { length, width, height, taper, wall, floor } = piece
  const findings = checkBox(piece)
  const stopped = findings.some((f) => f.level === 'stop')
  const outerLoop = rectangle(
    [0, 0],
    length,
    width,
    piece.radiusOutside,
    { side: (id) => `side/${id}`, corner: (a, b) => `corner/${a}-${b}` },
    (id) =>
      wallProfile({
        low: 0,
        high: height,
        insetLow: Math.max(0, taper),
        insetHigh: Math.max(0, -taper),
        top: piece.rim,
        bottom: piece.foot,
        names: { wall: `side/${id}`, top: `edge/${id}/top`, bottom: `edge/${id}/bottom` },
      }),
  )
  const outside: SolidRecipe = {
    kind: 'loft',
    outline: outerLoop,
    holes: [],
    low: 0,
    high: height,
    lowName: 'bottom',
    highName: 'top',
  }
  const rimInset = Math.max(0, -taper)
  const core = (past: number): SolidRecipe => ({
    kind: 'loft',
    outline: rectangle(
      [wall + rimInset, wall + rimInset],
      length - 2 * (wall + rimInset),
      width - 2 * (wall + rimInset),
      piece.radiusInside,
      { side: (id) => `inside/${id}`, corner: (a, b) => `inside/${a}-${b}` },
      (id) => [
        { z: floor, inset: coreInset(piece, floor), name: `inside/${id}` },
        { z: height, inset: 0, name: `inside/${id}` },
      ],
    ),
    holes: [],
    low: floor,
    high: height + past,
    lowName: 'inside/floor',
    highName: 'top',
  })
  const drains = drainHoles(piece)
  const holes = potHoles(piece)
  const exact = drains.map(([x, y], i) =>
    upright(`drain/${i + 1}`, x, y, piece.drains.diameter / 2, 0, floor),
  )
  const castBulk = (): Bulk | null => {
    const taken = [...exact.map(measureRecipe), ...sideHoleBulks(piece)]
    if (taken.some((bulk) => bulk === null)) return null
    return addBulks([
      [1, measureRecipe(outside)!],
      [-1, measureRecipe(core(0))!],
      ...taken.map((bulk) => [-1, bulk!] as const),
    ])
  }
  const footWall = wall + rimInset + coreInset(piece, floor) - wallInsetAt(piece, floor)
  return {
    ...held(measureRecipe(core(0))?.volume ?? null),
    inside: {
      rim: [length - 2 * (wall + rimInset), width - 2 * (wall + rimInset)],
      floor: [
        length - 2 * (wall + rimInset + coreInset(piece, floor)),
        width - 2 * (wall + rimInset + coreInset(piece, floor)),
      ],
      wallRim: wall,
      wallFloor: footWall,
      depth: height - floor,
    },
    geometry: {
      length,
      width,
      height,
      low: 0,
      thickness: height,
      outline: rectangleLoop([0, 0], length, width, sameRadius(Math.max(0, piece.radiusOutside - rimInset)), {
        sides: ['side/front', 'side/right', 'side/back', 'side/left'],
        corners: ['corner/left-front', 'corner/front-right', 'corner/right-back', 'corner/back-left'],
      }),
      openings: [],
      recipe: stopped ? null : { kind: 'difference', from: outside, minus: [core(1), ...holes] },
      faces: stopped ? [] : boxFaces(piece),
      blocks: [],
      thinnest:
        Math.min(footWall, wall) < floor
          ? {
              mm: Math.min(footWall, wall),
              where: footWall < wall ? 'the wall at the floor' : 'the wall at the rim',
            }
          : { mm: floor, where: 'the floor' },
    },
    bulk: stopped ? measureRecipe(outside) : castBulk(),
    showFaceArea: 2 * (length + width) * height,
    findings,
  }
}

const sameRadius = (r: number): [number, number, number, number] => [r, r, r, r]

/** How far the outside has come in at height z, mm. */
const wallInsetAt = ({ taper, height }: BoxPiece, z: number): number =>
  taper >= 0 ? (taper * (height - z)) / height : (-taper * z) / height

function upright(name: string, x: number, y: number, radius: number, low: number, high: number): SolidRecipe {
  return {
    kind: 'turned',
    at: [x, y],
    profile: [
      { radius: 0, z: low, name },
      { radius, z: low, name },
      { radius, z: high, name },
      { radius: 0, z: high, name },
    ],
  }
}

/** Drain holes in a row along the middle of the floor, with equal gaps. */
export function drainHoles({ drains, length, width, wall }: BoxPiece): [number, number][] {
  const inside = length - 2 * wall
  return Array.from({ length: drains.count }, (_, i) => [
    wall + (inside * (i + 1)) / (drains.count + 1),
    width / 2,
  ])
}

/** What is cut out of a pot for its drains and side holes, a little past its faces. */
export const potHoles = (piece: BoxPiece): SolidRecipe[] => [
  ...drainHoles(piece).map(([x, y], i) =>
    upright(`drain/${i + 1}`, x, y, piece.drains.diameter / 2, -1, piece.floor + 1),
  ),
  ...piece.sideHoles.map((h) => sideHole(piece, h)),
]

function sideHole(piece: BoxPiece, hole: BoxPiece['sideHoles'][number]): SolidRecipe {
  const reach = Math.max(piece.wall * 2, piece.wall + coreInset(piece, 0)) + Math.abs(piece.taper) + 2
  const solid = upright(`hole/${hole.id}`, 0, 0, hole.diameter / 2, -2, reach)
  const { length, width } = piece
  // The bar's z runs inward, square to the side.
  const by = {
    front: { x: [1, 0, 0], y: [0, 0, -1], z: [0, 1, 0], origin: [length / 2 + hole.u, 0, hole.v] },
    back: { x: [1, 0, 0], y: [0, 0, 1], z: [0, -1, 0], origin: [length / 2 - hole.u, width, hole.v] },
    left: { x: [0, 1, 0], y: [0, 0, 1], z: [1, 0, 0], origin: [0, width / 2 - hole.u, hole.v] },
    right: { x: [0, 1, 0], y: [0, 0, -1], z: [-1, 0, 0], origin: [length, width / 2 + hole.u, hole.v] },
  } as const
  return { kind: 'moved', solid, by: by[hole.side] }
}

/**
 * The concrete each side hole takes: a bar between two planes, exact by its length at the middle, its moment with the
 * planes' lean over the disc (second moment A r^2/4). Null where a hole meets more than the flat of one wall.
 */
function sideHoleBulks(piece: BoxPiece): (Bulk | null)[] {
  const { length, width, height, wall, floor, taper, rim, foot } = piece
  const rimInset = Math.max(0, -taper)
  const outerLean = -taper / height
  const innerLean = -Math.tan((piece.coreDraftDeg * Math.PI) / 180)
  return piece.sideHoles.map((hole, i) => {
    const { side, u, v } = hole
    const r = hole.diameter / 2
    const along = side === 'front' || side === 'back' ? length : width
    const rounded = Math.max(piece.radiusOutside, piece.radiusInside)
    const flat = along / 2 - wall - Math.abs(taper) - coreInset(piece, 0) - rounded
    const meets = piece.sideHoles.some(
      (o, j) => j !== i && o.side === side && Math.hypot(o.u - u, o.v - v) < (o.diameter + hole.diameter) / 2,
    )
    if (meets || Math.abs(u) + r > flat || v - r < Math.max(floor, edgeDeep(foot))) return null
    if (v + r > height - edgeDeep(rim)) return null
    const area = Math.PI * r * r
    const [outer, inner] = [wallInsetAt(piece, v), wall + rimInset + coreInset(piece, v)]
    const second = (area * r * r) / 4
    const volume = area * (inner - outer)
    const inward = (area * (inner ** 2 - outer ** 2) + second * (innerLean ** 2 - outerLean ** 2)) / 2
    const up = volume * v + second * (innerLean - outerLean)
    const moment: Record<typeof side, Vector> = {
      front: [volume * (length / 2 + u), inward, up],
      back: [volume * (length / 2 - u), volume * width - inward, up],
      left: [inward, volume * (width / 2 - u), up],
      right: [volume * length - inward, volume * (width / 2 + u), up],
    }
    return { volume, area: 0, moment: moment[side] }
  })
}

function boxFaces(piece: BoxPiece): FlatFace[] {
  const { length, width, height, taper, wall } = piece
  const [low, high] = [Math.max(0, taper), Math.max(0, -taper)]
  const ring = (inset: number): [number, number][] => [
    [inset, inset],
    [length - inset, inset],
    [length - inset, width - inset],
    [inset, width - inset],
  ]
  const at = (corner: number, z: number, inset: number): Vector =>
    [...ring(inset)[corner]!, z] as unknown as Vector
  const sides = SIDES.flatMap((id, i): FlatFace[] => {
    const j = (i + 1) % 4
    const face = sideFace(`side/${id}`, `${id} side`, [
      at(i, 0, low),
      at(j, 0, low),
      at(j, height, high),
      at(i, height, high),
    ])
    return face ? [face] : []
  })
  return [
    levelFace('top', [ring(high), [...ring(high + wall)].reverse()], height),
    levelFace('bottom', [ring(low)], 0),
    ...sides,
  ]
}

function checkBox(piece: BoxPiece) {
  const { findings, raise } = findingList<PieceFindings>('piece', piece.id, 'piece', piece.id)
  const { length, width, height, wall, floor, taper } = piece
  const short = Math.min(length, width)
  const rim = Math.max(0, -taper)
  if (2 * Math.abs(taper) >= short) raise('taper-closes', 'stop', { taperMm: taper, acrossMm: short })
  else if (2 * (wall + rim) >= short)
    raise('wall-negative', 'stop', { wallMm: wall, insideMm: short - 2 * wall, outsideMm: short })
  else if (floor >= height) raise('floor-too-thick', 'stop', { floorMm: floor, heightMm: height })
  else if (2 * (wall + rim + coreInset(piece, floor)) >= short)
    raise('core-closes', 'stop', { draftDeg: piece.coreDraftDeg, acrossMm: short - 2 * (wall + rim) })
  else {
    const left = wall + rim + coreInset(piece, floor) - wallInsetAt(piece, floor)
    if (left <= 0) raise('core-breaks-through', 'stop', { wallMm: wall, taperMm: taper, leftMm: left })
    const inner = short - 2 * (wall + rim)
    if (piece.radiusOutside * 2 > short - 2 * rim)
      raise('corner-radius', 'stop', {
        corner: 'of the outside',
        radiusMm: piece.radiusOutside,
        mostMm: short / 2 - rim,
        fitsMm: short / 2 - rim,
      })
    if (piece.radiusInside * 2 > inner)
      raise('corner-radius', 'stop', {
        corner: 'of the inside',
        radiusMm: piece.radiusInside,
        mostMm: inner / 2,
        fitsMm: inner / 2,
      })
    // Across a rounded corner the wall is thinnest on the diagonal.
    const diagonal = (wall + rim) * Math.SQRT2 - (piece.radiusOutside - piece.radiusInside) * (Math.SQRT2 - 1)
    if (diagonal <= 0)
      raise('core-breaks-through', 'stop', { wallMm: wall, taperMm: taper, leftMm: diagonal })
    const edges = edgeDeep(piece.rim) + edgeDeep(piece.foot)
    if (edges > height || (piece.rim.kind !== 'square' && piece.rim.size >= wall))
      raise('edge-too-deep', 'stop', {
        side: 'rim',
        edgeMm: edges,
        thicknessMm: Math.min(wall, height),
        fitsMm: Math.floor(wall / 2),
      })
    if (piece.drains.count > 0 && piece.drains.diameter >= width - 2 * wall - 2 * coreInset(piece, floor))
      raise('drain-too-wide', 'stop', { diameterMm: piece.drains.diameter, acrossMm: width - 2 * wall })
    if (
      piece.drains.count > 0 &&
      piece.drains.count * piece.drains.diameter >= length - 2 * wall - 2 * coreInset(piece, floor)
    )
      raise('drain-too-wide', 'stop', { diameterMm: piece.drains.diameter, acrossMm: length - 2 * wall })
    for (const hole of piece.sideHoles) {
      const across = hole.side === 'front' || hole.side === 'back' ? length : width
      const r = hole.diameter / 2
      if (Math.abs(hole.u) + r >= across / 2 - wall || hole.v - r <= 0 || hole.v + r >= height)
        raise('hole-off-the-side', 'stop', { hole: hole.name, side: hole.side, diameterMm: hole.diameter })
    }
    if (piece.drains.count === 0 && piece.sideHoles.length === 0)
      raise('no-drain', 'warn', { heightMm: height })
  }
  return findings
}

function buildFromPanels(piece: BoxPiece): Built {
  const { findings, raise } = findingList<PieceFindings>('piece', piece.id, 'piece', piece.id)
  const { length, width, height, wall, floor } = piece
  const glue = piece.built?.glue ?? 0
  if (2 * (wall + glue) >= Math.min(length, width))
    raise('wall-negative', 'stop', {
      wallMm: wall,
      insideMm: Math.min(length, width) - 2 * wall,
      outsideMm: Math.min(length, width),
    })
  if (floor + glue >= height) raise('floor-too-thick', 'stop', { floorMm: floor, heightMm: height })
  const dividers = piece.built?.dividers ?? 0
  if (dividers * wall >= length - 2 * wall)
    raise('dividers-fill', 'stop', { dividers, insideMm: length - 2 * wall, wallMm: wall })
  if (piece.taper !== 0) raise('panels-upright', 'note', { taperMm: piece.taper })
  const stopped = findings.some((f) => f.level === 'stop')
  const { panels, glueLines } = stopped ? { panels: [], glueLines: [] } : boxPanels(piece)
  const straight = { ...piece, taper: 0 }
  return {
    geometry: {
      length,
      width,
      height,
      low: 0,
      thickness: height,
      outline: rectangleLoop([0, 0], length, width, [0, 0, 0, 0], {
        sides: ['side/front', 'side/right', 'side/back', 'side/left'],
        corners: ['corner', 'corner', 'corner', 'corner'],
      }),
      openings: [],
      recipe: panels.length === 0 ? null : { kind: 'union', of: panels.map((p) => p.recipe) },
      faces: stopped ? [] : boxFaces(straight),
      blocks: panels,
      thinnest:
        wall <= floor ? { mm: wall, where: 'the side panels' } : { mm: floor, where: 'the floor panel' },
    },
    bulk: panels.length === 0 ? null : addBulks(panels.map((p) => [1, measureRecipe(p.recipe)!] as const)),
    showFaceArea: 2 * (length + width) * height,
    findings,
    notes: glueLines,
  }
}

/** What it holds, where that is known. */
const held = (volume: number | null): { holds?: number } => (volume === null ? {} : { holds: volume })
