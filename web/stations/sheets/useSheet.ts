import { useEffect, useRef, useState } from 'react'
import { usePlan } from '../../state/PlanContext.tsx'
import { nextRun, slowWorker } from '../../worker/planner.ts'

export type SheetState = {
  readonly pdf: Uint8Array | null
  readonly why: string | null
  readonly working: boolean
}

const FONTS = { regular: '/fonts/sheet-regular.ttf', bold: '/fonts/sheet-bold.ttf' }

/** The shop sheet of the piece shown, written by the slow worker whenever the job changes. */
export function useSheet(): SheetState {
  const { job, piece } = usePlan()
  const latest = useRef(0)
  const [state, setState] = useState<SheetState>({ pdf: null, why: null, working: true })
  useEffect(
    () =>
      slowWorker.listen((reply) => {
        if (reply.runId !== latest.current) return
        if (reply.kind === 'sheet') setState({ pdf: reply.pdf, why: reply.why, working: false })
        if (reply.kind === 'failed') setState({ pdf: null, why: reply.message, working: false })
      }),
    [],
  )
  useEffect(() => {
    const runId = nextRun()
    latest.current = runId
    setState((old) => ({ ...old, working: true }))
    slowWorker.post({ kind: 'sheet', runId, job, pieceId: piece.id, fonts: FONTS })
  }, [job, piece.id])
  return state
}
