import {
  DndContext,
  type DragEndEvent,
  type DragMoveEvent,
  PointerSensor,
  useDraggable,
  useSensor,
  useSensors,
} from '@dnd-kit/core'
import { useEffect, useRef, useState } from 'react'
import type { Point } from '../../../core/geometry/index.ts'
import {
  type Change,
  newOpening,
  type Opening,
  type OpeningShape,
  type SlabPiece,
} from '../../../core/job/index.ts'
import { placedFree, reach } from '../../../core/piece/index.ts'
import { planTarget } from '../../stage/planTarget.ts'
import { newId } from '../../state/files.ts'
import { usePlan } from '../../state/PlanContext.tsx'
import { useAppDispatch, useChange } from '../../state/store.ts'
import { selected } from '../../state/viewSlice.ts'

/** Generic openings to start from; each is then given its own size. */
const TEMPLATES: readonly { name: string; shape: OpeningShape }[] = [
  { name: 'basin', shape: { kind: 'rectangle', length: 380, width: 280, radius: 40 } },
  { name: 'hob', shape: { kind: 'rectangle', length: 560, width: 490, radius: 8 } },
  { name: 'tap hole', shape: { kind: 'round', diameter: 35 } },
  { name: 'pipe', shape: { kind: 'round', diameter: 60 } },
  { name: 'switch box', shape: { kind: 'rectangle', length: 72, width: 72, radius: 4 } },
  { name: 'post', shape: { kind: 'rectangle', length: 100, width: 100, radius: 0 } },
  { name: 'slot', shape: { kind: 'slot', length: 120, width: 40 } },
  { name: 'rectangle', shape: { kind: 'rectangle', length: 200, width: 150, radius: 0 } },
]

/** Less than this is a press, not a drag, px. */
const STILL_PX = 3

/** Openings to drag onto the plan, or to press for one in the middle. */
export function OpeningPalette({ piece }: { piece: SlabPiece }) {
  const { preview } = usePlan()
  const change = useChange()
  const dispatch = useAppDispatch()
  const [refused, setRefused] = useState<string | null>(null)
  const [carried, setCarried] = useState<{ opening: Opening; over: boolean } | null>(null)

  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: STILL_PX } }))
  const pointer = usePointer()
  // Where the pointer is, not how far the package says it went: that counts what the bench scrolled meanwhile.
  const planAt = ({ activatorEvent, delta }: DragMoveEvent): Point | null => {
    const { clientX, clientY } = activatorEvent as PointerEvent
    const [x, y] = pointer.current ?? [clientX + delta.x, clientY + delta.y]
    return planTarget.current(x, y)
  }
  const carry = (event: DragMoveEvent) => {
    const template = TEMPLATES.find((t) => t.name === event.active.id)!
    const opening =
      carried?.opening ?? newOpening(newId('opening'), freeName(piece, template.name), template.shape)
    const at = planAt(event)
    setCarried({ opening, over: at !== null })
    preview(at ? [added(piece.id, opening, at)] : null)
  }
  const drop = (event: DragEndEvent) => {
    const at = planAt(event)
    leave()
    if (carried && at) put(carried.opening, at)
  }
  const leave = () => {
    preview(null)
    setCarried(null)
  }
  const put = (opening: Opening, at: Point | null) => {
    const free = at ? null : placedFree(piece, opening)
    setRefused(at || free ? null : opening.name)
    if (!at && !free) return
    change(
      `add ${opening.name}`,
      at ? added(piece.id, opening, at) : { type: 'openingAdded', pieceId: piece.id, opening: free! },
    )
    dispatch(selected({ kind: 'opening', id: opening.id }))
  }
  return (
    <div className="flex flex-wrap gap-2 pt-2" role="group" aria-label="Add an opening">
      <DndContext
        sensors={sensors}
        autoScroll={false}
        accessibility={{
          screenReaderInstructions: { draggable: 'Enter puts it into the largest free room of the plan.' },
        }}
        onDragMove={carry}
        onDragEnd={drop}
        onDragCancel={leave}
      >
        {TEMPLATES.map((t) => (
          <Template
            key={t.name}
            template={t}
            onPut={() => put(newOpening(newId('opening'), freeName(piece, t.name), t.shape), null)}
          />
        ))}
      </DndContext>
      <span className="label text-[13px] text-soft">
        {carried
          ? carried.over
            ? 'let go to put it here'
            : 'drag it onto the plan'
          : 'drag onto the plan; Enter or a double click puts it into the largest free room'}
      </span>
      {refused && (
        <p role="alert" className="text-oxide!">
          No free room on this plan takes a {refused} of this size. Drag it to where it goes, or make room
          first.
        </p>
      )}
    </div>
  )
}

/** Where the pointer was last seen on the page. */
function usePointer() {
  const at = useRef<Point | null>(null)
  useEffect(() => {
    const see = (e: PointerEvent) => {
      at.current = [e.clientX, e.clientY]
    }
    const kinds = ['pointerdown', 'pointermove', 'pointerup'] as const
    for (const kind of kinds) window.addEventListener(kind, see, true)
    return () => {
      for (const kind of kinds) window.removeEventListener(kind, see, true)
    }
  }, [])
  return at
}

/** One opening to start from: dragged onto the plan, or put into its largest free room by Enter or a double click. */
function Template({ template, onPut }: { template: (typeof TEMPLATES)[number]; onPut: () => void }) {
  const { attributes, listeners, setNodeRef } = useDraggable({ id: template.name })
  return (
    <button
      ref={setNodeRef}
      type="button"
      aria-describedby={attributes['aria-describedby']}
      className="flex min-h-8 cursor-grab touch-none flex-col items-center border border-dashed border-soft px-2 pt-1 text-[14px] hover:bg-sheet"
      {...listeners}
      onClick={(e) => {
        if (e.detail === 0) onPut()
      }}
      onDoubleClick={onPut}
    >
      <TemplateShape shape={template.shape} />+ {template.name}
    </button>
  )
}

/** Whole millimetres from the left and the front, so that it can be measured at once. */
function added(pieceId: string, opening: Opening, at: Point): Change {
  const from = (axis: 'u' | 'v') => ({
    rule: 'fromStart' as const,
    distance: Math.round(at[axis === 'u' ? 0 : 1] - reach(opening, axis)),
  })
  return { type: 'openingAdded', pieceId, opening: { ...opening, u: from('u'), v: from('v') } }
}

function freeName(piece: SlabPiece, name: string): string {
  const taken = new Set(piece.openings.map((o) => o.name))
  if (!taken.has(name)) return name
  for (let n = 2; ; n += 1) if (!taken.has(`${name} ${n}`)) return `${name} ${n}`
}

function TemplateShape({ shape }: { shape: OpeningShape }) {
  const k = 22 / 560
  return (
    <svg
      aria-hidden
      width="30"
      height="22"
      viewBox="-15 -11 30 22"
      fill="none"
      stroke="currentColor"
      strokeWidth="1.3"
    >
      {shape.kind === 'round' && <circle r={Math.max(3, shape.diameter * k * 2)} />}
      {shape.kind === 'slot' && <rect x="-9" y="-3.5" width="18" height="7" rx="3.5" />}
      {shape.kind === 'rectangle' && (
        <rect
          x={(-Math.max(180, shape.length) * k) / 2}
          y={(-Math.max(180, shape.width) * k) / 2}
          width={Math.max(180, shape.length) * k}
          height={Math.max(180, shape.width) * k}
          rx={shape.radius * k}
        />
      )}
    </svg>
  )
}
