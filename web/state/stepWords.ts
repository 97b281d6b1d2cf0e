import type { Change, Job } from '../../core/job/index.ts'
import { formatLength } from '../../core/units/index.ts'
import type { UndoStep } from '../storage/database.ts'

/** The one piece that some changes are made to; nothing where they are made to several or to none. */
export function pieceChanged(changes: readonly Change[]): { pieceId?: string } {
  const ids = new Set(
    changes.map((c) =>
      c.type === 'pieceAdded' ? c.piece.id : 'pieceId' in c && c.type !== 'pieceMoved' ? c.pieceId : null,
    ),
  )
  const [id] = ids
  return ids.size === 1 && id ? { pieceId: id } : {}
}

/** What a step was done to and what it was, and where it set one value, which value stands again. */
export function stepWords(job: Job, step: UndoStep, undone = true): string {
  const piece = job.pieces.find((p) => p.id === step.pieceId)
  const named = piece && !step.label.includes(piece.name) ? `${piece.name}, ${step.label}` : step.label
  const again = undone ? valueAgain(job, step) : null
  return again === null ? named : `${named}; ${again} again`
}

/** The value that stands again after a step that set one: only where the step's own words tell the value it set. */
function valueAgain(job: Job, { label, undo, redo }: UndoStep): string | null {
  const [before, after] = [undo[0], redo[0]]
  if (undo.length !== 1 || redo.length !== 1 || !before || !after) return null
  if (!('value' in before) || !('value' in after)) return null
  const { units, inchDenominator } = job.settings
  const ways: ((value: unknown) => string | null)[] = [
    (v) => (typeof v === 'number' ? formatLength(v, { units, inchDenominator }) : null),
    (v) => (typeof v === 'number' || typeof v === 'string' ? String(v) : null),
  ]
  for (const way of ways) {
    const [was, is] = [way(before.value), way(after.value)]
    if (was && is && label.split(/\s+/).join(' ').includes(is)) return was
  }
  return null
}
