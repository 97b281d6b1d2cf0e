import { useNavigate, useParams } from 'react-router'
import type { UndoStep } from '../storage/database.ts'
import { redone, undone } from './jobSlice.ts'
import { store, useAppDispatch } from './store.ts'

/** Undoes and redoes a step, and goes to the piece it changes where another one, or none, is shown. */
export function useUndo(): { readonly undo: () => void; readonly redo: () => void } {
  const dispatch = useAppDispatch()
  const navigate = useNavigate()
  const { pieceId, station } = useParams()
  const follow = (step: UndoStep | undefined) => {
    const { job } = store.getState().job
    if (!job || !step?.pieceId || step.pieceId === pieceId) return
    if (job.pieces.some((p) => p.id === step.pieceId))
      navigate(`/job/${job.id}/${step.pieceId}/${station ?? 'piece'}`)
  }
  return {
    undo: () => {
      const step = store.getState().job.past.at(-1)
      dispatch(undone())
      follow(step)
    },
    redo: () => {
      const step = store.getState().job.future.at(-1)
      dispatch(redone())
      follow(step)
    },
  }
}
