import {
  type Loop,
  measureLoop,
  measureRecipe,
  type Placement,
  reverseLoop,
  type SolidRecipe,
  type Vector,
} from '../../geometry/index.ts'
import type { MouldChoice, Opening } from '../../job/index.ts'
import {
  halfSize,
  insetShape,
  openingPlug,
  type PieceGeometry,
  type PlacedOpening,
  pouredLoop,
  pouredPlacement,
  pouredPoint,
  shapeLoop,
} from '../../piece/index.ts'
import type { Board, Plug, Tube } from '../../stock/index.ts'
import { type BarePart, barePart, DOWN, oneLayer, prism, UP } from '../bareParts.ts'
import { chooseLaminate } from '../laminate.ts'
import type { BoxedSlab } from './boxedSlab.ts'
import { boxedOpenings } from './boxFigures.ts'
import type { BoxStock } from './boxStock.ts'

export type KnockoutKind = MouldChoice['knockoutKinds'][string]

/** A wedge between two halves: its mean thickness by the opening's length, its least, and its taper each side [own]. */
const WEDGE = { share: 0.15, least: 12, taper: Math.tan((3 * Math.PI) / 180) }
/** Wrap that makes up the difference between a tube and its opening is at most this thick, mm [own]. */
export const MOST_WRAP = 12
/** Foam, card tube and a moulded or rubber plug, kg/m3 [own]. */
const KG_PER_M3 = { foam: 33, tube: 700, plug: 1050 }

/** The part of a name that tells the opening of a knockout or its wrap. */
export const openingKeyOf = (partId: string): string => partId.split('/')[1] ?? ''

/** What an opening is made by where the maker named nothing. */
export const knockoutKind = (mould: MouldChoice, openingId: string): KnockoutKind =>
  mould.knockoutKinds[openingId] ?? 'laminate'

/** The widest tube that goes into a round opening with its wrap; null where none comes within a wrap of it. */
export function tubeFor(diameter: number, wrap: number, tubes: readonly Tube[]): Tube | null {
  const outside = (t: Tube) => t.inside + 2 * t.wall
  const fitting = tubes.filter((t) => outside(t) <= diameter - 2 * wrap + 1e-6)
  const widest = fitting.reduce<Tube | null>((a, b) => (a && outside(a) >= outside(b) ? a : b), null)
  return widest && (diameter - outside(widest)) / 2 <= MOST_WRAP ? widest : null
}

/** A bought plug is taken for an opening this near its own size, mm, and draft, degrees [own]. */
export const PLUG_NEAR = { mm: 0.5, deg: 0.25 }

const across = (shape: Opening['shape']): readonly [number, number, number] | null =>
  shape.kind === 'round'
    ? [shape.diameter, shape.diameter, shape.diameter / 2]
    : shape.kind === 'rectangle'
      ? [shape.length, shape.width, shape.radius]
      : null

/** How far a plug is from an opening, mm over all its sizes; null where it cannot form it at all. */
export function plugAway({ shape, draftDeg }: Opening, plug: Plug, deep: number): number | null {
  const own = across(shape)
  if (!own || plug.height < deep) return null
  const sizes = [plug.length, plug.width, plug.radius].map((size, k) => Math.abs(size - own[k]!))
  return Math.max(...sizes) + 4 * Math.max(0, Math.abs(plug.draftDeg - draftDeg) - PLUG_NEAR.deg)
}

/** The plug in stock that forms an opening, and the one that comes nearest. */
export function plugFor(
  opening: Opening,
  plugs: readonly Plug[],
  deep: number,
): { readonly fits: Plug | null; readonly nearest: Plug | null } {
  const near = plugs
    .flatMap((plug) => {
      const away = plugAway(opening, plug, deep)
      return away === null ? [] : [{ plug, away }]
    })
    .sort((a, b) => a.away - b.away)[0]
  return { fits: near && near.away <= PLUG_NEAR.mm ? near.plug : null, nearest: near?.plug ?? null }
}

