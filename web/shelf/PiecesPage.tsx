import {
  closestCenter,
  DndContext,
  type DragEndEvent,
  KeyboardSensor,
  PointerSensor,
  useSensor,
  useSensors,
} from '@dnd-kit/core'
import {
  SortableContext,
  sortableKeyboardCoordinates,
  useSortable,
  verticalListSortingStrategy,
} from '@dnd-kit/sortable'
import { GripVertical } from 'lucide-react'
import { Link } from 'react-router'
import type { Piece } from '../../core/job/index.ts'
import { methodOf } from '../../core/mould/index.ts'
import { dayWords } from '../../core/units/index.ts'
import { Silhouette } from '../stage/Silhouette.tsx'
import { useAppSelector, useChange } from '../state/store.ts'
import { PageTop } from '../ui/PageTop.tsx'

/** Less than this is a press, not a drag, px. */
const STILL_PX = 3

/** Every piece of the job, in the order of the row above the stage: dragged into another, or moved by keys. */
export function PiecesPage() {
  const job = useAppSelector((s) => s.job.job)!
  const change = useChange()
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: STILL_PX } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  )
  const place = (id: unknown) => job.pieces.findIndex((p) => p.id === id)
  const named = (id: unknown) => job.pieces[place(id)]?.name ?? ''
  const drop = ({ active, over }: DragEndEvent) => {
    if (!over || over.id === active.id) return
    const [from, to] = [place(active.id), place(over.id)]
    const piece = job.pieces[from]
    if (!piece || to < 0) return
    change(`move ${piece.name} ${to < from ? 'up' : 'down'}`, { type: 'pieceMoved', pieceId: piece.id, to })
  }
  return (
    <main className="h-full overflow-auto bg-sheet">
      <div className="mx-auto max-w-[760px] px-6 py-8">
        <PageTop />
        <h1 className="mt-1">Pieces of {job.name}</h1>
        <p className="text-soft">
          In the order they stand above the stage. Drag one by its handle, or take it with Space, move it with
          the arrows, and put it down with Space.
        </p>
        {job.pieces.length === 0 && (
          <p className="py-2">
            None yet. <Link to={`/job/${job.id}/new`}>Make the first</Link>.
          </p>
        )}
        <DndContext
          sensors={sensors}
          collisionDetection={closestCenter}
          onDragEnd={drop}
          accessibility={{
            screenReaderInstructions: {
              draggable: 'Space takes it, arrows move it, Space puts it down, Escape leaves it where it was.',
            },
            announcements: {
              // Told once more by what it is over, as soon as it is taken.
              onDragStart: ({ active }) => `${named(active.id)} is taken.`,
              onDragOver: ({ active, over }) =>
                over ? `${named(active.id)}, place ${place(over.id) + 1} of ${job.pieces.length}.` : '',
              onDragEnd: ({ active, over }) =>
                over ? `${named(active.id)} stands at place ${place(over.id) + 1}.` : '',
              onDragCancel: ({ active }) => `${named(active.id)} stays where it was.`,
            },
          }}
        >
          <SortableContext items={job.pieces.map((p) => p.id)} strategy={verticalListSortingStrategy}>
            <ol className="mt-3">
              {job.pieces.map((piece) => (
                <Line key={piece.id} jobId={job.id} piece={piece} />
              ))}
            </ol>
          </SortableContext>
        </DndContext>
      </div>
    </main>
  )
}

function Line({ jobId, piece }: { jobId: string; piece: Piece }) {
  const { attributes, listeners, setNodeRef, transform, transition, isDragging } = useSortable({
    id: piece.id,
  })
  return (
    <li
      ref={setNodeRef}
      className={`row items-center! bg-sheet ${isDragging ? 'relative z-10 outline-2 outline-[var(--ink)]' : ''}`}
      style={{ transform: transform ? `translateY(${transform.y}px)` : undefined, transition }}
    >
      <button type="button" className="grip" aria-label={`Move ${piece.name}`} {...attributes} {...listeners}>
        <GripVertical aria-hidden size={18} />
      </button>
      <Silhouette piece={piece} />
      <Link
        className="flex min-h-8 min-w-[140px] flex-1 items-center text-[18px] font-bold hover:underline"
        to={`/job/${jobId}/${piece.id}/piece`}
      >
        {piece.quantity > 1 ? `${piece.name} × ${piece.quantity}` : piece.name}
      </Link>
      <span className="text-soft">{methodOf(piece.mould.method).name}</span>
      <span className="w-[120px] text-right text-soft">{dayWords(piece.pour.start)}</span>
    </li>
  )
}
