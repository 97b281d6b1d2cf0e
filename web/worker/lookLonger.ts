import type { LayoutAnswer, LayoutAsk } from './layoutWork.ts'

/**
 * Looks for better sheets and bars in a worker of their own, which is ended by the function that is given back: nothing
 * else waits for it.
 */
export function startLooking(
  ask: LayoutAsk,
  onAnswer: (answer: LayoutAnswer) => void,
  onFault: () => void,
): () => void {
  const worker = new Worker(new URL('./layout.worker.ts', import.meta.url), { type: 'module' })
  worker.onmessage = ({ data }: MessageEvent<LayoutAnswer>) => {
    onAnswer(data)
    if (data.done) worker.terminate()
  }
  worker.onerror = onFault
  worker.postMessage(ask)
  return () => worker.terminate()
}
