import type { Change, FeatureItem, Piece, ShapePatch } from '../../../core/job/index.ts'
import { usePlan } from '../../state/PlanContext.tsx'
import { useAppDispatch, useChange } from '../../state/store.ts'
import { type SelectionKind, selected } from '../../state/viewSlice.ts'

/** The edits of a piece as its benches make them: each one undoable step with a label. */
export function useEdit() {
  const { piece } = usePlan()
  const change = useChange()
  const dispatch = useAppDispatch()
  const pieceId = piece.id
  return {
    piece,
    pieceId,
    change,
    shape: (patch: ShapePatch, label: string) => change(label, { type: 'shapeChanged', pieceId, patch }),
    keep: (feature: FeatureItem, label: string) =>
      change(label, { type: 'featureKept', pieceId, ...feature } as Change),
    remove: (list: FeatureItem['list'], featureId: string, label: string) => {
      dispatch(selected(null))
      change(label, { type: 'featureRemoved', pieceId, list, featureId })
    },
    tell: (
      patch: Partial<Pick<Piece, 'quantity' | 'mouldCount' | 'plannedCasts' | 'exposure' | 'attitude'>>,
      label: string,
    ) => change(label, { type: 'pieceDescribed', pieceId, patch }),
    select: (kind: SelectionKind, id: string) => dispatch(selected({ kind, id })),
    back: () => dispatch(selected(null)),
  }
}
