import type { Point, SolidRecipe, Vector } from '../../geometry/index.ts'
import type { Board, Vessel } from '../../stock/index.ts'
import { type BarePart, barePart, DOWN, oneLayer, prism, rectangle, UP } from '../bareParts.ts'
import type { CastBody } from '../castBody.ts'
import type { Ring, Stands } from './vessel.ts'

/** Moulded plastic. */
const KG_PER_M3 = 950
/** The board a vessel stands on rim down. */
export const vesselBase = (board: Board, body: CastBody, { rings, wall }: Vessel): BarePart => {
  const half = rings.at(-1)!.diameter / 2 + wall + BASE_MARGIN
  const [x, y] = [body.length / 2, body.width / 2]
  return barePart({
    id: 'base',
    role: 'base',
    source: { of: 'cast' },
    name: 'base',
    boardId: board.id,
    lengthMm: 2 * half,
    widthMm: 2 * half,
    thicknessMm: board.thickness,
    layers: oneLayer(board),
    pull: DOWN,
    recipe: prism(rectangle('base', [x - half, y - half], [x + half, y + half]), -board.thickness, 0, 'base'),
  })
}
/** Base beyond the rim all round, mm [own]. */
const BASE_MARGIN = 40

/** The vessel as it stands: one part, or two halves rim to rim. */
export function vesselParts(vessel: Vessel, stands: Stands, body: CastBody, hole: number): BarePart[] {
  const { rings, wall } = vessel
  const across = Math.max(...rings.map((r) => r.diameter)) + 2 * wall
  const high = rings.at(-1)!.height
  const plastic = rings.slice(1).reduce(
    (sum, upper, i) => {
      const lower = rings[i]!
      const slant = Math.hypot(upper.height - lower.height, (upper.diameter - lower.diameter) / 2)
      return sum + (Math.PI * (upper.diameter + lower.diameter) * slant * wall) / 2
    },
    stands === 'upside-down' ? 0 : (Math.PI * rings[0]!.diameter ** 2 * wall) / 4,
  )
  const part = (id: string, name: string, source: BarePart['source'], pull: Vector, recipe: SolidRecipe) =>
    barePart({
      id,
      role: 'shell',
      source,
      name,
      lengthMm: across,
      widthMm: across,
      thicknessMm: high + (stands === 'upside-down' ? 0 : wall),
      pull,
      mass: { volume: plastic, kgPerM3: KG_PER_M3 },
      recipe,
    })
  const at: Point = [body.length / 2, body.width / 2]
  const upright = vesselRecipe(rings, wall, at, stands !== 'upside-down')
  if (stands === 'upright') return [part('vessel', vessel.name, { of: 'cast' }, DOWN, upright)]
  const turnedOver = (z: number, solid: SolidRecipe): SolidRecipe => ({
    kind: 'moved',
    solid,
    by: { x: [1, 0, 0], y: [0, -1, 0], z: [0, 0, -1], origin: [0, 2 * at[1], z] },
  })
  if (stands === 'upside-down')
    return [part('vessel', vessel.name, { of: 'cast' }, UP, turnedOver(high, upright))]
  const holed: SolidRecipe = {
    kind: 'difference',
    from: turnedOver(2 * high, upright),
    minus: [
      {
        kind: 'turned',
        at,
        profile: [
          { radius: 0, z: 2 * high - wall, name: 'hole' },
          { radius: hole / 2, z: 2 * high - wall, name: 'hole' },
          { radius: hole / 2, z: 2 * high + 2 * wall, name: 'hole' },
          { radius: 0, z: 2 * high + 2 * wall, name: 'hole' },
        ],
      },
    ],
  }
  return [
    part('half/lower', `lower ${vessel.name}`, { of: 'shell', is: 'lower', n: 1 }, DOWN, upright),
    part('half/upper', `upper ${vessel.name}`, { of: 'shell', is: 'upper', n: 2 }, UP, holed),
  ]
}

/** A vessel on its floor, its inside as measured; without its floor only its wall. */
function vesselRecipe(rings: readonly Ring[], wall: number, at: Point, floor: boolean): SolidRecipe {
  const inside = rings.map((r) => ({ radius: r.diameter / 2, z: r.height, name: 'vessel/inside' }))
  const outside = rings
    .map((r) => ({ radius: r.diameter / 2 + wall, z: r.height, name: 'vessel/outside' }))
    .reverse()
  // Anticlockwise in radius and height: under the floor outward, up the outside, down the inside.
  return {
    kind: 'turned',
    at,
    profile: [
      ...(floor
        ? [
            { radius: 0, z: -wall, name: 'vessel/under' },
            { radius: outside.at(-1)!.radius, z: -wall, name: 'vessel/outside' },
          ]
        : []),
      ...[...outside].reverse(),
      ...[...inside].reverse(),
      ...(floor ? [{ radius: 0, z: 0, name: 'vessel/inside' }] : []),
    ],
  }
}
