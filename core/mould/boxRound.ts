import type { PathCorner } from '../geometry/index.ts'
import type { MouldChoice } from '../job/index.ts'
import type { Board } from '../stock/index.ts'
import { type BarePart, barePart, DOWN, oneLayer, prism } from './bareParts.ts'
import { boxPlan } from './boardBox/boxPlan.ts'

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
  choice: MouldChoice,
): BarePart[] {
  const plan = boxPlan(
    path,
    high - low,
    { base: board.thickness, sides: () => board.thickness, skin: 0 },
    { ...choice, school: 'stand', baseMargin: 0, insideCorners: 'mitre' },
    [],
  )
  const flat = { boardId: board.id, thicknessMm: board.thickness, layers: oneLayer(board) }
  return [
    barePart({
      ...flat,
      id: 'base',
      role: 'base',
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
        name: strip.side === 'left' || strip.side === 'right' ? `${strip.side} end` : strip.side,
        lengthMm: strip.length,
        widthMm: high - low,
        pull: strip.pull,
        leaves: strip.leaves,
        recipe: prism(strip.loop, low, high, `strip/${strip.side}`),
      }),
    ),
  ]
}
