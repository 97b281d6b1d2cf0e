import { beforeAll, describe, expect, it } from 'vitest'
import type { Kernel } from '../geometry/index.ts'
import { applyChange, type Piece } from '../job/index.ts'
import { METRIC } from '../testing/says.ts'
import { testKernel } from '../testing/testKernel.ts'
import { testJob, testSlab, testStock } from '../testing/testPiece.ts'
import { planPiece, proveRemedies } from '../testing/wholeLine.ts'
import { POUR_WORDS } from './words.ts'

let kernel: Kernel
beforeAll(async () => {
  kernel = await testKernel()
})
const slab = (length: number, width: number, thickness: number, mix: Partial<Piece['mix']>): Piece => {
  const own = testSlab({ thickness, outline: { kind: 'rectangle', length, width, radii: [0, 0, 0, 0] } })
  return { ...own, mix: { ...own.mix, ...mix } }
}
const found = (piece: Piece, people: number) => {
  const job = { ...testJob(piece), settings: { ...testJob(piece).settings, people } }
  const plan = proveRemedies(kernel, job, planPiece(kernel, job, piece))
  return {
    job,
    late: plan.findings.find((f) => f.code === 'longer-than-working-time' || f.code === 'sets-before-placed'),
  }
}

describe('a pour that takes longer than its mix works', () => {
  it.each<[string, Piece, number, string, RegExp[]]>([
    [
      'a large slab in a tub, alone',
      slab(1800, 900, 110, { mixer: 'tub-25' }),
      1,
      'longer-than-working-time',
      [/^mixer-and-people$/],
    ],
    [
      'a fast mix',
      slab(900, 500, 45, { mixer: 'tub-25', mix: 'fast-20' }),
      2,
      'sets-before-placed',
      [/^slower-mix$/],
    ],
  ])('%s: what is offered cures it', (_, piece, people, code, offered) => {
    const { job, late } = found(piece, people)
    expect(late?.code).toBe(code)
    const codes = late!.remedies.map((r) => r.code)
    for (const want of offered)
      expect([codes.join(), codes.some((c) => want.test(c))]).toEqual([codes.join(), true])
    for (const r of late!.remedies) {
      const mended = r.changes.reduce(applyChange, job)
      const [again] = mended.pieces
      const after = planPiece(kernel, mended, again!, { quick: true }).findings
      expect([r.code, after.some((f) => f.code === code && f.level === late!.level)]).toEqual([r.code, false])
    }
  })
  it('a retarder lengthens the time it works by its row', () => {
    const plain = slab(1000, 600, 60, {})
    const dosed = slab(1000, 600, 60, { doses: [{ dose: 'retarder', percent: 0.3 }] })
    const works = (piece: Piece) =>
      planPiece(kernel, testJob(piece), piece).stations.pour!.figures.workingMinutes
    expect(works(dosed) / works(plain)).toBeCloseTo(
      testStock.doses.find((d) => d.id === 'retarder')!.setFactor,
      6,
    )
  })
  it('is said by what each does', () => {
    const said = POUR_WORDS['longer-than-working-time'](
      { placedMinutes: 150, workingMinutes: 120, mix: 'mix' },
      METRIC,
      [
        { code: 'people-3', facts: { people: 3 }, changes: [] },
        { code: 'larger-mixer-80', facts: { mixer: 'drum' }, changes: [] },
        { code: 'mixer-and-people', facts: { mixer: 'drum', people: 4 }, changes: [] },
        { code: 'retarder', facts: { dose: 'retarder' }, changes: [] },
        { code: 'cooler', facts: { coolerDegC: 14 }, changes: [] },
        { code: 'slower-mix', facts: { mix: 'structural' }, changes: [] },
      ],
    )
    expect(Object.values(said.remedies)).toEqual([
      'Be 3 people',
      'Mix it in the drum',
      'Mix it in the drum, and be 4',
      'Put in retarder',
      'Pour it at 14 °C',
      'Use structural',
    ])
  })
})
