import { beforeAll, describe, expect, it } from 'vitest'
import type { Kernel } from '../geometry/index.ts'
import {
  type Job,
  newTurned,
  type Piece,
  type SlabPiece,
  type SteelChoice,
  withChoice,
} from '../job/index.ts'
import { planPieceStation } from '../piece/index.ts'
import { testKernel } from '../testing/testKernel.ts'
import { testJob, testSlab, testStock, testTop } from '../testing/testPiece.ts'
import { planPiece } from '../testing/wholeLine.ts'
import { judgeLift } from '../work/index.ts'
import { carryMinutes, hasCorners } from './pourDay.ts'

let kernel: Kernel
beforeAll(async () => {
  kernel = await testKernel()
})
const at = (degC: number, over: Partial<SlabPiece> = {}): SlabPiece =>
  testSlab({ pour: { ...testSlab().pour, temperature: { kind: 'constant', degC } }, ...over })
const small: Partial<SlabPiece> = {
  outline: { kind: 'rectangle', length: 100, width: 100, radii: [0, 0, 0, 0] },
  thickness: 30,
}
const told = { id: 'ball', name: 'Ball', start: '2026-05-30T09:00', zone: 'UTC' }
const post = (diameter: number): Piece =>
  newTurned(told, testStock, { turned: { form: 'cylinder', diameter, height: 600 } })
const plan = (piece: Piece, people = 2) => {
  const job = testJob(piece)
  return planPiece(kernel, { ...job, settings: { ...job.settings, people } } as Job, piece, { quick: true })
}
/** Days at 20 degC until a share of f28 by the law of the fib Model Code with s 0.38. */
const days = (share: number) => 28 * (1 - Math.log(share) / 0.38) ** -2
/** Speed of hydration by Arrhenius, 40 kJ/mol, against 20 degC. */
const rate = (degC: number) => Math.exp((40_000 / 8.314) * (1 / 293.15 - 1 / (273.15 + degC)))

describe('times of a mix that sets in 4 to 6 h and reaches 24 MPa', () => {
  it.each([20, 14, 28])('at %d degC, each by its share of the set or of the strength', (degC) => {
    const { figures } = plan(at(degC)).stations.pour!
    const want = {
      workingMinutes: 120,
      sheenGoneMinutes: 84,
      initialSetMinutes: 240,
      finalSetMinutes: 360,
      easeFromMinutes: 360,
      easeUntilMinutes: 720,
      firstStripMinutes: days(5 / 24) * 1440,
      sharpStripMinutes: days(8 / 24) * 1440,
      flipMinutes: days(10 / 24) * 1440,
      curedMinutes: days(0.7) * 1440,
    } as const
    for (const [key, minutes] of Object.entries(want))
      expect([key, figures[key as keyof typeof want]! * rate(degC)]).toEqual([
        key,
        expect.closeTo(minutes, 1),
      ])
    expect(figures.rate).toBeCloseTo(rate(degC), 9)
  })
  it('draws the strength: nothing before it has set, and what it is at its times', () => {
    const { figures } = plan(at(20)).stations.pour!
    expect(figures.strength).toHaveLength(49)
    expect(figures.strength.at(-1)!.hours).toBe(72)
    for (const { hours, mpa } of figures.strength) {
      if (hours < 6) expect(mpa).toBe(0)
      if (hours >= 24) expect(mpa).toBeCloseTo(24 * Math.exp(0.38 * (1 - Math.sqrt(28 / (hours / 24)))), 6)
    }
  })
})

