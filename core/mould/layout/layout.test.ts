import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { seeded } from '../../testing/anyPiece.ts'
import { rounds } from '../../testing/rounds.ts'
import { layOut } from './layOut.ts'
import type { LaidSheet, LayoutPart } from './types.ts'

const SHEET = { length: 2440, width: 1220 }

/** Cuts one sheet by guillotine into `count` parts, without waste, from numbers in 0..1. */
function cutSheet(
  count: number,
  chance: readonly number[],
  round: number,
  kerf: number,
  turn = true,
): LayoutPart[] {
  const pieces = [{ w: SHEET.length, h: SHEET.width }]
  let next = 0
  const draw = () => chance[next++ % chance.length]!
  while (pieces.length < count) {
    pieces.sort((a, b) => b.w * b.h - a.w * a.h)
    const { w, h } = pieces.splice(draw() < 0.7 ? 0 : Math.floor(draw() * pieces.length), 1)[0]!
    const along = draw() < 0.5 ? w > 160 : h <= 160
    const side = along ? w : h
    const at = Math.max(40, Math.floor((side * (0.2 + 0.6 * draw()) - kerf) / round) * round)
    if (at + kerf + 40 > side) {
      pieces.push({ w, h })
      if (next > 400) break
      continue
    }
    pieces.push(
      along ? { w: at, h } : { w, h: at },
      along ? { w: w - at - kerf, h } : { w, h: h - at - kerf },
    )
  }
  return pieces.map((p, i) =>
    !turn || draw() < 0.5
      ? { id: `p${i}`, length: p.w, width: p.h }
      : { id: `p${i}`, length: p.h, width: p.w },
  )
}

function checkSheet(sheet: LaidSheet, kerf: number, trim: number): void {
  for (const [i, a] of sheet.parts.entries()) {
    expect(Math.min(a.x, a.y)).toBeGreaterThanOrEqual(trim - 1e-6)
    expect(a.x + a.length).toBeLessThanOrEqual(SHEET.length - trim + 1e-4)
    expect(a.y + a.width).toBeLessThanOrEqual(SHEET.width - trim + 1e-4)
    for (const b of sheet.parts.slice(i + 1)) {
      const apart = Math.max(
        a.x - b.x - b.length,
        b.x - a.x - a.length,
        a.y - b.y - b.width,
        b.y - a.y - a.width,
      )
      expect(apart).toBeGreaterThanOrEqual(kerf - 1e-4)
    }
  }
}

/** Cuts the sheet as listed, one board after another, and returns the boards that are left. */
function saw(sheet: LaidSheet, kerf: number, trim: number) {
  let boards = [{ x: trim, y: trim, w: SHEET.length - 2 * trim, h: SHEET.width - 2 * trim }]
  for (const cut of sheet.cuts) {
    const along = cut.way === 'crossways'
    const board = boards.find((b) =>
      along
        ? Math.abs(b.y - cut.from) < 1e-4 &&
          Math.abs(b.y + b.h - cut.to) < 1e-4 &&
          b.x <= cut.at + 1e-4 &&
          cut.at <= b.x + b.w + 1e-4
        : Math.abs(b.x - cut.from) < 1e-4 &&
          Math.abs(b.x + b.w - cut.to) < 1e-4 &&
          b.y <= cut.at + 1e-4 &&
          cut.at <= b.y + b.h + 1e-4,
    )
    if (!board) throw new Error('a cut that does not go right across a board')
    boards = boards.filter((b) => b !== board)
    const beyond = cut.at + kerf
    boards.push(
      along ? { ...board, w: cut.at - board.x } : { ...board, h: cut.at - board.y },
      along
        ? { ...board, x: beyond, w: board.x + board.w - beyond }
        : { ...board, y: beyond, h: board.y + board.h - beyond },
    )
  }
  return boards
}

