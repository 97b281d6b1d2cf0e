import { beforeAll, describe, expect, it, vi } from 'vitest'
import type { Kernel } from '../../core/geometry/index.ts'
import type { Job } from '../../core/job/index.ts'
import { newRun, newTurned, withChoice } from '../../core/job/index.ts'
import { planPiece } from '../../core/plan.ts'
import { testKernel } from '../../core/testing/testKernel.ts'
import { testJob, testStock, testTop } from '../../core/testing/testPiece.ts'
import { planWork } from './planWork.ts'
import type { Reply, Request } from './protocol.ts'

let kernel: Kernel
beforeAll(async () => {
  kernel = await testKernel()
})

/** A worker's work, and all it says; it waits until nothing is under way. */
function bench(own: Kernel = kernel, heard: (message: Reply, take: (r: Request) => void) => void = () => {}) {
  const said: Reply[] = []
  const take = planWork({
    opening: Promise.resolve(own),
    reply: (message) => {
      said.push(message)
      heard(message, take)
    },
    holdPieceMesh: async () => {},
  })
  const done = async (...runIds: number[]) => {
    const open = () => runIds.filter((id) => !said.some((r) => r.kind === 'busy' && r.runId === id && !r.on))
    await vi.waitFor(() => expect(open()).toEqual([]), { timeout: 180_000 })
  }
  return {
    said,
    take,
    done,
    // How far a slow look is depends on the machine.
    of: (runId: number) =>
      said
        .filter((r) => r.runId === runId && r.kind !== 'thickness' && r.kind !== 'way-out')
        .map((r) => r.kind),
    reply: <K extends Reply['kind']>(kind: K, runId: number) =>
      said.find((r): r is Extract<Reply, { kind: K }> => r.kind === kind && r.runId === runId),
  }
}
const job = testJob(testTop())
const ask = (runId: number, want: 'figures' | 'solid', of: Job = job, preview = false): Request => ({
  kind: 'plan',
  runId,
  jobRevision: 1,
  job: of,
  pieceId: of.pieces[0]!.id,
  want,
  preview,
})
const cut = (runId: number, of: Job = job): Request => ({
  kind: 'section',
  runId,
  job: of,
  pieceId: 'top',
  attitude: 'poured',
  from: [-20, 250],
  to: [920, 250],
})

