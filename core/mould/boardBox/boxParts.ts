import {
  type Loop,
  measureRecipe,
  type PathCorner,
  pathLoop,
  type SolidRecipe,
} from '../../geometry/index.ts'
import { loftLoop, type PieceGeometry, pouredLoop, sideNamesOf, sidesOf } from '../../piece/index.ts'
import type { Board } from '../../stock/index.ts'
import { type BarePart, barePart, DOWN, oneLayer, prism } from '../bareParts.ts'
import { chooseLaminate } from '../laminate.ts'
import { bentParts } from './bentParts.ts'
import { type BoxedSlab, leanOf, stripHigh } from './boxedSlab.ts'
import { boxInside, boxPath } from './boxInside.ts'
import { type BoxPlan, boxPlan, extents } from './boxPlan.ts'
import type { BoxStock } from './boxStock.ts'
import { type CornerBlock, cornerBlocks } from './cornerBlocks.ts'
import { edgeParts } from './edgeParts.ts'
import { knockoutParts } from './knockouts.ts'
import { apronParts, linerParts } from './shapedSides.ts'

/** Every part of the box as a solid in place, as poured. Cavity and parts share the piece's own loops. */
export function boxParts(piece: BoxedSlab, geometry: PieceGeometry, stock: BoxStock): BarePart[] {
  const { poured } = piece
  const path = boxPath(piece, geometry)
  const outline = pouredLoop(geometry.outline, piece.attitude, geometry)
  const { sideBoard } = stock
  const names = sideNamesOf(piece.outline)
  const plan = boxPlan(
    path,
    poured.full,
    {
      base: stock.base.thickness,
      sides: (side) => sideBoard(side).thickness,
      skin: stock.skin?.thickness ?? 0,
    },
    piece.mould,
    outline,
    { leanOf: (side) => leanOf(piece, side), highOf: (side) => stripHigh(piece, side) },
    names,
  )
  const thickest = Math.max(...sidesOf(piece).map((s) => sideBoard(s).thickness))
  return [
    basePart(plan, stock.base),
    ...sidesOf(piece).flatMap((side) => {
      const strip = plan.strips.find((s) => s.side === side)
      return strip ? [stripPart(strip, names.get(side)!, plan.stripLow, sideBoard(side))] : []
    }),
    ...bentParts(plan, plan.stripLow, poured.full, stock, piece.mould.overlap, sideBoard),
    ...cornerBlocks(path, outline, thickest, names, piece.mould.rounds).map((block) =>
      cornerPart(piece, geometry, block, plan.stripLow, stock.laminate),
    ),
    ...linerParts(piece, path),
    ...apronParts(piece, geometry, path, sideBoard, stock.laminate),
    ...knockoutParts(piece, geometry, stock),
    ...edgeParts(piece, geometry),
  ]
}

function basePart({ base, baseUnder, baseLow }: BoxPlan, board: Board): BarePart {
  const edge = (outline: Loop): SolidRecipe => prism(outline, baseLow, 0, 'base')
  return barePart({
    id: 'base',
    role: 'base',
    source: { of: 'cast' },
    name: 'base',
    boardId: board.id,
    lengthMm: base.length,
    widthMm: base.width,
    thicknessMm: board.thickness,
    layers: oneLayer(board),
    pull: DOWN,
    recipe: baseUnder ? bevelled(edge(base.outline), baseUnder) : edge(base.outline),
    ...(baseUnder && {
      foot: base.outline,
      mass: { volume: loftVolume(bevelled(edge(base.outline), baseUnder)), kgPerM3: board.densityKgPerM3 },
    }),
  })
}

/** Exact volume of a body between two outlines, mm3. */
const loftVolume = (recipe: SolidRecipe): number => Math.abs(measureRecipe(recipe)?.volume ?? 0)

/** A base whose edges lean with the strips that go round them: from its plan at its underside up to its face. */
function bevelled(plain: SolidRecipe, under: readonly PathCorner[]): SolidRecipe {
  if (plain.kind !== 'prism') return plain
  const { outline, low, high } = plain
  const sharp = under.map((c) => ({ ...c, radius: 0 }))
  const loop = loftLoop(sharp, { side: (id) => `base/${id}`, corner: () => 'base' }, (id) => {
    const side = outline.find((s) => s.name === `base/${id}`)!
    const own = pathLoop(sharp, { side: (s) => s, corner: () => 'base' }).find((s) => s.name === id)!
    const length = Math.hypot(own.to[0] - own.from[0], own.to[1] - own.from[1]) || 1
    const inset =
      (-(own.to[1] - own.from[1]) * (side.from[0] - own.from[0]) +
        (own.to[0] - own.from[0]) * (side.from[1] - own.from[1])) /
      length
    return [
      { z: low, inset: 0, name: `base/${id}` },
      { z: high, inset, name: `base/${id}` },
    ]
  })
  return { kind: 'loft', outline: loop, holes: [], low, high, lowName: 'base/under', highName: 'base/top' }
}

