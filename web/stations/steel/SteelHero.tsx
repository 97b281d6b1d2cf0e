import { PlanView } from '../../stage/PlanView.tsx'
import { useAppSelector } from '../../state/store.ts'
import { HandlingLens } from './HandlingLens.tsx'
import { ThicknessLens } from './ThicknessLens.tsx'

/** The piece through one of three lenses: what is inside, how thick it is, how it is held. */
export function SteelHero() {
  const lens = useAppSelector((s) => s.view.lens)
  if (lens === 'thickness') return <ThicknessLens />
  return lens === 'handling' ? <HandlingLens /> : <PlanView station="steel" />
}
