import type { Reply, Request } from './protocol.ts'

type Listener = (reply: Reply) => void

/** A worker that has been at one request for longer than this is stopped for a newer plan, ms. */
export const PATIENCE = 1500

/** What the planner needs of a worker; tests give their own. */
export type WorkerLike = {
  postMessage(request: Request): void
  terminate(): void
  onmessage: ((event: MessageEvent<Reply>) => void) | null
}

/**
 * Three workers on one script, so that none waits for a slower one: `quick` for figures alone, `solid` for all that is
 * measured and for what is proven by it, `slow` for sheets, held figures and runs. Each starts with its first request: figures come first. A
 * worker cannot be told anything while it works: one that is long at work when a newer plan is asked for is ended, and
 * another takes the new plan and whatever else was not answered.
 */
export function openWorker(open: () => WorkerLike, now: () => number = () => performance.now()) {
  const listeners = new Set<Listener>()
  const asked = new Map<Request['kind'], Request>()
  let worker: WorkerLike | null = null
  let busySince: number | null = null
  const started = (): WorkerLike => {
    if (worker) return worker
    const own = open()
    own.onmessage = ({ data }) => {
      if (own !== worker) return
      if (data.kind === 'busy') {
        busySince = data.on ? now() : null
        if (!data.on)
          for (const [kind, request] of asked) if (request.runId === data.runId) asked.delete(kind)
        return
      }
      for (const listener of listeners) listener(data)
    }
    worker = own
    return own
  }
  return {
    post: (request: Request): void => {
      asked.set(request.kind, request)
      const stuck = request.kind === 'plan' && busySince !== null && now() - busySince > PATIENCE
      if (!stuck) {
        started().postMessage(request)
        return
      }
      worker?.terminate()
      worker = null
      busySince = null
      for (const waiting of asked.values()) started().postMessage(waiting)
    },
    /** Ends what is at work, unanswered; the next request starts another. */
    stop: (): void => {
      worker?.terminate()
      worker = null
      busySince = null
      asked.clear()
    },
    listen: (listener: Listener): (() => void) => {
      listeners.add(listener)
      return () => listeners.delete(listener)
    },
  }
}

const planWorker = (): WorkerLike =>
  new Worker(new URL('./plan.worker.ts', import.meta.url), { type: 'module' })

export const quickWorker = openWorker(planWorker)
export const solidWorker = openWorker(planWorker)
export const slowWorker = openWorker(planWorker)

let lastRun = 0
/** One count for all requests: no two share an id, and each asker drops replies to any but its own latest. */
export const nextRun = (): number => {
  lastRun += 1
  return lastRun
}
