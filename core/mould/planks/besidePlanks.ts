import {
  edgeDeep,
  edgeSize,
  type Kernel,
  type Placement,
  type SolidRecipe,
  type Vector,
} from '../../geometry/index.ts'
import type { Piece } from '../../job/index.ts'
import { describePiece, potHoles } from '../../piece/index.ts'
import { type BarePart, barePart, DOWN, trimmed } from '../bareParts.ts'
import type { CastBody } from '../castBody.ts'
import type { HardwareRow } from '../types.ts'
import { edgesOf } from './plainPiece.ts'

/** Card or plastic pipe, a dowel: about what any of them weighs as a whole, kg/m3 [own]. */
const PLUG_KG_PER_M3 = 700

type Told = {
  readonly plain: SolidRecipe
  readonly body: CastBody
  readonly by: Placement
  readonly kernel: Kernel
}

/** What fills the box beside its planks: plugs of drains and side holes, and the eased edge that lies on the base. */
export function besidePlanks(
  piece: Piece,
  told: Told,
): {
  readonly plugs: readonly BarePart[]
  readonly edges: readonly BarePart[]
  readonly bought: readonly HardwareRow[]
} {
  const { plugs, bought } = plugParts(piece, told)
  return { plugs, bought, edges: edgePart(piece, told) }
}

/** Each hole of a pot, filled: what the pot without it has more. Its place is the mould's, in the pour. */
function plugParts(piece: Piece, { by, kernel, body: { length, width, height } }: Told) {
  if (piece.kind !== 'box' || piece.built) return { plugs: [], bought: [] }
  const { drains, sideHoles, floor } = piece
  const count = drains.count + sideHoles.length
  if (count === 0) return { plugs: [], bought: [] }
  const without = describePiece(kernel, { ...piece, drains: { ...drains, count: 0 }, sideHoles: [] }).body
  if (!without) return { plugs: [], bought: [] }
  const bodies = kernel.withSolids((s) =>
    potHoles(piece).map((hole) => {
      const recipe: SolidRecipe = { kind: 'moved', by, solid: { kind: 'intersection', of: [without, hole] } }
      const { body } = s.solid(recipe)
      const { min, max } = body.boundingBox()
      return { recipe, volume: body.volume(), min, max }
    }),
  )
  const known = bodies.filter((b) => b.volume > 1)
  const plugs = known.map((b, i): BarePart => {
    const id = `plug/${i + 1}`
    const size = [0, 1, 2].map((k) => b.max[k]! - b.min[k]!) as [number, number, number]
    const near = nearestSide(b, [length, width])
    // Through the floor it stands upright, and is as long as that is thick.
    const axis =
      drains.count > 0 && Math.abs(size[2] - floor) < 0.5 && isRound(size, drains.diameter) ? 2 : near.axis
    const across = axis === 2 ? size[0] : size[2]
    return barePart({
      id,
      // Only what ends at the open top has a top to be kept clear.
      role: b.max[2]! > height - 1 ? 'knockout' : 'former',
      source: { of: 'hole', n: i + 1, count: known.length },
      name: known.length === 1 ? 'plug' : `plug ${i + 1}`,
      together: 'plugs',
      lengthMm: size[axis],
      widthMm: across,
      thicknessMm: across,
      pull: axis === 2 ? DOWN : near.out,
      mass: { volume: b.volume, kgPerM3: PLUG_KG_PER_M3 },
      recipe: b.recipe,
    })
  })
  const sizes = new Map<string, { diameterMm: number; lengthMm: number; count: number }>()
  for (const p of plugs) {
    const [diameterMm, lengthMm] = [Math.round(p.widthMm * 10) / 10, Math.ceil(p.lengthMm)]
    const key = `${diameterMm} ${lengthMm}`
    sizes.set(key, { diameterMm, lengthMm, count: (sizes.get(key)?.count ?? 0) + 1 })
  }
  return {
    plugs,
    bought: [...sizes.values()].map(
      ({ count: amount, ...facts }): HardwareRow => ({ code: 'hole-plugs', facts, amount, unit: 'piece' }),
    ),
  }
}

const isRound = ([x, y]: readonly number[], diameter: number): boolean =>
  Math.abs(x! - y!) < 0.5 && Math.abs(x! - diameter) < 0.5

/** The side of the box that a body lies nearest to with its middle, and the way out through it. */
function nearestSide(
  { min, max }: { readonly min: readonly number[]; readonly max: readonly number[] },
  [length, width]: readonly [number, number],
): { readonly axis: 0 | 1; readonly out: Vector } {
  const [x, y] = [(min[0]! + max[0]!) / 2, (min[1]! + max[1]!) / 2]
  const sides: readonly (readonly [away: number, axis: 0 | 1, out: Vector])[] = [
    [x, 0, [-1, 0, 0]],
    [length - x, 0, [1, 0, 0]],
    [y, 1, [0, -1, 0]],
    [width - y, 1, [0, 1, 0]],
  ]
  const [, axis, out] = sides.reduce((a, b) => (b[0] < a[0] ? b : a))
  return { axis, out }
}

/** The edge on the base, where it is eased: a bead of sealant or a strip all round. */
function edgePart(piece: Piece, { plain, body }: Told): BarePart[] {
  const { base: edge } = edgesOf(piece)
  if (edge.kind === 'square') return []
  const deep = edgeDeep(edge)
  const name = edge.kind === 'bead' ? 'bead on the base' : 'strip on the base'
  return [
    barePart({
      id: 'edge/base',
      role: edge.kind === 'bead' ? 'sealant' : 'chamfer',
      source: { of: 'outline' },
      name,
      lengthMm: 2 * (body.length + body.width),
      widthMm: edgeSize(edge),
      thicknessMm: deep,
      pull: DOWN,
      ...(edge.kind !== 'bead' && { shapedAs: edge.kind }),
      recipe: {
        kind: 'difference',
        from: trimmed(plain, [0, 0, -1], -deep, 'edge/base'),
        minus: [body.recipe],
      },
    }),
  ]
}
