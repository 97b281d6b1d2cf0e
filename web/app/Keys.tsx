import { lazy, Suspense, useEffect, useState } from 'react'
import { useNavigate, useParams } from 'react-router'
import { STATIONS, type StationName } from '../../core/job/index.ts'
import { useAppDispatch, useAppSelector } from '../state/store.ts'
import { turnedOver } from '../state/viewSlice.ts'
import { focusBench, focusIn, PLACES } from './focus.ts'
import { isTyping, undoesItself } from './useUndoKeys.ts'

const KeySheets = lazy(() => import('./KeySheets.tsx').then((m) => ({ default: m.KeySheets })))

/** Shortcuts of the stage, beside undo, which every page of a job has; their sheet and the finder load when asked for. */
export function Keys({ station }: { station: StationName }) {
  const [sheet, setSheet] = useState<'keys' | 'find' | null>(null)
  const { jobId, pieceId } = useParams()
  const navigate = useNavigate()
  const dispatch = useAppDispatch()
  const shortcuts = useAppSelector((s) => s.view.shortcuts)
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
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
  }, [dispatch, navigate, jobId, pieceId, shortcuts])
  return (
    sheet && (
      <Suspense fallback={null}>
        <KeySheets sheet={sheet} station={station} onClose={() => setSheet(null)} />
      </Suspense>
    )
  )
}
