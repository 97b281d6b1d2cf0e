import { lazy, Suspense, useEffect, useState } from 'react'
import { useNavigate, useParams } from 'react-router'
import { STATIONS, type StationName } from '../../core/job/index.ts'
import { useAppDispatch, useAppSelector } from '../state/store.ts'
import { useUndo } from '../state/useUndo.ts'
import { turnedOver } from '../state/viewSlice.ts'
import { focusBench, focusIn, PLACES } from './focus.ts'

const KeySheets = lazy(() => import('./KeySheets.tsx').then((m) => ({ default: m.KeySheets })))

const isTyping = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement &&
  (target.isContentEditable || /^(INPUT|TEXTAREA)$/.test(target.tagName) || isList(target))

/** A list finds its choices by the letters typed over it. */
const isList = (target: HTMLElement): boolean =>
  target.closest('[role="combobox"], [role="listbox"]') !== null

/**
 * Whether an undo belongs to what is being typed, which its field takes back itself. Lists, boxes and fields whose entry
 * was taken have nothing of their own to undo: they say so by `data-typed`.
 */
const undoesItself = (target: EventTarget | null): boolean =>
  isTyping(target) &&
  target instanceof HTMLElement &&
  !isList(target) &&
  !(target instanceof HTMLInputElement && /^(checkbox|radio|range|button|file)$/.test(target.type)) &&
  target.dataset.typed !== 'no'

/** Shortcuts of the whole page; their sheet and the finder load when asked for. */
export function Keys({ station }: { station: StationName }) {
  const [sheet, setSheet] = useState<'keys' | 'find' | null>(null)
  const { jobId, pieceId } = useParams()
  const navigate = useNavigate()
  const dispatch = useAppDispatch()
  const shortcuts = useAppSelector((s) => s.view.shortcuts)
  const { undo, redo } = useUndo()
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const undoing = (event.ctrlKey || event.metaKey) && event.key.toLowerCase() === 'z'
      if (undoing && !undoesItself(event.target)) {
        event.preventDefault()
        ;(event.shiftKey ? redo : undo)()
        return
      }
      // Out of a field that holds what it shows, so that the keys of the page work again.
      // A list that is open closes by itself.
      const isField = event.target instanceof HTMLInputElement
      if (event.key === 'Escape' && isField && !undoesItself(event.target)) focusBench()
      if (isTyping(event.target)) return
      if (!shortcuts || event.ctrlKey || event.metaKey || event.altKey) return
      const number = Number(event.key)
      const place = PLACES.find((p) => p.key.toLowerCase() === event.key.toLowerCase())
      if (number >= 1 && number <= 9) {
        navigate(`/job/${jobId}/${pieceId}/${STATIONS[number - 1]}`)
        focusBench()
      } else if (place) {
        event.preventDefault()
        focusIn(place.id)
      }
      if (event.key === 't' || event.key === 'T') dispatch(turnedOver())
      else if (event.key === '/') {
        event.preventDefault()
        setSheet('find')
      } else if (event.key === '?') setSheet('keys')
    }
    window.addEventListener('keydown', onKey)
    return () => window.removeEventListener('keydown', onKey)
  }, [dispatch, navigate, jobId, pieceId, shortcuts, undo, redo])
  return (
    sheet && (
      <Suspense fallback={null}>
        <KeySheets sheet={sheet} station={station} onClose={() => setSheet(null)} />
      </Suspense>
    )
  )
}
