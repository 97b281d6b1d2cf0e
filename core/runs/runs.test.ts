import { beforeAll, describe, expect, it } from 'vitest'
import { type Kernel, measureRegion } from '../geometry/index.ts'
import { applyChange, emptyJob, newRun, type Run, type SlabPiece } from '../job/index.ts'
import { planPieceStation } from '../piece/index.ts'
import { testKernel } from '../testing/testKernel.ts'
import { testStock } from '../testing/testPiece.ts'
import { plannedLift } from '../work/index.ts'
import { cornerAngle, proposeSeams, runPieceChanges, runPlan, splitRun } from './index.ts'

let kernel: Kernel
beforeAll(async () => {
  kernel = await testKernel()
})
/** The starting run without gaps, so that areas are whole numbers. */
const run = (over: Partial<Run> = {}): Run => ({
  ...newRun('run'),
  name: 'Galley',
  legs: [
    { id: 'a', length: 2400, depth: 600 },
    { id: 'b', length: 1500, depth: 600 },
  ],
  wallGap: 0,
  seamWidth: 0,
  ...over,
})
const total = (r: Run) => splitRun(kernel, r, 2300).parts.reduce((sum, p) => sum + p.areaMm2, 0)

it.each<[Run['corners'][number], number | null]>([
  [{ by: 'square' }, 90],
  [{ by: 'diagonal', along: 300, across: 400, diagonal: 500 }, 90],
  [{ by: 'diagonal', along: 1000, across: 1000, diagonal: 1000 }, 60],
  [{ by: 'diagonal', along: 300, across: 400, diagonal: 900 }, null],
  [{ by: 'offset', over: 1000, off: 0 }, 90],
  [{ by: 'offset', over: 1000, off: -1000 }, 45],
])('%j is a corner of %d degrees', (corner, deg) => {
  const found = cornerAngle(corner)
  if (deg === null) expect(found).toBeNull()
  else expect(found).toBeCloseTo(deg, 6)
})

describe('the whole top', () => {
  const L = 2400 * 620 + (1500 - 620) * 620
  it.each<[string, Run, number]>([
    ['straight', run({ legs: [{ id: 'a', length: 2400, depth: 600 }], corners: [] }), 2400 * 620],
    ['L', run(), L],
    [
      'U',
      run({
        legs: [...run().legs, { id: 'c', length: 1000, depth: 500 }],
        corners: [{ by: 'square' }, { by: 'square' }],
      }),
      L + (1000 - 620) * 520,
    ],
  ])('%s: its parts add up to it, however the corners are divided', (_, whole, area) => {
    expect(measureRegion([[...runPlan(whole).outline]])).toBeCloseTo(area, 3)
    for (const joint of ['butt-first', 'butt-second', 'mitre'] as const)
      expect(total({ ...whole, joint })).toBeCloseTo(area, 2)
    const seams = [{ id: 's1', leg: 0, at: 1000 }]
    expect(total({ ...whole, seams })).toBeCloseTo(area, 2)
    expect(splitRun(kernel, { ...whole, seams }, 2300).parts).toHaveLength(whole.legs.length + 1)
  })
  it('follows walls out of square, loses seams and gaps, and marks its seam sides', () => {
    const out = run({
      corners: [{ by: 'offset', over: 1000, off: 15 }],
      seamWidth: 3,
      wallGap: 3,
      gaps: [{ id: 'g', name: 'cooker', leg: 0, at: 600, width: 600 }],
    })
    const { parts, problems } = splitRun(kernel, out, 2300)
    expect(problems).toEqual([])
    expect(parts).toHaveLength(3)
    const seams = parts.map((p) => p.sides.filter((s) => s === 'seam').length)
    expect(seams).toEqual([0, 1, 1])
    expect(parts[1]!.diagonalsMm[0]).not.toBeCloseTo(parts[1]!.diagonalsMm[1]!, 1)
    expect(parts.map((p) => p.sides.filter((s) => s === 'front').length)).toEqual([1, 1, 1])
  })
  it('says what does not fit', () => {
    const wrong = run({
      corners: [{ by: 'diagonal', along: 300, across: 400, diagonal: 900 }],
      seams: [{ id: 's', leg: 0, at: 5000 }],
      openings: [
        { id: 'o', name: 'sink', leg: 0, at: 9000, fromFront: 300, length: 500, width: 400, radius: 0 },
        { id: 'q', name: 'hob', leg: 2, at: 100, fromFront: 300, length: 500, width: 400, radius: 0 },
      ],
    })
    expect(
      splitRun(kernel, wrong, 2300)
        .problems.map((p) => p.code)
        .sort(),
    ).toEqual(['corner-impossible', 'leg-missing', 'opening-outside', 'seam-misses'])
  })
})

