import fs from 'node:fs'
import { create } from 'fontkit'
import { describe, expect, it } from 'vitest'
import { type Kernel, openKernel } from './geometry/index.ts'
import { isGlued } from './gluedBox.ts'
import { type Job, type Piece, readJob } from './job/index.ts'
import { holdFonts, LETTER_FONTS } from './piece/index.ts'
import { planPiece } from './plan.ts'
import { prepareMesh } from './readers/index.ts'
import { shopSheet } from './sheets/index.ts'
import { textWidth } from './sheets/textWidth.ts'
import type { Mark, Page } from './sheets/types.ts'
import { formatLength } from './units/index.ts'

/** Every page of every demo piece as it is printed, in both papers and both units. */
const read = readJob(fs.readFileSync('demo/kestrel-rise.hollow.json', 'utf8'))
if (!read.ok) throw new Error('the demo job does not read')
const demo: Job = read.job
const star = prepareMesh('star-tile.stl', fs.readFileSync('demo/star-tile.stl'))
const kernel: Kernel = await openKernel({ coarser: 8 })
await holdFonts(LETTER_FONTS.map((f) => f.id))
if (star.ok) kernel.holdMesh(star.id, star.mesh)

type Text = Extract<Mark, { kind: 'text' }>
type Box = { text: string; left: number; right: number; low: number; high: number }
/** What the letters of a text take up: capitals stand 0.7 of the size above the line, tails hang 0.2 below it. */
const boxOf = ({ at: [x, y], text, size, align, bold, turned }: Text): Box => {
  const wide = textWidth(text, size, bold)
  const from = align === 'left' ? 0 : align === 'right' ? -wide : -wide / 2
  return turned
    ? { text, left: x - size * 0.7, right: x + size * 0.2, low: y + from, high: y + from + wide }
    : { text, left: x + from, right: x + from + wide, low: y - size * 0.2, high: y + size * 0.7 }
}
/** Type over type, or off the page; mm that letters may come into one another: their boxes are drawn a little wide. */
const SLACK = 0.3
/** Printers leave about this much of every edge white, mm. */
const EDGE = 5
function faultsOf({ width, height, marks }: Page): string[] {
  const boxes = marks.flatMap((m) => (m.kind === 'text' ? [boxOf(m)] : []))
  const off = boxes.filter(
    (b) => b.left < EDGE || b.low < EDGE || b.right > width - EDGE || b.high > height - EDGE,
  )
  const over = boxes.flatMap((a, i) =>
    boxes
      .slice(i + 1)
      .filter(
        (b) =>
          Math.min(a.right, b.right) - Math.max(a.left, b.left) > SLACK &&
          Math.min(a.high, b.high) - Math.max(a.low, b.low) > SLACK,
      )
      .map((b) => `“${a.text}” over “${b.text}”`),
  )
  return [...off.map((b) => `“${b.text}” off the page`), ...over]
}

describe.each(demo.pieces.filter((p) => !isGlued(p)).map((p): [string, Piece] => [p.name, p]))(
  '%s on paper',
  (_, piece) => {
    it.each(
      (['A4', 'Letter'] as const).flatMap((paper) =>
        (['mm', 'inch'] as const).map((units) => [paper, units] as const),
      ),
    )(
      'on %s in %s: all of it on the page, no text over another, every opening in the table',
      (paper, units) => {
        const settings = { ...demo.settings, paper, units }
        const { work, stations } = planPiece(kernel, { ...demo, settings }, piece, { quick: true })
        const { piece: own, mould, steel, release, mix, pour, finish } = stations
        const { pages } = shopSheet(kernel, {
          jobName: demo.name,
          piece,
          settings,
          work,
          stations: { piece: own!, mould, steel: steel!, release, mix: mix!, pour: pour!, finish },
        })
        expect(pages.flatMap((page, i) => faultsOf(page).map((fault) => `page ${i + 1}: ${fault}`))).toEqual(
          [],
        )
        const told = pages.flatMap((p) => p.marks.flatMap((m) => (m.kind === 'text' ? [m.text] : [])))
        for (const { name, centre } of own!.geometry.openings) {
          const x = piece.attitude.down === 'top' ? own!.geometry.length - centre[0] : centre[0]
          const place = `${formatLength(x, settings)}, ${formatLength(centre[1], settings)}`
          expect([name, told.some((t) => t.includes(name)), told.includes(place)]).toEqual([name, true, true])
        }
      },
    )
  },
)

it('knows how wide type is set: as the fonts that are embedded have it', () => {
  for (const [face, bold] of [
    ['regular', false],
    ['bold', true],
  ] as const) {
    const font = create(fs.readFileSync(`web/public/fonts/sheet-${face}.ttf`))
    for (const text of [
      '100 mm: check with a rule',
      '23 5/8" x 9 1/16"',
      'ÄÖÜ ß × ½',
      'The quick 0123456789',
    ]) {
      const units = [...text].reduce(
        (sum, c) => sum + font.glyphForCodePoint(c.codePointAt(0)!).advanceWidth,
        0,
      )
      const set = font.layout(text).positions.reduce((sum, p) => sum + p.xAdvance, 0)
      const wide = textWidth(text, 10, bold)
      expect(wide).toBeCloseTo((units * 10) / font.unitsPerEm, 1)
      // Kerning draws letters closer, by little.
      expect(Math.abs(wide - (set * 10) / font.unitsPerEm) / wide).toBeLessThan(0.04)
    }
  }
})
