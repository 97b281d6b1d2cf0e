import {
  arcByRise,
  type Loop,
  measureLoop,
  mirrorPath,
  type PathCorner,
  reverseLoop,
  type SolidRecipe,
  type Vector,
} from '../../geometry/index.ts'
import type { Rim, SideId, SlabPiece } from '../../job/index.ts'
import { pressureAt } from '../../mechanics/index.ts'
import {
  halfSize,
  insetShape,
  openingPlug,
  outlinePath,
  type PieceGeometry,
  type PlacedOpening,
  pouredLoop,
  pouredPlacement,
  pouredPoint,
  shapeLoop,
  sidesOf,
  sideWords,
  slabBody,
} from '../../piece/index.ts'
import type { Board, Skin } from '../../stock/index.ts'
import { chooseLaminate, type Laminate } from '../laminate.ts'
import type { MouldPart } from '../types.ts'
import { type BentSide, ribBlank, ribHeights, ribSpacing } from './bentSides.ts'
import type { BoxedSlab } from './boxedSlab.ts'
import { type BoxPlan, boxPlan, extents } from './boxPlan.ts'
import { type CornerBlock, cornerBlocks } from './cornerBlocks.ts'

const UP: Vector = [0, 0, 1]
const DOWN: Vector = [0, 0, -1]

export type BoxStock = {
  readonly base: Board
  readonly side: Board
  readonly laminate: readonly Board[]
  readonly skin: Skin | undefined
  readonly freshKgPerM3: number
}

/** A part before it has its letter. */
export type BarePart = Omit<MouldPart, 'label'> & {
  readonly laminate: Laminate | null
  /** Of a part that is not a straight board: mm3, kg/m3. */
  readonly mass?: { readonly volume: number; readonly kgPerM3: number }
}

export const prism = (
  outline: Loop,
  low: number,
  high: number,
  name: string,
  holes: readonly Loop[] = [],
): SolidRecipe => ({
  kind: 'prism',
  outline,
  holes,
  low,
  high,
  lowName: `${name}/under`,
  highName: `${name}/top`,
})

export const oneLayer = (board: Board) => [
  { boardId: board.id, name: board.name, thicknessMm: board.thickness },
]

/** The plan as poured: its corners, anticlockwise again when it lies mirrored. */
export function boxPath(piece: BoxedSlab, { length }: Pick<PieceGeometry, 'length'>): PathCorner[] {
  const path = outlinePath(piece.outline)
  return piece.attitude.down === 'top' ? mirrorPath(path, length / 2) : path
}

/** Every part of the box as a solid in place, as poured. Cavity and parts share the piece's own loops. */
export function boxParts(piece: BoxedSlab, geometry: PieceGeometry, stock: BoxStock): BarePart[] {
  const { thickness } = piece
  const path = boxPath(piece, geometry)
  const outline = pouredLoop(geometry.outline, piece.attitude, geometry)
  const plan = boxPlan(
    path,
    thickness,
    { base: stock.base.thickness, sides: () => stock.side.thickness, skin: stock.skin?.thickness ?? 0 },
    piece.mould,
    outline,
  )
  const openings = boxedOpenings(geometry).map(
    (o): PlacedOpening => ({
      ...o,
      centre: pouredPoint(o.centre, piece.attitude, geometry),
      loop: pouredLoop(o.loop, piece.attitude, geometry),
    }),
  )
  const low = plan.stripLow
  return [
    {
      id: 'base',
      role: 'base',
      name: 'base',
      boardId: stock.base.id,
      lengthMm: plan.base.length,
      widthMm: plan.base.width,
      thicknessMm: stock.base.thickness,
      layers: oneLayer(stock.base),
      laminate: null,
      pull: DOWN,
      bevels: null,
      bend: null,
      leaves: 0,
      recipe: prism(plan.base.outline, plan.baseLow, 0, 'base'),
    },
    ...sidesOf(piece).flatMap((side) => {
      const strip = plan.strips.find((s) => s.side === side)
      return strip ? [stripPart(strip, low, thickness, stock.side)] : []
    }),
    ...bentParts(plan, low, thickness, stock, piece.mould.overlap),
    ...cornerBlocks(path, outline, stock.side.thickness, piece.mould.rounds).map((block) =>
      cornerPart(block, block.shape === 'rounded post' ? low : 0, thickness, stock.laminate),
    ),
    ...openings.flatMap((o) => knockoutParts(piece, o, thickness, stock.laminate)),
    ...edgeParts(piece, geometry),
  ]
}

