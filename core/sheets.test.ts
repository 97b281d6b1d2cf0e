import fs from 'node:fs'
import { PDFDocument } from '@cantoo/pdf-lib'
import fc from 'fast-check'
import * as fontkit from 'fontkit'
import { beforeAll, describe, expect, it } from 'vitest'
import type { Kernel, Point } from './geometry/index.ts'
import type { Job, Outline, Piece } from './job/index.ts'
import { planPiece } from './plan.ts'
import { inOwnPlane } from './sheets/barPages.ts'
import { clock, hatchLines, type Page, shopSheet } from './sheets/index.ts'
import { writePdf } from './sheets/writePdf.ts'
import { testKernel } from './testing/testKernel.ts'
import { testBasin, testJob, testSlab, testTaps, testTop } from './testing/testPiece.ts'

let kernel: Kernel
beforeAll(async () => {
  kernel = await testKernel()
})
const font = (name: string) =>
  new Uint8Array(fs.readFileSync(new URL(`../web/public/fonts/${name}.ttf`, import.meta.url)))
const fonts = { regular: font('sheet-regular'), bold: font('sheet-bold') }

function sheetOf(piece: Piece, settings: Partial<Job['settings']> = {}) {
  const job = { ...testJob(piece), settings: { ...testJob().settings, ...settings } }
  const { work, stations } = planPiece(kernel, job, piece)
  const { piece: p, mould, steel, release, mix, pour, finish } = stations
  return shopSheet(kernel, {
    jobName: job.name,
    piece,
    settings: job.settings,
    work,
    stations: { piece: p!, mould: mould!, steel: steel!, release: release!, mix: mix!, pour: pour!, finish },
  })
}
const texts = (pages: readonly Page[]): string[] =>
  pages.flatMap((p) => p.marks.flatMap((m) => (m.kind === 'text' ? [m.text] : [])))

describe('the table of openings', () => {
  const cases = ([45, 300, 760, 1200] as const).flatMap((thickness) =>
    (['A4', 'Letter'] as const).flatMap((paper) =>
      [1, 5, 9].map((count): [string, number, 'A4' | 'Letter', number] => [
        `${count} in ${thickness} mm on ${paper}`,
        thickness,
        paper,
        count,
      ]),
    ),
  )
  it.each(cases)('lists each once, below its heading: %s', (_, thickness, paper, count) => {
    const openings = Array.from({ length: count }, (_, i) => ({
      ...testBasin,
      id: `o${i}`,
      name: `way ${i}`,
      shape: { kind: 'round' as const, diameter: 30 },
      u: { rule: 'fromStart' as const, distance: 60 + 80 * i },
    }))
    const { pages, figures } = sheetOf(testSlab({ thickness, openings }), { paper })
    expect(figures.pages).toBe(pages.length)
    const headings = texts(pages).filter((t) => t.startsWith('OPENINGS'))
    expect(headings.length).toBe(1)
    for (const { name } of openings)
      expect([name, texts(pages).filter((t) => t.includes(`${name}, d 30`)).length]).toEqual([name, 1])
    for (const page of pages)
      for (const mark of page.marks) if (mark.kind === 'text') expect(mark.at[1]).toBeGreaterThanOrEqual(10)
  })
})

