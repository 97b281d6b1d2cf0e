import type { Kernel } from '../../core/geometry/index.ts'
import { type AnswerHost, answerer } from './answers.ts'
import type { Reply, Request } from './protocol.ts'

/** What a newer request takes the place of: of a run, its split does not push out a question about it. */
const slotOf = (request: Request): string =>
  request.kind === 'run' ? `run ${request.ask.kind}` : request.kind

export type WorkHost = {
  readonly opening: Promise<Kernel>
  readonly reply: (message: Reply, transfer?: Transferable[]) => void
  readonly holdPieceMesh: AnswerHost['holdPieceMesh']
}

/**
 * The work of a planning worker, without the worker: takes requests and answers them one by one, sections and plans
 * before the rest. Of each kind only the newest request counts; older ones are dropped unanswered.
 */
export function planWork({ opening, reply, holdPieceMesh }: WorkHost): (request: Request) => void {
  const waiting = new Map<string, Request>()
  let busy = false
  const work = async (): Promise<void> => {
    busy = true
    const answer = answerer({
      kernel: await opening,
      reply,
      holdPieceMesh,
      newer: (kind) => waiting.has(kind),
    })
    for (;;) {
      const request = waiting.get('section') ?? waiting.get('plan') ?? [...waiting.values()][0]
      if (!request) break
      waiting.delete(slotOf(request))
      reply({ kind: 'busy', runId: request.runId, on: true })
      try {
        await answer(request)
      } catch (error) {
        reply({
          kind: 'failed',
          runId: request.runId,
          station: null,
          message: error instanceof Error ? error.message : String(error),
        })
      }
      reply({ kind: 'busy', runId: request.runId, on: false })
      await pause()
    }
    busy = false
  }
  return (request) => {
    waiting.set(slotOf(request), request)
    if (!busy) void work()
  }
}

/** Lets newer messages in. */
const pause = () => new Promise<void>((go) => setTimeout(go, 0))
