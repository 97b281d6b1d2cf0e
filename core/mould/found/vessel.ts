import type { ChoiceOf } from '../../job/index.ts'
import type { Vessel } from '../../stock/index.ts'

/** What a vessel is measured by: kg a litre, poured in, not shaken, struck off level [own, but for water]. */
export const FILL_KG_PER_L: Readonly<Record<ChoiceOf<'found'>['vesselFill'], number>> = {
  water: 0.998,
  rice: 0.8,
  'dry-sand': 1.6,
}

export type Ring = Vessel['rings'][number]

/** How a vessel stands while it is filled. */
export type Stands = ChoiceOf<'found'>['stands']

/** The rings of a vessel from the foot of the pour up, by how it stands: turned over, or doubled rim to rim. */
export function ringsAs(rings: readonly Ring[], stands: Stands): readonly Ring[] {
  const top = rings.at(-1)!.height
  const over = [...rings].reverse().map((r) => ({ height: top - r.height, diameter: r.diameter }))
  if (stands === 'upright') return rings
  if (stands === 'upside-down') return over
  return [...rings, ...over.slice(1).map((r) => ({ ...r, height: r.height + top }))]
}

/** What the fill would take if the wall of a vessel stood upright at its widest, less what it takes, mm3: it lifts by that. */
export function overhang(rings: readonly Ring[], height: number): number {
  const used = rings.filter((r) => r.height <= height)
  const widest = Math.max(...used.map((r) => r.diameter))
  return Math.max(0, (Math.PI / 4) * widest ** 2 * height - vesselVolume(rings, height))
}

/** Inside diameter of a vessel at a height, straight between the measured ones; null above its rim. */
export function diameterAt(rings: readonly Ring[], height: number): number | null {
  const above = rings.findIndex((r) => r.height >= height - 1e-9)
  if (above < 0) return null
  const upper = rings[above]!
  const lower = rings[above - 1]
  if (!lower) return upper.diameter
  const t = (height - lower.height) / (upper.height - lower.height)
  return lower.diameter + (upper.diameter - lower.diameter) * t
}

/**
 * What a vessel holds up to a height, mm3: a stack of frustums, pi h (d1^2 + d1 d2 + d2^2)/12 each. 260 to 290 over
 * 360 mm: 21.4 L.
 */
export function vesselVolume(rings: readonly Ring[], height: number): number {
  let volume = 0
  for (let i = 0; i + 1 < rings.length; i += 1) {
    const [lower, upper] = [rings[i]!, rings[i + 1]!]
    const top = Math.min(height, upper.height)
    const deep = top - lower.height
    if (deep <= 0) break
    const d = diameterAt(rings, top)!
    volume += (Math.PI * deep * (lower.diameter ** 2 + lower.diameter * d + d ** 2)) / 12
  }
  return volume
}

/** The steepest inward lean above the foot: where a vessel narrows upward, the height; null where the cast draws. */
export function narrowsAt(rings: readonly Ring[], height: number): number | null {
  for (let i = 0; i + 1 < rings.length; i += 1) {
    const [lower, upper] = [rings[i]!, rings[i + 1]!]
    if (lower.height < height && upper.diameter < lower.diameter - 0.5) return lower.height
  }
  return null
}

/** Least draft of its wall, degrees, up to a height. */
export function leastDraft(rings: readonly Ring[], height: number): number {
  let least = 90
  for (let i = 0; i + 1 < rings.length; i += 1) {
    const [lower, upper] = [rings[i]!, rings[i + 1]!]
    if (lower.height >= height) break
    const rise = upper.height - lower.height
    least = Math.min(least, (Math.atan2((upper.diameter - lower.diameter) / 2, rise) * 180) / Math.PI)
  }
  return least
}

/** How far a round wall grows under the fill, mm: p r^2/(E t), p in MPa. */
export const wallGrowth = (pressureMPa: number, radius: number, elasticity: number, wall: number): number =>
  (pressureMPa * radius ** 2) / (elasticity * wall)
