import { useState } from 'react'
import { Link, useNavigate } from 'react-router'
import { newSlab } from '../../core/job/index.ts'
import { newId, usualStart } from '../app/files.ts'
import { useAppSelector, useChange } from '../app/store.ts'
import { MeasureField } from '../ui/MeasureField.tsx'

/** Common slabs to start from, drawn small. */
const STARTS = [
  { name: 'Top', length: 900, width: 500, thickness: 45 },
  { name: 'Shelf', length: 800, width: 220, thickness: 40 },
  { name: 'Tread', length: 820, width: 290, thickness: 55 },
  { name: 'Paver', length: 400, width: 400, thickness: 50 },
] as const

/** The short route: name and three sizes, and a plain box is planned. */
export function NewPiece() {
  const job = useAppSelector((s) => s.job.job)!
  const change = useChange()
  const navigate = useNavigate()
  const [name, setName] = useState('Top')
  const [size, setSize] = useState({ length: 900, width: 500, thickness: 45 })
  const make = () => {
    const id = newId('piece')
    const called = name.trim().slice(0, 120) || 'Slab'
    change(`new piece ${called}`, {
      type: 'pieceAdded',
      piece: newSlab({ id, name: called, ...size, ...usualStart() }, job.stock),
    })
    navigate(`/job/${job.id}/${id}/piece`)
  }
  return (
    <main className="h-full overflow-auto bg-sheet">
      <div className="mx-auto max-w-[640px] px-6 py-10">
        <p className="label">
          <Link to={job.pieces[0] ? `/job/${job.id}` : '/jobs'} className="word p-0!">
            {job.pieces[0] ? `back to ${job.name}` : 'all jobs'}
          </Link>
        </p>
        <h1 className="mt-2 text-[32px]!">New piece</h1>
        <p className="text-soft">A flat slab. Give its size; boards, bags, steel and times follow at once.</p>
        <div className="mt-4 flex gap-3" role="group" aria-label="Start from">
          {STARTS.map((s) => (
            <button
              key={s.name}
              type="button"
              className="flex flex-1 flex-col items-center border border-hair px-2 py-2 hover:border-ink"
              onClick={() => {
                setName(s.name)
                setSize({ length: s.length, width: s.width, thickness: s.thickness })
              }}
            >
              <svg aria-hidden width="110" height="62" viewBox="-55 -31 110 62">
                <rect
                  x={-s.length * 0.055}
                  y={-s.width * 0.055}
                  width={s.length * 0.11}
                  height={s.width * 0.11}
                  fill="none"
                  stroke="var(--ink)"
                  strokeWidth="1.6"
                />
              </svg>
              <strong>{s.name}</strong>
              <span className="text-[13px] text-soft">
                {s.length} × {s.width} × {s.thickness}
              </span>
            </button>
          ))}
        </div>
        <div className="mt-5">
          <div className="row">
            <label htmlFor="new-name">Name</label>
            <input
              id="new-name"
              className="field-input w-[220px]!"
              value={name}
              maxLength={120}
              onChange={(e) => setName(e.target.value)}
            />
          </div>
          <MeasureField
            label="Length"
            note="along the front"
            value={size.length}
            min={1}
            onCommit={(length) => setSize((s) => ({ ...s, length }))}
          />
          <MeasureField
            label="Width"
            note="front to back"
            value={size.width}
            min={1}
            onCommit={(width) => setSize((s) => ({ ...s, width }))}
          />
          <MeasureField
            label="Thickness"
            value={size.thickness}
            min={0.5}
            onCommit={(thickness) => setSize((s) => ({ ...s, thickness }))}
          />
        </div>
        <button type="button" className="act act-oxide mt-5 text-[18px]!" onClick={make}>
          Make this piece
        </button>
      </div>
    </main>
  )
}
