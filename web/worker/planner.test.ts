import { describe, expect, it } from 'vitest'
import { openWorker, PATIENCE, type WorkerLike } from './planner.ts'
import type { Reply, Request } from './protocol.ts'

function bench() {
  const made: { posted: Request[]; ended: boolean; say: (reply: Reply) => void }[] = []
  let clock = 0
  const open = (): WorkerLike => {
    const own = { posted: [] as Request[], ended: false, say: (_: Reply) => {} }
    const worker: WorkerLike = {
      postMessage: (r) => own.posted.push(r),
      terminate: () => {
        own.ended = true
      },
      onmessage: null,
    }
    own.say = (reply) => worker.onmessage?.({ data: reply } as MessageEvent<Reply>)
    made.push(own)
    return worker
  }
  const worker = openWorker(open, () => clock)
  return { made, worker, wait: (ms: number) => (clock += ms) }
}
const plan = (runId: number) => ({ kind: 'plan', runId }) as Request
const section = (runId: number) => ({ kind: 'section', runId }) as Request
const busy = (runId: number, on: boolean): Reply => ({ kind: 'busy', runId, on })
const layout = (runId: number): Reply => ({ kind: 'layout', runId, parts: 300, share: 0.4 })

describe('a worker that plans', () => {
  it('is opened with the first request, and hands on what it says but for its coming and going', () => {
    const { made, worker } = bench()
    const heard: Reply[] = []
    const stop = worker.listen((r) => heard.push(r))
    expect(made.length).toBe(0)
    worker.post(plan(1))
    made[0]!.say(busy(1, true))
    made[0]!.say(layout(1))
    made[0]!.say(busy(1, false))
    expect(heard).toEqual([layout(1)])
    stop()
    made[0]!.say(layout(1))
    expect(heard.length).toBe(1)
  })
  it('is ended by hand, whatever it is at, and nothing of that is taken up again', () => {
    const { made, worker } = bench()
    const heard: Reply[] = []
    worker.listen((r) => heard.push(r))
    worker.stop()
    expect(made.length).toBe(0)
    worker.post(plan(1))
    worker.post(section(2))
    made[0]!.say(busy(1, true))
    worker.stop()
    made[0]!.say(layout(1))
    expect([made[0]!.ended, heard]).toEqual([true, []])
    worker.post(plan(3))
    expect(made[1]!.posted).toEqual([plan(3)])
  })
  it('is left alone while it is quick, however often a plan is asked', () => {
    const { made, worker, wait } = bench()
    for (let i = 1; i <= 50; i += 1) {
      worker.post(plan(i))
      made[0]!.say(busy(i, true))
      wait(PATIENCE / 2)
      made[0]!.say(busy(i, false))
    }
    expect([made.length, made[0]!.posted.length]).toEqual([1, 50])
  })
  it('is ended when it is long at an older plan; another takes the new one and what was not answered', () => {
    const { made, worker, wait } = bench()
    const heard: Reply[] = []
    worker.listen((r) => heard.push(r))
    worker.post(section(1))
    made[0]!.say(busy(1, true))
    made[0]!.say(busy(1, false))
    worker.post(plan(2))
    made[0]!.say(busy(2, true))
    worker.post(section(3))
    wait(PATIENCE + 1)
    worker.post(section(4))
    expect(made.length).toBe(1)
    worker.post(plan(5))
    expect(made.map((m) => m.ended)).toEqual([true, false])
    expect(made[1]!.posted.map((r) => r.runId).sort()).toEqual([4, 5])
    made[0]!.say(layout(2))
    expect(heard).toEqual([])
    made[1]!.say(layout(5))
    expect(heard).toEqual([layout(5)])
  })
})
