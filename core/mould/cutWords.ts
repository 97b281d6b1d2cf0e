import type { CutRow } from './types.ts'

/** What a row's shape is called on the bench. */
export const shapeWords = (shape: CutRow['shape']): string =>
  shape === 'outline' ? 'cut to the outline' : shape === 'rib' ? 'cut to the curve' : shape

/** `both ends 45°`, `ends 22.5° and square`: off the square, the longer face outside unless it says inside. */
export function bevelWords([a, b]: readonly [number, number]): string {
  const one = (deg: number): string =>
    deg === 0 ? 'square' : `${Math.abs(Math.round(deg * 10) / 10)}°${deg < 0 ? ' inside long' : ''}`
  return Math.abs(a - b) < 0.05 ? `both ends ${one(a)}` : `ends ${one(b)} and ${one(a)}`
}
