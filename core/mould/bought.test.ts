import { describe, expect, it } from 'vitest'
import { openKernel } from '../geometry/index.ts'
import {
  applyChange,
  type Basin,
  explainBy,
  type MouldPatch,
  newTurned,
  type Piece,
  type TurnedForm,
  type TurnedPiece,
  withChoice,
} from '../job/index.ts'
import { planPieceStation } from '../piece/index.ts'
import { type Stock, startingStock } from '../stock/index.ts'
import { itemName, METRIC } from '../testing/says.ts'
import { testJob, testSlab } from '../testing/testPiece.ts'
import { differsBy } from './found/vesselFits.ts'
import { MOULD_WORDS, planMouldStation } from './index.ts'
import { sheetsOver } from './lined/planLined.ts'
import { coreAway } from './upperForm/boughtCore.ts'

const kernel = await openKernel({ coarser: 6 })
const stock = startingStock()
const mix = stock.mixes[0]!
const tile = (length: number, width: number, patch: MouldPatch): Piece => {
  const slab = testSlab({ outline: { kind: 'rectangle', length, width, radii: [0, 0, 0, 0] }, thickness: 40 })
  return { ...slab, mould: withChoice(slab.mould, { method: 'lined', ...patch }) }
}
const turned = (form: TurnedForm, patch: MouldPatch = {}, over: Partial<TurnedPiece> = {}) => {
  const piece = newTurned({ id: 'p', name: 'Piece', start: '2026-05-30T09:00', zone: 'UTC' }, stock, {
    turned: form,
    ...over,
  })
  return { ...piece, mould: withChoice(piece.mould, patch) }
}
const plan = (piece: Piece, own: Stock = stock) =>
  planMouldStation(piece, planPieceStation(kernel, piece, 2300, false), own, mix, { kernel })
const said = (finding: ReturnType<typeof plan>['findings'][number]) => {
  const words = explainBy(MOULD_WORDS, finding, METRIC)!
  const all = [words.what, words.why, words.remedy ?? ''].join(' ')
  expect(all).not.toMatch(/undefined|NaN/)
  return all
}

describe('a bought liner', () => {
  it.each([
    [300, 300, 1000, 500, 1],
    [1200, 600, 600, 1200, 1],
    [1201, 600, 600, 1200, 2],
    [1500, 900, 1000, 500, 3],
    [3, 3, 1000, 500, 1],
    [3000, 3000, 600, 600, 25],
  ])('%d × %d from sheets %d × %d: %d', (length, width, l, w, sheets) =>
    expect(sheetsOver([length, width], { length: l, width: w })).toBe(sheets),
  )

  it.each(stock.liners.map((l) => [l.name, l] as const))('%s sets depth, price and life', (_, liner) => {
    const backing = 20
    const own = plan(tile(500, 400, { liner: { thickness: liner.thickness, backing } })).station!
    const bought = plan(tile(500, 400, { linerSheet: liner.id, liner: { thickness: 99, backing } })).station!
    const widths = (s: typeof own) => s.parts.filter((p) => p.role === 'strip').map((p) => p.widthMm)
    expect(widths(bought)).toEqual(widths(own))
    expect(bought.parts.find((p) => p.id === 'liner')!.thicknessMm).toBe(liner.thickness)
    const row = bought.figures.materials.find((m) => itemName(m) === liner.name)!
    expect([row.amount, row.cost]).toEqual([1, liner.price])
    expect(bought.figures.lifeCasts).toBeLessThanOrEqual(liner.casts)
    expect(own.figures.materials.some((m) => itemName(m) === liner.name)).toBe(false)
  })

  it('is said to be pieced where one sheet does not cover', () => {
    const { station, findings } = plan(tile(1500, 900, { linerSheet: 'liner-grain' }))
    const found = findings.find((f) => f.code === 'liner-pieced')!
    expect(said(found)).toContain('3 sheets of sawn-grain sheet')
    expect(station!.figures.materials.find((m) => m.code === 'liner-bought')!.cost).toBe(3 * 65)
  })

  it.each([
    ['another is taken', stock],
    ['none is left to take', { ...stock, liners: [] }],
  ])('that is gone stops the mould; %s', (_, own) => {
    const piece = tile(300, 300, { linerSheet: 'gone' })
    const { station, findings } = plan(piece, own)
    expect([station, findings.map((f) => [f.code, f.level])]).toEqual([null, [['liner-missing', 'stop']]])
    said(findings[0]!)
    const job = findings[0]!.remedies[0]!.changes.reduce(applyChange, { ...testJob(piece), stock: own })
    expect(plan(job.pieces[0]!, own).findings.map((f) => f.code)).not.toContain('liner-missing')
  })
})