describe('the day, worked out by hand', () => {
  it('goes on one after another from the first water, as fast as those who are there', () => {
    // 2 bags: 8 min to mix; 50 kg carried (2 min for 20 kg) and 20.25 L placed (1.5 min for 10 L) by two;
    // 3 min for the mat; 0.45 m2 compacted at 3.5 min a quarter; screeded at least 5.
    for (const people of [1, 2, 4]) {
      const { work } = plan(at(20), people)
      // What goes over the mat comes after it.
      const of = (code: string) => work.filter((op) => op.code === code).at(-1)!
      const place = (50 / 20) * (2 / people) + (20.25 / 10) * (1.5 / people)
      // The mat lies on 18.5 of 45 mm.
      const under = (place * 18.5) / 45
      const ends = {
        'mix-batch': 8,
        'lay-mesh': 11 + under,
        'place-batch': 11 + place,
        compact: 17.3 + place,
      }
      for (const [code, end] of Object.entries(ends))
        expect([people, code, of(code).endMinutes]).toEqual([people, code, expect.closeTo(end, 6)])
      const screed = Math.max(5, (0.45 * 12) / people)
      expect(of('screed').endMinutes).toBeCloseTo(17.3 + place + screed, 6)
      expect(plan(at(20), people).stations.pour!.figures.placedByMinutes).toBeCloseTo(
        17.3 + place + screed,
        6,
      )
    }
  })
  it('floats when the sheen is gone, covers, and keeps it damp until 0.7 of its strength and three days', () => {
    const { work } = plan(at(20))
    const of = (code: string) => work.find((op) => op.code === code)!
    expect(of('float').startMinutes).toBeCloseTo(84, 6)
    expect(of('float').latestMinutes).toBeCloseTo(240, 6)
    expect(of('place-batch').latestMinutes).toBeCloseTo(120, 6)
    expect(of('cover').startMinutes!).toBeGreaterThanOrEqual(of('float').endMinutes!)
    expect(of('keep-damp').endMinutes).toBeCloseTo(days(0.7) * 1440, 1)
    expect(of('uncover').startMinutes!).toBeGreaterThanOrEqual(days(0.7) * 1440 - 1e-6)
    const fast = plan(at(20, { mix: { ...testSlab().mix, mix: 'fast-20' } }))
    expect(fast.work.find((op) => op.code === 'keep-damp')!.endMinutes! / 1440).toBeGreaterThanOrEqual(3)
    // Fast mortar is no stronger than 0 before its final set at 35 min: nothing is off before.
    for (const op of fast.work.filter((o) => o.station === 'release' && o.attitude))
      expect(op.startMinutes!).toBeGreaterThanOrEqual(35)
  })
  it('places what the cast holds, whatever the bags make: each batch its share', () => {
    for (const [thickness, batches] of [
      [20, 1],
      [45, 1],
      [120, 3],
      [240, 5],
    ] as const) {
      const { work, stations } = plan(at(20, { thickness }))
      const placed = work.filter((op) => op.code === 'place-batch').map((op) => op.facts.litres as number)
      // Where the mat comes to lie within a batch, that is placed in two goes.
      const parted = work.filter((op) => op.code === 'place-batch' && op.facts.part === 'over').length
      expect([thickness, placed.length - parted, parted]).toEqual([thickness, batches, 1])
      expect(placed.reduce((a, b) => a + b, 0)).toBeCloseTo(stations.mix!.figures.volumeLitres, 6)
      expect(stations.mix!.figures.batches.reduce((sum, b) => sum + b.litres, 0)).toBeGreaterThan(
        stations.mix!.figures.volumeLitres,
      )
    }
  })
  it.each<[SteelChoice['placed'], (place: number, lay: number, all: readonly string[]) => boolean]>([
    ['on-fill', (place, lay, all) => lay > place && all.slice(lay).some((id) => id.startsWith('place/'))],
    ['pressed', (_, lay, all) => !all.slice(lay).some((id) => id.startsWith('place/'))],
    ['hung', (place, lay) => lay < place],
    ['chairs', (place, lay) => lay < place],
  ])('a mat %s comes where the day has it', (placed, holds) => {
    const piece = at(20, { thickness: 120 })
    const { work } = plan({ ...piece, steel: { ...piece.steel, placed } })
    const all = work.map((op) => op.id)
    const [place, lay] = [all.findIndex((id) => id.startsWith('place/')), all.indexOf('lay/mat')]
    expect([placed, holds(place, lay, all)]).toEqual([placed, true])
    expect(work.some((op) => op.code === 'place-batch' && op.facts.part === 'over')).toBe(
      placed === 'on-fill',
    )
  })
  it('two mats lie in the order in which the fill reaches them, the last of it over both', () => {
    for (const [thickness, down] of [
      [80, 'top'],
      [120, 'bottom'],
      [300, 'top'],
    ] as const) {
      const piece = at(20, { thickness, attitude: { down, turnDeg: 0 } })
      const { work, stations } = plan({ ...piece, steel: { ...piece.steel, twice: true } })
      const { layAtFillMm, second, massKg } = stations.steel!.figures
      const laid = work.filter((op) => op.code === 'lay-mesh')
      expect(laid.map((op) => op.facts.fillMm)).toEqual(
        [layAtFillMm!, second!.layAtFillMm].sort((a, b) => a - b),
      )
      expect(massKg).toBeGreaterThan(1.9 * plan(piece).stations.steel!.figures.massKg)
      const placed = work.filter((op) => op.code === 'place-batch')
      const sum = placed.reduce((total, op) => total + op.facts.litres, 0)
      expect(sum).toBeCloseTo(stations.mix!.figures.volumeLitres, 6)
      // So much lies under each as the fill is deep there.
      const ids = work.map((op) => op.id)
      for (const op of laid) {
        const under = placed.filter((p) => ids.indexOf(p.id) < ids.indexOf(op.id))
        const share = under.reduce((total, p) => total + p.facts.litres, 0) / sum
        expect(Math.abs(share - op.facts.fillMm / thickness)).toBeLessThan(0.021)
      }
      expect(placed.at(-1)!.facts.part).not.toBe('under')
    }
    const thin = at(20, { thickness: 60 })
    expect(plan({ ...thin, steel: { ...thin.steel, twice: true } }).findings.map((f) => f.code)).toContain(
      'second-mat-thin',
    )
  })
  it('joins lifts: rodded into the one below before that has set', () => {
    const { work } = plan(at(20, { thickness: 120 }))
    const batches = work.filter((op) => op.code === 'place-batch')
    const joins = work.filter((op) => op.code === 'join-lift')
    // 54 L and 10 percent are 5 bags of 12 L, at most two at once.
    expect([batches.filter((op) => op.facts.part !== 'over').length, joins.length]).toEqual([3, 2])
    for (const op of joins)
      expect([op.latestMinutes, op.facts]).toEqual([
        expect.closeTo(216, 6),
        expect.objectContaining({ rodMm: 25 }),
      ])
    // Each works for 120 min from its own water, and meets what was placed before that has set.
    const water = new Map(
      work.flatMap((op) => (op.code === 'mix-batch' ? [[op.facts.number, op.startMinutes!] as const] : [])),
    )
    for (const op of batches)
      expect(op.latestMinutes).toBeCloseTo(Math.min(216, 120 + water.get(op.facts.number)!), 6)
    const all = work.filter((op) =>
      ['mix-batch', 'place-batch', 'join-lift', 'compact', 'screed'].includes(op.code),
    )
    expect(all.map((op) => op.code)).toEqual([
      'mix-batch',
      'place-batch',
      'mix-batch',
      'place-batch',
      'join-lift',
      'mix-batch',
      'place-batch',
      'join-lift',
      // The rest of the last batch, over the mat.
      'place-batch',
      'compact',
      'screed',
    ])
  })
  it('a single batch is parted where the mat lies: under it, the mat, over it', () => {
    const { work, stations } = plan(at(20))
    const day = work.filter((op) => ['place-batch', 'lay-mesh', 'compact'].includes(op.code))
    expect(day.map((op) => [op.code, (op.facts as { part?: string }).part])).toEqual([
      ['place-batch', 'under'],
      ['lay-mesh', undefined],
      ['place-batch', 'over'],
      ['compact', undefined],
    ])
    const litres = day.flatMap((op) => (op.code === 'place-batch' ? [op.facts.litres as number] : []))
    expect(litres[0]! / (litres[0]! + litres[1]!)).toBeCloseTo(18.5 / 45, 3)
    expect(stations.steel!.figures.layAtFillMm).toBeCloseTo(18.5, 6)
    const none = testSlab()
    expect(
      plan({ ...none, steel: { ...none.steel, kind: 'none' } })
        .work.filter((op) => op.code === 'place-batch')
        .map((op) => op.facts.part),
    ).toEqual(['all'])
  })
  it('fibre goes in last, by what is mixed', () => {
    const slab = testSlab()
    const { work, stations } = plan({
      ...slab,
      steel: { ...slab.steel, kind: 'fibre', fibre: { of: 'ar-glass', kgPerM3: 0.6 } },
    })
    const mixed = work.filter((op) => op.code === 'mix-batch').map((op) => op.facts.fibreKg as number)
    const litres = stations.mix!.figures.batches.reduce((sum, b) => sum + b.litres, 0)
    expect(mixed.reduce((a, b) => a + b, 0)).toBeCloseTo((litres * 0.6) / 1000, 9)
    expect(stations.steel!.figures.kind).toBe('fibre')
  })
  it('holds fast what the concrete lifts, not the pattern that its rubber was poured round', () => {
    const small = testSlab({
      outline: { kind: 'rectangle', length: 200, width: 200, radii: [0, 0, 0, 0] },
      thickness: 30,
    })
    const held = (method: 'block' | 'board-box', slab: SlabPiece) => {
      const { work, stations } = plan({ ...slab, mould: withChoice(slab.mould, { method }) })
      const check = work.find((op) => op.code === 'check-held')!
      return [stations.mould!.figures.holdDown.length, (check.facts as { parts: readonly string[] }).parts]
    }
    expect(held('block', small)).toEqual([1, []])
    expect(held('board-box', testTop())).toEqual([3, expect.arrayContaining(['basin knockout'])])
  })
  it('fills through a hole and tops it up where shells close over it: nothing is struck off or floated', () => {
    const ball = newTurned(told, testStock, { turned: { form: 'sphere', diameter: 200, foot: 0 } })
    const { work } = plan({ ...ball, mould: withChoice(ball.mould, { method: 'closed' }) })
    const codes = new Set(work.map((op) => op.code))
    expect(['place-batch', 'compact', 'top-up', 'cover'].map((c) => codes.has(c as never))).toEqual([
      true,
      true,
      true,
      true,
    ])
    expect(
      ['screed', 'float', 'trowel', 'shape-back', 'tool-edges'].map((c) => codes.has(c as never)),
    ).toEqual([false, false, false, false, false])
  })
})

