import type { ImportReply, ImportRequest } from './importWork.ts'

/** Reads a file in a worker of its own; the function given back ends it. */
export function importFile(request: ImportRequest, onReply: (reply: ImportReply) => void): () => void {
  const worker = new Worker(new URL('./import.worker.ts', import.meta.url), { type: 'module' })
  worker.onmessage = ({ data }: MessageEvent<ImportReply>) => {
    onReply(data)
    const ended =
      data.kind === 'job' ||
      data.kind === 'drawing' ||
      data.kind === 'refused' ||
      (data.kind === 'crossings' && data.count !== null)
    if (ended) worker.terminate()
  }
  worker.onerror = () => {
    onReply({ kind: 'refused', text: 'The file could not be read: the reader stopped.' })
    worker.terminate()
  }
  worker.postMessage(request)
  return () => worker.terminate()
}
