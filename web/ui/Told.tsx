import { useEffect } from 'react'
import { tellingEnded, undone } from '../state/jobSlice.ts'
import { useAppDispatch, useAppSelector } from '../state/store.ts'

/** Says what the last step was, for a few seconds, with undo beside it. */
export function Told() {
  const told = useAppSelector((s) => s.job.told)
  const edit = useAppSelector((s) => s.job.edit)
  const dispatch = useAppDispatch()
  // biome-ignore lint/correctness/useExhaustiveDependencies: each step starts the wait anew
  useEffect(() => {
    if (!told) return
    const timer = setTimeout(() => dispatch(tellingEnded()), 6000)
    return () => clearTimeout(timer)
  }, [told, edit, dispatch])
  return (
    <div role="status" className="pointer-events-none fixed left-1/2 top-[58px] z-30 -translate-x-1/2">
      {told && (
        <div className="pointer-events-auto flex items-center gap-3 border border-ink bg-sheet px-3 py-1">
          <span className="label text-[15px]">{told.text}</span>
          {told.undo && (
            <button type="button" className="word label font-bold" onClick={() => dispatch(undone())}>
              undo
            </button>
          )}
        </div>
      )}
    </div>
  )
}
