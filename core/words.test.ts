import { beforeAll, describe, expect, it } from 'vitest'
import type { Kernel } from './geometry/index.ts'
import { type Finding, type Piece, plainSide } from './job/index.ts'
import { planPiece } from './plan.ts'
import { proveRemedies } from './remedies.ts'
import { stationMemo } from './station.ts'
import { testKernel } from './testing/testKernel.ts'
import { BEAD, testBasin, testJob, testSlab, testTaps, testTop } from './testing/testPiece.ts'
import { wordsStyle } from './units/index.ts'
import { explain, remedyText } from './words.ts'

let kernel: Kernel
beforeAll(async () => {
  kernel = await testKernel()
})

const cold = { ...testSlab().pour, temperature: { kind: 'constant', degC: 1 } } as const
const troubled: [string, Piece][] = [
  ['a narrow land', testTop()],
  [
    'radii and edges',
    testSlab({
      outline: { kind: 'rectangle', length: 90, width: 11, radii: [80, 0, 0, 40] },
      thickness: 8,
      sides: {
        ...testSlab().sides,
        front: plainSide({ top: BEAD, bottom: BEAD }),
        back: plainSide({ top: BEAD, bottom: BEAD }),
      },
    }),
  ],
  [
    'openings astray',
    testTop({
      openings: [
        testBasin,
        testTaps,
        { ...testBasin, id: 'far', name: 'far', u: { rule: 'fromStart', distance: 2000 } },
        { ...testBasin, id: 'edge', name: 'edge', v: { rule: 'fromEnd', distance: -5 } },
      ],
    }),
  ],
  [
    'thin, cold and outdoors',
    testTop({ thickness: 20, sides: testSlab().sides, exposure: 'outdoors', pour: cold }),
  ],
  ['tall', testSlab({ thickness: 320 })],
  [
    'large',
    testSlab({
      outline: { kind: 'rectangle', length: 3000, width: 1500, radii: [0, 0, 0, 0] },
      thickness: 80,
    }),
  ],
  [
    'worn, wet and left out',
    testTop({
      plannedCasts: 40,
      attitude: { down: 'bottom', turnDeg: 0 },
      mix: { ...testTop().mix, water: 'limit' },
      release: { ...testTop().release, leftOut: 'trial' },
    }),
  ],
]

const found = (piece: Piece): readonly Finding[] => {
  const job = testJob(piece)
  return proveRemedies(kernel, job, planPiece(kernel, job, piece), stationMemo()).findings
}

describe.each([
  ['mm', { units: 'mm', inchDenominator: 16 }],
  ['inch', { units: 'inch', inchDenominator: 16 }],
] as const)('in %s', (_, style) => {
  it.each(troubled)('every finding and remedy is a sentence with its figures: %s', (_label, piece) => {
    const findings = found(piece)
    expect(findings.length).toBeGreaterThan(0)
    for (const finding of findings) {
      const words = explain(finding, wordsStyle(style))
      for (const text of [words.what, words.why, ...finding.remedies.map((r) => remedyText(words, r))]) {
        expect(text).not.toMatch(/undefined|NaN|null|\[object|mm mm/)
        expect(text.length).toBeGreaterThan(3)
      }
      expect(words.why).toMatch(/[.]$/)
      expect(words.what).not.toMatch(/[.]$/)
      if (style.units === 'inch') expect(words.what).not.toMatch(/\d mm(?! melamine)/)
    }
  })
})

it('ranks worst first, and keeps codes and levels apart from words', () => {
  const levels = found(troubled[3]![1]).map((f) => f.level)
  expect(levels).toEqual(
    [...levels].sort((a, b) => ['stop', 'warn', 'note'].indexOf(a) - ['stop', 'warn', 'note'].indexOf(b)),
  )
  expect(levels[0]).toBe('stop')
})
