import { describe, expect, it } from 'vitest'
import type { Band } from '../mix/index.ts'
import type { MouldStation } from '../mould/index.ts'
import { type Compaction, liftsOf, usualCompaction, wrongTool } from './compaction.ts'

const mould = (methodId: string, top = 'sides') =>
  ({ figures: { methodId, top } }) as unknown as Pick<MouldStation, 'figures'>
const batches = (n: number) => Array.from({ length: n }, (_, i) => ({ number: i + 1 }))

describe('lifts of a pour', () => {
  it.each<[Compaction, number, number, number, Band, readonly number[], number]>([
    // Tool, batches, litres, high: the batches that end a lift, and minutes at each.
    ['saw', 1, 20.25, 45, 'placing', [1], (0.45 / 0.25) * 3.5],
    ['saw', 11, 236, 450, 'placing', [4, 8, 11], (236 / 450 / 0.25) * 3.5],
    ['rod', 11, 236, 450, 'placing', [3, 5, 7, 9, 11], (236 / 450 / 0.25) * 2],
    ['poker', 11, 236, 450, 'placing', [6, 11], (236 / 450 / 0.25) * 2],
    ['saw', 4, 40, 50, 'placing', [4], (0.8 / 0.25) * 3.5],
    // More lifts than batches are none: each batch is one.
    ['rod', 2, 60, 1200, 'placing', [1, 2], 1],
    // A wet mix is worked half as long, and never under a minute.
    ['saw', 1, 20.25, 45, 'flowing', [1], (0.45 / 0.25) * 3.5 * 0.5],
    ['bench', 1, 0.3, 60, 'flowing', [1], 1],
    ['none', 3, 60, 300, 'levelling', [], 0],
  ])('by %s, %d batches of %d L, %d mm high, %s', (by, count, litres, high, band, ends, minutes) => {
    const fills = batches(count).map(() => litres / count)
    const lifts = liftsOf(by, batches(count), fills, litres, high, band)
    expect([...lifts.keys()]).toEqual(ends)
    expect([...lifts.values()].map((l) => l.number)).toEqual(ends.map((_, i) => i + 1))
    for (const lift of lifts.values()) expect(lift.minutes).toBeCloseTo(minutes, 9)
    if (ends.length > 0)
      expect([...lifts.values()].reduce((sum, l) => sum + l.litres, 0)).toBeCloseTo(litres, 9)
  })
})

it.each<
  [
    string,
    Compaction | null,
    ReturnType<typeof mould> | null,
    Band,
    number | null,
    Compaction,
    ReturnType<typeof wrongTool>,
  ]
>([
  ['a box', null, mould('board-box'), 'placing', 45, 'saw', null],
  ['shells, through a hole', null, mould('closed', 'hole'), 'flowing', 30, 'mallet', null],
  ['packed sand', null, mould('packed'), 'placing', 80, 'rod', null],
  ['a rubber block', null, mould('block', 'rim'), 'placing', 30, 'bench', null],
  ['no mould yet', null, null, 'placing', null, 'saw', null],
  ['what levels itself', null, mould('board-box'), 'levelling', 45, 'none', null],
  ['a poker in a hole', 'poker', mould('closed', 'hole'), 'flowing', 200, 'mallet', 'no-reach'],
  ['a poker in a thin wall', 'poker', mould('board-box'), 'placing', 74, 'saw', 'too-narrow'],
  ['a poker with room', 'poker', mould('board-box'), 'placing', 75, 'saw', null],
  ['a saw on sand', 'saw', mould('packed'), 'placing', 80, 'rod', 'shaken-apart'],
  ['a saw on what levels itself', 'saw', mould('board-box'), 'levelling', 45, 'none', 'parts'],
  ['nothing on stiff concrete', 'none', mould('board-box'), 'packing', 45, 'saw', 'left-loose'],
])('%s', (_, chosen, of, band, thinnest, usual, wrong) => {
  expect(usualCompaction(of, { band, volumeLitres: 20 })).toBe(usual)
  if (usual === 'bench') expect(usualCompaction(of, { band, volumeLitres: 41 })).toBe('rod')
  expect(wrongTool(chosen ?? usual, of, { band }, thinnest)).toBe(wrong)
})
