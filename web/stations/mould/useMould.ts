import type { MouldChoice } from '../../../core/job/index.ts'
import { measuresSolids } from '../../../core/mould/index.ts'
import { formatLength } from '../../../core/units/index.ts'
import { usePlan } from '../../app/PlanContext.tsx'
import { useChange } from '../../app/store.ts'
import { useMeasureStyle } from '../../ui/MeasureField.tsx'

/** What every part of the mould's bench needs: the piece and its choices, the figures, and how to change them. */
export function useMould() {
  const { piece, plan, job, fresh, measured } = usePlan()
  const change = useChange()
  const style = useMeasureStyle()
  return {
    piece,
    job,
    // Shells, coats and layers are guessed from sizes while something is dragged.
    fresh: measuresSolids(piece.mould) ? measured : fresh,
    style,
    mould: piece.mould,
    station: plan?.stations.mould ?? null,
    figures: plan?.stations.mould?.figures,
    choose: (label: string, patch: Partial<MouldChoice>) =>
      change(label, { type: 'mouldChosen', pieceId: piece.id, patch }),
    mm: (n: number) => formatLength(n, style),
  }
}