describe('who lifts it', () => {
  it.each([
    [24, 1, 'fine'],
    [26, 1, 'too few'],
    [41, 1, 'by machine'],
    [33, 2, 'fine'],
    [34, 2, 'plan'],
    [51, 2, 'too few'],
    [81, 2, 'by machine'],
    [37, 3, 'fine'],
    [38, 3, 'plan'],
    [76, 3, 'too few'],
    [50, 4, 'fine'],
    [51, 4, 'plan'],
    [100, 4, 'plan'],
    [101, 4, 'by machine'],
    [100, 9, 'plan'],
    [101, 9, 'by machine'],
  ] as const)('%d kg by %d: %s', (kg, people, want) => expect(judgeLift(kg, people)).toBe(want))
  it('lifts half of what is turned about an edge, and all of what is carried', () => {
    const { stations } = plan(at(20))
    const { liftKg, liftTurns } = stations.pour!.figures
    const { strippingKg } = stations.steel!.figures
    expect(liftKg).toBeCloseTo(Math.max(strippingKg, stations.release!.figures.turnKg! / 2), 9)
    expect(liftTurns).toBe(false)
    // 20.25 L at 2350 kg/m3 fresh, with its steel in place of concrete.
    const steel = stations.steel!.figures.massKg
    expect(strippingKg).toBeCloseTo((20.25 - steel / 7.85) * 2.35 + steel, 3)
  })
})

