import { describe, expect, it } from 'vitest'
import { applyChange } from '../job/index.ts'
import { testJob, testSlab, testStock } from '../testing/testPiece.ts'
import { type Asks, BANDS, type Band, bandOf, bandsFor, consistencyFindings, SPREAD } from './consistency.ts'
import { dosesOf } from './doses.ts'

const row = (id: string) => testStock.mixes.find((m) => m.id === id)!
const mix = testStock.mixes.find((m) => m.family === 'structural')!
const plasticiser = testStock.doses.find((d) => d.kind === 'plasticiser')!
const glass = testStock.mixes.find((m) => m.family === 'glass-fibre')!
const asks = (over: Partial<Asks> = {}): Asks => ({
  method: 'board-box',
  hole: false,
  stacked: false,
  relief: false,
  ...over,
})

describe('how a mix runs', () => {
  it.each<['stiff' | 'medium' | 'limit', string, number, Band]>([
    ['stiff', mix.id, 0, 'packing'],
    ['medium', mix.id, 0, 'placing'],
    ['limit', mix.id, 0, 'flowing'],
    ['medium', mix.id, 0.4, 'placing'],
    ['medium', mix.id, 1, 'flowing'],
    ['limit', mix.id, 1, 'levelling'],
    ['limit', mix.id, 4, 'levelling'],
    ['medium', glass.id, 0, 'flowing'],
  ])('%s water of %s with %d of the usual plasticiser: %s', (water, id, share, band) => {
    const dosed = share > 0 ? [{ row: plasticiser, percent: plasticiser.percent * share }] : []
    expect(bandOf({ water }, row(id), dosed)).toBe(band)
  })
  it('bands lie side by side in the cup, from its own width up', () => {
    expect(SPREAD.packing.fromMm).toBe(100)
    BANDS.slice(1).forEach((band, i) => {
      expect(SPREAD[band].fromMm).toBe(SPREAD[BANDS[i]!].toMm)
    })
  })
})

describe('what a mould asks of it', () => {
  it.each<[string, Partial<Asks>, Band, Band]>([
    ['a plain box', {}, 'packing', 'levelling'],
    ['a hole to fill through', { hole: true }, 'flowing', 'levelling'],
    ['letters', { relief: true }, 'placing', 'levelling'],
    ['packed sand', { method: 'packed' }, 'packing', 'placing'],
    ['an upper form', { stacked: true, relief: true }, 'placing', 'placing'],
  ])('%s: from %s to %s', (_, over, least, most) =>
    expect(bandsFor(asks(over))).toMatchObject({ least, most }),
  )
  it('every cure that is offered leaves nothing to find', () => {
    const slab = testSlab()
    let tried = 0
    for (const water of ['stiff', 'medium', 'limit'] as const)
      for (const share of [0, 1, 2])
        for (const over of [
          {},
          { hole: true },
          { relief: true },
          { method: 'packed' as const },
          { stacked: true },
        ]) {
          const piece = {
            ...slab,
            mix: {
              ...slab.mix,
              mix: mix.id,
              water,
              doses: share > 0 ? [{ dose: plasticiser.id, percent: plasticiser.percent * share }] : [],
            },
          }
          const told = (of: typeof piece) =>
            consistencyFindings(of, mix, dosesOf(of, testStock).dosed, asks(over), testStock.doses)
          for (const remedy of told(piece).flatMap((f) => f.remedies)) {
            const next = remedy.changes.reduce(applyChange, testJob(piece)).pieces[0] as typeof piece
            expect([water, share, over, remedy.code, told(next)]).toEqual([
              water,
              share,
              over,
              remedy.code,
              [],
            ])
            tried++
          }
          const within = [bandsFor(asks(over)).least, bandsFor(asks(over)).most].map((b) => BANDS.indexOf(b))
          const at = BANDS.indexOf(bandOf(piece.mix, mix, dosesOf(piece, testStock).dosed))
          expect(told(piece).length).toBe(at < within[0]! || at > within[1]! ? 1 : 0)
        }
    expect(tried).toBeGreaterThan(20)
  })
})
