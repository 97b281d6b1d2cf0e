import type { BarePart } from '../bareParts.ts'
import { step } from '../buildingOrder.ts'
import type { BuildStep } from '../types.ts'

/** From the pattern to two shells that stand closed. */
export const closedOrder = (
  [near, far]: readonly [BarePart, BarePart],
  material: string,
  straps: number,
  level: boolean,
): BuildStep[] => [
  step('lacquer', 'Seal the pattern: two coats, hard right through, then wax it.', [], 40, 24 * 60),
  step(
    'mark',
    level
      ? 'Draw the joint round the pattern at its greatest section, level, and bed it in clay up to that line; press keys into the clay.'
      : 'Draw the joint round the pattern through its middle, lay the pattern down, and bed it in clay up to that line; press keys into the clay.',
    [near],
    45,
  ),
  step(
    'fix',
    `Lay up the ${far.name} in ${material} over the pattern and out onto the clay for its flange.`,
    [far],
    60,
    24 * 60,
  ),
  step(
    'fix',
    `Turn it over, clay off, wax the flange, and lay up the ${near.name} against it.`,
    [near],
    60,
    24 * 60,
  ),
  step(
    'cut',
    'Drill both flanges together, open them, take the pattern out, and cut the filling hole and vents.',
    [near, far],
    40,
  ),
  step('wax', 'Seal the inside and wax it.', [near, far], 25, 60),
  step(
    'brace',
    `Close it on a bead of clay or sealant, clamp the flanges, and put on ${straps} straps. Stand it upright in sand.`,
    [near, far],
    20,
  ),
]

/** How the two shells come off. */
export const closedOff = ([near, far]: readonly [BarePart, BarePart], level: boolean) => [
  {
    partIds: [far.id],
    text: `Straps and clamps off, the ${far.name} straight ${level ? 'up' : 'back'}, rocked loose at its rim.`,
  },
  {
    partIds: [near.id],
    text: level
      ? `Turn the cast in its ${near.name} onto a padded board, and lift the shell off it.`
      : `Draw the ${near.name} forward off the cast, which is held by its top: it is heavy and round.`,
  },
]