describe('how it is moved', () => {
  const moved = (piece: Piece) => {
    const { work, stations } = planPiece(kernel, testJob(piece), piece)
    const of = (code: string) => work.find((op) => op.code === code)
    return { work, of, steel: stations.steel!.figures, ended: stations.release!.operations }
  }
  it.each(['top', 'bottom'] as const)(
    'a slab poured %s down: bearers ready, freed, moved, finished',
    (down) => {
      const { work, of, steel } = moved(at(20, { attitude: { down, turnDeg: 0 } }))
      const bearers = of('lay-out-bearers')!
      const freed = of(down === 'top' ? 'turn-on-base' : 'break-free')!
      const move = of('move-cast')!
      expect(bearers.facts).toEqual({ fromMm: steel.handling!.bearersMm, end: 'left' })
      expect(bearers.endMinutes!).toBeLessThanOrEqual(freed.startMinutes!)
      expect(move.facts).toMatchObject({
        massKg: steel.strippingKg,
        liftPeople: 2,
        way: 'edge',
        blockCount: 0,
      })
      for (const op of work.filter((o) => o.station === 'release' && o.attitude !== null))
        expect([op.id, op.endMinutes! <= move.startMinutes!]).toEqual([op.id, true])
      for (const op of work.filter((o) => o.station === 'finish'))
        expect([op.id, op.startMinutes! >= move.endMinutes!]).toEqual([op.id, true])
    },
  )
  it.each<[string, Piece, string]>([
    ['a coaster', testSlab({ ...small, openings: [] }), 'none'],
    ['a post, standing', post(150), 'post'],
    ['a drum as high as it is wide', post(600), 'lump'],
  ])('%s', (_, piece, way) => {
    const { of } = moved(piece)
    expect((of('move-cast')?.facts as { way: string } | undefined)?.way ?? 'none').toBe(way)
    expect(of('lay-out-bearers')).toBeUndefined()
  })
  it('set in the ground when it may be used, by two at least, with what its hole takes', () => {
    const piece = post(150)
    const { of, steel } = moved({
      ...piece,
      steel: { ...piece.steel, standing: { how: 'footing', depth: 200 } },
    })
    const { footing } = steel.standing!
    expect(of('set-in-ground')!.facts).toMatchObject({
      massKg: steel.placedKg,
      holeMm: footing!.holeMm,
      concreteLitres: footing!.concreteLitres,
    })
    expect(of('set-in-ground')!.startMinutes).toBeGreaterThanOrEqual(of('coat-hardens')!.endMinutes!)
    expect(of('set-in-ground')!.work.hands).toBeGreaterThanOrEqual(2)
  })
})

