import { edgeDeep, edgeSize, type SolidRecipe } from '../../geometry/index.ts'
import type { Edge, Rim, SideId, SlabPiece } from '../../job/index.ts'
import {
  apronCutters,
  nameOfSide,
  openingPlug,
  type PieceGeometry,
  pouredPlacement,
  sidesOf,
  slabBody,
} from '../../piece/index.ts'
import { type BarePart, barePart, DOWN } from '../bareParts.ts'
import type { PartSource } from '../types.ts'
import type { BoxedSlab } from './boxedSlab.ts'
import { boxedOpenings, perimeterOf, sideLength } from './boxFigures.ts'

/**
 * Sealant beads and chamfer fillets along the rims that lie on the base in the pour. Each is what one more eased edge
 * takes off the slab, near the rim: the slab without it less the slab with it, so that parts and cast fill the box
 * exactly.
 */
export function edgeParts(piece: BoxedSlab, geometry: PieceGeometry): BarePart[] {
  const { down } = piece.attitude
  const by = pouredPlacement(piece.attitude, geometry)
  const edgeOf = (side: SideId) => downEdge(piece, side)
  // Below the slab only its aprons are concrete.
  const hollows = down === 'bottom' ? apronCutters({ ...piece, attitude: { down, turnDeg: 0 } }) : []
  const parts: BarePart[] = []
  const part = (
    id: string,
    role: 'sealant' | 'chamfer',
    source: PartSource,
    name: string,
    [size, deep]: readonly [number, number],
    length: number,
    from: SolidRecipe,
    less: SolidRecipe,
    { kind }: Edge,
  ) => {
    const recipe: SolidRecipe = {
      kind: 'moved',
      by,
      solid: { kind: 'difference', from, minus: [less, ...hollows] },
    }
    parts.push(
      barePart({
        id,
        role,
        source,
        name,
        lengthMm: length,
        widthMm: size,
        thicknessMm: deep,
        pull: DOWN,
        ...(kind !== 'square' && kind !== 'bead' && { shapedAs: kind }),
        recipe,
      }),
    )
  }
  /** The heights, as placed, that an edge of this size reaches from the face that is down. */
  const zone = (size: number): [number, number] =>
    down === 'top' ? [piece.thickness - size, piece.thickness] : [piece.poured.rise - piece.poured.low, size]
  const sides = sidesOf(piece)
  const eased = (on: ReadonlySet<string>): SolidRecipe => {
    const most = Math.max(0, ...sides.map((s) => edgeDeep(edgeOf(s))))
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
  const ease = (
    id: string,
    role: 'sealant' | 'chamfer',
    source: PartSource,
    name: string,
    added: readonly SideId[],
  ) => {
    const next = new Set([...done, ...added])
    const length = added.reduce((sum, s) => sum + sideLength(piece, s), 0)
    part(
      id,
      role,
      source,
      name,
      [sizeOf, deepOf].map((of) => Math.max(...added.map((s) => of(piece, s)))) as [number, number],
      length,
      eased(done),
      eased(next),
      edgeOf(added[0]!),
    )
    done = next
  }
  const beaded = sides.filter((s) => edgeOf(s).kind === 'bead')
  if (beaded.length > 0) ease('sealant/outline', 'sealant', { of: 'outline' }, 'sealant bead', beaded)
  for (const side of sides)
    if (!['square', 'bead'].includes(edgeOf(side).kind))
      ease(
        `chamfer/${side}`,
        'chamfer',
        { of: 'side', side },
        `${nameOfSide(piece.outline, side)} ${stripWords(edgeOf(side))}`,
        [side],
      )
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
        ...zone(edgeDeep(edge)),
      )
    const name = role === 'sealant' ? `${placed.name} rim bead` : `${placed.name} rim ${edge.kind}`
    const source: PartSource = { of: 'opening', openingId: opening.id, key: placed.key, is: 'rim' }
    part(
      `${role}/opening/${placed.key}`,
      role,
      source,
      name,
      [edgeSize(edge), edgeDeep(edge)],
      perimeterOf(placed),
      plug(true),
      plug(false),
      edge,
    )
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

/** A side's edge on the face that lies on the base; one that meets another piece stays square. */
const downEdge = (piece: BoxedSlab, side: SideId) =>
  piece.sides[side]!.seam ? ({ kind: 'square' } as const) : piece.sides[side]![piece.attitude.down]

/** What is stuck into the corner for an edge: a fillet for a chamfer, else a strip of its shape. */
const stripWords = (edge: Edge): string => (edge.kind === 'chamfer' ? 'chamfer fillet' : `${edge.kind} strip`)

const deepOf = (piece: BoxedSlab, side: SideId): number => edgeDeep(downEdge(piece, side))
const sizeOf = (piece: BoxedSlab, side: SideId): number => {
  const edge = downEdge(piece, side)
  return edgeSize(edge)
}
