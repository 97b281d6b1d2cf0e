import type { KeyboardEvent } from 'react'
import type { Point } from '../../core/geometry/index.ts'

const WAYS: Readonly<Record<string, Point>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, 1],
  ArrowDown: [0, -1],
}

/** The step an arrow key asks for on a drawing, right and up counted as more, with Shift ten of them; null for other keys. */
export function arrowStep({ key, shiftKey }: KeyboardEvent, step: number): Point | null {
  const way = WAYS[key]
  return way ? [way[0] * step * (shiftKey ? 10 : 1), way[1] * step * (shiftKey ? 10 : 1)] : null
}

/** Where a key takes a handle that runs from `min` to `max`: any arrow by a step, Home and End to the ends; null for other keys. */
export function slideTo(
  event: KeyboardEvent,
  { at, min, max, step }: { at: number; min: number; max: number; step: number },
): number | null {
  if (event.key === 'Home') return min
  if (event.key === 'End') return max
  const by = arrowStep(event, step)
  return by ? Math.max(min, Math.min(max, at + by[0] + by[1])) : null
}
