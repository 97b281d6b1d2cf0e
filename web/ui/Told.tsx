import { useEffect, useState } from 'react'
import { tellingEnded } from '../state/jobSlice.ts'
import { useAppDispatch, useAppSelector } from '../state/store.ts'
import { useUndo } from '../state/useUndo.ts'

/** How long a step is told, ms; while it is pointed at or has the focus it stays. */
const TOLD = 6000

/**
 * A place on the page where the last step is told for a few seconds, with undo beside it; it covers nothing. No toast of
 * the primitives: those lie over the page as a layer of their own, and take the Escape that was meant for an open list.
 */
export function Told() {
  const told = useAppSelector((s) => s.job.told)
  const edit = useAppSelector((s) => s.job.edit)
  const dispatch = useAppDispatch()
  const { undo } = useUndo()
  const [held, setHeld] = useState(false)
  // biome-ignore lint/correctness/useExhaustiveDependencies: each step starts the wait anew
  useEffect(() => {
    if (!told || held) return
    const timer = setTimeout(() => dispatch(tellingEnded()), TOLD)
    return () => clearTimeout(timer)
  }, [told, edit, held, dispatch])
  return (
    <div
      role="status"
      className="flex min-h-8 min-w-0 flex-1 items-center justify-end gap-2"
      onPointerEnter={() => setHeld(true)}
      onPointerLeave={() => setHeld(false)}
      onFocus={() => setHeld(true)}
      onBlur={() => setHeld(false)}
    >
      {told && (
        <>
          <span className="label min-w-0 text-[15px] leading-tight">{told.text}</span>
          {told.undo && (
            <button type="button" className="word label font-bold" onClick={undo}>
              undo
            </button>
          )}
        </>
      )}
    </div>
  )
}
