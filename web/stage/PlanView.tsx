import type { StationName } from '../../core/job/index.ts'
import { usePlan } from '../app/PlanContext.tsx'
import { ProfilePlan } from './ProfilePlan.tsx'
import { SlabPlan } from './SlabPlan.tsx'
import { SolidPlan } from './SolidPlan.tsx'

/** The plan slot of the stage: a slab's editable plan, a drawn profile at its own station, else what is seen from above. */
export function PlanView({ station }: { station: StationName }) {
  const { piece } = usePlan()
  if (piece.kind === 'slab') return <SlabPlan piece={piece} station={station} />
  const drawn = piece.kind === 'swept' || (piece.kind === 'turned' && piece.turned.form === 'profile')
  if (drawn && station === 'piece') return <ProfilePlan piece={piece} />
  return <SolidPlan />
}
