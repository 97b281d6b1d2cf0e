import { describe, expect, it } from 'vitest'
import { seeded } from '../testing/anyPiece.ts'
import { cycleMinutes, mouldsFor, mouldsInDays, runDays, type Turn } from './rotation.ts'

const turn = (over: Partial<Turn> = {}): Turn => ({
  readyMinutes: 60,
  pourMinutes: 60,
  stripFromMinutes: 24 * 60,
  stripMinutes: 30,
  ...over,
})
const SHOP = { fromMinute: 420, toMinute: 1200 }

describe('a run of pieces', () => {
  it.each([
    [24, 5, 36, 8],
    [6, 6, 48, 2],
    [6, 12, 48, 1],
    [1, 1, 24, 1],
    [5, 1, 25, null],
  ])('%d pieces in %d days at %d hours a turn take %s moulds', (pieces, days, hours, wanted) => {
    const own = turn({ stripFromMinutes: hours * 60 - 60 - 30 - 30 })
    expect(cycleMinutes(own)).toBe(hours * 60)
    expect(mouldsFor(pieces, days, own)).toBe(wanted)
  })

  it('one mould is poured and stripped in turn, once a day where the shop is shut at night', () => {
    expect(runDays({ pieces: 3, moulds: 1, turn: turn({ stripFromMinutes: 16 * 60 }), hours: SHOP })).toEqual(
      [
        { day: 1, poured: [1], stripped: [] },
        { day: 2, poured: [1], stripped: [1] },
        { day: 3, poured: [1], stripped: [1] },
        { day: 4, poured: [], stripped: [1] },
      ],
    )
  })

  it.each([1, 2, 3, 4, 5, 6, 7, 8])(
    'casts each piece once, strips what was poured, and no mould twice at once: seed %d',
    (seed) => {
      const random = seeded(seed)
      const pieces = 1 + Math.floor(random() * 30)
      const moulds = 1 + Math.floor(random() * 6)
      const own = turn({
        readyMinutes: random() * 200,
        pourMinutes: random() * 120,
        stripFromMinutes: 120 + random() * 4000,
        stripMinutes: random() * 90,
      })
      const hours = random() < 0.5 ? SHOP : null
      const days = runDays({ pieces, moulds, turn: own, hours })!
      expect(days.flatMap((d) => d.poured)).toHaveLength(pieces)
      expect(days.flatMap((d) => d.stripped)).toHaveLength(pieces)
      for (let m = 1; m <= moulds; m++) {
        let full = 0
        for (const d of days) {
          // Within a day it may be stripped and poured again.
          full += d.poured.filter((n) => n === m).length - d.stripped.filter((n) => n === m).length
          expect(full === 0 || full === 1).toBe(true)
        }
      }
      // More moulds never take longer.
      const more = runDays({ pieces, moulds: moulds + 3, turn: own, hours })!
      expect(more.at(-1)!.day).toBeLessThanOrEqual(days.at(-1)!.day + 1)
      const needed = mouldsInDays({ pieces, turn: own, hours }, days.at(-1)!.day)
      expect(needed).not.toBeNull()
      expect(needed!).toBeLessThanOrEqual(moulds)
    },
  )

  it('what never ends is not listed', () =>
    expect(
      runDays({ pieces: 100, moulds: 1, turn: turn({ stripFromMinutes: 28 * 1440 }), hours: SHOP }),
    ).toBeNull())
})
