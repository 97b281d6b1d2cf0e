import { rectangleLoop, type SolidRecipe } from '../../geometry/index.ts'
import type { FittedPiece, Piece, TurnedPiece } from '../../job/index.ts'
import { pressureAt } from '../../mechanics/index.ts'
import { type BarePart, DOWN, prism, UP } from '../bareParts.ts'

/** The base is this much wider than a round form all round; the cleats that hold it are as long, mm [own]. */
export const MARGIN = 40
/** Filament tape of 50 mm: 25 N for each mm of its width. */
export const STRAP = { width: 50, strengthN: 25 * 50 }
export const CARD_KG_PER_M3 = 700
/** A core in the axis is a smaller tube, its wall as thick, mm. */
const CORE_WALL = 4

/** An upright round outside, and what is hollow in its axis. */
export type RoundForm = {
  readonly diameter: number
  readonly height: number
  readonly core: { readonly diameter: number; readonly from: number } | null
}

/** The upright outside of a turned piece, and what is hollow in it: what a tube or a ring forms; null for any other. */
export function roundForm(piece: TurnedPiece): RoundForm | null {
  const form = piece.turned
  if (form.form === 'cylinder')
    return {
      diameter: form.diameter,
      height: form.height,
      core: piece.bore > 0 && !piece.sleeve ? { diameter: piece.bore, from: 0 } : null,
    }
  if (form.form === 'tube')
    return { diameter: form.outside, height: form.height, core: { diameter: form.inside, from: form.floor } }
  return null
}

/** The same of a round plug or sleeve without taper. */
export function fittedForm({
  part,
  measured,
  clearance,
  taperDeg,
  thickness,
  wall,
}: FittedPiece): RoundForm | null {
  if (measured.kind !== 'round' || taperDeg !== 0) return null
  const diameter = measured.diameter - 2 * clearance
  if (part === 'plug') return { diameter, height: thickness, core: null }
  return part === 'sleeve'
    ? { diameter, height: thickness, core: { diameter: diameter - 2 * wall, from: 0 } }
    : null
}

/** Hoop tension of a round form, N a mm of its height: p r, MPa x mm. 300 across, 1 m of 2350: 3.458. */
export const hoopTension = (depth: number, diameter: number, freshKgPerM3: number): number =>
  (pressureAt(depth, freshKgPerM3) / 1000) * (diameter / 2)

/** Straps every strength/(3 p r) at the foot, mm. */
export const strapSpacing = (depth: number, diameter: number, freshKgPerM3: number): number =>
  STRAP.strengthN / (3 * hoopTension(depth, diameter, freshKgPerM3))

export const square = (x: number, y: number, length: number, width: number) =>
  rectangleLoop([x - length / 2, y - width / 2], length, width, [0, 0, 0, 0], {
    sides: ['front', 'right', 'back', 'left'],
    corners: ['corner', 'corner', 'corner', 'corner'],
  })

export const ring = (
  name: string,
  at: number,
  inner: number,
  outer: number,
  low: number,
  high: number,
): SolidRecipe => ({
  kind: 'turned',
  at: [at, at],
  profile: [
    { radius: inner, z: low, name: `${name}/under` },
    { radius: outer, z: low, name: `${name}/outside` },
    { radius: outer, z: high, name: `${name}/top` },
    { radius: inner, z: high, name: `${name}/inside` },
  ],
})

/** Blocks on the base that keep a round form in its place, evenly round it, each touching it with its middle. */
export function cleats(middle: number, outside: number, thickness: number, count = 4): SolidRecipe[] {
  return Array.from({ length: count }, (_, i) => {
    const turn = (2 * Math.PI * i) / count
    const [c, s] = [Math.cos(turn), Math.sin(turn)].map((n) => Math.round(n * 1e12) / 1e12) as [
      number,
      number,
    ]
    const at = (out: number, along: number): [number, number] => [
      middle + c * out - s * along,
      middle + s * out + c * along,
    ]
    const [near, far, half] = [outside / 2, outside / 2 + MARGIN, MARGIN / 2]
    const corners = [at(near, -half), at(far, -half), at(far, half), at(near, half)]
    return prism(
      corners.map((from, k) => ({ name: `cleat/${i + 1}`, from, to: corners[(k + 1) % 4]!, arc: null })),
      0,
      thickness,
      `cleat/${i + 1}`,
    )
  })
}

/** A hollow core in the axis: from the base to the floor above it, or right through. */
export function coreParts(
  piece: Pick<Piece, 'attitude'>,
  { core, height }: RoundForm,
  middle: number,
): BarePart[] {
  if (!core) return []
  const outer = core.diameter / 2
  const inner = Math.max(0, outer - CORE_WALL)
  // As poured a floor lies on top when the rim is down, else under the core.
  const rimDown = piece.attitude.down === 'top'
  const [low, high] = rimDown ? [0, height - core.from] : [core.from, height]
  const recipe: SolidRecipe =
    inner > 0
      ? ring('core', middle, inner, outer, low, high)
      : {
          kind: 'turned',
          at: [middle, middle],
          profile: [
            { radius: 0, z: low, name: 'core/under' },
            { radius: outer, z: low, name: 'core/outside' },
            { radius: outer, z: high, name: 'core/top' },
            { radius: 0, z: high, name: 'core/axis' },
          ],
        }
  return [
    {
      id: 'core',
      role: 'core',
      source: { of: 'cast' },
      name: 'core in the axis',
      boardId: null,
      lengthMm: high - low,
      widthMm: core.diameter,
      thicknessMm: Math.min(CORE_WALL, outer),
      layers: [],
      laminate: null,
      pull: rimDown && core.from > 0 ? DOWN : UP,
      leaves: 0,
      bevels: null,
      bend: null,
      mass: { volume: Math.PI * (outer ** 2 - inner ** 2) * (high - low), kgPerM3: CARD_KG_PER_M3 },
      recipe,
    },
  ]
}
