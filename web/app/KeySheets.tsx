import { Dialog } from 'radix-ui'
import { useMemo, useState } from 'react'
import { useNavigate, useParams } from 'react-router'
import { STATIONS, type StationName } from '../../core/job/index.ts'
import { usePlan } from '../state/PlanContext.tsx'
import { useAppDispatch, useAppSelector } from '../state/store.ts'
import { shortcutsSwitched } from '../state/viewSlice.ts'

const KEYS: readonly (readonly [string, string])[] = [
  ['1 to 9', 'go to a station of the line'],
  ['T', 'turn the piece over: as poured, as placed'],
  ['/', 'find a station, piece or part'],
  ['Ctrl Z', 'undo'],
  ['Ctrl Shift Z', 'redo'],
  ['Tab', 'walk through openings and dimensions of the plan'],
  ['arrow keys', 'on an opening: move it 1 mm; with Shift 10 mm'],
  ['Enter', 'on a dimension: type it'],
  ['Delete', 'on an opening: remove it'],
  ['?', 'this sheet'],
]

type SheetProps = {
  readonly sheet: 'keys' | 'find'
  readonly station: StationName
  readonly onClose: () => void
}

/** The sheet that lists the shortcuts, or the finder. */
export function KeySheets({ sheet, station, onClose }: SheetProps) {
  return (
    <Dialog.Root open onOpenChange={onClose}>
      <Dialog.Portal>
        <Dialog.Overlay className="dialog-back" />
        <Dialog.Content className="dialog" aria-describedby={undefined}>
          {sheet === 'find' ? <Finder station={station} onDone={onClose} /> : <KeySheet />}
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  )
}

function KeySheet() {
  const shortcuts = useAppSelector((s) => s.view.shortcuts)
  const dispatch = useAppDispatch()
  return (
    <>
      <Dialog.Title className="text-xl font-bold">Keys</Dialog.Title>
      <table className="list mt-2">
        <tbody>
          {KEYS.map(([key, what]) => (
            <tr key={key}>
              <td className="w-36 font-bold">{key}</td>
              <td>{what}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <label className="label mt-3 flex min-h-8 items-center gap-2">
        <input type="checkbox" checked={shortcuts} onChange={() => dispatch(shortcutsSwitched())} />
        single keys work as shortcuts
      </label>
    </>
  )
}

type Found = { readonly name: string; readonly to: string }

function Finder({ station, onDone }: { station: StationName; onDone: () => void }) {
  const { jobId, pieceId } = useParams()
  const { job, plan } = usePlan()
  const navigate = useNavigate()
  const [text, setText] = useState('')
  const all = useMemo(
    (): Found[] => [
      ...STATIONS.map((s) => ({ name: `station ${s}`, to: `/job/${jobId}/${pieceId}/${s}` })),
      ...job.pieces.map((p) => ({ name: `piece ${p.name}`, to: `/job/${jobId}/${p.id}/${station}` })),
      ...(plan?.stations.mould?.parts ?? []).map((p) => ({
        name: `part ${p.label} ${p.name}`,
        to: `/job/${jobId}/${pieceId}/mould`,
      })),
      { name: 'stock of this job', to: `/job/${jobId}/stock` },
      { name: 'all jobs', to: '/jobs' },
      { name: 'new piece', to: `/job/${jobId}/new` },
    ],
    [job, plan, jobId, pieceId, station],
  )
  const found = all
    .filter((f) =>
      text
        .toLowerCase()
        .split(/\s+/)
        .every((word) => f.name.toLowerCase().includes(word)),
    )
    .slice(0, 9)
  const go = (f: Found | undefined) => {
    if (!f) return
    onDone()
    navigate(f.to)
  }
  return (
    <>
      <Dialog.Title className="text-xl font-bold">Find</Dialog.Title>
      <input
        aria-label="Find"
        className="mt-2 w-full border border-ink bg-transparent px-2 py-1 text-lg"
        value={text}
        onChange={(e) => setText(e.target.value)}
        onKeyDown={(e) => e.key === 'Enter' && go(found[0])}
      />
      <ul className="mt-2">
        {found.map((f) => (
          <li key={f.name}>
            <button
              type="button"
              className="label min-h-8 w-full px-2 text-left text-[16px] hover:bg-sunk"
              onClick={() => go(f)}
            >
              {f.name}
            </button>
          </li>
        ))}
      </ul>
      {found.length === 0 && <p className="mt-2 text-soft">Nothing of that name in this job.</p>}
    </>
  )
}
