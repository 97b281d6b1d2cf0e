import {
  type Loop,
  measureLoop,
  measureRecipe,
  type Placement,
  reverseLoop,
  type SolidRecipe,
} from '../../geometry/index.ts'
import type { Opening } from '../../job/index.ts'
import {
  halfSize,
  insetShape,
  openingPlug,
  type PieceGeometry,
  type PlacedOpening,
  pouredLoop,
  pouredPlacement,
  shapeLoop,
} from '../../piece/index.ts'
import type { Board, Tube } from '../../stock/index.ts'
import { type BarePart, barePart, DOWN, oneLayer, prism, UP } from '../bareParts.ts'
import type { PartSource } from '../types.ts'
import type { BoxedSlab } from './boxedSlab.ts'
import { boxedOpenings } from './boxFigures.ts'
import type { BoxStock } from './boxStock.ts'
import { knockoutKind, plugFor, tubeFor, wideEnd } from './knockoutChoice.ts'
import { type Body, laminated, splitKnockout } from './splitKnockout.ts'

/** Foam, card tube and a moulded or rubber plug, kg/m3 [own]. */
const KG_PER_M3 = { foam: 33, tube: 700, plug: 1050 }

/** Every through opening's knockout, its wrap, and the pieces it is made of, from the base up to below strike-off. */
export function knockoutParts(piece: BoxedSlab, geometry: PieceGeometry, stock: BoxStock): BarePart[] {
  return boxedOpenings(geometry).flatMap((placed) => {
    const opening = piece.openings.find((o) => o.id === placed.openingId)!
    return knockoutOf(piece, geometry, opening, placed, stock)
  })
}

function knockoutOf(
  piece: BoxedSlab,
  geometry: PieceGeometry,
  opening: Opening,
  placed: PlacedOpening,
  stock: BoxStock,
): BarePart[] {
  const { poured, mould, attitude } = piece
  const high = poured.high - mould.knockoutBelow
  const low = poured.low > poured.rise ? poured.low : 0
  const kind = knockoutKind(mould, opening)
  const tube =
    kind === 'tube' && opening.shape.kind === 'round' && opening.draftDeg === 0
      ? tubeFor(opening.shape.diameter, mould.wrap, stock.tubes)
      : null
  const wrap =
    tube && opening.shape.kind === 'round'
      ? (opening.shape.diameter - tube.inside - 2 * tube.wall) / 2
      : kind === 'bought'
        ? 0
        : mould.wrap
  const bought = kind === 'bought' ? plugFor(opening, stock.plugs, high - low).fits : null
  // From the face it is entered by: the former begins and ends a little off both faces.
  const [above, below] = [poured.high - high, low - poured.low]
  const entered = opening.on === attitude.down ? below : above
  const wide = wideEnd(opening, [entered, entered + high - low])
  const [length, width] = halfSize(insetShape(wide.shape, wrap)).map((half) => 2 * half) as [number, number]
  if (Math.min(length, width) <= 0 || high <= low) return []
  const by = pouredPlacement(attitude, geometry)
  const body = (inset: number, name: string): Body =>
    bodyOf(piece, geometry, opening, placed, { inset, name, low, high, by })
  const key = placed.key
  // A straight one may go either way; one with draft goes out by its wide end.
  const pull = opening.draftDeg !== 0 && wide.on === attitude.down ? DOWN : UP
  const inner = body(wrap, `knockout/${key}`)
  const from = (is: OpeningPart): PartSource => ({ of: 'opening', openingId: opening.id, key, is })
  const shared = {
    role: 'knockout' as const,
    source: from('boards'),
    together: `${opening.name} knockouts`,
    lengthMm: length,
    widthMm: width,
    thicknessMm: high - low,
    pull,
  }
  const solid = whole(inner, { ...shared, id: `knockout/${key}`, name: `${placed.name} knockout` })
  const parts =
    tube !== null
      ? tubeParts(
          { ...solid, source: from('tube') },
          from('disc'),
          tube,
          boreOf(tube, placed, piece, geometry),
          stock.base,
        )
      : kind === 'foam'
        ? [
            {
              ...solid,
              source: from('foam'),
              name: `${placed.name} foam knockout`,
              mass: { volume: inner.volume, kgPerM3: foamOf(stock) },
            },
          ]
        : kind === 'bought' && bought
          ? [
              {
                ...solid,
                source: from('plug'),
                name: `${placed.name} plug, ${bought.name}`,
                mass: { volume: inner.volume, kgPerM3: KG_PER_M3.plug },
              },
            ]
          : kind === 'split'
            ? splitKnockout(solid, inner, placed, { piece, geometry, low, high, boards: stock.laminate })
            : kind === 'edge'
              ? [onEdge(solid, inner, stock.laminate)]
              : [laminated(solid, inner, stock.laminate)]
  if (wrap <= 0) return parts
  const outer = body(0, `wrap/${key}`)
  const [ol, ow] = halfSize(wide.shape).map((half) => 2 * half) as [number, number]
  const ring: SolidRecipe =
    outer.recipe.kind === 'prism' && inner.recipe.kind === 'prism'
      ? { ...outer.recipe, holes: [inner.recipe.outline] }
      : { kind: 'difference', from: outer.recipe, minus: [inner.recipe] }
  return [
    ...parts,
    barePart({
      id: `wrap/${key}`,
      role: 'wrap',
      source: from('wrap'),
      name: `${placed.name} wrap`,
      lengthMm: ol,
      widthMm: ow,
      thicknessMm: high - low,
      pull,
      ...(ring.kind !== 'prism' && {
        foot: null,
        mass: { volume: outer.volume - inner.volume, kgPerM3: 25 },
      }),
      recipe: ring,
    }),
  ]
}