describe('the work of a planning worker', () => {
  it('says what it begins and ends, and gives figures alone where only they are wanted', async () => {
    const { said, take, done, of, reply } = bench()
    take(ask(1, 'figures'))
    await done(1)
    expect(of(1)).toEqual(['busy', 'plan', 'busy'])
    expect([said[0], said.at(-1)]).toMatchObject([{ on: true }, { on: false }])
    const { plan, stage } = reply('plan', 1)!
    expect([stage, plan.stations.piece!.figures.volumeFrom]).toEqual(['figures', 'quick'])
  })

  it('draws the solid with its parts before it looks longer: edges, and what is seen from above', async () => {
    const { take, done, of, reply } = bench()
    take(ask(1, 'solid'))
    await done(1)
    expect(of(1)).toEqual(['busy', 'scene', 'plan', 'busy'])
    expect(reply('plan', 1)!.plan.stations.piece!.figures.volumeFrom).toBe('solid')
    const { parts, size } = reply('scene', 1)!.scene!
    const { stations } = planPiece(kernel, job, job.pieces[0]!)
    expect(parts.map((p) => p.id)).toEqual(['piece', ...stations.mould!.parts.map((p) => p.id)])
    expect(size.map(Math.round)).toEqual([900, 500, 45])
    for (const part of parts) expect([part.id, part.mesh.triangles.length > 0]).toEqual([part.id, true])
    expect(parts.filter((p) => p.openingId === 'basin').length).toBeGreaterThan(0)
  })

  it('tells how far the looks for thickness and for the way out are once they are slow, always further', async () => {
    const clock = vi.spyOn(performance, 'now')
    let at = 0
    clock.mockImplementation(() => (at += 150))
    try {
      const { said, take, done } = bench()
      take(ask(1, 'solid'))
      await done(1)
      const shares = said.flatMap((r) => (r.kind === 'thickness' ? [r.share] : []))
      expect(shares.length).toBeGreaterThan(3)
      expect(shares).toEqual([...shares].sort((a, b) => a - b))
      expect(shares.at(-1)).toBeLessThan(1)
      const outs = said.flatMap((r) => (r.kind === 'way-out' ? [r.share] : []))
      expect(outs.length).toBeGreaterThan(0)
      expect(outs).toEqual([...outs].sort((a, b) => a - b))
    } finally {
      clock.mockRestore()
    }
  })

  it('gives a measured piece with a guessed mould first, where the mould takes longer than the piece', async () => {
    const told = { id: 'p', name: 'Drum', start: '2026-05-30T09:00', zone: 'UTC' }
    const drum = newTurned(told, testStock, { turned: { form: 'sphere', diameter: 200, foot: 60 } })
    const printed = testJob({ ...drum, mould: withChoice(drum.mould, { method: 'closed' }) })
    const { said, take, done } = bench()
    take(ask(1, 'solid', printed))
    await done(1)
    const plans = said.filter((r) => r.kind === 'plan')
    expect(plans.map((r) => [r.stage, r.plan.guessed.mould])).toEqual([
      ['figures', true],
      ['solid', false],
    ])
  })

  it('answers of each kind only the newest, sections and plans before the rest', async () => {
    const { take, done, of, said } = bench()
    // All come in before the kernel is open.
    take({ kind: 'remedies', runId: 1, job, pieceId: 'top' })
    take(ask(2, 'figures'))
    take(ask(3, 'figures'))
    take(cut(4))
    take(cut(5))
    await done(1, 3, 5)
    expect([of(2), of(4)]).toEqual([[], []])
    const begun = said.flatMap((r) => (r.kind === 'busy' && r.on ? [r.runId] : []))
    expect(begun).toEqual([5, 3, 1])
  })

  it('lets a preview wait for the hand, and go when another has come', async () => {
    // The next comes as soon as this one is begun, while it waits.
    const { take, done, of } = bench(kernel, (message, more) => {
      if (message.kind === 'busy' && message.runId === 1 && message.on) more(ask(2, 'figures'))
    })
    take(ask(1, 'solid', job, true))
    await done(1, 2)
    expect(of(1)).toEqual(['busy', 'busy'])
    expect(of(2)).toEqual(['busy', 'plan', 'busy'])
  })

  it('tells a fault of ours with its message, and goes on to the next', async () => {
    const broken: Kernel = {
      ...kernel,
      hasMesh: () => {
        throw new Error('a fault')
      },
    }
    const { take, done, reply } = bench(broken)
    const gone = { ...job, pieces: [{ ...job.pieces[0]!, lettering: null }] } as unknown as Job
    take(ask(1, 'figures', gone))
    await done(1)
    expect(reply('failed', 1)).toMatchObject({ station: null })
    take(ask(2, 'figures'))
    await done(2)
    expect(reply('plan', 2)).toBeDefined()
  })

  it('has nothing to say of a piece that is not there', async () => {
    const { take, done, of } = bench()
    take({ ...ask(1, 'figures'), pieceId: 'gone' } as Request)
    await done(1)
    expect(of(1)).toEqual(['busy', 'busy'])
  })

  it('cuts the section along a line, and proves remedies', async () => {
    const { take, done, reply } = bench()
    take(cut(1))
    take({ kind: 'remedies', runId: 2, job, pieceId: 'top' })
    await done(1, 2)
    expect(reply('section', 1)!.drawing!.parts.length).toBeGreaterThan(3)
    const proven = reply('remedies', 2)!.plan.findings
    expect(proven.find((f) => f.code === 'land-narrow')!.remedies.length).toBeGreaterThan(0)
  })

  it('draws the sheets of the plan it is given, and none of a piece that is stopped', async () => {
    const { take, done, reply } = bench()
    const plan = planPiece(kernel, job, job.pieces[0]!)
    take({ kind: 'pages', runId: 1, job, pieceId: 'top', plan })
    await done(1)
    const { pages, why } = reply('pages', 1)!
    expect([pages!.length, why]).toEqual([plan.stations.sheets!.figures.pages, null])
    const bare = { ...plan, stations: { ...plan.stations, pour: null } }
    const stopped = { ...job, id: 'stopped' }
    take({ kind: 'pages', runId: 2, job: stopped, pieceId: 'top', plan: bare })
    await done(2)
    expect(reply('pages', 2)).toMatchObject({ pages: null, why: expect.stringMatching(/stops the pour/) })
  })

  it('holds a figure at each value in turn, and stops when it is asked anew', async () => {
    const { take, done, said } = bench()
    const hold = (runId: number, targets: number[]): Request => ({
      kind: 'hold',
      runId,
      job,
      pieceId: 'top',
      dimension: 'thickness',
      what: 'weight',
      targets,
      min: 20,
      max: 200,
    })
    take(hold(1, [30, 60, 90]))
    await done(1)
    const answers = said.filter((r) => r.kind === 'hold')
    expect(answers.map((r) => [r.answers.length, r.done])).toEqual([
      [1, false],
      [2, false],
      [3, false],
      [3, true],
    ])
    take(
      hold(
        2,
        Array.from({ length: 5000 }, (_, i) => 30 + i / 100),
      ),
    )
    await vi.waitFor(() => expect(said.some((r) => r.runId === 2 && r.kind === 'hold')).toBe(true), {
      timeout: 180_000,
    })
    take(hold(3, []))
    await done(2, 3)
    expect(said.filter((r) => r.runId === 2 && r.kind === 'hold' && r.done)).toEqual([])
    expect(said.filter((r) => r.runId === 3 && r.kind === 'hold')).toMatchObject([
      { answers: [], done: true },
    ])
  })

  it('tells what a whole job buys once every piece is planned, and counts them as they are', async () => {
    const { take, done, said } = bench()
    const stopped = { ...testTop(), id: 'nothing', name: 'Nothing', mix: { ...testTop().mix, mix: 'gone' } }
    const two = testJob(testTop(), stopped)
    take({ kind: 'shopping', runId: 1, job: two })
    await done(1)
    const replies = said.filter((r) => r.kind === 'shopping')
    expect(replies.map((r) => [r.plannedCount, r.without, r.rows !== null])).toEqual([
      [1, [], false],
      [2, ['Nothing'], true],
    ])
    expect(replies[1]!.rows!.find((r) => r.group === 'mix')!.pieceIds).toEqual(['top'])
    take({ kind: 'shopping', runId: 2, job: testJob() })
    await done(2)
    expect(said.at(-2)).toMatchObject({ runId: 2, rows: [] })
  })

  it('splits a run, proposes its seams and makes its pieces; a question does not push out the split', async () => {
    const { take, done, said } = bench()
    const run = { ...newRun('run-1') }
    const request = (runId: number, question: Extract<Request, { kind: 'run' }>['ask']): Request => ({
      kind: 'run',
      runId,
      job,
      run,
      ask: question,
    })
    take(request(1, { kind: 'split' }))
    take(request(2, { kind: 'seams', school: 'clear', throughMm: null }))
    take(request(3, { kind: 'pieces', ids: ['a', 'b', 'c', 'd'], start: '2026-05-30T09:00', zone: 'UTC' }))
    await done(1, 2, 3)
    const answers = said.filter((r) => r.kind === 'run').map((r) => r.answer.kind)
    expect(answers.sort()).toEqual(['pieces', 'seams', 'split'])
  })
})
