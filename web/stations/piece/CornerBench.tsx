import type { ReactNode } from 'react'
import type { CornerOfPath } from '../../../core/job/index.ts'
import { Measures } from '../../ui/Measures.tsx'
import { BackTo, RemoveButton } from './BackTo.tsx'
import { usePath } from './usePath.ts'

/** One corner of a drawn path: where it stands, how it is rounded. */
export function CornerBench({
  id,
  onBack,
  fallback,
}: {
  id: string
  onBack: () => void
  fallback: ReactNode
}) {
  const path = usePath()
  const i = path?.corners.findIndex((c) => c.side === id) ?? -1
  if (!path || i < 0) return fallback
  const corner = path.corners[i]!
  const set = (patch: Partial<CornerOfPath>, label: string) =>
    path.commit(
      path.corners.map((c, k) => (k === i ? { ...c, ...patch } : c)),
      label,
    )
  return (
    <>
      <BackTo title={`Corner ${i + 1}`} onBack={onBack} />
      <p>Drag it, or type where it stands. Arrow keys move it by a step.</p>
      <Measures
        of={corner}
        rows={[
          { key: 'x', label: path.words.x, signed: true },
          { key: 'y', label: path.words.y, signed: true },
          { key: 'radius', label: 'Radius' },
        ]}
        onChange={set}
      />
      {path.corners.length > 3 && (
        <RemoveButton
          name="this corner"
          onRemove={() => {
            onBack()
            path.commit(path.corners.toSpliced(i, 1), 'remove a corner')
          }}
        />
      )}
    </>
  )
}
