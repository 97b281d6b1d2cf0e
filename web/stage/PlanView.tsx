import { lazy, Suspense } from 'react'
import type { StationName } from '../../core/job/index.ts'
import { usePlan } from '../state/PlanContext.tsx'

const ProfilePlan = lazy(() => import('./ProfilePlan.tsx').then((m) => ({ default: m.ProfilePlan })))
const SlabPlan = lazy(() => import('./SlabPlan.tsx').then((m) => ({ default: m.SlabPlan })))
const SolidPlan = lazy(() => import('./SolidPlan.tsx').then((m) => ({ default: m.SolidPlan })))

/** The plan slot of the stage: a slab's editable plan, a drawn profile at its own station, else what is seen from above. */
export function PlanView({ station }: { station: StationName }) {
  const { piece } = usePlan()
  const drawn = piece.kind === 'swept' || (piece.kind === 'turned' && piece.turned.form === 'profile')
  return (
    <Suspense fallback={<div />}>
      {piece.kind === 'slab' ? (
        <SlabPlan piece={piece} station={station} />
      ) : drawn && station === 'piece' ? (
        <ProfilePlan piece={piece} />
      ) : (
        <SolidPlan />
      )}
    </Suspense>
  )
}
