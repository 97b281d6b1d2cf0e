import {
  type Loop,
  measureLoop,
  rectangleLoop,
  reverseLoop,
  type Segment,
  type SolidRecipe,
} from '../../geometry/index.ts'
import type { Rim, SideId, SlabPiece } from '../../job/index.ts'
import {
  halfSize,
  insetShape,
  openingPlug,
  type PieceGeometry,
  type PlacedOpening,
  pouredLoop,
  pouredPlacement,
  pouredPoint,
  SIDES,
  shapeLoop,
  sideAt,
  slabBody,
} from '../../piece/index.ts'
import type { Board } from '../../stock/index.ts'
import { chooseLaminate, type Laminate } from '../laminate.ts'
import type { MouldPart } from '../types.ts'
import type { BoxedSlab } from './boxedSlab.ts'
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
export function boxParts(piece: BoxedSlab, geometry: PieceGeometry, stock: BoxStock): BarePart[] {
  const { thickness } = geometry
  const plan = boxPlan(
    { ...geometry, baseThickness: stock.base.thickness, sideThickness: stock.side.thickness },
    piece.mould,
  )
  const outline = pouredLoop(geometry.outline, piece.attitude, geometry)
  const openings = boxedOpenings(geometry).map(
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
      stripPart(where, plan.strips[where]!, sideAt(where, piece.attitude), plan, stock.side),
    ),
    ...cornerParts(outline, thickness, stock.laminate),
    ...openings.flatMap((o) => knockoutParts(piece, o, thickness, stock.laminate)),
    ...edgeParts(piece, geometry),
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
      recipe: { kind: 'moved', by, solid: { kind: 'difference', from, minus: [less] } },
    })
  }
  /** The heights, as placed, that an edge of this size reaches from the face that is down. */
  const zone = (size: number): [number, number] =>
    down === 'top' ? [piece.thickness - size, piece.thickness] : [0, size]
  const eased = (sides: ReadonlySet<string>): SolidRecipe => {
    const most = Math.max(0, ...SIDES.map((s) => sizeOf(piece, s)))
    const bare: SlabPiece = {
      ...piece,
      sides: Object.fromEntries(
        Object.entries(piece.sides).map(([id, side]) => [
          id,
          { ...side, ...onlyRim(side, down, sides.has(id)) },
        ]),
      ),
    }
    const [low, high] = zone(most)
    return { ...slabBody(bare, []), low, high }
  }
  let done: ReadonlySet<string> = new Set()
  const ease = (id: string, role: 'sealant' | 'chamfer', name: string, sides: readonly SideId[]) => {
    const next = new Set([...done, ...sides])
    const length = sides.reduce((sum, s) => sum + sideLength(piece, s), 0)
    part(id, role, name, Math.max(...sides.map((s) => sizeOf(piece, s))), length, eased(done), eased(next))
    done = next
  }
  const beaded = SIDES.filter((s) => edgeOf(s).kind === 'bead')
  if (beaded.length > 0) ease('sealant/outline', 'sealant', 'sealant bead', beaded)
  for (const side of SIDES)
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

export const sideLength = (piece: BoxedSlab, side: SideId): number =>
  side === 'front' || side === 'back' ? piece.outline.length : piece.outline.width

export const perimeterOf = ({ loop }: PlacedOpening): number => measureLoop(loop).perimeter