describe('shop sheet', () => {
  it('carries dimensions, cut list, openings as they lie in the mould, mix, times and order', () => {
    const all = texts(
      sheetOf(testTop({ openings: [{ ...testBasin, u: { rule: 'fromStart', distance: 100 } }, testTaps] }))
        .pages,
    )
    const has = (text: string) =>
      expect(
        all.some((t) => t.includes(text)),
        text,
      ).toBe(true)
    for (const text of [
      '900',
      '500',
      '45',
      '936 x 63',
      'basin, 380 x 280 r 40',
      '610, 260',
      '25 kg structural mix',
      'Mix: 2 bags, 6 L water',
      'Take out the screws of the sides',
      '100 mm: check with a rule',
      'the plan is a mirror image',
    ])
      has(text)
  })
  it('has the mesh as it is cut and the bars as they are bent, and no such page without', () => {
    const wide: Outline = { kind: 'rectangle', length: 2600, width: 700, radii: [0, 0, 0, 0] }
    const slab = testSlab({ outline: wide, openings: [testBasin] })
    const barred = { ...slab, steel: { ...slab.steel, bars: { ...slab.steel.bars, corners: true } } }
    const { pages } = sheetOf(barred)
    const mesh = pages.filter((p) => p.of === 'mesh')
    expect(mesh.length).toBe(1)
    const all = texts(mesh)
    expect(all).toContain('MESH TO CUT')
    expect(all.some((t) => /^piece 1: 1360 x 670$/.test(t))).toBe(true)
    expect(all.some((t) => /^lapped 150 mm, tied/.test(t))).toBe(true)
    expect(texts(pages)).toContain('BARS TO CUT AND BEND, OUTSIDE SIZES')
    for (const page of mesh)
      for (const mark of page.marks)
        for (const [x, y] of mark.kind === 'text' ? [mark.at] : mark.points) {
          expect(x).toBeGreaterThan(0)
          expect(x).toBeLessThan(page.width)
          expect(y).toBeGreaterThan(0)
          expect(y).toBeLessThan(page.height)
        }
    const none = sheetOf({ ...slab, steel: { ...slab.steel, kind: 'none' } })
    expect(none.pages.map((p) => p.of)).not.toContain('mesh')
    expect(texts(none.pages).join(' ')).not.toContain('BARS')
  })
  it('is in fractions for an inch job, and every glyph it uses is in the font', () => {
    const inch = texts(
      sheetOf(testTop({ thickness: 44.45 + 0.55 }), { units: 'inch', paper: 'Letter' }).pages,
    )
    expect(inch.some((t) => /\d \d+\/\d+" x/.test(t))).toBe(true)
    const face = fontkit.create(fonts.regular) as { hasGlyphForCodePoint(code: number): boolean }
    const used = new Set([...inch, ...texts(sheetOf(testTop()).pages)].join(''))
    expect([...used].filter((c) => !face.hasGlyphForCodePoint(c.codePointAt(0)!))).toEqual([])
  })
  it.each([
    ['A4', [841.89, 595.28]],
    ['Letter', [792, 612]],
  ] as const)('writes %s pages at true size, the same bytes each time', async (paper, [width, height]) => {
    const { pages } = sheetOf(testSlab(), { paper })
    const [a, b] = await Promise.all([writePdf(pages, 'Top', fonts), writePdf(pages, 'Top', fonts)])
    expect(Buffer.compare(a, b)).toBe(0)
    const read = await PDFDocument.load(a)
    expect(read.getPageCount()).toBe(pages.length)
    const [page] = read.getPages()
    expect(page!.getWidth()).toBeCloseTo(width, 1)
    expect(page!.getHeight()).toBeCloseTo(height, 1)
    expect(read.getTitle()).toBe('Top')
  })
})

it('goes on over more pages for many batches and openings, and leaves nothing out', () => {
  const openings = Array.from({ length: 9 }, (_, i) => ({
    ...testBasin,
    id: `o${i}`,
    name: `slot ${i}`,
    shape: { kind: 'rectangle' as const, length: 60 + i, width: 40, radius: 0 },
    u: { rule: 'fromStart' as const, distance: 60 + 200 * i },
    v: { rule: 'fromStart' as const, distance: 200 },
  }))
  const piece = testSlab({
    outline: { kind: 'rectangle', length: 2000, width: 1100, radii: [0, 0, 0, 0] },
    thickness: 90,
    openings,
    mix: { ...testSlab().mix, mixer: 'bucket-12' },
  })
  const { pages, figures } = sheetOf(piece)
  expect([pages.length, figures.pages]).toEqual([pages.length, pages.length])
  expect(pages.length).toBeGreaterThan(2)
  const all = texts(pages)
  for (let i = 0; i < 9; i += 1)
    expect(
      all.some((t) => t.startsWith(`slot ${i}, `)),
      `slot ${i}`,
    ).toBe(true)
  for (let b = 1; b <= 18; b += 1)
    expect(
      all.some((t) => t.startsWith(`batch ${b}:`)),
      `batch ${b}`,
    ).toBe(true)
  for (const { width, height, marks } of pages)
    for (const mark of marks)
      if (mark.kind === 'text')
        expect(mark.at[0] >= 0 && mark.at[0] <= width && mark.at[1] >= 0 && mark.at[1] <= height).toBe(true)
  const labels = planPiece(kernel, testJob(piece), piece).stations.mould!.figures.cutList.map((r) => r.label)
  for (const label of labels)
    expect(
      all.some((t) => t === label || t.startsWith(`${label}  `)),
      label,
    ).toBe(true)
})

it.each([
  [0, '+0:00'],
  [59.6, '+1:00'],
  [-195, '-3:15'],
  [1440, '+1 d 0:00'],
  [2000, '+1 d 9:20'],
])('%d min from first water is %s', (minutes, text) => expect(clock(minutes)).toBe(text))

describe('hatch', () => {
  const ring = (x: number, y: number, w: number, h: number): Point[] => [
    [x, y],
    [x + w, y],
    [x + w, y + h],
    [x, y + h],
  ]
  it('stays inside and spares holes', () => {
    const region = [ring(0, 0, 100, 60), ring(30, 20, 20, 20).reverse()]
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 9, noNaN: true }),
        fc.double({ min: 0, max: 3.1, noNaN: true }),
        (spacing, angle) => {
          const lines = hatchLines(region, spacing, angle)
          expect(lines.length).toBeGreaterThan(5)
          for (const [[x1, y1], [x2, y2]] of lines) {
            const [x, y] = [(x1 + x2) / 2, (y1 + y2) / 2]
            expect(x >= -1e-9 && x <= 100 + 1e-9 && y >= -1e-9 && y <= 60 + 1e-9).toBe(true)
            expect(x > 30 + 1e-9 && x < 50 - 1e-9 && y > 20 + 1e-9 && y < 40 - 1e-9).toBe(false)
          }
        },
      ),
      { seed: 8 },
    )
  })
  it('covers the area it should: line length times spacing', () => {
    const length = hatchLines([ring(0, 0, 100, 60)], 0.5, Math.PI / 4).reduce(
      (sum, [a, b]) => sum + Math.hypot(a[0] - b[0], a[1] - b[1]),
      0,
    )
    expect(Math.abs((length * 0.5) / 6000 - 1)).toBeLessThan(0.01)
    expect(hatchLines([], 1, 0)).toEqual([])
  })
})

