import type { Change, Piece } from '../../../core/job/index.ts'
import type { PiecePlan } from '../../../core/plan.ts'
import { recordOf } from '../../../core/pour/index.ts'
import { takenByPour } from '../../../core/shopping.ts'
import { newId } from '../../state/files.ts'
import { takeOffShelf } from '../../state/onShelf.ts'

/** A pour that goes on as it is kept in the log; null where none does. */
export function loggedPour(piece: Piece, { stations: { mix, pour } }: PiecePlan): Change | null {
  const { running, start } = piece.pour
  if (!running || !pour || !mix) return null
  const { on, ...record } = recordOf(running, pour.work, mix.figures.batches)
  return {
    type: 'pourLogged',
    pour: {
      ...record,
      id: newId('pour'),
      pieceId: piece.id,
      pieceName: piece.name,
      on: on ?? start.slice(0, 10),
      faults: ['none'],
      nextTime: '',
    },
  }
}

/** What the pour of a piece used goes from the shelf of this device. */
export const usedUp = ({ stations: { mix } }: PiecePlan): void => {
  if (mix) void takeOffShelf(takenByPour(mix.figures))
}
