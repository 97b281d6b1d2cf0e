import type { SolidRecipe } from '../../geometry/index.ts'
import type { Finding } from '../../job/index.ts'
import { finding } from '../checkMould.ts'
import type { MethodInput } from '../method.ts'
import { FITS, foundMethod, HOURS } from './planFound.ts'
import { diameterAt, type Ring, ringsAs } from './vessel.ts'

/** Heights that are compared. */
const STEPS = 24

/** A vessel in stock that has the shape of a turned piece, where it is built in another way: buying beats making. */
export function vesselFits({ piece, pieceStation, stock }: MethodInput, buildHours: number): Finding[] {
  const { recipe, low, height } = pieceStation.geometry
  if (piece.kind !== 'turned' || piece.mould.method === 'found' || foundMethod.misfit(piece) !== null)
    return []
  if (recipe?.kind !== 'turned') return []
  const [best] = stock.vessels
    .flatMap((vessel) =>
      (['upright', 'joined', 'upside-down'] as const).flatMap((stands) => {
        const rings = ringsAs(vessel.rings, stands)
        // What is closed over its top is filled to its crown.
        if (stands === 'joined' && Math.abs(rings.at(-1)!.height - height) > FITS) return []
        const differs = differsBy({ rings }, recipe.profile, {
          low,
          height,
          upsideDown: piece.attitude.down === 'top',
        })
        return differs !== null && differs <= FITS ? [{ vessel, stands, differs }] : []
      }),
    )
    .sort((a, b) => a.differs - b.differs)
  if (!best) return []
  const { vessel, stands, differs } = best
  return [
    finding(
      piece,
      'vessel-fits',
      'note',
      'choice',
      {
        vessel: vessel.name,
        stands,
        differsMm: Math.max(0.1, differs),
        price: (vessel.price ?? 0) * (stands === 'joined' ? 2 : 1),
        hours: Math.max(0.1, Math.round((buildHours - HOURS) * 10) / 10),
      },
      [{ type: 'mouldChosen', pieceId: piece.id, patch: { method: 'found', vessel: vessel.id, stands } }],
    ),
  ]
}

type Profile = Extract<SolidRecipe, { kind: 'turned' }>['profile']

/** How far a solid turned body strays from a vessel at most, across, mm; null for a hollow one or one that stands out above it. */
export function differsBy(
  { rings }: { readonly rings: readonly Ring[] },
  profile: Profile,
  {
    low,
    height,
    upsideDown,
  }: { readonly low: number; readonly height: number; readonly upsideDown: boolean },
): number | null {
  let most = 0
  for (let i = 0; i < STEPS; i += 1) {
    const up = (height * (i + 0.5)) / STEPS
    const inside = diameterAt(rings, up)
    const radii = radiiAt(profile, low + (upsideDown ? height - up : up))
    // A solid body is met twice: on its axis and on its outside.
    if (inside === null || radii.length !== 2 || Math.min(...radii) > 1e-6) return null
    most = Math.max(most, Math.abs(2 * Math.max(...radii) - inside))
  }
  return most
}

const radiiAt = (profile: Profile, z: number): number[] =>
  profile.flatMap((p, i) => {
    const q = profile[(i + 1) % profile.length]!
    if (p.z <= z === q.z <= z) return []
    return [p.radius + ((q.radius - p.radius) * (z - p.z)) / (q.z - p.z)]
  })