function stripPart(strip: BoxPlan['strips'][number], name: string, low: number, board: Board): BarePart {
  const { side, start, end, leaning, high } = strip
  const shared = {
    id: `strip/${side}`,
    role: 'strip' as const,
    source: { of: 'side' as const, side },
    ...(name === 'left' || name === 'right' ? { name: `${name} end`, together: 'ends' } : { name }),
    boardId: board.id,
    thicknessMm: board.thickness,
    layers: oneLayer(board),
    pull: strip.pull,
    leaves: strip.leaves,
    leavesAfter: strip.under.map((s) => `strip/${s}`),
  }
  const insideLengthMm = strip.sideLength + start.inside + end.inside
  const kinds = { startKind: start.kind, endKind: end.kind, insideLengthMm }
  if (leaning)
    return barePart({
      ...shared,
      lengthMm: leaning.length,
      widthMm: leaning.width,
      bevels: {
        ...kinds,
        startBevelDeg: leaning.start.tiltDeg,
        endBevelDeg: leaning.end.tiltDeg,
        startMitreDeg: leaning.start.mitreDeg,
        endMitreDeg: leaning.end.mitreDeg,
        edgeDeg: leaning.edgeDeg,
        leadMm: leaning.lead,
      },
      foot: leaning.foot,
      atOutline: leaning.atOutline,
      mass: {
        volume: loftVolume(leaning.recipe),
        kgPerM3: board.densityKgPerM3,
      },
      recipe: leaning.recipe,
    })
  return barePart({
    ...shared,
    lengthMm: strip.length,
    widthMm: high - low,
    bevels: {
      ...kinds,
      startBevelDeg: start.bevelDeg,
      endBevelDeg: end.bevelDeg,
      startMitreDeg: 0,
      endMitreDeg: 0,
      edgeDeg: 0,
      leadMm: Math.max(start.inside, start.outside),
    },
    recipe: prism(strip.loop, low, high, `strip/${side}`),
  })
}

/** A block that fills a rounded corner of the plan from base to top; a post stands where strips stop short. */
function cornerPart(
  piece: BoxedSlab,
  geometry: PieceGeometry,
  block: CornerBlock,
  stripLow: number,
  boards: readonly Board[],
): BarePart {
  const high = piece.poured.full
  const hollow = block.shape === 'hollow corner'
  const low = hollow ? 0 : stripLow
  const laminate = chooseLaminate(high - low, boards)
  const { id, words } = block.corner
  const [length, width] = hollow ? [block.radius, block.radius] : extents(block.loop)
  const plain = prism(block.loop, low, high, block.name)
  const recipe = hollow ? (roundedOff(piece, geometry, block, plain) ?? plain) : plain
  return barePart({
    id: `corner/${id}`,
    role: 'corner',
    source: { of: 'corner', corner: id, is: hollow ? 'block' : 'post' },
    name: `${words} corner ${hollow ? 'block' : 'post'}`,
    lengthMm: length,
    widthMm: width,
    thicknessMm: high - low,
    layers: laminate?.layers ?? [],
    laminate,
    pull: [block.pull[0], block.pull[1], 0],
    ...(recipe !== plain && {
      foot: block.loop,
      mass: {
        volume: (1 - Math.PI / 4) * block.radius ** 2 * (high - low),
        kgPerM3: boards[0]?.densityKgPerM3 ?? 650,
      },
    }),
    recipe,
  })
}

/** Between leaning or lined sides: what lies inside them at this corner and outside the rounded plan. */
function roundedOff(
  piece: BoxedSlab,
  geometry: PieceGeometry,
  { loop, name }: CornerBlock,
  plain: SolidRecipe,
): SolidRecipe | null {
  if (plain.kind !== 'prism') return null
  const rounded = boxInside(piece, geometry, plain.low, plain.high, name)
  if (rounded.kind !== 'loft') return null
  const sharp = { ...rounded, outline: rounded.outline.map((s) => ({ ...s, radius: 0 })) }
  const [at, from] = [loop[0]!.from, loop[1]!]
  const far =
    Math.hypot(from.from[0] - at[0], from.from[1] - at[1]) +
    1 +
    2 * Math.max(...rounded.outline.flatMap((side) => side.profile.map((step) => Math.abs(step.inset))))
  const [a, b] = [away(at, from.from, far), away(at, from.to, far)]
  const corners = [at, a, [a[0] + b[0] - at[0], a[1] + b[1] - at[1]] as const, b]
  const turned = signedArea(corners) > 0 ? corners : [...corners].reverse()
  const round: Loop = turned.map((p, k) => ({ name, from: p, to: turned[(k + 1) % 4]!, arc: null }))
  return {
    kind: 'intersection',
    of: [{ kind: 'difference', from: sharp, minus: [rounded] }, prism(round, plain.low, plain.high, name)],
  }
}

type Point = readonly [number, number]
const away = (at: Point, to: Point, far: number): Point => {
  const length = Math.hypot(to[0] - at[0], to[1] - at[1]) || 1
  return [at[0] + ((to[0] - at[0]) / length) * far, at[1] + ((to[1] - at[1]) / length) * far]
}
const signedArea = (points: readonly Point[]): number =>
  points.reduce((sum, [x, y], k) => {
    const [u, v] = points[(k + 1) % points.length]!
    return sum + x * v - u * y
  }, 0)