type Body = { readonly recipe: SolidRecipe; readonly volume: number; readonly straight: boolean }

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
  const kind = knockoutKind(mould, opening.id)
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
  const shape = insetShape(opening.shape, wrap)
  const [length, width] = halfSize(shape).map((half) => 2 * half) as [number, number]
  if (Math.min(length, width) <= 0 || high <= low) return []
  const by = pouredPlacement(attitude, geometry)
  const body = (inset: number, name: string): Body =>
    bodyOf(piece, geometry, opening, placed, { inset, name, low, high, by })
  const key = placed.key
  // A straight one may go either way; one with draft goes out by its wide end.
  const pull = opening.draftDeg !== 0 && opening.on === attitude.down ? DOWN : UP
  const inner = body(wrap, `knockout/${key}`)
  const shared = {
    role: 'knockout' as const,
    lengthMm: length,
    widthMm: width,
    thicknessMm: high - low,
    pull,
  }
  const solid = whole(inner, { ...shared, id: `knockout/${key}`, name: `${placed.name} knockout` })
  const parts =
    tube !== null
      ? tubeParts(solid, tube, boreOf(tube, placed, piece, geometry), stock.base)
      : kind === 'foam'
        ? [
            {
              ...solid,
              name: `${placed.name} foam knockout`,
              mass: { volume: inner.volume, kgPerM3: foamOf(stock) },
            },
          ]
        : kind === 'bought' && bought
          ? [
              {
                ...solid,
                name: `${placed.name} plug, ${bought.name}`,
                mass: { volume: inner.volume, kgPerM3: KG_PER_M3.plug },
              },
            ]
          : kind === 'split'
            ? split(solid, inner, placed, { piece, geometry, low, high, boards: stock.laminate })
            : [laminated(solid, inner, stock.laminate)]
  if (wrap <= 0) return parts
  const outer = body(0, `wrap/${key}`)
  const [ol, ow] = halfSize(opening.shape).map((half) => 2 * half) as [number, number]
  const ring: SolidRecipe =
    outer.recipe.kind === 'prism' && inner.recipe.kind === 'prism'
      ? { ...outer.recipe, holes: [inner.recipe.outline] }
      : { kind: 'difference', from: outer.recipe, minus: [inner.recipe] }
  return [
    ...parts,
    barePart({
      id: `wrap/${key}`,
      role: 'wrap',
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

type Told = Pick<BarePart, 'id' | 'role' | 'name' | 'lengthMm' | 'widthMm' | 'thicknessMm' | 'pull'>

const whole = ({ recipe, volume, straight }: Body, told: Told): BarePart =>
  barePart({ ...told, recipe, ...(!straight && { foot: null, mass: { volume, kgPerM3: 0 } }) })

/** Density of a stack of boards: the mean by thickness. */
function laminated(part: BarePart, body: Body, boards: readonly Board[]): BarePart {
  const laminate = chooseLaminate(part.thicknessMm, boards)
  const layers = laminate?.layers ?? []
  const thick = layers.reduce((sum, l) => sum + l.thicknessMm, 0)
  const kg = layers.reduce(
    (sum, l) => sum + l.thicknessMm * (boards.find((b) => b.id === l.boardId)?.densityKgPerM3 ?? 0),
    0,
  )
  return {
    ...part,
    layers,
    laminate,
    ...(part.mass && {
      mass: { volume: part.mass.volume || body.volume, kgPerM3: thick > 0 ? kg / thick : 0 },
    }),
  }
}

const foamOf = ({ foams }: BoxStock): number => foams[0]?.densityKgPerM3 ?? KG_PER_M3.foam

const boreOf = (tube: Tube, placed: PlacedOpening, { attitude }: BoxedSlab, geometry: PieceGeometry): Loop =>
  pouredLoop(
    shapeLoop({ kind: 'round', diameter: tube.inside }, placed.centre, placed.key),
    attitude,
    geometry,
  )

/** A tube on end over a disc that is screwed to the base; the wrap outside it makes up its size. */
function tubeParts(part: BarePart, tube: Tube, bore: Loop, board: Board): BarePart[] {
  if (part.recipe.kind !== 'prism') return [part]
  const { low, high } = part.recipe
  const outside = tube.inside + 2 * tube.wall
  const area = (Math.PI / 4) * (outside ** 2 - tube.inside ** 2)
  const disc = Math.min(board.thickness, high - low)
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
      name: `${part.name}, centring disc`,
      boardId: board.id,
      lengthMm: tube.inside,
      widthMm: tube.inside,
      thicknessMm: disc,
      layers: oneLayer(board),
      pull: part.pull,
      displaces: 0,
      recipe: prism(bore, low, low + disc, `${part.id}/disc`),
    }),
  ]
}

