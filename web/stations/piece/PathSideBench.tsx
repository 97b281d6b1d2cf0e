import type { ReactNode } from 'react'
import { sideWords } from '../../../core/piece/index.ts'
import { BackTo } from './BackTo.tsx'
import { RunFields } from './RunFields.tsx'
import { usePath } from './usePath.ts'

/** One side of a profile: straight, an arc, or a spline. */
export function PathSideBench({
  id,
  onBack,
  fallback,
}: {
  id: string
  onBack: () => void
  fallback: ReactNode
}) {
  const path = usePath()
  if (!path?.corners.some((c) => c.side === id)) return fallback
  return (
    <>
      <BackTo title={`Side ${sideWords(id)}`} onBack={onBack} />
      <RunFields id={id} />
    </>
  )
}
