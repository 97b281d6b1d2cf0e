import { useAppSelector } from '../../state/store.ts'
import { DraftLens } from './DraftLens.tsx'
import { FacesLens } from './FacesLens.tsx'
import { FilmLens } from './FilmLens.tsx'

/** The mould through one of three lenses: how it comes apart, what goes on its faces, how its parts slide off. */
export function ReleaseHero() {
  const lens = useAppSelector((s) => s.view.releaseLens)
  if (lens === 'faces') return <FacesLens />
  if (lens === 'draft') return <DraftLens />
  return <FilmLens />
}
