import { describe, expect, it } from 'vitest'
import { openKernel } from '../geometry/index.ts'
import type { MouldChoice } from '../job/index.ts'
import { type MouldPatch, withChoice } from '../job/index.ts'
import { planPieceStation } from '../piece/index.ts'
import { itemName } from '../testing/says.ts'
import { testSlab, testStock, testTop } from '../testing/testPiece.ts'
import { screwLength } from './hardware.ts'
import { planMouldStation } from './index.ts'

const kernel = await openKernel({ coarser: 6 })
const figures = (patch: MouldPatch, piece = testTop()) => {
  const told = { ...piece, mould: withChoice(piece.mould, patch) }
  const station = planPieceStation(kernel, told, 2300, false)
  return planMouldStation(told, station, testStock, testStock.mixes[0]!, { kernel }).station!.figures
}

it.each([
  [36, 35],
  [35, 35],
  [34.9, 30],
  [4, 16],
  [5000, 200],
])('takes a screw no longer than %d mm: %d', (most, length) => expect(screwLength(most)).toBe(length))

describe('what a mould is put together with', () => {
  it('counts every screw once, by length, with a tenth to spare; none comes through', () => {
    const own = figures({})
    const screws = own.hardware.filter((h) => h.code === 'screws')
    const listed = own.screwCount
    const spared = screws.reduce((sum, s) => sum + s.amount, 0)
    expect(spared).toBeGreaterThanOrEqual(Math.ceil(listed * 1.1))
    expect(spared).toBeLessThan(listed * 1.1 + screws.length)
    // 18 mm strips into an 18 mm edge; knockouts of 45 through a base of 18.
    expect(screws.map((s) => itemName(s))).toEqual(['screws 4 × 35', 'screws 4 × 40'])
    expect(own.hardware.map((h) => h.unit)).toEqual(expect.arrayContaining(['cartridge', 'm', 'kg']))
    const shallow = figures({}, testTop({ thickness: 12, sides: testSlab().sides }))
    expect(shallow.hardware.map((h) => itemName(h))).toContain('screws 4 × 25')
  })
  it.each<[MouldChoice['method'], RegExp]>([
    ['printed', /^M4 × \d+ bolts/],
    ['closed', /^M6 × \d+ bolts/],
    ['brushed', /^M6 × \d+ bolts/],
    ['layers', /^dowels 10 × 24/],
  ])('%s has its own', (method, name) => {
    const small = testSlab({ outline: { kind: 'rectangle', length: 300, width: 200, radii: [0, 0, 0, 0] } })
    const row = figures({ method }, small).hardware.find((h) => name.test(itemName(h)))!
    expect(row.amount).toBeGreaterThan(0)
  })
})
