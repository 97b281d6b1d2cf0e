import { type LayoutAsk, lookLonger } from './layoutWork.ts'

/** One ask, answered better and better; a newer one ends this worker and starts another. */
self.onmessage = ({ data }: MessageEvent<LayoutAsk>) => {
  for (const answer of lookLonger(data)) self.postMessage(answer)
}
