import { beforeAll, describe, expect, it } from 'vitest'
import type { Kernel } from './geometry/index.ts'
import { STATIONS, type StationName } from './job/index.ts'
import { type Memo, noMemo } from './memo.ts'
import { planPiece, type Stations } from './plan.ts'
import { proveRemedies } from './remedies.ts'
import { testKernel } from './testing/testKernel.ts'
import { testJob, testTop } from './testing/testPiece.ts'

let kernel: Kernel
beforeAll(async () => {
  kernel = await testKernel()
})

/** A fault of ours in one station, put in on purpose. */
const failingAt =
  (station: string): Memo =>
  (name, key, work) => {
    if (name === station) throw new Error(`a fault in ${station}`)
    return noMemo(name, key, work)
  }
const standing = (stations: Stations): StationName[] => STATIONS.filter((name) => stations[name] !== null)

/** What a station that fails takes with it: only those that need its figures. */
const TAKES: readonly (readonly [StationName, readonly StationName[]])[] = [
  ['piece', STATIONS],
  ['mould', ['mould', 'release']],
  ['steel', ['steel', 'pour', 'finish', 'log', 'sheets']],
  ['release', ['release', 'pour', 'finish', 'log', 'sheets']],
  ['mix', ['mix', 'pour', 'finish', 'log', 'sheets']],
  ['pour', ['pour', 'finish', 'log', 'sheets']],
  ['finish', ['finish']],
  ['log', ['log']],
  ['sheets', ['sheets']],
]

describe.each(TAKES)('a fault in %s', (name, taken) => {
  it('takes down only what needs it, and is told; what stands is as it was', () => {
    const job = testJob(testTop())
    const piece = job.pieces[0]!
    const whole = planPiece(kernel, job, piece)
    const plan = planPiece(kernel, job, piece, { memo: failingAt(name) })
    expect(plan.failed).toEqual([{ station: name, message: `a fault in ${name}` }])
    expect(standing(plan.stations)).toEqual(STATIONS.filter((s) => !taken.includes(s)))
    // A day without its mould is another day: from there on only what does not read it is the same.
    for (const station of standing(plan.stations))
      if (STATIONS.indexOf(station) < STATIONS.indexOf(name))
        expect([station, plan.stations[station]!.figures]).toEqual([
          station,
          whole.stations[station]!.figures,
        ])
    expect(plan.findings.every((f) => f.station !== name)).toBe(true)
  })
})

it('is no cure: a remedy that makes a station fail is not offered', () => {
  const job = testJob(testTop())
  const plan = planPiece(kernel, job, job.pieces[0]!)
  const offered = (memo?: Memo) =>
    proveRemedies(kernel, job, plan, memo).findings.filter(
      (f) => f.code === 'land-narrow' && f.remedies.length,
    )
  expect(offered().length).toBeGreaterThan(0)
  expect(offered(failingAt('steel'))).toEqual([])
})
