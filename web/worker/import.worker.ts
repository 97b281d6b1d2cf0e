import { type ImportReply, type ImportRequest, importWork } from './importWork.ts'

/** One file, one worker: the page ends the worker to cancel. */
self.onmessage = ({ data }: MessageEvent<ImportRequest>) =>
  importWork(data, (message: ImportReply) => self.postMessage(message))
