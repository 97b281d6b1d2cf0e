import type { MouldChoice } from '../../../core/job/index.ts'
import { formatLength } from '../../../core/units/index.ts'
import { usePlan } from '../../state/PlanContext.tsx'
import { useChange } from '../../state/store.ts'
import { useMeasureStyle } from '../../state/useMeasureStyle.ts'

/** What every part of the mould's bench needs: the piece and its choices, the figures, and how to change them. */
export function useMould() {
  const { piece, plan, job, looks } = usePlan()
  const change = useChange()
  const style = useMeasureStyle()
  return {
    piece,
    job,
    /** Shells, coats and layers are guessed from sizes until they are measured. */
    look: looks.mould,
    style,
    mould: piece.mould,
    station: plan?.stations.mould ?? null,
    figures: plan?.stations.mould?.figures,
    choose: (label: string, patch: Partial<MouldChoice>) =>
      change(label, { type: 'mouldChosen', pieceId: piece.id, patch }),
    mm: (n: number) => formatLength(n, style),
  }
}