describe('the page of bars', () => {
  const caged = (over: Partial<Piece['steel']['bars']>, piece: Piece) =>
    ({ ...piece, steel: { ...piece.steel, bars: { ...piece.steel.bars, ...over } } }) as Piece
  const column = testSlab({
    outline: { kind: 'rectangle', length: 200, width: 240, radii: [0, 0, 0, 0] },
    thickness: 1000,
    openings: [],
    lettering: [],
  })
  it.each<[string, Piece, RegExp[]]>([
    ['a column with a cage', caged({ cage: true }, column), [/^a {3}\d+ x 8 mm/, /^b {3}\d+ x 6 mm/]],
    [
      'a slab with a bar across each inside corner of its basin, and one by hand',
      caged(
        { corners: true, own: [{ id: 'o', from: [100, 60], to: [700, 60] }] },
        testSlab({ thickness: 80, openings: [testBasin] }),
      ),
      [/^a {3}\d x/, /^b {3}\d x/],
    ],
  ])('draws each mark of %s once, within its page, with its legs', (_, piece, marks) => {
    for (const paper of ['A4', 'Letter'] as const) {
      const { pages, figures } = sheetOf(piece, { paper })
      expect(figures.pages).toBe(pages.length)
      const bars = pages.filter((p) => p.of === 'bars')
      const told = texts(bars)
      for (const mark of marks) expect(told.filter((t) => mark.test(t))).toHaveLength(1)
      for (const page of bars)
        for (const mark of page.marks)
          for (const [x, y] of mark.kind === 'text' ? [mark.at] : mark.points) {
            expect(x).toBeGreaterThan(0)
            expect(x).toBeLessThan(page.width)
            expect(y).toBeGreaterThan(0)
            expect(y).toBeLessThan(page.height)
          }
    }
  })
  it('is not there without bars', () =>
    expect(sheetOf(column).pages.some((p) => p.of === 'bars')).toBe(false))
  it('lays a bent line flat without changing a length or an angle', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.integer({ min: -500, max: 500 }), fc.integer({ min: -500, max: 500 })), {
          minLength: 2,
          maxLength: 9,
        }),
        fc.double({ min: 0, max: 6, noNaN: true }),
        fc.double({ min: 0, max: 3, noNaN: true }),
        (flat, turn, tilt) => {
          const placed = flat.map(([x, y]): [number, number, number] => {
            const [c, s, ct, st] = [Math.cos(turn), Math.sin(turn), Math.cos(tilt), Math.sin(tilt)]
            return [x * c - y * s * ct + 30, x * s + y * c * ct - 8, y * st + 400]
          })
          // A bar has a first leg.
          fc.pre(Math.hypot(flat[1]![0] - flat[0]![0], flat[1]![1] - flat[0]![1]) > 1)
          const laid = inOwnPlane(placed)
          for (const [i, [x, y]] of flat.entries())
            for (const [k, [u, v]] of flat.entries())
              expect(Math.hypot(laid[i]![0] - laid[k]![0], laid[i]![1] - laid[k]![1])).toBeCloseTo(
                Math.hypot(x - u, y - v),
                5,
              )
        },
      ),
      { seed: 5, numRuns: 60 },
    )
  })
})
