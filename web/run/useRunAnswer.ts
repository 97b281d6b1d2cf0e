import { useEffect, useRef, useState } from 'react'
import type { Run } from '../../core/job/index.ts'
import { useAppSelector } from '../state/store.ts'
import { nextRun, slowWorker } from '../worker/planner.ts'
import type { RunAnswer } from '../worker/protocol.ts'

/** The run split by the worker: the last answer stays, no longer fresh, until the next is there. */
export function useRunAnswer(run: Run) {
  const job = useAppSelector((s) => s.job.job)!
  const [answer, setAnswer] = useState<Extract<RunAnswer, { kind: 'split' }> | null>(null)
  const [fresh, setFresh] = useState(false)
  const latest = useRef(0)
  const waiting = useRef(new Map<number, (reply: RunAnswer) => void>())
  useEffect(
    () =>
      slowWorker.listen((reply) => {
        if (reply.kind !== 'run') return
        if (reply.answer.kind === 'split') {
          if (reply.runId !== latest.current) return
          setAnswer(reply.answer)
          setFresh(true)
          return
        }
        waiting.current.get(reply.runId)?.(reply.answer)
        waiting.current.delete(reply.runId)
      }),
    [],
  )
  useEffect(() => {
    latest.current = nextRun()
    setFresh(false)
    slowWorker.post({ kind: 'run', runId: latest.current, job, run, ask: { kind: 'split' } })
  }, [job, run])
  const ask = (
    question:
      | { kind: 'seams'; school: 'clear' | 'through'; throughMm: number | null }
      | { kind: 'pieces'; ids: readonly string[]; start: string; zone: string },
    then: (reply: RunAnswer) => void,
  ) => {
    const id = nextRun()
    waiting.current.set(id, then)
    slowWorker.post({ kind: 'run', runId: id, job, run, ask: question })
  }
  return { answer, fresh, ask }
}