describe('slurry on the show face', () => {
  const with_ = (slurryMm: number, over: Partial<SlabPiece> = {}) =>
    at(20, { mix: { ...at(20).mix, slurryMm }, ...over })
  it('is brushed on once the first batch stands ready, and is covered before it skins', () => {
    const { work } = plan(with_(0.5), 2).stations.pour!
    const by = (id: string) => work.find((op) => op.id === id)!
    expect(by('slurry').startMinutes!).toBeGreaterThanOrEqual(by('mix/1').endMinutes!)
    expect(by('place/1').startMinutes!).toBeCloseTo(by('slurry').endMinutes!, 9)
    expect(by('place/1').latestMinutes!).toBeCloseTo(by('slurry').startMinutes! + 20, 9)
    expect(plan(at(20), 2).stations.pour!.work.some((op) => op.id === 'slurry')).toBe(false)
  })
  it.each<[string, number, Partial<SlabPiece>, string[]]>([
    ['half a millimetre', 0.5, {}, []],
    ['too thick', 2, {}, ['slurry-thick warn']],
    ['too thin', 0.1, {}, ['slurry-thick warn']],
    ['with its show face up', 0.5, { attitude: { down: 'bottom', turnDeg: 0 } }, ['slurry-nowhere warn']],
  ])('%s', (_, mm, over, want) => {
    const found = plan(with_(mm, over), 4).findings.filter((f) => f.code.startsWith('slurry'))
    expect(found.map((f) => `${f.code} ${f.level}`)).toEqual(want)
  })
})

