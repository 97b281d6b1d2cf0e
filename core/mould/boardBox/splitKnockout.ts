import type { SolidRecipe, Vector } from '../../geometry/index.ts'
import { type PieceGeometry, type PlacedOpening, pouredPoint } from '../../piece/index.ts'
import type { Board } from '../../stock/index.ts'
import type { BarePart } from '../bareParts.ts'
import { chooseLaminate } from '../laminate.ts'
import type { BoxedSlab } from './boxedSlab.ts'

/** A wedge between two halves: its mean thickness by the opening's length, its least, and its taper each side [own]. */
const WEDGE = { share: 0.15, least: 12, taper: Math.tan((3 * Math.PI) / 180) }
/** What fills an opening, its volume (mm3), and whether its walls are upright. */
export type Body = { readonly recipe: SolidRecipe; readonly volume: number; readonly straight: boolean }

/** Density of a stack of boards: the mean by thickness. */
export function laminated(part: BarePart, body: Body, boards: readonly Board[]): BarePart {
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
export function splitKnockout(
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
  const { source } = solid
  const part = (
    id: string,
    name: 'wedge' | 'first half' | 'second half',
    recipe: SolidRecipe,
    size2: readonly [number, number],
    volume: number,
    pull: Vector,
  ) =>
    laminated(
      {
        ...solid,
        id: `knockout/${key}/${id}`,
        source: source.of === 'opening' ? { ...source, is: name } : source,
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
        s === 1 ? 'first half' : 'second half',
        trim(body.recipe, face(s), 'half'),
        [halfLong, across],
        rest,
        [-s * way[0], -s * way[1], 0],
      ),
    ),
  ]
}
