import fs from 'node:fs'
import { beforeAll, describe, expect, it } from 'vitest'
import { type Kernel, measureSolid, openKernel } from './geometry/index.ts'
import { type HoldTarget, holdFigure } from './hold.ts'
import { applyChange, type Job, type Piece, readJob, writeJob } from './job/index.ts'
import {
  adviseAttitude,
  holdDimensions,
  holdFonts,
  LETTER_FONTS,
  pieceBox,
  planPieceStation,
  pouredPlacement,
  pouredSize,
  silhouette,
} from './piece/index.ts'
import { planPiece } from './plan.ts'
import { prepareMesh } from './readers/index.ts'
import { anyPiece, seeded } from './testing/anyPiece.ts'
import { rounds } from './testing/rounds.ts'
import { testJob } from './testing/testPiece.ts'
import { METRIC, wordsStyle } from './units/index.ts'
import { explain } from './words.ts'

const RUNS = rounds(60, 300)
const SEED = 7

let kernel: Kernel
let demo: Job
beforeAll(async () => {
  kernel = await openKernel({ coarser: 30 })
  await holdFonts(LETTER_FONTS.map((f) => f.id))
  const read = readJob(fs.readFileSync('demo/kestrel-rise.hollow.json', 'utf8'))
  if (!read.ok) throw new Error('the demo job does not read')
  demo = read.job
  const star = prepareMesh('star-tile.stl', fs.readFileSync('demo/star-tile.stl'))
  if (star.ok) kernel.holdMesh(star.id, star.mesh)
})

const random = seeded(SEED)
const pieces = Array.from({ length: RUNS }, (_, i): [string, Piece] => {
  const piece = anyPiece(random)
  return [`${piece.kind} ${i} of seed ${SEED}`, piece]
})

/** Numbers that are no figure, wherever they stand. */
function badNumbers(value: unknown, at = ''): string[] {
  if (typeof value === 'number') return Number.isFinite(value) ? [] : [`${at} ${value}`]
  if (Array.isArray(value)) return value.flatMap((v, i) => badNumbers(v, `${at}[${i}]`))
  if (typeof value !== 'object' || value === null || ArrayBuffer.isView(value)) return []
  return Object.entries(value).flatMap(([key, v]) => badNumbers(v, `${at}.${key}`))
}