describe('layOut', () => {
  it('lays lists cut from one sheet on one sheet', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 2, max: 15 }),
        fc.array(fc.double({ min: 0, max: 0.999, noNaN: true }), { minLength: 60, maxLength: 60 }),
        fc.constantFrom(1, 0.1, 10),
        (count, chance, round) => {
          const parts = cutSheet(count, chance, round, 3.2)
          const layout = layOut(parts, SHEET, { kerf: 3.2, trim: 0, turnParts: true })
          expect([layout.sheets.length, layout.lowerBound, layout.tooLarge]).toEqual([1, 1, []])
          checkSheet(layout.sheets[0]!, 3.2, 0)
        },
      ),
      { seed: 1220, numRuns: 60 },
    )
  })

  it.each([true, false])(
    'finds nine of ten lists of up to 40 parts cut without waste from one to four sheets, turned or not: %s',
    (turnParts) => {
      const random = seeded(turnParts ? 41 : 43)
      const runs = rounds(30, 300)
      let found = 0
      for (let n = 0; n < runs; n += 1) {
        const sheets = 1 + Math.floor(random() * 4)
        const list = Array.from({ length: sheets }, (_, k) => {
          const chance = Array.from({ length: 97 }, random)
          const cut = cutSheet(2 + Math.floor((random() * 38) / sheets), chance, 1, 3, turnParts)
          return cut.map((p) => ({ ...p, id: `s${k}${p.id}` }))
        }).flat()
        const layout = layOut(list, SHEET, { kerf: 3, trim: 0, turnParts, tries: 90 })
        for (const sheet of layout.sheets) checkSheet(sheet, 3, 0)
        expect(layout.sheets.flatMap((s) => s.parts.map((p) => p.id)).sort()).toEqual(
          list.map((p) => p.id).sort(),
        )
        if (layout.sheets.length === sheets) found += 1
      }
      expect(found / runs).toBeGreaterThanOrEqual(0.9)
    },
  )

  it('never overlaps, keeps the kerf, places every part once, and its cuts free every part', () => {
    const part = fc.record({
      length: fc.integer({ min: 20, max: 2500 }),
      width: fc.integer({ min: 20, max: 1300 }),
    })
    fc.assert(
      fc.property(
        fc.array(part, { minLength: 0, maxLength: 25 }),
        fc.constantFrom(0, 3, 4.5),
        fc.constantFrom(0, 10),
        fc.boolean(),
        (sizes, kerf, trim, turnParts) => {
          const parts = sizes.map((s, i) => ({ id: `p${i}`, ...s }))
          const layout = layOut(parts, SHEET, { kerf, trim, turnParts, tries: 40 })
          const ids = [...layout.sheets.flatMap((s) => s.parts.map((p) => p.id)), ...layout.tooLarge].sort()
          expect(ids).toEqual(parts.map((p) => p.id).sort())
          expect(layout.sheets.length).toBeGreaterThanOrEqual(layout.lowerBound)
          for (const sheet of layout.sheets) {
            checkSheet(sheet, kerf, trim)
            if (!turnParts) expect(sheet.parts.every((p) => !p.turned)).toBe(true)
            const boards = saw(sheet, kerf, trim)
            for (const p of sheet.parts)
              expect(
                boards.some(
                  (b) =>
                    Math.abs(b.x - p.x) +
                      Math.abs(b.y - p.y) +
                      Math.abs(b.w - p.length) +
                      Math.abs(b.h - p.width) <
                    1e-3,
                ),
              ).toBe(true)
          }
        },
      ),
      { seed: 77, numRuns: 60 },
    )
  })

  it.each<[string, [number, number][], boolean, number, number]>([
    [
      'four that cannot share',
      [
        [1500, 700],
        [1500, 700],
        [1500, 700],
        [1500, 700],
      ],
      true,
      4,
      4,
    ],
    ['turned to fit', [[1200, 2400]], true, 1, 1],
    ['not turned: too large', [[1200, 2400]], false, 0, 0],
    [
      'eight quarters less kerf',
      Array.from({ length: 8 }, (): [number, number] => [607.6, 608.4]),
      true,
      1,
      1,
    ],
    ['nothing', [], true, 0, 0],
  ])('%s', (_, sizes, turnParts, sheets, bound) => {
    const layout = layOut(
      sizes.map(([length, width], i) => ({ id: `${i}`, length, width })),
      SHEET,
      { kerf: 3.2, trim: 0, turnParts },
    )
    expect([layout.sheets.length, layout.lowerBound]).toEqual([sheets, bound])
  })

  it('gives the same layout each time and stops when told to', () => {
    const parts = Array.from({ length: 30 }, (_, i) => ({
      id: `p${i}`,
      length: 100 + ((i * 137) % 900),
      width: 60 + ((i * 71) % 400),
    }))
    const options = { kerf: 3, trim: 10, turnParts: true }
    expect(layOut(parts, SHEET, options)).toEqual(layOut(parts, SHEET, options))
    expect(layOut(parts, SHEET, { ...options, shouldStop: () => true }).sheets.length).toBeGreaterThan(0)
  })

  it.each<[string, [number, number, number][], number, number]>([
    ['two of 830 to a sheet, though their area is less than one', [[830, 830, 4]], 2, 2],
    // Along a sheet only one of 1500 stands, so three of 700 share what is left of each.
    [
      'long beside short',
      [
        [1500, 1100, 2],
        [700, 800, 2],
      ],
      2,
      2,
    ],
    // Four round a middle: they go on one sheet only by cuts that do not run right across.
    [
      'a pinwheel, which no saw cuts',
      [
        [1600, 400, 2],
        [820, 800, 2],
      ],
      2,
      1,
    ],
    [
      'a pinwheel that leaves room to be cut in rows',
      [
        [1600, 400, 2],
        [790, 400, 2],
      ],
      1,
      1,
    ],
  ])('the fewest sheets are proven: %s', (_, sizes, sheets, bound) => {
    const parts = sizes.flatMap(([length, width, count], k) =>
      Array.from({ length: count }, (_, i) => ({ id: `${k}.${i}`, length, width })),
    )
    const options = { kerf: 3.2, trim: 0, turnParts: true }
    const proven = layOut(parts, SHEET, { ...options, effort: 4 })
    expect([proven.sheets.length, proven.proven, proven.lowerBound]).toEqual([sheets, true, sheets])
    expect(layOut(parts, SHEET, options).lowerBound).toBe(bound)
  })

  it('a proven layout is sawn like any other, and no search finds fewer sheets', () => {
    const kind = fc.record({
      length: fc.integer({ min: 500, max: 2200 }),
      width: fc.integer({ min: 250, max: 1100 }),
      count: fc.integer({ min: 1, max: 4 }),
    })
    fc.assert(
      fc.property(fc.array(kind, { minLength: 1, maxLength: 4 }), fc.boolean(), (kinds, turnParts) => {
        const parts = kinds.flatMap(({ length, width, count }, k) =>
          Array.from({ length: count }, (_, i) => ({ id: `${k}.${i}`, length, width })),
        )
        const options = { kerf: 3.2, trim: 5, turnParts }
        const proven = layOut(parts, SHEET, { ...options, effort: 4 })
        expect(proven.proven).toBe(true)
        const searched = layOut(parts, SHEET, options)
        expect(proven.sheets.length).toBeLessThanOrEqual(searched.sheets.length)
        expect(searched.lowerBound).toBeLessThanOrEqual(proven.sheets.length)
        expect(proven.sheets.flatMap((s) => s.parts.map((p) => p.id)).sort()).toEqual(
          parts.map((p) => p.id).sort(),
        )
        for (const sheet of proven.sheets) {
          checkSheet(sheet, 3.2, 5)
          saw(sheet, 3.2, 5)
        }
      }),
      { seed: 5, numRuns: 60 },
    )
  })

  it('tells how far a search is, and gives up proving what is too long', () => {
    const parts = Array.from({ length: 40 }, (_, i) => ({
      id: `${i}`,
      length: 300 + 31 * i,
      width: 200 + 17 * i,
    }))
    const shares: number[] = []
    const layout = layOut(parts, SHEET, {
      kerf: 3,
      trim: 5,
      turnParts: true,
      effort: 4,
      onProgress: (s) => shares.push(s),
    })
    expect(shares.length).toBeGreaterThan(3)
    expect([...shares].sort((a, b) => a - b)).toEqual(shares)
    expect(layout.proven).toBe(layout.sheets.length === layout.lowerBound)
  })
})
