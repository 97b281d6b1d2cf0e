import { RadioGroup } from 'radix-ui'
import { useState } from 'react'
import { Link, useNavigate } from 'react-router'
import { newImported, newRun, type Piece } from '../../core/job/index.ts'
import { silhouettePath } from '../stage/paths.ts'
import { newId } from '../state/files.ts'
import { useAppSelector, useChange } from '../state/store.ts'
import { usualStart } from '../state/usualStart.ts'
import { ImportMesh } from '../stations/piece/ImportMesh.tsx'
import { BackLink } from '../ui/BackLink.tsx'
import { MeasureField } from '../ui/MeasureField.tsx'
import { UnitChoice } from '../ui/UnitChoice.tsx'
import { inShopSizes } from './shopSizes.ts'
import { STARTS, type Start } from './starts.ts'

const ALL_STARTS = STARTS.flatMap(({ starts }) => starts)

/** Starting a piece: a wall of small drawings by what is being made. A slab's three sizes can be typed here at once. */
export function NewPiece() {
  const job = useAppSelector((s) => s.job.job)!
  const change = useChange()
  const navigate = useNavigate()
  const [start, setStart] = useState<Start>(STARTS[0]!.starts[0]!)
  const [name, setName] = useState('Top')
  const { units } = job.settings
  const made = inShopSizes(start.make({ id: 'new', name: 'new', ...usualStart() }, job.stock), units)
  const rectangle = made.kind === 'slab' && made.outline.kind === 'rectangle' ? made.outline : null
  const [size, setSize] = useState(units === 'mm' ? FIRST.mm : FIRST.inch)
  const choose = (next: Start) => {
    setStart(next)
    setName(next.name)
    const piece = inShopSizes(next.make({ id: 'new', name: 'new', ...usualStart() }, job.stock), units)
    if (piece.kind === 'slab' && piece.outline.kind === 'rectangle')
      setSize({ length: piece.outline.length, width: piece.outline.width, thickness: piece.thickness })
  }
  const put = (piece: Piece) => {
    change(`new piece ${piece.name}`, { type: 'pieceAdded', piece })
    navigate(`/job/${job.id}/${piece.id}/piece`)
  }
  const told = () => ({ id: newId('piece'), name: name.trim().slice(0, 120) || start.name, ...usualStart() })
  const make = () => put(sized(inShopSizes(start.make(told(), job.stock), units), size))
  const startRun = () => {
    const run = newRun(newId('run'))
    change(`new run ${run.name}`, { type: 'runKept', run })
    navigate(`/job/${job.id}/run/${run.id}`)
  }
  return (
    <main className="h-full overflow-auto bg-sheet">
      <div className="page-columns mx-auto grid max-w-[1160px] grid-cols-[minmax(0,1fr)_300px] gap-8 px-6 py-6">
        <div>
          {job.pieces[0] ? (
            <BackLink />
          ) : (
            <Link to="/jobs" className="word label p-0!">
              all jobs
            </Link>
          )}
          <div className="mt-1 flex flex-wrap items-end justify-between gap-x-6">
            <h1 className="text-[32px]!">New piece</h1>
            <UnitChoice />
          </div>
          <RadioGroup.Root
            aria-label="What is made"
            value={start.name}
            onValueChange={(name) => choose(ALL_STARTS.find((s) => s.name === name)!)}
          >
            {STARTS.map(({ heading, starts }) => (
              <section key={heading} aria-label={heading}>
                <h2 className="mt-3 border-b pb-1">{heading}</h2>
                <div className="flex flex-wrap gap-x-1 gap-y-2 pt-2">
                  {starts.map((s) => (
                    <StartTile key={s.name} start={s} size={s === start ? size : null} />
                  ))}
                </div>
              </section>
            ))}
          </RadioGroup.Root>
        </div>
        <div className="sticky top-6 self-start pt-8">
          <Drawing piece={sized(made, size)} box={[250, 150]} />
          <div className="row">
            <label htmlFor="new-name">Name</label>
            <input
              id="new-name"
              className="field-input w-[190px]!"
              value={name}
              maxLength={120}
              onChange={(e) => setName(e.target.value)}
            />
          </div>
          {rectangle && (
            <>
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
            </>
          )}
          <button type="button" className="act act-oxide mt-4 text-[18px]!" onClick={make}>
            Make this piece
          </button>
          <h2 className="mt-6">Or from a file</h2>
          <ImportMesh
            onMesh={(file, mmPerUnit) =>
              put(
                newImported(
                  {
                    id: newId('piece'),
                    name: file.name.replace(/\.\w+$/, '').slice(0, 120),
                    ...usualStart(),
                  },
                  job.stock,
                  file,
                  mmPerUnit,
                ),
              )
            }
          />
          <h2 className="mt-6">Or a whole top</h2>
          <p className="text-[14px] text-soft">Along one, two or three walls, split by seams into pieces.</p>
          <button type="button" className="act mt-1" onClick={startRun}>
            A run of pieces
          </button>
          {job.runs.map((r) => (
            <p key={r.id} className="label">
              <Link className="word p-0!" to={`/job/${job.id}/run/${r.id}`}>
                {r.name}
              </Link>
            </p>
          ))}
        </div>
      </div>
    </main>
  )
}

/** The first slab, in round sizes of the shop. */
const FIRST = {
  mm: { length: 900, width: 500, thickness: 45 },
  inch: { length: 36 * 25.4, width: 20 * 25.4, thickness: 1.75 * 25.4 },
} as const

type Size = { readonly length: number; readonly width: number; readonly thickness: number }

/** A slab of a plain rectangle in the sizes typed; anything else as it starts. */
const sized = (piece: Piece, { length, width, thickness }: Size): Piece =>
  piece.kind === 'slab' && piece.outline.kind === 'rectangle'
    ? { ...piece, outline: { ...piece.outline, length, width }, thickness }
    : piece

/** The chosen start is drawn in the sizes typed. */
function StartTile({ start, size }: { start: Start; size: Size | null }) {
  const chosen = size !== null
  const job = useAppSelector((s) => s.job.job)!
  const piece = inShopSizes(
    start.make({ id: 'new', name: 'new', ...usualStart() }, job.stock),
    job.settings.units,
  )
  return (
    <RadioGroup.Item
      value={start.name}
      className={`start-tile flex w-[104px] flex-col items-center px-1 pt-2 pb-1 hover:bg-paper ${chosen ? 'bg-paper font-bold' : ''}`}
      style={chosen ? { boxShadow: 'inset 0 -3px 0 var(--ink)' } : undefined}
    >
      <Drawing piece={size ? sized(piece, size) : piece} box={[84, 46]} />
      <span className="label text-[15px] leading-tight">{start.name}</span>
    </RadioGroup.Item>
  )
}

function Drawing({ piece, box: [w, h] }: { piece: Piece; box: readonly [number, number] }) {
  const path = silhouettePath(piece, [w - 4, h - 6])
  return (
    <svg aria-hidden width={w} height={h} viewBox={`${-w / 2} ${-h / 2} ${w} ${h}`}>
      <path
        d={path}
        fill="var(--concrete)"
        fillRule="evenodd"
        stroke="var(--ink)"
        strokeWidth="1.4"
        strokeLinejoin="round"
      />
    </svg>
  )
}
