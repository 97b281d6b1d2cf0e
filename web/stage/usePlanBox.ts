import { pieceBox, pouredSize } from '../../core/piece/index.ts'
import { usePlan } from '../state/PlanContext.tsx'
import { useAppSelector } from '../state/store.ts'

/** The box of the plan as shown, in either attitude. */
export function usePlanBox(): { length: number; width: number } {
  const { piece, plan } = usePlan()
  const attitude = useAppSelector((s) => s.view.attitude)
  const geometry = plan?.stations.piece?.geometry
  if (attitude === 'placed' || !geometry) return pieceBox(piece)
  const [length, width] = pouredSize(piece.attitude, geometry)
  return { length, width }
}
