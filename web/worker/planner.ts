import type { Reply, Request } from './protocol.ts'

type Listener = (reply: Reply) => void

/**
 * Three workers on one script, so that none waits for a slower one: `quick` for figures alone, `solid` for solids and
 * sections, `slow` for proofs of remedies and for sheets. Each starts with its first request: figures come first.
 */
function openWorker(): {
  post: (request: Request) => void
  listen: (listener: Listener) => () => void
} {
  const listeners = new Set<Listener>()
  let worker: Worker | null = null
  const started = (): Worker => {
    if (worker) return worker
    worker = new Worker(new URL('./plan.worker.ts', import.meta.url), { type: 'module' })
    worker.onmessage = ({ data }: MessageEvent<Reply>) => {
      for (const listener of listeners) listener(data)
    }
    return worker
  }
  return {
    post: (request) => started().postMessage(request),
    listen: (listener) => {
      listeners.add(listener)
      return () => listeners.delete(listener)
    },
  }
}

export const quickWorker = openWorker()
export const solidWorker = openWorker()
export const slowWorker = openWorker()

let lastRun = 0
/** One count for all requests: no two share an id, and each asker drops replies to any but its own latest. */
export const nextRun = (): number => {
  lastRun += 1
  return lastRun
}