function stripPart(
  strip: BoxPlan['strips'][number],
  stripLow: number,
  stripHigh: number,
  board: Board,
): BarePart {
  const { side, start, end } = strip
  return {
    id: `strip/${side}`,
    role: 'strip',
    name: side === 'left' || side === 'right' ? `${side} end` : sideWords(side),
    boardId: board.id,
    lengthMm: strip.length,
    widthMm: stripHigh - stripLow,
    thicknessMm: board.thickness,
    layers: oneLayer(board),
    laminate: null,
    pull: strip.pull,
    bevels: {
      startBevelDeg: start.bevelDeg,
      endBevelDeg: end.bevelDeg,
      startKind: start.kind,
      endKind: end.kind,
      insideLengthMm: strip.sideLength + start.inside + end.inside,
      leadMm: Math.max(start.inside, start.outside),
    },
    leaves: strip.leaves,
    bend: null,
    recipe: prism(strip.loop, stripLow, stripHigh, `strip/${side}`),
  }
}

/** Skins bent along the curved sides, and the ribs they are tacked to. */
function bentParts(plan: BoxPlan, low: number, high: number, stock: BoxStock, overlap: number): BarePart[] {
  const { skin, side } = stock
  if (!skin || plan.bent.length === 0) return []
  const spacing = ribSpacing(skin.elasticity, skin.thickness, pressureAt(high, stock.freshKgPerM3))
  const heights = ribHeights(low, high, side.thickness, spacing)
  const layer = [{ boardId: skin.id, name: skin.name, thicknessMm: skin.thickness }]
  const skinPart = (
    { id, words, arc, developed, pull }: BentSide,
    lengthMm: number,
    recipe: SolidRecipe,
  ): BarePart => ({
    id: `skin/${id}`,
    role: 'skin',
    name: `${words} skin`,
    boardId: skin.id,
    lengthMm: lengthMm || developed,
    widthMm: high - low,
    thicknessMm: skin.thickness,
    layers: layer,
    laminate: null,
    pull,
    leaves: 0,
    bevels: null,
    bend: { radiusMm: arc.radius, angleDeg: (Math.abs(arc.sweepRad) * 180) / Math.PI },
    recipe,
  })
  const ring = plan.ring ? plan.bent : null
  const skins = ring
    ? [
        skinPart(
          { ...ring[0]!, id: 'ring', words: 'ring' },
          ring.reduce((sum, b) => sum + b.developed, 0) + overlap,
          prism(
            ring.map((b) => b.skin[2]!),
            low,
            high,
            'skin/ring',
            [ring.map((b) => reverseLoop([b.skin[0]!])[0]!)],
          ),
        ),
      ]
    : plan.bent.map((b) => skinPart(b, b.developed, prism(b.skin, low, high, `skin/${b.id}`)))
  const ribs = plan.bent.flatMap((b) =>
    heights.map((z, k): BarePart => {
      const [lengthMm, widthMm] = ribBlank(b)
      return {
        id: `rib/${b.id}/${k + 1}`,
        role: 'rib',
        name: `${b.words} rib ${k + 1}`,
        boardId: side.id,
        lengthMm,
        widthMm,
        thicknessMm: side.thickness,
        layers: oneLayer(side),
        laminate: null,
        pull: b.pull,
        leaves: 0,
        bevels: null,
        bend: { radiusMm: b.ribRadius, angleDeg: (Math.abs(b.arc.sweepRad) * 180) / Math.PI },
        recipe: prism(b.rib, z, Math.min(high, z + side.thickness), `rib/${b.id}/${k + 1}`),
      }
    }),
  )
  return [...skins, ...ribs]
}

