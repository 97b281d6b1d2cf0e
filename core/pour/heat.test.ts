import { beforeAll, describe, expect, it } from 'vitest'
import { keptShare, warmth } from '../ageing/index.ts'
import type { Kernel } from '../geometry/index.ts'
import { applyChange, newTurned, type Piece, withChoice } from '../job/index.ts'
import { testKernel } from '../testing/testKernel.ts'
import { testJob, testStock } from '../testing/testPiece.ts'
import { planPiece } from '../testing/wholeLine.ts'

let kernel: Kernel
beforeAll(async () => {
  kernel = await testKernel()
})
const drum = (diameter: number, height: number, degC: number, filament: string): Piece => {
  const own = newTurned({ id: 'd', name: 'Drum', start: '2026-05-30T09:00', zone: 'UTC' }, testStock, {
    turned: { form: 'cylinder', diameter, height },
  })
  return {
    ...own,
    pour: { ...own.pour, temperature: { kind: 'constant', degC } },
    mould: withChoice(own.mould, { method: 'printed', filament }),
  }
}

describe('the heat of setting', () => {
  it.each([
    [0, 0],
    [50, 0.1],
    [75, 0.2],
    [100, 0.3],
    [200, 0.45],
    [300, 0.6],
    [600, 0.9],
    [3000, 1],
  ])('%d mm keeps %d of its rise', (mm, share) => expect(keptShare(mm)).toBeCloseTo(share, 9))
  it('12 degrees for each 100 kg of cement, a third of it at the face', () => {
    expect(warmth(20, 350, 300)).toEqual({ coreDegC: 20 + 42 * 0.6, faceDegC: 20 + 42 * 0.2 })
  })
  it.each<[string, Piece, string[]]>([
    ['a small drum in PLA', drum(150, 80, 20, 'filament-pla'), []],
    // 400 by 600: 2 V/A is 150 mm, 0.375 of 42.5 degrees.
    ['a large one on a hot day in PLA', drum(400, 600, 38, 'filament-pla'), ['print-softens']],
    ['the same in PETG', drum(400, 600, 38, 'filament-petg'), []],
  ])('%s', (_, piece, codes) => {
    const HEAT = ['core-hot', 'core-apart', 'print-softens']
    const told = (of: Piece) => {
      const job = testJob(of)
      return planPiece(kernel, job, of, { quick: true }).findings.filter((f) => HEAT.includes(f.code))
    }
    const found = told(piece)
    expect(found.map((f) => f.code)).toEqual(codes)
    for (const f of found)
      for (const r of f.remedies) {
        const [mended] = r.changes.reduce(applyChange, testJob(piece)).pieces
        expect([r.code, told(mended!).map((g) => g.code)]).toEqual([r.code, []])
      }
  })
})
