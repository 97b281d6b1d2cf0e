import { useEffect, useRef, useState } from 'react'
import type { Point } from '../../core/geometry/index.ts'
import type { SectionDrawing } from '../../core/sheets/index.ts'
import { usePlan } from '../state/PlanContext.tsx'
import { nextRun, solidWorker } from '../worker/planner.ts'

/** The section along a line, cut by the worker; the last one stays until the new one is there. */
export function useSection(
  attitude: 'poured' | 'placed',
  from: Point,
  to: Point,
): { drawing: SectionDrawing | null; fresh: boolean } {
  const { job, piece, plan, previewing } = usePlan()
  const ready = plan !== null
  const latest = useRef(0)
  const [state, setState] = useState<{ drawing: SectionDrawing | null; runId: number }>({
    drawing: null,
    runId: 0,
  })
  const [asked, setAsked] = useState(0)
  useEffect(
    () =>
      solidWorker.listen((reply) => {
        if (reply.kind === 'section' && reply.runId === latest.current)
          setState((old) => ({
            drawing: reply.drawing ?? old.drawing,
            runId: reply.drawing ? reply.runId : old.runId,
          }))
      }),
    [],
  )
  const [ax, ay] = from
  const [bx, by] = to
  useEffect(() => {
    if (!ready) return
    const runId = nextRun()
    latest.current = runId
    setAsked(runId)
    // While a hand moves, sections wait for it to rest, as solids do.
    const timer = setTimeout(
      () =>
        solidWorker.post({
          kind: 'section',
          runId,
          job,
          pieceId: piece.id,
          attitude,
          from: [ax, ay],
          to: [bx, by],
        }),
      previewing ? 90 : 0,
    )
    return () => clearTimeout(timer)
  }, [job, piece.id, attitude, ax, ay, bx, by, ready, previewing])
  return { drawing: state.drawing, fresh: state.runId === asked }
}