it.each([
  [12, 0, 2],
  [60, 0, 4],
  [12, 30, 3],
  [0, 0, 1.5],
])('20 kg carried %d m and over %d steps take %d minutes', (carryM, stairSteps, minutes) =>
  expect(carryMinutes({ carryM, stairSteps })).toBeCloseTo(minutes, 9),
)

describe('what is wrong with a day', () => {
  const air = (degC: number, humidity: number, windKmPerH: number) =>
    at(degC, { pour: { ...at(degC).pour, humidity, windKmPerH } })
  it.each<[string, SlabPiece, string[]]>([
    ['4.9 degC', at(4.9), ['too-cold stop']],
    ['5 degC', at(5), []],
    // 0.91 kg/m2 h at 30 degC, 0.4, 15 km/h; 0.424 at 25, 0.5, 10; over 1 at 30, 0.3, 15.
    ['dry and windy', air(30, 0.4, 15), ['dries-fast note']],
    ['drier', air(30, 0.3, 15), ['dries-fast warn']],
    ['mild', air(25, 0.5, 10), []],
    // Sun warms the face by 8 degC; concrete warmer than the air dries faster too.
    [
      'mild, in the sun',
      { ...air(25, 0.5, 10), pour: { ...air(25, 0.5, 10).pour, sun: true } },
      ['dries-fast note'],
    ],
    [
      'mild, mixed warm',
      { ...air(25, 0.5, 10), pour: { ...air(25, 0.5, 10).pour, concreteDegC: 33 } },
      ['dries-fast note'],
    ],
    [
      'mixed hot',
      { ...air(25, 0.9, 0), pour: { ...air(25, 0.9, 0).pour, concreteDegC: 36 } },
      ['mix-hot warn'],
    ],
    ['a mould from the yard', { ...at(20), pour: { ...at(20).pour, mouldDegC: 3 } }, ['mould-warmth warn']],
    ['a frozen mould', { ...at(20), pour: { ...at(20).pour, mouldDegC: -2 } }, ['mould-warmth stop']],
    ['a mould from the sun', { ...at(20), pour: { ...at(20).pour, mouldDegC: 45 } }, ['mould-warmth warn']],
  ])('%s', (_, piece, want) => {
    const { findings } = plan(piece, 4)
    expect(findings.filter((f) => f.station === 'pour').map((f) => `${f.code} ${f.level}`)).toEqual(want)
  })
  it('watches the coldest of the hours until it is stripped, and no later', () => {
    const hours = (...points: [number, number][]) =>
      at(20, {
        pour: {
          ...at(20).pour,
          temperature: { kind: 'list', points: points.map(([hour, degC]) => ({ hour, degC })) },
        },
      })
    const cold = (piece: SlabPiece) => plan(piece).stations.pour!.figures.coldestDegC
    expect(cold(hours([0, 18], [10, 6], [20, 18]))).toBe(6)
    expect(cold(hours([0, 18], [60, 18], [70, -4]))).toBe(18)
  })
})

describe('where compacting starts', () => {
  it.each([
    ['kestrel slab', testSlab(), true],
    [
      'top with large corners',
      testSlab({ outline: { kind: 'rectangle', length: 400, width: 300, radii: [150, 150, 150, 150] } }),
      false,
    ],
    [
      'one square corner left',
      testSlab({ outline: { kind: 'rectangle', length: 400, width: 300, radii: [150, 150, 150, 0] } }),
      true,
    ],
  ])('%s', (_, piece, corners) => {
    expect(hasCorners(planPieceStation(kernel, piece, 2300, true).geometry)).toBe(corners)
  })
})