type Cut = {
  readonly piece: BoxedSlab
  readonly geometry: PieceGeometry
  readonly low: number
  readonly high: number
  readonly boards: readonly Board[]
}

/**
 * Two halves and a wedge between them, across the opening's longer way. The wedge is wide towards the way out: drawn
 * first, it lets both halves fall inward.
 */
function split(
  solid: BarePart,
  body: Body,
  placed: PlacedOpening,
  { piece, geometry, low, high, boards }: Cut,
): BarePart[] {
  const { lengthMm: l, widthMm: w } = solid
  const along = Math.max(l, w)
  const mean = Math.min(Math.max(WEDGE.least, along * WEDGE.share), along / 2)
  const centre = pouredPoint(placed.centre, piece.attitude, geometry)
  const a = (placed.turnDeg * Math.PI) / 180 + (l >= w ? 0 : Math.PI / 2)
  const mirrored = piece.attitude.down === 'top' ? -1 : 1
  const way: readonly [number, number] = [mirrored * Math.cos(a), Math.sin(a)]
  const up = solid.pull[2]
  const middle = (low + high) / 2
  const k = WEDGE.taper * up
  const size = Math.hypot(1, k)
  const half = mean / 2
  /** The face of the wedge on one side: outward of it lies that half. */
  const face = (s: 1 | -1): { normal: Vector; offset: number } => {
    const normal: Vector = [(s * way[0]) / size, (s * way[1]) / size, -k / size]
    const through = [centre[0] + s * way[0] * half, centre[1] + s * way[1] * half, middle] as const
    return { normal, offset: normal[0] * through[0] + normal[1] * through[1] + normal[2] * through[2] }
  }
  const trim = (
    from: SolidRecipe,
    { normal, offset }: ReturnType<typeof face>,
    name: string,
  ): SolidRecipe => ({
    kind: 'trimmed',
    solid: from,
    normal,
    offset,
    name,
  })
  const back = ({ normal: [x, y, z], offset }: ReturnType<typeof face>) => ({
    normal: [-x, -y, -z] as Vector,
    offset: -offset,
  })
  const across = Math.min(l, w)
  const key = placed.key
  const filled = body.volume / Math.max(1, l * w * (high - low))
  const wedgeVolume = Math.min(body.volume / 2, mean * across * (high - low) * Math.min(1, filled * 1.2))
  const part = (
    id: string,
    name: string,
    recipe: SolidRecipe,
    size2: readonly [number, number],
    volume: number,
    pull: Vector,
  ) =>
    laminated(
      {
        ...solid,
        id: `knockout/${key}/${id}`,
        name: `${placed.name} knockout, ${name}`,
        lengthMm: size2[0],
        widthMm: size2[1],
        recipe,
        pull,
        foot: null,
        mass: { volume, kgPerM3: 0 },
      },
      body,
      boards,
    )
  const halfLong = (along - mean) / 2 + WEDGE.taper * (high - low) * 0.5
  const rest = (body.volume - wedgeVolume) / 2
  return [
    part(
      'wedge',
      'wedge',
      trim(trim(body.recipe, back(face(1)), 'wedge'), back(face(-1)), 'wedge'),
      [mean + WEDGE.taper * (high - low), across],
      wedgeVolume,
      solid.pull,
    ),
    ...([1, -1] as const).map((s) =>
      part(
        s === 1 ? 'first' : 'second',
        `${s === 1 ? 'first' : 'second'} half`,
        trim(body.recipe, face(s), 'half'),
        [halfLong, across],
        rest,
        [-s * way[0], -s * way[1], 0],
      ),
    ),
  ]
}