describe('any piece', () => {
  it('goes down the whole line: no station fails, every finding has words, every figure is a number', () => {
    for (const [i, [name, piece]] of pieces.entries()) {
      const job = testJob(piece)
      // Its mould from sizes, of every twentieth from solids: moulds have tests of their own.
      const plan = planPiece(kernel, job, piece, { guessMould: i % 20 !== 0 })
      expect([name, plan.failed]).toEqual([name, []])
      for (const finding of plan.findings) {
        for (const style of ['mm', 'inch'] as const) {
          const words = explain(finding, wordsStyle({ units: style, inchDenominator: 16 }))
          const all = `${words.what} ${words.why}`
          expect([name, finding.code, /undefined|NaN|Infinity|\[object/.test(all)]).toEqual([
            name,
            finding.code,
            false,
          ])
        }
        // Only a box of panels brings pieces with it: its panels.
        for (const remedy of finding.remedies) {
          const { pieces: after } = remedy.changes.reduce(applyChange, job)
          expect([finding.code, after.length > 1]).toEqual([finding.code, finding.code === 'panels-missing'])
        }
      }
      const { geometry, ...figures } = plan.stations.piece!
      expect([name, badNumbers(figures.figures), badNumbers(plan.stations.pour)]).toEqual([name, [], []])
      expect(geometry.openings.length).toBeGreaterThanOrEqual(0)
    }
  }, 120_000)

  it('is written to a job file and read back equal', () => {
    for (const [name, piece] of pieces) {
      const job = testJob(piece)
      const read = readJob(writeJob(job))
      expect([name, read.ok ? null : read.problems]).toEqual([name, null])
      if (read.ok) expect(read.job).toEqual(job)
    }
  })

  it('has a box and a small drawing of finite numbers before it is planned', () => {
    for (const [name, piece] of pieces) {
      const { length, width, height } = pieceBox(piece)
      expect([name, length > 0 && width > 0 && height > 0]).toEqual([name, true])
      const rings = silhouette(piece)
      expect([name, rings.length > 0, badNumbers(rings)]).toEqual([name, true, []])
    }
  })

  it('lies in the pour on the floor at the origin, in its stated size, and has lost nothing', () => {
    for (const [name, piece] of pieces.slice(0, RUNS / 3)) {
      for (const down of ['top', 'bottom', adviseAttitude(piece).down]) {
        const lying = { ...piece, attitude: { ...piece.attitude, down } } as Piece
        const { geometry, figures } = planPieceStation(kernel, lying, 2300, false)
        if (!geometry.recipe) continue
        const by = pouredPlacement(lying.attitude, geometry)
        const size = pouredSize(lying.attitude, geometry)
        const measured = kernel.withSolids((scope) =>
          measureSolid(scope.solid({ kind: 'moved', solid: geometry.recipe!, by }).body),
        )
        const near = 0.02 * Math.max(...size)
        // Liners and tapers may leave the plan's box unfilled; nothing stands past it.
        for (const d of [0, 1] as const) {
          expect([name, down, d, measured.min[d] > -near]).toEqual([name, down, d, true])
          expect([name, down, d, measured.max[d] < size[d]! + near]).toEqual([name, down, d, true])
        }
        expect([name, down, Math.abs(measured.min[2]) < near]).toEqual([name, down, true])
        expect([name, down, Math.abs(measured.max[2] - size[2]) < near]).toEqual([name, down, true])
        if (piece.inserts.length === 0)
          expect([name, down, Math.abs(measured.volume / 1e6 / figures.volumeLitres - 1) < 1e-4]).toEqual([
            name,
            down,
            true,
          ])
      }
    }
  }, 120_000)
})

describe('every piece of the demo job', () => {
  it('holds its own figure again by any of its measures that moves it', () => {
    for (const piece of demo.pieces) {
      const { figures } = planPieceStation(kernel, piece, 2300, true)
      for (const dimension of holdDimensions(piece).slice(0, 1))
        for (const what of ['weight'] satisfies HoldTarget['what'][]) {
          const value = what === 'weight' ? figures.weightKg : figures.volumeLitres
          const answer = holdFigure(
            kernel,
            { ...demo, pieces: [piece] },
            piece,
            dimension,
            { what, value: value * 1.02 },
            {
              min: dimension.value * 0.9,
              max: dimension.value * 1.2,
            },
          )!
          const name = `${piece.id} ${dimension.key} ${what}`
          expect([name, answer.kind === 'none']).toEqual([name, false])
          const after = answer.changes.reduce(applyChange, { ...demo, pieces: [piece] }).pieces[0]!
          const again = planPieceStation(kernel, after, 2300, true).figures
          const reached = what === 'weight' ? again.weightKg : again.volumeLitres
          expect([name, Number.isFinite(reached) && reached > 0]).toEqual([name, true])
        }
    }
  }, 120_000)

  /** There to show a lock and what lets it go. */
  const LOCKED: Readonly<Record<string, readonly string[]>> = { 'door-stop': ['undercut-locks'] }
  it('plans without a stop but the one it is there to show, with every finding in words', () => {
    for (const piece of demo.pieces) {
      const plan = planPiece(kernel, demo, piece)
      const stops = plan.findings.filter((f) => f.level === 'stop').map((f) => f.code)
      expect([piece.id, plan.failed, stops]).toEqual([piece.id, [], LOCKED[piece.id] ?? []])
      for (const finding of plan.findings) expect(explain(finding, wordsStyle(METRIC)).what).not.toBe('')
    }
  }, 120_000)
})