describe('a vessel in stock that is the piece', () => {
  const bucket: TurnedForm = { form: 'frustum', bottom: 220, top: 220 + (45 * 200) / 260, height: 200 }
  it.each<[string, Piece, string | null]>([
    ['its taper and height', turned(bucket, { method: 'layers' }), 'bucket, 12 L'],
    [
      'a wider bin',
      turned({ form: 'frustum', bottom: 330, top: 360.2, height: 200 }, { method: 'printed' }),
      'round bin, 40 L',
    ],
    ['1.5 mm off', turned({ ...bucket, top: bucket.top + 1.5 }, { method: 'layers' }), 'bucket, 12 L'],
    ['6 mm off', turned({ ...bucket, top: bucket.top + 6 }, { method: 'layers' }), null],
    ['higher than any', turned({ ...bucket, height: 700 }, { method: 'layers' }), null],
    ['with a hole through it', turned(bucket, { method: 'layers' }, { bore: 40 }), null],
    [
      'a tube',
      turned({ form: 'tube', outside: 232, inside: 120, height: 60, floor: 0 }, { method: 'layers' }),
      null,
    ],
    ['a cylinder', turned({ form: 'cylinder', diameter: 240, height: 200 }, { method: 'tube' }), null],
    [
      'the wide end down',
      turned(bucket, { method: 'layers' }, { attitude: { down: 'top', turnDeg: 0 } }),
      null,
    ],
    [
      'the narrow end up, poured on it',
      turned(
        { ...bucket, bottom: bucket.top, top: bucket.bottom },
        { method: 'layers' },
        { attitude: { down: 'top', turnDeg: 0 } },
      ),
      'bucket, 12 L',
    ],
    ['cast in it already', turned(bucket, { method: 'found', vessel: 'vessel-bucket-12' }), null],
  ])('%s', (_, piece, vessel) => {
    const { findings } = plan(piece)
    const found = findings.find((f) => f.code === 'vessel-fits')
    expect(found?.facts.vessel ?? null).toBe(vessel)
    if (!found) return
    said(found)
    const job = found.remedies[0]!.changes.reduce(applyChange, { ...testJob(piece), stock })
    const after = plan(job.pieces[0]!)
    expect(after.station!.figures.methodId).toBe('found')
    expect(after.findings.filter((f) => f.level === 'stop' || f.code === 'vessel-fits')).toEqual([])
    expect(after.station!.figures.buildHours).toBeLessThan(plan(piece).station!.figures.buildHours)
  })

  it('is compared across, at any height', () => {
    const profile = [
      { radius: 0, z: 0, name: 'a' },
      { radius: 100, z: 0, name: 'b' },
      { radius: 110, z: 50, name: 'c' },
      { radius: 0, z: 50, name: 'd' },
    ]
    const rings = [
      { height: 0, diameter: 200 },
      { height: 80, diameter: 232 },
    ]
    const at = (low: number, upsideDown = false) =>
      differsBy(
        { rings },
        profile.map((p) => ({ ...p, z: p.z + low })),
        { low, height: 50, upsideDown },
      )
    expect(at(0)).toBeCloseTo(0, 9)
    expect(at(-30)).toBeCloseTo(0, 9)
    // Upside down it tapers the other way: 220 against 200 at the foot, less half a step.
    expect(at(0, true)!).toBeGreaterThan(19)
    expect(
      differsBy({ rings: rings.map((r) => ({ ...r, height: r.height / 2 })) }, profile, {
        low: 0,
        height: 50,
        upsideDown: false,
      }),
    ).toBe(null)
  })
})

