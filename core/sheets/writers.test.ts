import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { circleLoop, type Loop, measureLoop, pathLoop, rectangleLoop } from '../geometry/index.ts'
import { type CutRow, partOutlines, planMouldStation } from '../mould/index.ts'
import { planPieceStation } from '../piece/index.ts'
import { readDxf } from '../readers/index.ts'
import { testKernel } from '../testing/testKernel.ts'
import { testSlab, testStock, testTop } from '../testing/testPiece.ts'
import { writeCutCsv, writeDxf } from './index.ts'

/** Comma-separated values as RFC 4180 has them. */
function readCsv(text: string): string[][] {
  const rows: string[][] = [[]]
  let field = ''
  let quoted = false
  for (let i = 0; i < text.length; i += 1) {
    const c = text[i]!
    if (quoted && c === '"' && text[i + 1] === '"') {
      field += '"'
      i += 1
    } else if (c === '"') quoted = !quoted
    else if (!quoted && c === ',') {
      rows.at(-1)!.push(field)
      field = ''
    } else if (!quoted && c === '\n') {
      rows.at(-1)!.push(field.replace(/\r$/, ''))
      rows.push([])
      field = ''
    } else field += c
  }
  return rows.slice(0, -1)
}

const row = (over: Partial<CutRow>): CutRow => ({
  label: 'A',
  name: 'front',
  role: 'strip',
  boardId: 'b',
  boardName: '18 mm board',
  lengthMm: 936,
  widthMm: 63,
  thicknessMm: 18,
  count: 2,
  shape: 'rectangle',
  radiusMm: 0,
  mitresDeg: null,
  edgeDeg: 0,
  bevelsDeg: null,
  partIds: [],
  notes: [],
  ...over,
})

describe('a cut list as CSV', () => {
  it('reads back as it was, whatever names say', () => {
    const name = fc.string({ unit: fc.constantFrom('a', ',', '"', ' ', '\n', 'ß', '=', '-', '1') })
    fc.assert(
      fc.property(
        fc.array(fc.record({ name, boardName: name, length: fc.double({ min: 1, max: 9000, noNaN: true }) })),
        (list) => {
          const rows = list.map((r) => row({ name: r.name, boardName: r.boardName, lengthMm: r.length }))
          const [head, ...read] = readCsv(writeCutCsv(rows))
          expect(head!.slice(0, 4)).toEqual(['label', 'part', 'board', 'length mm'])
          expect(read.length).toBe(rows.length)
          read.forEach((fields, i) => {
            const own = list[i]!
            const plain = (text: string) => text.replace(/^'/, '')
            expect(fields.length).toBe(head!.length)
            expect(plain(fields[1]!)).toBe(plain(own.name))
            expect(plain(fields[2]!)).toBe(plain(own.boardName))
            expect(Number(fields[3])).toBeCloseTo(own.length, 2)
          })
        },
      ),
    )
  })
  it('keeps a name from being a formula, and tells bevels and notes', () => {
    const [, fields] = readCsv(
      writeCutCsv([
        row({
          name: '=1+1',
          bevelsDeg: [0, 45],
          mitresDeg: [-2.5, 11],
          edgeDeg: 12,
          notes: ['faced-side-in', 'laminate'],
          radiusMm: 30,
        }),
      ]),
    )
    expect(fields).toEqual([
      'A',
      "'=1+1",
      '18 mm board',
      '936',
      '63',
      '18',
      '2',
      'rectangle',
      '30',
      '0',
      '45',
      '-2.5',
      '11',
      '12',
      'faced side in; laminate',
    ])
  })
})

describe('outlines as DXF', () => {
  const area = (loop: Loop) => measureLoop(loop).area
  it('read back with their sizes, side by side, in millimetres', () => {
    const names = { sides: ['a', 'b', 'c', 'd'], corners: ['e', 'f', 'g', 'h'] } as const
    const loops = [rectangleLoop([30, -40], 200, 100, [0, 20, 0, 35], names), circleLoop([5, 5], 60, 'ring')]
    const read = readDxf(writeDxf(loops.map((loop, i) => ({ layer: `part ${i + 1}`, loops: [loop] }))))
    if (!read.ok) throw new Error(read.problem.text)
    expect([read.mmPerUnit, read.outlines.length, read.outlines.map((o) => o.layer).sort()]).toEqual([
      1,
      2,
      ['part 1', 'part 2'],
    ])
    const found = read.outlines
      .map((o) => area(pathLoop(o.corners, { side: (id) => id, corner: () => 'corner' })))
      .sort((a, b) => a - b)
    const drawn = loops.map(area).sort((a, b) => a - b)
    found.forEach((a, i) => {
      expect(Math.abs(a / drawn[i]! - 1)).toBeLessThan(0.002)
    })
  })
  it('hold the ribs and the base of a round mould, each once', async () => {
    const kernel = await testKernel()
    const disc = testSlab({
      outline: {
        kind: 'polygon',
        corners: [
          { x: 0, y: 200, radius: 0, side: 'front', run: { kind: 'arc', rise: 200 } },
          { x: 400, y: 200, radius: 0, side: 'back', run: { kind: 'arc', rise: 200 } },
        ],
      },
      sides: { front: testSlab().sides.front!, back: testSlab().sides.back! },
    })
    const parts = (piece: typeof disc) =>
      planMouldStation(piece, planPieceStation(kernel, piece, 2300, true), testStock, testStock.mixes[0]!, {
        kernel,
      }).station!.parts
    expect(partOutlines(parts(disc)).map((o) => o.name)).toEqual(['A base', 'C back ribs', 'C front ribs'])
    expect(partOutlines(parts(testSlab()))).toEqual([])
    const drawn = partOutlines(parts(testTop())).map((o) => o.name)
    expect(drawn.some((n) => /^[A-Z] basin knockout$/.test(n))).toBe(true)
  })
})
