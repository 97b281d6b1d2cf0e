import { takesMesh } from '../../../core/steel/takesMesh.ts'
import { PlanView } from '../../stage/PlanView.tsx'
import { usePlan } from '../../state/PlanContext.tsx'
import { useAppSelector } from '../../state/store.ts'
import { CageDrawing } from './CageDrawing.tsx'
import { HandlingLens } from './HandlingLens.tsx'
import { ThicknessLens } from './ThicknessLens.tsx'

/** The piece through one of three lenses: what is inside, how thick it is, how it is held. */
export function SteelHero() {
  const lens = useAppSelector((s) => s.view.lens)
  const { piece, plan } = usePlan()
  if (lens === 'thickness') return <ThicknessLens />
  if (lens === 'handling') return <HandlingLens />
  const geometry = plan?.stations.piece?.geometry
  const stands = geometry && !takesMesh(piece, geometry) && (plan.stations.steel?.bars.length ?? 0) > 0
  return stands ? <CageDrawing /> : <PlanView station="steel" />
}
