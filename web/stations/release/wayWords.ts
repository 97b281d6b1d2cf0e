import type { PartMove } from '../../../core/release/index.ts'

/** Ways nearer to an axis than this are told by it, as a cosine: 20 degrees. */
const ALONG = Math.cos((20 * Math.PI) / 180)

/** How far parts go until they are clear, and which way as it lies then: `45 mm up`; by the one that goes furthest. */
export function wayWords(
  moves: readonly Pick<PartMove, 'rightMm' | 'backMm' | 'upMm' | 'rigid'>[],
  turned: boolean,
  mm: (value: number) => string,
): string {
  const [far] = moves
    .filter((m) => m.rigid)
    .map((m) => ({ ...m, by: Math.hypot(m.rightMm, m.backMm, m.upMm) }))
    .sort((a, b) => b.by - a.by)
  if (!far) return ''
  const up = ((turned ? -1 : 1) * far.upMm) / far.by
  const way =
    up > ALONG
      ? 'up'
      : up < -ALONG
        ? 'down'
        : Math.abs(up) < 0.35
          ? 'outward'
          : up > 0
            ? 'outward and up'
            : 'outward and down'
  return `${mm(Math.round(far.by))} ${way}`
}
