import { beforeAll, expect, it } from 'vitest'
import type { Kernel } from '../../core/geometry/index.ts'
import { newTurned, STATIONS, withChoice } from '../../core/job/index.ts'
import { type PiecePlan, planPiece } from '../../core/plan.ts'
import { testKernel } from '../../core/testing/testKernel.ts'
import { testJob, testSlab, testStock, testTop } from '../../core/testing/testPiece.ts'
import { headline } from './headlines.ts'

const metric = { units: 'mm', inchDenominator: 16 } as const
let kernel: Kernel
let plan: PiecePlan
beforeAll(async () => {
  kernel = await testKernel()
  plan = planPiece(kernel, testJob(testTop()), testTop())
})

it('gives each station its figure, unit and line', () => {
  const lines = STATIONS.map((s) => Object.values(headline(s, plan, metric, 0)).join(' | '))
  expect(lines).toEqual([
    expect.stringMatching(/^15\.4 \| L \| 3[56]\.\d kg$/),
    expect.stringMatching(/^14 \| parts \| 2 sheets, 1\d% used$/),
    '22 | mm | between tap hole 1 and basin',
    expect.stringMatching(/^[1-9]\d* \| steps off \| paste wax, 30 min$/),
    '2 | bags | 1 batch, 15.60',
    expect.stringMatching(/^3\d \| h \| to first strip at 14 °C$/),
    expect.stringMatching(/^\d+ \| days \| 1 turn, 3 coats$/),
    'none |  | no pours yet',
    '5 | pages | none printed',
  ])
})

it('calls nothing free that was not looked at: it counts the steps instead', () => {
  const told = { id: 'p', name: 'Piece', start: '2026-05-30T09:00', zone: 'UTC' }
  const drum = newTurned(told, testStock, { turned: { form: 'cylinder', diameter: 300, height: 400 } })
  for (const method of ['tube', 'layers', 'closed', 'brushed'] as const) {
    const piece = { ...drum, mould: withChoice(drum.mould, { method }) }
    const { unit, figure, line } = headline('release', planPiece(kernel, testJob(piece), piece), metric, 0)
    expect([method, /^steps? off$/.test(unit), Number(figure) > 0, line]).toEqual([
      method,
      true,
      true,
      expect.not.stringContaining('free'),
    ])
  }
})

it('shows a thickness in the job’s inches, small volumes finely, one bag as one', () => {
  const small = testSlab({
    outline: { kind: 'rectangle', length: 200, width: 200, radii: [0, 0, 0, 0] },
    thickness: 50.8,
  })
  const own = planPiece(kernel, testJob(small), small)
  expect(headline('steel', own, { units: 'inch', inchDenominator: 16 }, 0)).toMatchObject({
    figure: '2"',
    unit: '',
    line: 'thinnest',
  })
  expect(headline('piece', own, metric, 0).figure).toBe('2.03')
  expect(headline('mix', own, metric, 0)).toMatchObject({ figure: '1', unit: 'bag' })
  expect(headline('sheets', own, metric, 3).line).toBe('printed 3')
})

it('says not yet where a station could not be worked out', () => {
  const outline = { kind: 'rectangle', length: 900, width: 500, radii: [400, 400, 400, 400] } as const
  const stopped = planPiece(
    kernel,
    testJob(),
    testTop({ outline: { ...outline, radii: [400, 400, 400, 400] } }),
  )
  expect(headline('mould', stopped, metric, 0)).toMatchObject({
    figure: '–',
    line: 'not yet: see the findings',
  })
  expect(headline('sheets', stopped, metric, 0).figure).toBe('–')
})
