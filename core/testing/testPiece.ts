import {
  emptyJob,
  type Job,
  newOpening,
  newSlab,
  type Opening,
  type Piece,
  plainSide,
  type SlabPiece,
} from '../job/index.ts'
import { startingStock } from '../stock/index.ts'

/** The worked top of the tests: 900 x 500 x 45 with a basin and two tap holes behind it. */
export const testStock = startingStock()

export const testSlab = (over: Partial<SlabPiece> = {}): SlabPiece => ({
  ...newSlab(
    {
      id: 'top',
      name: 'Top',
      length: 900,
      width: 500,
      thickness: 45,
      start: '2026-05-30T09:00',
      zone: 'UTC',
    },
    testStock,
  ),
  ...over,
})

export const testBasin: Opening = {
  ...newOpening('basin', 'basin', { kind: 'rectangle', length: 380, width: 280, radius: 40 }),
  v: { rule: 'fromStart', distance: 120 },
}

export const testTaps: Opening = {
  ...newOpening('taps', 'tap hole', { kind: 'round', diameter: 35 }),
  u: { rule: 'centredOn', opening: 'basin', offset: 0 },
  v: { rule: 'beyond', opening: 'basin', gap: 22 },
  pattern: { kind: 'row', count: 2, pitch: 200, along: 'u' },
}

export const BEAD = { kind: 'bead', size: 6 } as const
export const beaded = plainSide({ top: BEAD })

/** That top with a 6 mm bead on front and ends, square at the back, at 14 degC. */
export const testTop = (over: Partial<SlabPiece> = {}): SlabPiece =>
  testSlab({
    openings: [testBasin, testTaps],
    sides: { front: beaded, right: beaded, left: beaded, back: plainSide() },
    pour: { ...testSlab().pour, temperature: { kind: 'constant', degC: 14 } },
    ...over,
  })

/** A job whose shop works day and night, so that a time is what the concrete makes it. */
export const testJob = (...pieces: Piece[]): Job => {
  const job = emptyJob('job', 'Job', testStock)
  return { ...job, pieces, settings: { ...job.settings, hours: null } }
}
