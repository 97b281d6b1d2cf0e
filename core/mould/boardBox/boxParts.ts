import {
  type Loop,
  rectangleLoop,
  reverseLoop,
  type Segment,
  type SolidRecipe,
} from '../../geometry/index.ts'
import type { Piece, SideId } from '../../job/index.ts'
import {
  insetShape,
  openingRim,
  outlineRim,
  type PieceGeometry,
  type PlacedOpening,
  pouredLoop,
  pouredPoint,
  SIDES,
  shapeLoop,
  sideAt,
} from '../../piece/index.ts'
import type { Board } from '../../stock/index.ts'
import { chooseLaminate, type Laminate } from '../laminate.ts'
import type { MouldPart } from '../types.ts'
import { boxPlan, type Footprint } from './boxPlan.ts'

export type BoxStock = { readonly base: Board; readonly side: Board; readonly laminate: readonly Board[] }

/** A part before it has its letter. */
export type BarePart = Omit<MouldPart, 'label'> & { readonly laminate: Laminate | null }

const prism = (
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

const footLoop = ({ x, y, length, width }: Footprint, name: string): Loop =>
  rectangleLoop([x, y], length, width, [0, 0, 0, 0], {
    sides: [`${name}/front`, `${name}/right`, `${name}/back`, `${name}/left`],
    corners: [name, name, name, name],
  })

const oneLayer = (board: Board) => [{ boardId: board.id, name: board.name, thicknessMm: board.thickness }]

/** Every part of the box as a solid in place, as poured. Cavity and parts share the piece's own loops. */
export function boxParts(piece: Piece, geometry: PieceGeometry, stock: BoxStock): BarePart[] {
  const { thickness } = geometry
  const plan = boxPlan(
    { ...geometry, baseThickness: stock.base.thickness, sideThickness: stock.side.thickness },
    piece.mould,
  )
  const outline = pouredLoop(geometry.outline, piece.attitude, geometry)
  const openings = geometry.openings.map(
    (o): PlacedOpening => ({
      ...o,
      centre: pouredPoint(o.centre, piece.attitude, geometry),
      loop: pouredLoop(o.loop, piece.attitude, geometry),
    }),
  )
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
      recipe: prism(footLoop(plan.base, 'base'), plan.baseLow, 0, 'base'),
    },
    ...SIDES.map((where) =>
      stripPart(where, plan.strips[where], sideAt(where, piece.attitude), plan, stock.side),
    ),
    ...cornerParts(outline, thickness, stock.laminate),
    ...openings.flatMap((o) => knockoutParts(piece, o, thickness, stock.laminate)),
    ...edgeParts(piece, outline, openings),
  ]
}

function stripPart(
  where: SideId,
  foot: Footprint,
  side: SideId,
  { stripLow, stripHigh }: { stripLow: number; stripHigh: number },
  board: Board,
): BarePart {
  const along = where === 'front' || where === 'back'
  return {
    id: `strip/${side}`,
    role: 'strip',
    name: side === 'left' || side === 'right' ? `${side} end` : side,
    boardId: board.id,
    lengthMm: along ? foot.length : foot.width,
    widthMm: stripHigh - stripLow,
    thicknessMm: board.thickness,
    layers: oneLayer(board),
    laminate: null,
    recipe: prism(footLoop(foot, `strip/${side}`), stripLow, stripHigh, `strip/${side}`),
  }
}

/** A block that fills each rounded corner of the plan, hollow on the inside. */
function cornerParts(outline: Loop, thickness: number, boards: readonly Board[]): BarePart[] {
  return outline.flatMap((segment): BarePart[] => {
    if (!segment.arc) return []
    const { centre, radius } = segment.arc
    const corner = [
      segment.from[0] + segment.to[0] - centre[0],
      segment.from[1] + segment.to[1] - centre[1],
    ] as const
    const [back] = reverseLoop([segment])
    const loop: Segment[] = [
      { name: `${segment.name}/outer`, from: corner, to: segment.to, arc: null },
      { ...back!, name: `${segment.name}/face` },
      { name: `${segment.name}/outer`, from: segment.from, to: corner, arc: null },
    ]
    const laminate = chooseLaminate(thickness, boards)
    const name = segment.name.replace('corner/', '').replace('-', ' ')
    return [
      {
        id: `corner/${segment.name.replace('corner/', '')}`,
        role: 'corner',
        name: `${name} corner block`,
        boardId: null,
        lengthMm: radius,
        widthMm: radius,
        thicknessMm: thickness,
        layers: laminate?.layers ?? [],
        laminate,
        recipe: prism(loop, 0, thickness, segment.name),
      },
    ]
  })
}