describe('seams', () => {
  const sink = {
    id: 'o',
    name: 'sink',
    leg: 0,
    at: 1200,
    fromFront: 310,
    length: 560,
    width: 420,
    radius: 10,
  }
  const limits = { liftKg: 75, longest: 2440, hardenedKgPerM3: 2300 }
  it('are proposed so that each piece can be lifted, clear of openings or through them', () => {
    const straight = run({ legs: [{ id: 'a', length: 2400, depth: 600 }], corners: [], openings: [sink] })
    const clear = proposeSeams(straight, limits, 'clear')
    const through = proposeSeams(straight, limits, 'through')
    expect(clear).toEqual([{ leg: 0, at: 800 }])
    expect(through).toEqual([{ leg: 0, at: 1200 }])
    for (const p of splitRun(kernel, { ...straight, seams: clear.map((s) => ({ id: 's', ...s })) }, 2300)
      .parts)
      expect(p.weightKg).toBeLessThanOrEqual(limits.liftKg)
    const cut = splitRun(kernel, { ...straight, seams: through.map((s) => ({ id: 's', ...s })) }, 2300)
    expect(cut.problems).toEqual([{ code: 'opening-cut', openingId: 'o' }])
    expect(cut.parts.reduce((sum, p) => sum + p.areaMm2, 0)).toBeCloseTo(2400 * 620 - 560 * 420, 0)
  })
  it('are few: 2400 and 1500 along two walls, for two people by plan', () => {
    const corner = run({
      legs: [
        { id: 'a', length: 2400, depth: 600 },
        { id: 'b', length: 1500, depth: 600 },
      ],
    })
    const planned = { ...limits, liftKg: plannedLift(2) }
    const seams = proposeSeams(corner, planned, 'clear').map((s, i) => ({ id: `s${i}`, ...s }))
    const { parts } = splitRun(kernel, { ...corner, seams }, 2300)
    const weight = parts.reduce((sum, p) => sum + p.weightKg, 0)
    // No fewer would do: all of it, in parts of 50 kg at most, and no leg shares a part with the other.
    expect(parts.length).toBeLessThanOrEqual(Math.ceil(weight / planned.liftKg) + 1)
    expect(parts.length).toBeLessThan(7)
    expect(parts.every((p) => p.weightKg <= 50.1)).toBe(true)
  })
  it.each(
    [1200, 2400, 4100, 6000].flatMap((length) =>
      (['clear', 'through'] as const).flatMap((school) =>
        [[], [1100], [800, 3000], [3000, 3700]].map((at) => [length, school, at] as const),
      ),
    ),
  )('a leg of %d, %s, openings at %j: no part too heavy, too long or empty', (length, school, at) => {
    const openings = at.filter((x) => x + 300 < length).map((x, i) => ({ ...sink, id: `o${i}`, at: x }))
    const straight = run({ legs: [{ id: 'a', length, depth: 600 }], corners: [], openings })
    const seams = proposeSeams(straight, limits, school).map((s, i) => ({ id: `s${i}`, ...s }))
    expect(new Set(seams.map((s) => s.at)).size).toBe(seams.length)
    const { parts } = splitRun(kernel, { ...straight, seams }, 2300)
    expect(parts).toHaveLength(seams.length + 1)
    for (const part of parts) {
      expect(part.weightKg).toBeLessThanOrEqual(limits.liftKg * 1.001)
      expect(part.areaMm2).toBeGreaterThan(0)
    }
    if (school === 'clear')
      for (const s of seams)
        for (const o of openings) expect(Math.abs(s.at - o.at)).toBeGreaterThanOrEqual(o.length / 2)
  })
  it('make pieces that keep their link, and follow the run when it changes', () => {
    const ids = { ids: ['p1', 'p2', 'p3', 'p4'], start: '2026-05-30T09:00', zone: 'UTC' }
    const first = run({ openings: [{ ...sink, at: 700 }], seams: [{ id: 's', leg: 0, at: 1300 }] })
    const job = runPieceChanges(
      kernel,
      { ...emptyJob('j', 'J', testStock), runs: [first] },
      first,
      ids,
    ).reduce(applyChange, { ...emptyJob('j', 'J', testStock), runs: [first] })
    expect(job.pieces.map((p) => [p.name, p.run?.part])).toEqual([
      ['Galley 1', 1],
      ['Galley 2', 2],
      ['Galley 3', 3],
    ])
    const volume = job.pieces.reduce((sum, p) => {
      const { figures, findings } = planPieceStation(kernel, p, 2300, false)
      expect(findings.filter((f) => f.level === 'stop')).toEqual([])
      return sum + figures.volumeLitres
    }, 0)
    expect(volume).toBeCloseTo((2400 * 620 + 880 * 620 - 560 * 420 + (4 - Math.PI) * 100) * 40e-6, 1)
    const moved = { ...first, seams: [{ id: 's', leg: 0, at: 1500 }] }
    const after = runPieceChanges(kernel, job, moved, ids).reduce(applyChange, job)
    const widths = after.pieces.map((p) => planPieceStation(kernel, p, 2300, true).figures.lengthMm)
    expect([after.pieces.length, widths[0]]).toEqual([3, 1500])
    expect((after.pieces[0] as SlabPiece).sides.seam?.seam).toBe(true)
    const fewer = runPieceChanges(kernel, after, { ...moved, seams: [] }, ids).reduce(applyChange, after)
    expect(fewer.pieces).toHaveLength(2)
  })
})