/** A block that fills a rounded corner of the plan from base to top. */
function cornerPart(block: CornerBlock, low: number, high: number, boards: readonly Board[]): BarePart {
  const laminate = chooseLaminate(high - low, boards)
  const id = block.name.replace('corner/', '')
  const [length, width] = block.shape === 'hollow corner' ? [block.radius, block.radius] : extents(block.loop)
  return {
    id: `corner/${id}`,
    role: 'corner',
    name: `${id.replaceAll('-', ' ')} corner ${block.shape === 'hollow corner' ? 'block' : 'post'}`,
    boardId: null,
    lengthMm: length,
    widthMm: width,
    thicknessMm: high - low,
    layers: laminate?.layers ?? [],
    laminate,
    pull: [block.pull[0], block.pull[1], 0],
    bevels: null,
    bend: null,
    leaves: 0,
    recipe: prism(block.loop, low, high, block.name),
  }
}

function knockoutParts(
  piece: BoxedSlab,
  opening: PlacedOpening,
  thickness: number,
  boards: readonly Board[],
): BarePart[] {
  const { wrap, knockoutBelow } = piece.mould
  const high = thickness - knockoutBelow
  const body = insetShape(opening.shape, wrap)
  const [length, width] = halfSize(body).map((half) => 2 * half) as [number, number]
  if (Math.min(length, width) <= 0) return []
  const bodyLoop = wrap === 0 ? opening.loop : shapeLoop(body, opening.centre, opening.key)
  const laminate = chooseLaminate(high, boards)
  const knockout: BarePart = {
    id: `knockout/${opening.key}`,
    role: 'knockout',
    name: `${opening.name} knockout`,
    boardId: null,
    lengthMm: length,
    widthMm: width,
    thicknessMm: high,
    layers: laminate?.layers ?? [],
    laminate,
    pull: UP,
    bevels: null,
    bend: null,
    leaves: 0,
    recipe: prism(bodyLoop, 0, high, `knockout/${opening.key}`),
  }
  if (wrap === 0) return [knockout]
  const [ol, ow] = halfSize(opening.shape).map((half) => 2 * half) as [number, number]
  return [
    knockout,
    {
      id: `wrap/${opening.key}`,
      role: 'wrap',
      name: `${opening.name} wrap`,
      boardId: null,
      lengthMm: ol,
      widthMm: ow,
      thicknessMm: high,
      layers: [],
      laminate: null,
      pull: UP,
      bevels: null,
      bend: null,
      leaves: 0,
      recipe: prism(opening.loop, 0, high, `wrap/${opening.key}`, [bodyLoop]),
    },
  ]
}

/**
 * Sealant beads and chamfer strips along the rims that lie on the base in the pour. Each is what one more eased edge
 * takes off the slab, near the rim: the slab without it less the slab with it, so that parts and cast fill the box
 * exactly.
 */
