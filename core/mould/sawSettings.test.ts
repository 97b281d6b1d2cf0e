import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { startingStock } from '../stock/index.ts'
import { sawnWords } from './cutWords.ts'
import { joinLong } from './joinLong.ts'
import { sawSettings } from './sawSettings.ts'
import type { CutRow } from './types.ts'

const row = (label: string, over: Partial<CutRow> = {}): CutRow => ({
  label,
  name: label,
  role: 'strip',
  boardId: 'b',
  boardName: 'board',
  lengthMm: 500,
  widthMm: 63,
  thicknessMm: 18,
  count: 1,
  shape: 'rectangle',
  radiusMm: 0,
  bevelsDeg: null,
  mitresDeg: null,
  edgeDeg: 0,
  partIds: [label],
  notes: [],
  ...over,
})

describe('the list as the saw is set', () => {
  it('one fence for equal widths, one stop for equal lengths, the widest and the longest first', () => {
    const rows = [
      row('A', { widthMm: 500, lengthMm: 900 }),
      row('B', { lengthMm: 936, count: 2 }),
      row('C', { count: 2 }),
      row('D', { lengthMm: 936 }),
      row('E', { lengthMm: 936, bevelsDeg: [45, 45] }),
      row('F', { edgeDeg: -10 }),
      row('G', { edgeDeg: 10 }),
      row('H', { boardId: 'c', boardName: 'other' }),
    ]
    const told = sawSettings(rows, 2).map((rip) => [
      rip.boardId,
      rip.widthMm,
      rip.edgeDeg,
      rip.count,
      rip.crosscuts.map((c) => `${c.lengthMm}:${c.rows.map((r) => r.label).join('')}x${c.count}`).join(' '),
    ])
    expect(told).toEqual([
      ['b', 500, 0, 2, '900:Ax2'],
      ['b', 63, 10, 4, '500:FGx4'],
      ['b', 63, 0, 12, '936:BDx6 936:Ex2 500:Cx4'],
      ['c', 63, 0, 2, '500:Hx2'],
    ])
  })
  it('loses no row and adds none', () => {
    const any = fc.record({
      widthMm: fc.constantFrom(50, 63, 63.02, 80),
      lengthMm: fc.constantFrom(300, 400.4, 400, 900),
      edgeDeg: fc.constantFrom(0, 8, -8),
      boardId: fc.constantFrom('a', 'b'),
      count: fc.integer({ min: 1, max: 5 }),
    })
    fc.assert(
      fc.property(fc.array(any, { maxLength: 20 }), (list) => {
        const rows = list.map((over, i) => row(`${i}`, over))
        const rips = sawSettings(rows)
        const labels = rips.flatMap((r) => r.crosscuts.flatMap((c) => c.rows.map((x) => x.label)))
        expect(labels.sort()).toEqual(rows.map((r) => r.label).sort())
        expect(rips.reduce((sum, r) => sum + r.count, 0)).toBe(rows.reduce((sum, r) => sum + r.count, 0))
        for (const b of ['a', 'b']) {
          const widths = rips.filter((r) => r.boardId === b).map((r) => r.widthMm)
          expect([...widths].sort((x, y) => y - x)).toEqual(widths)
        }
      }),
    )
  })
  it.each<[Pick<CutRow, 'bevelsDeg' | 'mitresDeg' | 'edgeDeg' | 'outlineBevelsDeg'>, string | null]>([
    [{ bevelsDeg: null, mitresDeg: null, edgeDeg: 0 }, null],
    [{ bevelsDeg: [45, 45], mitresDeg: null, edgeDeg: 0 }, 'both ends 45°'],
    [{ bevelsDeg: [-45, 0], mitresDeg: null, edgeDeg: 0 }, 'ends square and 45° inside long'],
    [{ bevelsDeg: null, mitresDeg: null, edgeDeg: -12 }, 'edges 12°'],
    [
      { bevelsDeg: null, mitresDeg: null, edgeDeg: 0, outlineBevelsDeg: [-45, -45, -45] },
      'every edge 45° inside long',
    ],
    [{ bevelsDeg: null, mitresDeg: null, edgeDeg: 0, outlineBevelsDeg: [0, 0, 0, 0] }, null],
    [
      { bevelsDeg: null, mitresDeg: null, edgeDeg: 0, outlineBevelsDeg: [4, -45, 0, -45] },
      'foot 4°, top square, both ends 45° inside long',
    ],
    [
      { bevelsDeg: null, mitresDeg: null, edgeDeg: 0, outlineBevelsDeg: [0, 10, 0, 20] },
      'foot square, top square; back towards you left end 20°, right end 10°',
    ],
    [
      { bevelsDeg: null, mitresDeg: null, edgeDeg: 0, outlineBevelsDeg: [0, 10, 0, 20, 5] },
      'edges, back towards you, from the foot against the clock: square, 10°, square, 20°, 5°',
    ],
    [
      { bevelsDeg: [43.8, 43.8], mitresDeg: [-11.9, -11.9], edgeDeg: 12 },
      'edges 12°; both ends tilt 43.8°, swing 11.9° top short',
    ],
    [{ bevelsDeg: null, mitresDeg: [0, 5], edgeDeg: 0 }, 'one end square; other swing 5° top long'],
  ])('how it is sawn, in words: %j', (ends, words) => expect(sawnWords(ends)).toBe(words))
})

describe('parts larger than a sheet', () => {
  const sheet = { ...startingStock().boards[0]!, id: 'b', length: 2440, width: 1220 }
  it.each<[string, number, number, [number, number, number][]]>([
    ['one that fits is left alone', 2400, 60, [[2400, 60, 2]]],
    [
      'a long strip in two, a splice for each joint',
      3000,
      60,
      [
        [1500, 60, 4],
        [60, 120, 2],
      ],
    ],
    [
      'longer in three',
      5000,
      60,
      [
        [5000 / 3, 60, 6],
        [60, 120, 4],
      ],
    ],
    ['one that fits turned', 1100, 2300, [[1100, 2300, 2]]],
    [
      'a wide base in six',
      3000,
      2600,
      [
        [1500, 2600 / 3, 12],
        [2600 / 3, 120, 6],
        [1500, 120, 8],
      ],
    ],
  ])('%s', (_, lengthMm, widthMm, told) => {
    const rows = joinLong([row('A', { lengthMm, widthMm, count: 2 })], [sheet], 10)
    expect(rows.map((r) => [r.lengthMm, r.widthMm, r.count])).toEqual(
      told.map((t) => t.map((n) => expect.closeTo(n, 6))),
    )
    // Whatever is cut goes on a sheet, and is as much as before.
    for (const r of rows) {
      const [x, y] = [Math.max(r.lengthMm, r.widthMm), Math.min(r.lengthMm, r.widthMm)]
      expect(x).toBeLessThanOrEqual(2420)
      expect(y).toBeLessThanOrEqual(1200)
    }
    expect(rows[0]!.lengthMm * rows[0]!.widthMm * rows[0]!.count).toBeCloseTo(lengthMm * widthMm * 2, 3)
    expect(new Set(rows.map((r) => r.label)).size).toBe(rows.length)
  })
})
