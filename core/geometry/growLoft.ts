import type { Manifold } from 'manifold-3d'
import { buildWalled } from './facedMesh.ts'
import type { SolidScope } from './kernel.ts'
import { insetAt, lostSides } from './loft.ts'
import type { LoftLoop, LoftSide, SideProfile, SolidRecipe } from './recipe.ts'

type Loft = Extract<SolidRecipe, { kind: 'loft' }>

/** Up to so many bends are each gone round; more, as a bead's chords are, are followed in steps a quarter of the coat high. */
const BENDS = 6
/** Levels of a coat at most: one with more is coated band by band. */
const LEVELS = 40
/** Corners sharper than this would stand far out when mitred, degrees. */
const SHARP = 45
/** Where a coat goes round a bend it is looked at so many times over its own thickness to either side. */
const ROUND = 4
/** Chords round a bend, and over a bead, lie inside the round: by so much more it is coated. */
const CHORD = { bend: 1.03, bead: 1.08 }

/**
 * A loft of straight or tapered sides with a coat round it, as smooth as its own sides: each profile moved out by `by`
 * square to itself, at bends by the round about the bend; level above and below. Null for a loft that must be coated
 * band by band: one with a sharp corner, more levels than are worth it, or sides that the coat of their neighbours swallows.
 */
export function growLoft(scope: SolidScope, loft: Loft, by: number): Manifold | null {
  const { low, high } = loft
  const loops = [loft.outline, ...loft.holes]
  const bends = new Set<number>()
  for (const { profile } of loops.flat())
    for (const { z } of profile) if (z > low + 1e-6 && z < high - 1e-6) bends.add(Math.round(z * 1e4) / 1e4)
  if (loft.outline.some((_, i) => isSharp(loft.outline, i))) return null
  const beaded = bends.size > BENDS
  const heights = new Set([low - by, low, high, high + by])
  if (beaded) for (const z of spaced([...bends], by / 4)) heights.add(z)
  else
    for (const z of bends)
      for (let k = -ROUND; k <= ROUND; k += 1) {
        const at = z + (by * k) / ROUND
        if (at > low && at < high) heights.add(at)
      }
  if (heights.size > LEVELS) return null
  const levels = [...heights].sort((a, b) => a - b)
  const round = by * (beaded ? CHORD.bead : bends.size > 0 ? CHORD.bend : 1)
  const coated = (loop: LoftLoop): LoftLoop =>
    loop.map(
      (side): LoftSide => ({
        ...side,
        profile: levels.map((z) => ({
          z,
          inset: insetOut(side.profile, Math.min(high, Math.max(low, z)), round, low, high),
          name: side.name,
        })),
      }),
    )
  const outline = coated(loft.outline)
  if (levels.some((z) => lostSides(outline, z).length > 0)) return null
  // A hole that its coat closes is filled.
  const holes = loft.holes.map(coated).filter((h) => levels.every((z) => lostSides(h, z).length === 0))
  const { body } = buildWalled(scope, { ...loft, outline, holes, low: low - by, high: high + by })
  return body.volume() > 0 ? body : null
}

/** Some heights, none nearer to the one before than `least`. */
function spaced(heights: readonly number[], least: number): number[] {
  const kept: number[] = []
  for (const z of [...heights].sort((a, b) => a - b))
    if (kept.length === 0 || z - kept.at(-1)! >= least) kept.push(z)
  return kept
}

/** How far in a side's coat stands at a height: the least of what every height within its reach asks. */
function insetOut(profile: SideProfile, z: number, by: number, low: number, high: number): number {
  const [from, to] = [Math.max(low, z - by), Math.min(high, z + by)]
  const stops = [from, ...profile.map((p) => p.z).filter((h) => h > from && h < to), to]
  let least = insetAt(profile, z) - by
  const look = (h: number) => {
    least = Math.min(least, insetAt(profile, h) - Math.sqrt(Math.max(0, by * by - (h - z) ** 2)))
  }
  for (let i = 0; i + 1 < stops.length; i += 1) {
    const [a, b] = [stops[i]!, stops[i + 1]!]
    look(a)
    look(b)
    if (b - a < 1e-9) continue
    // Along a straight stretch the point square to it counts, where it lies on the stretch.
    const slope = (insetAt(profile, b) - insetAt(profile, a)) / (b - a)
    const square = z - (by * slope) / Math.hypot(1, slope)
    if (square > a && square < b) look(square)
  }
  return least
}

function isSharp(loop: LoftLoop, i: number): boolean {
  const [before, own] = [loop[(i + loop.length - 1) % loop.length]!, loop[i]!]
  if (before.arc || own.arc) return false
  const [ux, uy] = [before.to[0] - before.from[0], before.to[1] - before.from[1]]
  const [vx, vy] = [own.to[0] - own.from[0], own.to[1] - own.from[1]]
  const turn = (Math.atan2(ux * vy - uy * vx, ux * vx + uy * vy) * 180) / Math.PI
  return turn > 180 - SHARP
}
