import { useId } from 'react'
import type { Edge } from '../../../core/job/index.ts'
import { MeasureField } from '../../ui/MeasureField.tsx'
import { Select } from '../../ui/Select.tsx'

/** The usual size an edge starts at, mm. */
const USUAL = { bead: 6, chamfer: 8, uneven: 8, cove: 10, ovolo: 10, ogee: 16 } as const

const KINDS = [
  { id: 'square', name: 'square' },
  { id: 'bead', name: 'bead r' },
  { id: 'chamfer', name: 'chamfer' },
  { id: 'uneven', name: 'chamfer, two legs' },
  { id: 'cove', name: 'cove' },
  { id: 'ovolo', name: 'ovolo' },
  { id: 'ogee', name: 'ogee' },
] as const

/** An edge as it is chosen: a chamfer of two legs is a choice of its own. */
const chosen = (edge: Edge): string =>
  edge.kind === 'chamfer' && edge.rise !== undefined ? 'uneven' : edge.kind

function startEdge(kind: string, from: Edge): Edge {
  const size = from.kind === 'square' ? USUAL[kind as keyof typeof USUAL] : from.size
  const rise = 'rise' in from && from.rise !== undefined ? from.rise : size
  switch (kind) {
    case 'bead':
    case 'chamfer':
      return { kind, size }
    case 'uneven':
      return { kind: 'chamfer', size, rise }
    case 'cove':
    case 'ovolo':
    case 'ogee':
      return { kind, size, rise }
    default:
      return { kind: 'square' }
  }
}

/** An edge treatment and, where it has one, its size; where it has two, how far in and how far down. */
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
  const rise = 'rise' in edge ? edge.rise : undefined
  return (
    <>
      <div className="row" style={lit ? { borderColor: 'var(--oxide)', borderBottomWidth: 2 } : undefined}>
        <label htmlFor={id}>{title}</label>
        {/* The list keeps its place whether or not a size stands after it. */}
        <span className="grid grid-cols-[84px_124px] items-baseline justify-items-end gap-2">
          <Select
            id={id}
            value={chosen(edge)}
            options={KINDS}
            onChoose={(kind) => onChange(startEdge(kind, edge))}
          />
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
      {edge.kind !== 'square' && edge.kind !== 'bead' && rise !== undefined && (
        <MeasureField
          label={`${title}, down the side`}
          value={rise}
          min={0.5}
          onCommit={(next) => onChange({ ...edge, rise: next })}
        />
      )}
    </>
  )
}
