import { beforeAll, describe, expect, it } from 'vitest'
import type { Kernel } from '../../geometry/index.ts'
import { plainSide, type SlabPiece } from '../../job/index.ts'
import { planPieceStation } from '../../piece/index.ts'
import { outsideOf } from '../../testing/outsideOf.ts'
import { testKernel } from '../../testing/testKernel.ts'
import { testSlab, testStock } from '../../testing/testPiece.ts'
import { planSteelStation } from '../planSteel.ts'
import { segmentsApart } from '../tying.ts'

let kernel: Kernel
beforeAll(async () => {
  kernel = await testKernel()
})
const apron = (drop: number, thickness: number) => plainSide({ apron: { drop, thickness } })
const slab = (over: Partial<SlabPiece>, placed: SlabPiece['steel']['placed'] = 'on-fill'): SlabPiece => {
  const piece = testSlab({
    outline: { kind: 'rectangle', length: 1000, width: 600, radii: [0, 0, 0, 0] },
    thickness: 50,
    openings: [],
    ...over,
  })
  return { ...piece, steel: { ...piece.steel, kind: 'mesh', placed } }
}
const plan = (piece: SlabPiece, quick = false) => {
  const station = planPieceStation(kernel, piece, 2300, false)
  const steel = planSteelStation(kernel, piece, station, testStock.meshes, testStock.mixes[0]!, {
    mixes: testStock.mixes,
    bars: testStock.bars,
    suctionKPa: 1,
    quick,
    people: 2,
  })
  return { ...steel, recipe: station.geometry.recipe! }
}
const sides = (of: Partial<SlabPiece['sides']>) =>
  ({
    front: plainSide(),
    right: plainSide(),
    back: plainSide(),
    left: plainSide(),
    ...of,
  }) as SlabPiece['sides']

describe('a strip of mesh bent down into an apron', () => {
  it('lies a lap on the mat, hangs in the middle of the apron to its cover, and is cut for both legs', () => {
    const { figures, bentWires, operations } = plan(slab({ sides: sides({ front: apron(150, 50) }) }))
    const [strip] = figures.apronStrips
    const [cover, wire] = [figures.coverMm, figures.wireMm]
    expect(figures.apronStrips).toHaveLength(1)
    expect(strip!.side).toBe('front')
    expect(strip!.liesMm).toBeCloseTo(150, 6)
    expect(strip!.hangsMm).toBeCloseTo(figures.heightMm! - 1.5 * wire + 150 - cover, 6)
    // A square bend round a pin of 4 wires saves (2 - pi/2) x 2.5 wires.
    expect(strip!.cutWidthMm).toBeCloseTo(150 + strip!.hangsMm - (2 - Math.PI / 2) * 2.5 * wire, 6)
    expect(strip!.lengthMm).toBeCloseTo(1000 - 2 * (cover + wire), 1)
    for (const path of bentWires.filter((p) => p.length === 3)) {
      expect(path[1]![1]).toBeCloseTo(25, 1)
      expect(path[2]![2]).toBeCloseTo(cover - 150, 6)
    }
    expect(operations.find((op) => op.code === 'bend-strips')!.facts).toEqual({ strips: figures.apronStrips })
    expect(figures.meshCut!.strips).toHaveLength(1)
    expect(figures.meshCut!.sheets.flat().some((p) => p.number === 2)).toBe(true)
  })
  it.each<[string, Partial<SlabPiece>, number]>([
    ['at two sides that meet', { sides: sides({ front: apron(150, 50), right: apron(150, 50) }) }, 2],
    ['of two depths', { sides: sides({ front: apron(150, 60), back: apron(80, 44) }) }, 2],
    [
      'on a notched plan',
      {
        outline: {
          kind: 'polygon',
          corners: [
            [0, 0, 'a'],
            [900, 0, 'b'],
            [900, 300, 'c'],
            [500, 300, 'd'],
            [500, 600, 'e'],
            [0, 600, 'f'],
          ].map(([x, y, side]) => ({ x, y, side, radius: 0, run: { kind: 'line' } })) as never,
        },
        sides: Object.fromEntries(
          ['a', 'b', 'c', 'd', 'e', 'f'].map((s) => [
            s,
            s === 'c' || s === 'd' ? apron(120, 50) : plainSide(),
          ]),
        ),
      },
      2,
    ],
    ['upside down', { attitude: { down: 'bottom', turnDeg: 0 }, sides: sides({ left: apron(200, 70) }) }, 1],
  ])('%s keeps 10 mm from every face, by the solid', (_, over, count) => {
    const { figures, bentWires, recipe } = plan(slab(over))
    expect(figures.apronStrips).toHaveLength(count)
    for (const path of bentWires)
      expect(outsideOf(kernel, recipe, { path, closed: false, diameter: figures.wireMm }, 9.9)).toBeLessThan(
        2,
      )
  })
  it('finds no room in a thin or a bent apron: told, with what it wants', () => {
    const { figures, findings } = plan(slab({ sides: sides({ front: apron(150, 26) }) }))
    expect(figures.apronStrips).toEqual([])
    const bare = findings.find((f) => f.code === 'apron-bare')!
    expect(bare.facts).toEqual({ sides: 'front', thicknessMm: 26 })
    const [change] = bare.remedies[0]!.changes as unknown as [{ patch: object }]
    const cured = plan(slab({ sides: sides({ front: { ...apron(150, 26), ...change!.patch } as never }) }))
    expect(cured.findings.some((f) => f.code === 'apron-bare')).toBe(false)
    expect(cured.figures.apronStrips).toHaveLength(1)
  })
  it.each<[string, SlabPiece['sides'][string], number]>([
    ['hangs less than it is thick', apron(40, 45), 0],
    ['has a drip groove in its foot', { ...apron(150, 60), drip: { inset: 20, width: 12, depth: 10 } }, 1],
  ])('that %s is not told bare', (_, front, strips) => {
    const { figures, findings, recipe, bentWires } = plan(slab({ sides: sides({ front }) }))
    expect([figures.apronStrips.length, findings.some((f) => f.code === 'apron-bare')]).toEqual([
      strips,
      false,
    ])
    for (const path of bentWires)
      expect(outsideOf(kernel, recipe, { path, closed: false, diameter: figures.wireMm }, 9.9)).toBeLessThan(
        2,
      )
  })
  it('is left out while it is dragged, and of a slab without aprons', () => {
    expect(plan(slab({ sides: sides({ front: apron(150, 50) }) }), true).figures.apronStrips).toEqual([])
    expect(plan(slab({})).bentWires).toEqual([])
  })
})

