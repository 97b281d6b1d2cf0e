import { describe, expect, it } from 'vitest'
import { newSwept } from './job/index.ts'
import { noMemo, pieceWith, type Result, runStation, stationMemo } from './station.ts'
import { testSlab, testStock, testTop } from './testing/testPiece.ts'

/** A station that tells how often it was at work, and what it saw. */
function counted() {
  const seen: unknown[] = []
  return { seen, work: (inputs: unknown) => seen.push(inputs) }
}

describe('a station', () => {
  it('is worked out once for the same inputs, however they were written', () => {
    const [memo, { seen, work }] = [stationMemo(), counted()]
    const first = runStation(memo, 'steel', { piece: { a: 1, b: [2, 3] }, quick: true }, work)
    const second = runStation(memo, 'steel', { piece: { b: [2, 3], a: 1 }, quick: true }, work)
    expect(seen.length).toBe(1)
    expect(second.value).toBe(first.value)
  })
  it.each<[string, Record<string, unknown>]>([
    ['another figure', { piece: { a: 2 }, quick: true }],
    ['another field of the same value', { piece: { b: 1 }, quick: true }],
    ['a field more', { piece: { a: 1 }, quick: true, more: null }],
    ['a field less', { piece: { a: 1 } }],
    ['guessed instead of measured', { piece: { a: 1 }, quick: false }],
    ['another order in a list', { piece: { a: [1, 2] }, quick: true }],
  ])('is worked out anew for %s', (_, inputs) => {
    const [memo, { seen, work }] = [stationMemo(), counted()]
    runStation(memo, 'steel', { piece: { a: 1 }, quick: true }, work)
    runStation(memo, 'steel', { piece: { a: [2, 1] }, quick: true }, work)
    runStation(memo, 'steel', inputs, work)
    expect(seen.length).toBe(3)
  })
  it('is not another station of the same inputs', () => {
    const [memo, { seen, work }] = [stationMemo(), counted()]
    for (const name of ['steel', 'mix', 'steel']) runStation(memo, name, { a: 1 }, work)
    expect(seen.length).toBe(2)
  })
  it('sees earlier results opened, alone or together, and is keyed by their own keys', () => {
    const memo = stationMemo()
    const piece = (a: number) =>
      runStation(memo, 'piece', { a }, (i) => ({ volume: i.a * 2, large: [1, 2, 3] }))
    const { seen, work } = counted()
    const later = (from: Result<{ volume: number }> | null) =>
      runStation(memo, 'mix', { from, beside: { from, none: null } }, work)
    later(piece(1))
    later(piece(1))
    expect(seen).toEqual([
      {
        from: { volume: 2, large: [1, 2, 3] },
        beside: { from: { volume: 2, large: [1, 2, 3] }, none: null },
      },
    ])
    later(piece(2))
    later(null)
    expect(seen.length).toBe(3)
    expect((seen[2] as { from: unknown }).from).toBeNull()
  })
  it('gives a later one another key where it gives another result, though its name and value are alike', () => {
    const same = (quick: boolean) => runStation(noMemo, 'piece', { quick }, () => ({ volume: 2 }))
    expect(same(true).resultKey).not.toBe(same(false).resultKey)
    expect(same(true).resultKey).toBe(same(true).resultKey)
  })
  it('keeps the last few, the least used going first', () => {
    const [memo, { seen, work }] = [stationMemo(2), counted()]
    const run = (a: number) => runStation(memo, 'steel', { a }, work)
    run(1)
    run(2)
    run(1)
    run(3)
    expect(seen.length).toBe(3)
    // Of 1 and 2 the one used longer ago is gone.
    run(1)
    expect(seen.length).toBe(3)
    run(2)
    expect(seen.length).toBe(4)
  })
  it('that fails is not remembered', () => {
    const memo = stationMemo()
    let count = 0
    const fails = () =>
      runStation(memo, 'steel', { a: 1 }, () => {
        count += 1
        throw new Error('a fault')
      })
    expect(fails).toThrow('a fault')
    expect(fails).toThrow('a fault')
    expect(count).toBe(2)
  })
})

describe('the piece as a station sees it', () => {
  it('has its shape, and of its choices only those that the station reads', () => {
    const shape = pieceWith(testTop())
    expect('thickness' in shape && 'openings' in shape && 'attitude' in shape).toBe(true)
    for (const choice of ['mould', 'steel', 'release', 'mix', 'pour', 'finish', 'exposure', 'quantity'])
      expect([choice, choice in shape]).toEqual([choice, false])
    expect(Object.keys(pieceWith(testTop(), 'mix', 'quantity'))).toEqual(
      expect.arrayContaining(['mix', 'quantity', 'thickness']),
    )
    expect('steel' in pieceWith(testTop(), 'mix')).toBe(false)
  })
  it('does not change with what the station does not read', () => {
    const seat = newSwept({ id: 's', name: 'Seat', start: '2026-05-30T09:00', zone: 'UTC' }, testStock)
    for (const piece of [testSlab(), seat]) {
      const before = JSON.stringify(pieceWith(piece, 'mix'))
      const other = { ...piece, finish: { ...piece.finish, sealer: 'other' }, plannedCasts: 9 }
      expect(JSON.stringify(pieceWith(other as typeof piece, 'mix'))).toBe(before)
      const mixed = { ...piece, mix: { ...piece.mix, wastePercent: 3 } }
      expect(JSON.stringify(pieceWith(mixed as typeof piece, 'mix'))).not.toBe(before)
    }
  })
})
