import type { Timed } from '../../core/work/index.ts'

/** How much of the cast is in its mould at a moment, a share: what is being placed counts as it goes. */
export function filledAt(work: readonly Timed[], moment: number): number {
  let [placed, all] = [0, 0]
  for (const op of work) {
    if ((op.code !== 'place-batch' && op.code !== 'place-face') || op.startMinutes === null) continue
    const { litres } = op.facts
    const done = (moment - op.startMinutes) / Math.max(1e-9, op.endMinutes! - op.startMinutes)
    placed += litres * Math.min(1, Math.max(0, done))
    all += litres
  }
  return all > 0 ? placed / all : 0
}
