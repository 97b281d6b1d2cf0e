import { describe, expect, it } from 'vitest'
import type { Insert, Piece } from '../job/index.ts'
import { planPieceStation } from '../piece/index.ts'
import { testKernel } from '../testing/testKernel.ts'
import { testSlab } from '../testing/testPiece.ts'
import { fixingFindings, fixingsOf, pullOut } from './pullOut.ts'

const kernel = await testKernel()
const insert = (rest: Partial<Insert>): Insert => ({
  id: 'i',
  name: 'socket',
  kind: 'socket',
  on: 'bottom',
  u: 0,
  v: 0,
  tiltDeg: 0,
  tiltTowardDeg: 0,
  diameter: 6,
  bore: 0,
  depth: 60,
  past: 0,
  material: 'stainless',
  held: 'mould',
  carriesKg: 0,
  ...rest,
})
const slab = (inserts: Insert[]): Piece =>
  testSlab({
    outline: { kind: 'rectangle', length: 800, width: 400, radii: [0, 0, 0, 0] },
    thickness: 100,
    openings: [],
    inserts,
  })
const of = (piece: Piece) => fixingsOf(piece, planPieceStation(kernel, piece, 2300, true).geometry, 30)

it.each([
  [30, 60, 200, 22_656],
  [30, 60, 45, 11_328],
  [10, 80, 120, 20_138],
  [10, 80, 500, 20_138],
])('fc %d, %d deep, %d from the edge pulls out at %d N', (fc, depth, edge, n) =>
  expect(pullOut(fc, depth, edge)).toBeCloseTo(n, -1),
)

describe('fixings', () => {
  it('carry a quarter of it to be lifted by at 10 MPa, a third to hang from', () => {
    const [fixing] = of(slab([insert({})]))
    expect(fixing!.edgeMm).toBeCloseTo(200, 6)
    expect(fixing!.liftN).toBeCloseTo(pullOut(10, 60, 200) / 4, 6)
    expect(fixing!.hangN).toBeCloseTo(pullOut(30, 60, 200) / 3, 6)
  })
  it('near an edge carry less', () => {
    const [fixing] = of(slab([insert({ u: 355 })]))
    expect(fixing!.edgeMm).toBeCloseTo(45, 6)
    expect(fixing!.hangN).toBeCloseTo(pullOut(30, 60, 45) / 3, 6)
  })
  it.each([
    ['a pipe', insert({ kind: 'pipe', bore: 4 })],
    ['a bar, which slips without a hook', insert({ kind: 'bar' })],
    ['what goes through', insert({ depth: null })],
  ])('%s is none', (_, own) => expect(of(slab([own]))).toEqual([]))
  it('are told where they sit less than 8 diameters deep', () => {
    const piece = slab([insert({}), insert({ id: 'short', depth: 30, u: 100 })])
    expect(
      fixingFindings(piece, of(piece), 10).map((f) => [f.code, f.about[0]!.id, f.facts.leastMm]),
    ).toEqual([['fixing-shallow', 'short', 48]])
  })
})

describe('what hangs from it, and what it is lifted by', () => {
  const codes = (inserts: Insert[], placedKg: number) => {
    const piece = slab(inserts)
    return fixingFindings(piece, of(piece), placedKg)
  }
  // 60 deep at 30 MPa bears 22,656 / 3 N: 770 kg.
  it.each([
    [769, false],
    [771, true],
  ])('%d kg from one that bears 770: told %s', (carriesKg, told) => {
    const found = codes([insert({ carriesKg })], 1).find((f) => f.code === 'fixing-over')
    expect(found?.level).toBe(told ? 'stop' : undefined)
    const [cure] = found?.remedies ?? []
    if (!cure) return
    const [change] = cure.changes as unknown as [{ item: Insert }]
    expect(change.item.depth).toBe(90)
    expect(codes([change.item], 1).some((f) => f.code === 'fixing-over')).toBe(false)
  })
  // Each lifts 8.9 x sqrt(10) x 60^1.5 / 4 N: 333 kg.
  it.each<[string, Insert[], number, string[]]>([
    ['two sockets lift what they bear', [insert({}), insert({ id: 'j', u: 100 })], 660, []],
    ['and no more', [insert({}), insert({ id: 'j', u: 100 })], 680, ['fixings-lift-short']],
    ['a stud is not lifted by', [insert({ kind: 'stud' })], 2000, []],
  ])('%s', (_, inserts, kg, want) => expect(codes(inserts, kg).map((f) => f.code)).toEqual(want))
})
