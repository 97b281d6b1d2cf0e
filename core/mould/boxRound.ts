import type { PathCorner } from '../geometry/index.ts'
import type { MouldChoice } from '../job/index.ts'
import type { Board } from '../stock/index.ts'
import { act } from '../work/index.ts'
import { type BarePart, barePart, DOWN, oneLayer, prism } from './bareParts.ts'
import { boxPlan } from './boardBox/boxPlan.ts'
import { undo } from './buildingOrder.ts'
import type { Undoing } from './types.ts'

/** What a box's side is called: the short ways across are ends. */
const endName = (side: string): Pick<BarePart, 'name' | 'together'> =>
  side === 'left' || side === 'right' ? { name: `${side} end`, together: 'ends' } : { name: side }

/** The sides of a plain box in the order in which they come off. */
export const sidesOff = (box: readonly BarePart[]): Undoing[] =>
  box
    .filter((p) => p.role === 'strip')
    .sort((a, b) => a.leaves - b.leaves)
    .map((p) => undo(`off/${p.id}`, act('box-side-off', { name: p.name }), [p]))

/** A rectangle's corners, anticlockwise from the front left, its sides named. */
export const boxPath = (
  [x0, y0]: readonly [number, number],
  [x1, y1]: readonly [number, number],
): PathCorner[] =>
  (
    [
      [x0, y0, 'front'],
      [x1, y0, 'right'],
      [x1, y1, 'back'],
      [x0, y1, 'left'],
    ] as const
  ).map(([x, y, side]) => ({ x, y, radius: 0, side, run: { kind: 'line' } }))

/** A plain box of one board round whatever it holds: a base under `low`, four sides on it up to `high`. */
export function boxRound(
  path: readonly PathCorner[],
  low: number,
  high: number,
  board: Board,
  choice: Pick<MouldChoice, 'corners' | 'runPast'>,
): BarePart[] {
  const plan = boxPlan(
    path,
    high - low,
    { base: board.thickness, sides: () => board.thickness, skin: 0 },
    {
      corners: choice.corners,
      runPast: choice.runPast,
      school: 'stand',
      baseMargin: 0,
      insideCorners: 'mitre',
      rounds: 'block',
    },
    [],
  )
  const flat = { boardId: board.id, thicknessMm: board.thickness, layers: oneLayer(board) }
  return [
    barePart({
      ...flat,
      id: 'base',
      role: 'base',
      source: { of: 'cast' },
      name: 'box base',
      lengthMm: plan.base.length,
      widthMm: plan.base.width,
      pull: DOWN,
      recipe: prism(plan.base.outline, low - board.thickness, low, 'base'),
    }),
    ...plan.strips.map((strip) =>
      barePart({
        ...flat,
        id: `strip/${strip.side}`,
        role: 'strip',
        source: { of: 'side', side: strip.side },
        ...endName(strip.side),
        lengthMm: strip.length,
        widthMm: high - low,
        pull: strip.pull,
        leaves: strip.leaves,
        recipe: prism(strip.loop, low, high, `strip/${strip.side}`),
      }),
    ),
  ]
}