/** Boards glued face to face and stood on edge, across the narrower way: a slot needs few of them. */
function onEdge(solid: BarePart, inner: Body, boards: BoxStock['laminate']): BarePart {
  const [acrossMm, lengthMm] = [solid.lengthMm, solid.widthMm].sort((a, b) => a - b) as [number, number]
  const glued = laminated({ ...solid, thicknessMm: acrossMm }, inner, boards)
  return {
    ...glued,
    thicknessMm: solid.thicknessMm,
    onEdge: { lengthMm, widthMm: solid.thicknessMm, acrossMm },
  }
}

type Span = {
  readonly inset: number
  readonly name: string
  readonly low: number
  readonly high: number
  readonly by: Placement
}

/** What fills an opening, as poured: a prism where its walls are upright, else the opening's own plug. */
function bodyOf(
  piece: BoxedSlab,
  geometry: PieceGeometry,
  opening: Opening,
  placed: PlacedOpening,
  { inset, name, low, high, by }: Span,
): Body {
  const shape = insetShape(opening.shape, inset)
  if (opening.draftDeg === 0) {
    const loop = inset === 0 ? placed.loop : shapeLoop(shape, placed.centre, placed.key, placed.turnDeg)
    const outline = pouredLoop(loop, piece.attitude, geometry)
    return {
      recipe: prism(outline, low, high, name),
      volume: measureLoop(outline).area * (high - low),
      straight: true,
    }
  }
  const square = { kind: 'square' } as const
  const [from, to] =
    piece.attitude.down === 'top'
      ? [piece.poured.high - high, piece.poured.high - low]
      : [low - piece.poured.low, high - piece.poured.low]
  const plug = openingPlug(
    { ...opening, shape, rim: { top: square, bottom: square } },
    { ...placed, shape },
    piece.thickness,
    from,
    to,
  )
  return {
    recipe: { kind: 'moved', by, solid: plug },
    volume: Math.abs(measureRecipe(plug)?.volume ?? 0),
    straight: false,
  }
}

type OpeningPart = Extract<PartSource, { of: 'opening' }>['is']
type Told = Pick<
  BarePart,
  'id' | 'role' | 'source' | 'name' | 'lengthMm' | 'widthMm' | 'thicknessMm' | 'pull'
>

const whole = ({ recipe, volume, straight }: Body, told: Told): BarePart =>
  barePart({ ...told, recipe, ...(!straight && { foot: null, mass: { volume, kgPerM3: 0 } }) })

const foamOf = ({ foams }: BoxStock): number => foams[0]?.densityKgPerM3 ?? KG_PER_M3.foam

const boreOf = (tube: Tube, placed: PlacedOpening, { attitude }: BoxedSlab, geometry: PieceGeometry): Loop =>
  pouredLoop(
    shapeLoop({ kind: 'round', diameter: tube.inside }, placed.centre, placed.key),
    attitude,
    geometry,
  )

/** A tube on end over a disc that is screwed to the base; the wrap outside it makes up its size. */
function tubeParts(part: BarePart, disc: PartSource, tube: Tube, bore: Loop, board: Board): BarePart[] {
  if (part.recipe.kind !== 'prism') return [part]
  const { low, high } = part.recipe
  const outside = tube.inside + 2 * tube.wall
  const area = (Math.PI / 4) * (outside ** 2 - tube.inside ** 2)
  const thick = Math.min(board.thickness, high - low)
  return [
    {
      ...part,
      name: `${part.name}, ${tube.name}`,
      recipe: { ...part.recipe, holes: [reverseLoop(bore)] },
      mass: { volume: area * (high - low), kgPerM3: KG_PER_M3.tube },
      displaces: (Math.PI / 4) * outside ** 2 * (high - low),
    },
    barePart({
      id: `${part.id}/disc`,
      role: 'knockout',
      source: disc,
      name: `${part.name}, centring disc`,
      boardId: board.id,
      lengthMm: tube.inside,
      widthMm: tube.inside,
      thicknessMm: thick,
      layers: oneLayer(board),
      pull: part.pull,
      displaces: 0,
      recipe: prism(bore, low, low + thick, `${part.id}/disc`),
    }),
  ]
}
