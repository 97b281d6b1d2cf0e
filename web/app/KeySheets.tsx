import { Dialog } from 'radix-ui'
import type { StationName } from '../../core/job/index.ts'
import { useAppDispatch, useAppSelector } from '../state/store.ts'
import { shortcutsSwitched } from '../state/viewSlice.ts'
import { Box } from '../ui/Box.tsx'
import { Finder } from './Finder.tsx'
import { PLACES } from './focus.ts'

const KEYS: readonly (readonly [string, string])[] = [
  ['1 to 9', 'go to a station of the line'],
  ['T', 'turn the piece over: as poured, as placed'],
  ['/', 'find a piece, opening, part, finding, stock row or station'],
  [PLACES.map((p) => p.key).join(', '), `go to the ${PLACES.map((p) => p.name).join(', the ')}`],
  ['Ctrl Z', 'undo'],
  ['Ctrl Shift Z', 'redo'],
  ['Tab', 'walk through openings and dimensions of the plan'],
  ['arrow keys', 'on an opening, a feature or a handle: move it one shop step; with Shift ten'],
  ['Home, End', 'on a handle: to its first and last place'],
  ['Enter', 'on a dimension: type it'],
  ['Delete', 'on an opening or a feature: remove it'],
  ['Escape', 'in a field: its last value back; once more: out of it'],
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
      <span className="mt-3 flex min-h-8 items-center gap-2">
        <Box id="single-keys" on={shortcuts} onTick={() => dispatch(shortcutsSwitched())} />
        <label htmlFor="single-keys" className="label">
          single keys work as shortcuts
        </label>
      </span>
    </>
  )
}
