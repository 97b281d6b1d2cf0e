import { useEffect, useRef, useState } from 'react'
import type { Job } from '../../core/job/index.ts'
import { nextRun, slowWorker } from '../worker/planner.ts'
import type { ShoppingReply } from '../worker/protocol.ts'

export type Shopping = Pick<ShoppingReply, 'plannedCount' | 'pieceCount' | 'without' | 'rows'>

/** All that the job buys, worked out piece after piece; `stop` ends it. */
export function useShopping(job: Job): {
  readonly shopping: Shopping | null
  readonly failed: string | null
  readonly stopped: boolean
  readonly stop: () => void
} {
  const run = useRef(0)
  const [shopping, setShopping] = useState<Shopping | null>(null)
  const [failed, setFailed] = useState<string | null>(null)
  const [stopped, setStopped] = useState(false)
  useEffect(() => {
    const runId = nextRun()
    run.current = runId
    setFailed(null)
    setStopped(false)
    setShopping(null)
    const leave = slowWorker.listen((reply) => {
      if (reply.runId !== runId) return
      if (reply.kind === 'shopping') setShopping(reply)
      if (reply.kind === 'failed') setFailed(reply.message)
    })
    slowWorker.post({ kind: 'shopping', runId, job })
    return () => {
      leave()
      slowWorker.stop()
    }
  }, [job])
  const stop = () => {
    slowWorker.stop()
    setStopped(true)
  }
  return { shopping, failed, stopped, stop }
}