function knockoutParts(
  piece: Piece,
  opening: PlacedOpening,
  thickness: number,
  boards: readonly Board[],
): BarePart[] {
  const { wrap, knockoutBelow } = piece.mould
  const high = thickness - knockoutBelow
  const body = insetShape(opening.shape, wrap)
  const [length, width] = body.kind === 'round' ? [body.diameter, body.diameter] : [body.length, body.width]
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
    recipe: prism(bodyLoop, 0, high, `knockout/${opening.key}`),
  }
  if (wrap === 0) return [knockout]
  const [ol, ow] =
    opening.shape.kind === 'round'
      ? [opening.shape.diameter, opening.shape.diameter]
      : [opening.shape.length, opening.shape.width]
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
      recipe: prism(opening.loop, 0, high, `wrap/${opening.key}`, [bodyLoop]),
    },
  ]
}

/** Sealant beads and chamfer strips along the rims that lie on the base in the pour. */
function edgeParts(piece: Piece, outline: Loop, openings: readonly PlacedOpening[]): BarePart[] {
  const down = piece.attitude.down
  const cavity = prism(
    outline,
    0,
    piece.thickness,
    'cavity',
    openings.map((o) => o.loop),
  )
  const onlyKind = (kind: 'bead' | 'chamfer', keep?: SideId): Piece => ({
    ...piece,
    sides: Object.fromEntries(
      SIDES.map((side) => {
        const rim = piece.sides[side]
        const kept = rim[down].kind === kind && (!keep || keep === side)
        return [side, kept ? rim : { top: { kind: 'square' }, bottom: { kind: 'square' } }]
      }),
    ) as Piece['sides'],
  })
  const parts: BarePart[] = []
  const bead = outlineRim(onlyKind('bead'), outline, down, 0, 1)
  const taken: SolidRecipe[] = bead ? [bead] : []
  const part = (
    id: string,
    role: 'sealant' | 'chamfer',
    name: string,
    size: number,
    length: number,
    recipe: SolidRecipe,
  ): BarePart => ({
    id,
    role,
    name,
    boardId: null,
    lengthMm: length,
    widthMm: size,
    thicknessMm: size,
    layers: [],
    laminate: null,
    recipe,
  })
  const inCavity = (cutter: SolidRecipe, less: readonly SolidRecipe[]): SolidRecipe => {
    const own: SolidRecipe = { kind: 'intersection', of: [cavity, cutter] }
    return less.length === 0 ? own : { kind: 'difference', from: own, minus: less }
  }
  if (bead) {
    const beaded = SIDES.filter((s) => piece.sides[s][down].kind === 'bead')
    const sizes = beaded.map((s) => sizeOf(piece, s))
    const length = beaded.reduce((sum, s) => sum + sideLength(piece, s), 0)
    parts.push(
      part('sealant/outline', 'sealant', 'sealant bead', Math.max(...sizes), length, inCavity(bead, [])),
    )
  }
  for (const side of SIDES) {
    if (piece.sides[side][down].kind !== 'chamfer') continue
    const cutter = outlineRim(onlyKind('chamfer', side), outline, down, 0, 1)!
    const recipe = inCavity(cutter, [...taken])
    parts.push(
      part(
        `chamfer/${side}`,
        'chamfer',
        `${side} chamfer strip`,
        sizeOf(piece, side),
        sideLength(piece, side),
        recipe,
      ),
    )
    taken.push(cutter)
  }
  const rims = Object.fromEntries(piece.openings.map((o) => [o.id, o.rim[down]]))
  for (const opening of openings) {
    const edge = rims[opening.openingId]!
    if (edge.kind === 'square') continue
    const cutter = openingRim(opening, edge, down, 0, 1)!
    const role = edge.kind === 'bead' ? 'sealant' : 'chamfer'
    const length = perimeterOf(opening)
    const name = role === 'sealant' ? `${opening.name} rim bead` : `${opening.name} rim chamfer`
    parts.push(
      part(`${role}/opening/${opening.key}`, role, name, edge.size, length, inCavity(cutter, [...taken])),
    )
    taken.push(cutter)
  }
  return parts
}

const sizeOf = (piece: Piece, side: SideId): number => {
  const edge = piece.sides[side][piece.attitude.down]
  return edge.kind === 'square' ? 0 : edge.size
}

export const sideLength = (piece: Piece, side: SideId): number =>
  side === 'front' || side === 'back' ? piece.outline.length : piece.outline.width

export const perimeterOf = ({ shape }: PlacedOpening): number =>
  shape.kind === 'round'
    ? Math.PI * shape.diameter
    : 2 * (shape.length + shape.width) - (8 - 2 * Math.PI) * shape.radius
