import type { Piece } from '../../core/job/index.ts'
import { silhouettePath } from './paths.ts'

/** A piece by its outline, small. */
export function Silhouette({ piece }: { piece: Piece }) {
  return (
    <svg aria-hidden width="60" height="26" viewBox="-30 -13 60 26">
      <path
        d={silhouettePath(piece, [56, 22])}
        fill="none"
        stroke="currentColor"
        strokeWidth="1.3"
        fillRule="evenodd"
      />
    </svg>
  )
}
