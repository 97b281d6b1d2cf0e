import { describe, expect, it } from 'vitest'
import { bevelWords, sawnWords, shapeWords } from './cutWords.ts'

describe('how a part is sawn, in words', () => {
  it.each<[readonly [number, number], string]>([
    [[0, 0], 'both ends square'],
    [[45, 45], 'both ends 45°'],
    [[22.5, 22.5], 'both ends 22.5°'],
    [[45, 0], 'ends square and 45°'],
    [[-45, -45], 'both ends 45° inside long'],
    [[45, -45], 'ends 45° inside long and 45°'],
    [[44.96, 45], 'both ends 45°'],
    [[30.04, 30], 'both ends 30°'],
  ])('the bevels %j are %s', (bevels, words) => {
    expect(bevelWords(bevels)).toBe(words)
  })
  const square = { bevelsDeg: null, mitresDeg: null, edgeDeg: 0 }
  it.each<[Parameters<typeof sawnWords>[0], string | null]>([
    [square, null],
    [{ ...square, edgeDeg: 12 }, 'edges 12°'],
    [{ ...square, edgeDeg: -12.04 }, 'edges 12°'],
    [{ ...square, bevelsDeg: [45, 45] }, 'both ends 45°'],
    [{ ...square, edgeDeg: 5, bevelsDeg: [45, 0] }, 'edges 5°, ends square and 45°'],
    [
      { edgeDeg: 12, bevelsDeg: [43.8, 43.8], mitresDeg: [-11.9, -11.9] },
      'edges 12°; both ends tilt 43.8°, swing 11.9° top short',
    ],
    [{ edgeDeg: 0, bevelsDeg: [0, 0], mitresDeg: [8, 0] }, 'one end swing 8° top long; other square'],
    [{ edgeDeg: 0, bevelsDeg: [-30, 0], mitresDeg: [0, 0] }, 'one end tilt 30° inside long; other square'],
    [{ edgeDeg: 0, bevelsDeg: [0, 0], mitresDeg: [0, 0] }, 'both ends square'],
  ])('%j: %s', (ends, words) => {
    expect(sawnWords(ends)).toBe(words)
  })
  it('names a shape as the bench does', () => {
    expect(['outline', 'rib', 'disc', 'hollow corner'].map((s) => shapeWords(s as never))).toEqual([
      'cut to the outline',
      'cut to the curve',
      'disc',
      'hollow corner',
    ])
  })
})