function edgeParts(piece: BoxedSlab, geometry: PieceGeometry): BarePart[] {
  const { down } = piece.attitude
  const by = pouredPlacement(piece.attitude, geometry)
  const edgeOf = (side: SideId) => piece.sides[side]![down]
  const parts: BarePart[] = []
  const part = (
    id: string,
    role: 'sealant' | 'chamfer',
    name: string,
    size: number,
    length: number,
    from: SolidRecipe,
    less: SolidRecipe,
  ) => {
    parts.push({
      id,
      role,
      name,
      boardId: null,
      lengthMm: length,
      widthMm: size,
      thicknessMm: size,
      layers: [],
      laminate: null,
      pull: DOWN,
      bevels: null,
      bend: null,
      leaves: 0,
      recipe: { kind: 'moved', by, solid: { kind: 'difference', from, minus: [less] } },
    })
  }
  /** The heights, as placed, that an edge of this size reaches from the face that is down. */
  const zone = (size: number): [number, number] =>
    down === 'top' ? [piece.thickness - size, piece.thickness] : [0, size]
  const sides = sidesOf(piece)
  const eased = (on: ReadonlySet<string>): SolidRecipe => {
    const most = Math.max(0, ...sides.map((s) => sizeOf(piece, s)))
    const bare: SlabPiece = {
      ...piece,
      sides: Object.fromEntries(
        Object.entries(piece.sides).map(([id, side]) => [
          id,
          { ...side, ...onlyRim(side, down, on.has(id)) },
        ]),
      ),
    }
    const [low, high] = zone(most)
    return { ...slabBody(bare, []), low, high }
  }
  let done: ReadonlySet<string> = new Set()
  const ease = (id: string, role: 'sealant' | 'chamfer', name: string, added: readonly SideId[]) => {
    const next = new Set([...done, ...added])
    const length = added.reduce((sum, s) => sum + sideLength(piece, s), 0)
    part(id, role, name, Math.max(...added.map((s) => sizeOf(piece, s))), length, eased(done), eased(next))
    done = next
  }
  const beaded = sides.filter((s) => edgeOf(s).kind === 'bead')
  if (beaded.length > 0) ease('sealant/outline', 'sealant', 'sealant bead', beaded)
  for (const side of sides)
    if (edgeOf(side).kind === 'chamfer') ease(`chamfer/${side}`, 'chamfer', `${side} chamfer strip`, [side])
  for (const placed of boxedOpenings(geometry)) {
    const opening = piece.openings.find((o) => o.id === placed.openingId)!
    const edge = opening.rim[down]
    if (edge.kind === 'square') continue
    const role = edge.kind === 'bead' ? 'sealant' : 'chamfer'
    const plug = (keep: boolean) =>
      openingPlug(
        { ...opening, rim: onlyRim(opening.rim, down, keep) },
        placed,
        piece.thickness,
        ...zone(edge.size),
      )
    const name = role === 'sealant' ? `${placed.name} rim bead` : `${placed.name} rim chamfer`
    part(`${role}/opening/${placed.key}`, role, name, edge.size, perimeterOf(placed), plug(true), plug(false))
  }
  return parts
}

/** A rim with only the edge that is down, or none. */
const onlyRim = (rim: Rim, down: 'top' | 'bottom', keep: boolean): Rim => {
  const square = { kind: 'square' } as const
  return {
    top: keep && down === 'top' ? rim.top : square,
    bottom: keep && down === 'bottom' ? rim.bottom : square,
  }
}

/** Openings that a straight knockout forms: cast in, right through. */
export const boxedOpenings = ({ openings }: PieceGeometry): readonly PlacedOpening[] =>
  openings.filter((o) => o.depth === null)

const sizeOf = (piece: BoxedSlab, side: SideId): number => {
  const edge = piece.sides[side]![piece.attitude.down]
  return edge.kind === 'square' ? 0 : edge.size
}

/** A side's length between the plan's corners, before they are rounded and along its curve, mm. */
export function sideLength(piece: BoxedSlab, side: SideId): number {
  const path = outlinePath(piece.outline)
  const i = path.findIndex((c) => c.side === side)
  const [a, b] = [path[i]!, path[(i + 1) % path.length]!]
  const arc = a.run.kind === 'arc' ? arcByRise([a.x, a.y], [b.x, b.y], a.run.rise) : null
  return arc ? arc.radius * Math.abs(arc.sweepRad) : Math.hypot(b.x - a.x, b.y - a.y)
}

export const perimeterOf = ({ loop }: PlacedOpening): number => measureLoop(loop).perimeter
