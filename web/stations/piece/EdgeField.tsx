import { useId } from 'react'
import type { Edge } from '../../../core/job/index.ts'
import { MeasureField } from '../../ui/MeasureField.tsx'
import { Select } from '../../ui/Select.tsx'

/** The usual size an edge starts at, mm. */
const USUAL = { bead: 6, chamfer: 8 } as const

const KINDS = [
  { id: 'square', name: 'square' },
  { id: 'bead', name: 'bead r' },
  { id: 'chamfer', name: 'chamfer' },
] as const

/** An edge treatment and, where it has one, its size. */
export function EdgeField({
  label,
  edge,
  onChange,
  lit,
}: {
  label: string
  edge: Edge
  onChange: (edge: Edge) => void
  lit?: boolean
}) {
  const id = useId()
  const title = label.charAt(0).toUpperCase() + label.slice(1)
  const choose = (kind: string) => {
    if (kind === 'square') onChange({ kind: 'square' })
    else if (kind === 'bead' || kind === 'chamfer')
      onChange({ kind, size: edge.kind === 'square' ? USUAL[kind] : edge.size })
  }
  return (
    <div className="row" style={lit ? { borderColor: 'var(--oxide)', borderBottomWidth: 2 } : undefined}>
      <label htmlFor={id}>{title}</label>
      {/* The list keeps its place whether or not a size stands after it. */}
      <span className="grid grid-cols-[84px_124px] items-baseline justify-items-end gap-2">
        <Select id={id} value={edge.kind} options={KINDS} onChoose={choose} />
        {edge.kind !== 'square' && (
          <MeasureField
            bare
            label={`${title} ${edge.kind} size`}
            value={edge.size}
            min={0.5}
            onCommit={(size) => onChange({ ...edge, size })}
          />
        )}
      </span>
    </div>
  )
}
