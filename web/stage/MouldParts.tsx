import { boundLoop, type Loop, type Point, type Region, type SolidRecipe } from '../../core/geometry/index.ts'
import { type MouldPart, planOf } from '../../core/mould/index.ts'
import { useAppDispatch, useAppSelector } from '../state/store.ts'
import { pointedAt } from '../state/viewSlice.ts'
import type { Scene } from '../worker/protocol.ts'
import { HATCH_OF } from './Hatches.tsx'
import { loopPath, ringPath } from './paths.ts'

type Props = {
  readonly parts: readonly MouldPart[]
  readonly onScreen: (p: Point) => Point
  readonly scale: number
  /** Outlines of parts whose recipes do not tell them. */
  readonly plans: ReadonlyMap<string, Region>
}

/** What the worker saw of the parts from above. */
export const plansOf = (scene: Scene | null): ReadonlyMap<string, Region> =>
  new Map((scene?.parts ?? []).flatMap((p) => (p.plan ? [[p.id, p.plan] as const] : [])))

const HATCH: Readonly<Partial<Record<MouldPart['role'], string>>> = {
  tube: HATCH_OF.card,
  core: HATCH_OF.card,
  rubber: HATCH_OF.rubber,
  layer: HATCH_OF.foam,
  shell: HATCH_OF.print,
  jacket: HATCH_OF.plaster,
  packing: HATCH_OF.earth,
  liner: HATCH_OF.rubber,
}

/** The mould round a piece, from above: the base first, what stands on it over it. Pointing at a part lights it everywhere. */
export function MouldParts({ parts, onScreen, scale, plans }: Props) {
  const lit = useAppSelector((s) => s.view.lit)
  const dispatch = useAppDispatch()
  const low = (p: MouldPart) =>
    p.role === 'base' ? 0 : p.role === 'rubber' || p.role === 'packing' || p.role === 'layer' ? 1 : 2
  return (
    <g>
      {[...parts]
        .sort((a, b) => low(a) - low(b))
        .map((part) => {
          const loops = partLoops(part)
          const rings = part.recipe.kind === 'plate' ? part.recipe.region : (plans.get(part.id) ?? [])
          if (loops.length === 0 && rings.length === 0) return null
          return (
            <path
              key={part.id}
              d={[
                ...loops.map((l) => loopPath(l, onScreen, scale, false)),
                ...rings.map((r) => ringPath(r, onScreen)),
              ].join(' ')}
              fillRule="evenodd"
              fill={HATCH[part.role] ?? HATCH_OF.board}
              stroke={lit === part.id ? 'var(--oxide)' : 'var(--ink)'}
              strokeWidth={lit === part.id ? 2.4 : 0.9}
              onPointerEnter={() => dispatch(pointedAt(part.id))}
              onPointerLeave={() => dispatch(pointedAt(null))}
            >
              <title>{part.name}</title>
            </path>
          )
        })}
    </g>
  )
}

/** Whether a part stands in a board box beside or in the piece, and is drawn over its plan; others lie round or under it. */
export const isBoxPart = (part: MouldPart): boolean =>
  (BOX_ROLES.includes(part.role) && part.source.of !== 'backing') || isSideLiner(part)

/** A liner stuck to a side, not one that lies on the base. */
const isSideLiner = ({ role, source }: MouldPart): boolean => role === 'liner' && source.of === 'side'

/** Whether a part is seen from above beside the concrete or in an opening of it, not under or in it. */
export const standsBeside = (part: MouldPart): boolean =>
  ['strip', 'corner', 'knockout', 'wrap'].includes(part.role) ||
  isSideLiner(part) ||
  part.source.of === 'apron'

const BOX_ROLES: readonly MouldPart['role'][] = [
  'base',
  'strip',
  'skin',
  'rib',
  'corner',
  'knockout',
  'wrap',
  'chamfer',
  'sealant',
  'former',
]

/** How far a mould stands outside the box of its piece, mm. */
export function mouldBeyond(
  parts: readonly MouldPart[],
  box: { length: number; width: number },
  plans: ReadonlyMap<string, Region>,
): number {
  let most = 0
  for (const part of parts)
    for (const loop of partLoops(part)) {
      const { min, max } = boundLoop(loop)
      most = Math.max(most, -min[0], -min[1], max[0] - box.length, max[1] - box.width)
    }
  for (const region of plans.values())
    for (const [x, y] of region.flat()) most = Math.max(most, -x, -y, x - box.length, y - box.width)
  return most
}

/** What is seen of a part from above, as far as its recipe or its foot tells. */
export const partLoops = (part: MouldPart): Loop[] =>
  part.recipe.kind === 'loft' && planOf(part) ? [planOf(part)!] : seenLoops(part.recipe)

/** What a part's recipe shows from above. */
function seenLoops(recipe: SolidRecipe): Loop[] {
  switch (recipe.kind) {
    case 'prism':
      return [recipe.outline, ...recipe.holes]
    case 'difference':
      return seenLoops(recipe.from)
    case 'turned': {
      const radii = recipe.profile.map((p) => p.radius)
      return [Math.max(...radii), Math.min(...radii)].filter((r) => r > 0).map((r) => ring(recipe.at, r))
    }
    // What the recipe does not tell is drawn from the solid, seen from above.
    default:
      return []
  }
}

const ring = ([x, y]: Point, radius: number): Loop => {
  const ends: [Point, Point] = [
    [x - radius, y],
    [x + radius, y],
  ]
  const half = (from: Point, to: Point) => ({
    name: 'ring',
    from,
    to,
    arc: { centre: [x, y] as const, radius, sweepRad: Math.PI },
  })
  return [half(ends[0], ends[1]), half(ends[1], ends[0])]
}
