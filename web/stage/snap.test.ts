import { expect, it } from 'vitest'
import { applyChange, type SlabPiece } from '../../core/job/index.ts'
import { resolvePlacing } from '../../core/piece/index.ts'
import { testBasin, testJob, testTaps, testTop } from '../../core/testing/testPiece.ts'
import { snapOpening } from './snap.ts'

const piece = testTop()
const rest = (id: string, wanted: [number, number], from = piece) => {
  const { changes, guides } = snapOpening(from, id, wanted, 8, 1)
  const moved = changes.reduce(applyChange, testJob(from)).pieces[0] as SlabPiece
  return {
    at: resolvePlacing(moved).middles.get(id),
    opening: moved.openings.find((o) => o.id === id)!,
    guides,
  }
}

it('comes to rest on whole millimetres from the side it measures from', () => {
  const { at, opening } = rest('basin', [380.4, 300.3])
  expect(at).toEqual([380, 300])
  expect([opening.u, opening.v]).toEqual([
    { rule: 'fromStart', distance: 190 },
    { rule: 'fromStart', distance: 160 },
  ])
})
it('snaps to the middle of the piece and of other openings, with a guide', () => {
  expect(rest('basin', [444, 330]).guides).toEqual([{ axis: 'u', at: 450 }])
  const pipe = { ...testTaps, id: 'pipe', row: null, v: { rule: 'fromStart', distance: 20 } as const }
  const { opening, guides } = rest(
    'pipe',
    [453, 263],
    testTop({ openings: [{ ...testBasin, u: { rule: 'fromStart', distance: 100 } }, pipe] }),
  )
  expect(opening.v).toEqual({ rule: 'centredOn', opening: 'basin', offset: 0 })
  expect(guides).toHaveLength(2)
})
it('keeps a rule by another opening, and never snaps to what follows it', () => {
  expect(rest('taps', [500, 452]).opening.v).toEqual({ rule: 'beyond', opening: 'basin', gap: 35 })
  expect(rest('basin', [460, 439.5]).guides).toEqual([])
})
