import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { sawnWords } from './cutWords.ts'
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
  it.each<[Pick<CutRow, 'bevelsDeg' | 'mitresDeg' | 'edgeDeg'>, string | null]>([
    [{ bevelsDeg: null, mitresDeg: null, edgeDeg: 0 }, null],
    [{ bevelsDeg: [45, 45], mitresDeg: null, edgeDeg: 0 }, 'both ends 45°'],
    [{ bevelsDeg: [-45, 0], mitresDeg: null, edgeDeg: 0 }, 'ends square and 45° inside long'],
    [{ bevelsDeg: null, mitresDeg: null, edgeDeg: -12 }, 'edges 12°'],
    [
      { bevelsDeg: [43.8, 43.8], mitresDeg: [-11.9, -11.9], edgeDeg: 12 },
      'edges 12°; both ends tilt 43.8°, swing 11.9° top short',
    ],
    [{ bevelsDeg: null, mitresDeg: [0, 5], edgeDeg: 0 }, 'one end square; other swing 5° top long'],
  ])('how it is sawn, in words: %j', (ends, words) => expect(sawnWords(ends)).toBe(words))
})