describe('what it is tied and held with', () => {
  it.each<[string, SlabPiece['steel']['placed'], number]>([
    // 970 x 570: three ways and two, at most 600 apart.
    ['laid', 'on-fill', 0],
    ['hung', 'hung', 6],
    ['on chairs', 'chairs', 6],
  ])('a mat that is %s', (_, placed, held) => {
    const { figures } = plan(slab({}, placed))
    expect(figures.tying).toEqual({ tieCount: 0, tieWireMm: 0, holdCount: held })
  })
  it('a cage at each crossing: four uprights in every tie', () => {
    const piece = slab({
      outline: { kind: 'rectangle', length: 200, width: 200, radii: [0, 0, 0, 0] },
      thickness: 1000,
    })
    const { figures, bars } = plan({
      ...piece,
      steel: { ...piece.steel, kind: 'none', bars: { ...piece.steel.bars, cage: true } },
    })
    const ties = bars.filter((b) => b.purpose === 'tie').length
    expect(bars.filter((b) => b.purpose === 'upright')).toHaveLength(4)
    expect(figures.tying.tieCount).toBe(4 * ties)
    expect(figures.tying.tieWireMm).toBe(1200 * ties)
  })
  it('chairs under a show face are told', () => {
    const down = (of: 'top' | 'bottom') =>
      plan(slab({ attitude: { down: of, turnDeg: 0 } }, 'chairs')).findings.some(
        (f) => f.code === 'chairs-show',
      )
    expect([down('top'), down('bottom')]).toEqual([true, false])
  })
  it.each([
    [[0, 0, 0], [10, 0, 0], [5, -5, 3], [5, 5, 3], 3],
    [[0, 0, 0], [10, 0, 0], [12, 0, 0], [20, 0, 0], 2],
    [[0, 0, 0], [10, 0, 0], [0, 4, 0], [10, 4, 0], 4],
    [[0, 0, 0], [10, 0, 0], [13, 4, 0], [13, 9, 0], 5],
    [[0, 0, 0], [0, 0, 0], [3, 4, 0], [3, 4, 0], 5],
  ] as const)('stretches %j %j and %j %j are %d apart', (a, b, c, d, apart) =>
    expect(segmentsApart(a, b, c, d)).toBeCloseTo(apart, 9),
  )
})