describe('a bought basin core', () => {
  const plug = stock.plugs.find((p) => p.height === 80)!
  const basin: Basin = {
    form: 'frustum',
    length: plug.length,
    width: plug.width,
    radius: plug.radius,
    depth: plug.height,
    draftDeg: plug.draftDeg,
    exponent: 2,
    fall: 0,
    shell: 30,
    u: 450,
    v: 250,
    waste: 45,
    overflow: 0,
  }
  const top = (over: Partial<Basin> = {}, basinCore: string | null = null): Piece => {
    const slab = { ...testSlab({ thickness: 40 }), basin: { ...basin, ...over } }
    return { ...slab, mould: withChoice(slab.mould, { method: 'upper-form', basinCore }) }
  }
  it.each<[string, Partial<Basin>, number | null]>([
    ['its own size', {}, 0],
    ['laid the other way', { length: basin.width, width: basin.length }, 0],
    ['longer', { length: basin.length + 7 }, 7],
    ['less deep', { depth: basin.depth - 12 }, 12],
    ['steeper by a degree beyond what is near', { draftDeg: basin.draftDeg + 1.25 }, 4],
    ['a ramp', { form: 'ramp' }, null],
  ])('%s', (_, over, away) => {
    const off = coreAway({ ...basin, ...over }, plug)
    expect(off === null ? null : Math.round(off * 1e6) / 1e6).toBe(away)
  })
  it('is offered where it fits, costs its price and no hours, and its basin follows it where it differs', () => {
    const made = plan(top())
    const offer = made.findings.find((f) => f.code === 'buying-beats-core')!
    expect(said(offer)).toContain(plug.name)
    const bought = plan(top({}, plug.id))
    expect(bought.findings.filter((f) => f.level === 'stop')).toEqual([])
    expect(bought.station!.figures.buildHours).toBeCloseTo(made.station!.figures.buildHours - 2, 6)
    expect(bought.station!.figures.materials.find((m) => m.code === 'plug')?.cost).toBe(plug.price)
    expect(bought.station!.operations.map((o) => o.code)).not.toContain('build-core')
    const other = top({ length: 500, radius: 20 }, plug.id)
    const differs = plan(other).findings.find((f) => f.code === 'core-differs')!
    expect(said(differs)).toContain('400')
    const mended = differs.remedies[0]!.changes.reduce(applyChange, testJob(other)).pieces[0]!
    expect(plan(mended).findings.map((f) => f.code)).not.toContain('core-differs')
    const gone = plan(top({}, 'gone')).findings.find((f) => f.code === 'core-missing')!
    expect([gone.level, gone.remedies.length]).toEqual(['stop', 1])
  })
})

describe('a core of tube', () => {
  const outsides = stock.tubes.map((t) => t.inside + 2 * t.wall)
  const [first] = outsides
  const sleeve = (inside: number, method: 'tube' | 'ring') =>
    turned({ form: 'tube', outside: 400, inside, height: 300, floor: 0 }, { method })
  it.each(['tube', 'ring'] as const)(
    'in a %s is cut from stock, wrapped up to its hollow, or told',
    (method) => {
      const wrapped = plan(sleeve(first! + 6, method)).station!.figures
      const row = wrapped.materials.find((m) => m.code === 'core-of-stock')!
      expect(itemName(row)).toContain(stock.tubes[0]!.name)
      expect(row.facts).toMatchObject({ wrapMm: 3 })
      expect(wrapped.hardware.some((h) => h.code === 'core-caps' && h.amount === 2)).toBe(true)
      const least = Math.min(...outsides)
      const odd = sleeve(least - 10, method)
      const told = plan(odd).findings.find((f) => f.code === 'core-tube-none')!
      expect(said(told)).toContain(`${least}`)
      const mended = told.remedies[0]!.changes.reduce(applyChange, testJob(odd)).pieces[0]!
      expect(plan(mended).findings.map((f) => f.code)).not.toContain('core-tube-none')
    },
  )
})
