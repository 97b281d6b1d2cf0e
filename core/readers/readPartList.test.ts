import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { readPartList } from './readPartList.ts'

const IN = 25.4

describe('a list of parts, typed or pasted', () => {
  it.each<[string, 'sheets' | 'bars', 'mm' | 'in', [string, number, number, number][]]>([
    ['4 x 600 x 200 side', 'sheets', 'mm', [['side', 4, 600, 200]]],
    ['600x200', 'sheets', 'mm', [['', 1, 600, 200]]],
    ['2 × 60 cm × 20 cm, ', 'sheets', 'mm', []],
    ['2 × 60 cm × 20 cm left end', 'sheets', 'mm', [['left end', 2, 600, 200]]],
    ['23 5/8" x 4" shelf 2', 'sheets', 'in', [['shelf 2', 1, 23.625 * IN, 4 * IN]]],
    ['3 x 2\' 3 1/2" x 14 back', 'sheets', 'in', [['back', 3, 27.5 * IN, 14 * IN]]],
    ['2 * (1200 - 2*18) * 100', 'sheets', 'mm', []],
    ['side\t600\t200\t4', 'sheets', 'mm', [['side', 4, 600, 200]]],
    ['600;200;4;side', 'sheets', 'mm', [['side', 4, 600, 200]]],
    ['length, width\nside, 600, 200\n\n', 'sheets', 'mm', [['side', 1, 600, 200]]],
    [
      '4 x 1200 rail\n1 1/2 m',
      'bars',
      'mm',
      [
        ['rail', 4, 1200, 0],
        ['', 1, 1500, 0],
      ],
    ],
    ['rail\t1200\t4', 'bars', 'mm', [['rail', 4, 1200, 0]]],
    ['no figure here', 'sheets', 'mm', []],
  ])('%s', (text, of, unit, parts) => {
    const read = readPartList(text, of, unit)
    expect(
      read.parts.map((p) => [p.name, p.count, Number(p.lengthMm.toFixed(6)), Number(p.widthMm.toFixed(6))]),
    ).toEqual(parts.map(([name, n, l, w]) => [name, n, Number(l.toFixed(6)), Number(w.toFixed(6))]))
  })

  it.each<[string, 'sheets' | 'bars', RegExp]>([
    ['600', 'sheets', /size is missing.*4 x 600 x 200/],
    ['1 x 2 x 3 x 4', 'sheets', /Too many sizes/],
    ['2.5 x 600 x 200', 'sheets', /whole number, not “2.5”/],
    ['600 x 0', 'sheets', /more than zero/],
    ['600 kg x 200', 'sheets', /not a unit of length/],
    ['a\t1', 'sheets', /1 figures in a row/],
    ['600 x 200 x 5 x 1 x 1', 'bars', /Too many/],
  ])('of “%s” it says with the line why not', (text, of, why) => {
    const read = readPartList(`heading\n${text}`, of, 'mm')
    expect([read.parts, read.problems.map((p) => p.line)]).toEqual([[], [2]])
    expect(read.problems[0]!.text).toMatch(why)
  })

  it('ends a list that is too long, and takes no more parts than a search bears', () => {
    const long = readPartList(Array(500).fill('600 x 200').join('\n'), 'sheets', 'mm')
    expect([long.parts.length, long.problems]).toEqual([400, [expect.objectContaining({ line: 401 })]])
    const many = readPartList('900 x 10 x 10\n900 x 20 x 20\n99 x 30 x 30', 'sheets', 'mm')
    expect([many.parts.map((p) => p.lengthMm), many.problems.map((p) => p.line)]).toEqual([[10, 30], [2]])
    expect(readPartList('1'.repeat(100_001), 'bars', 'mm').problems).toHaveLength(1)
  })

  it('never throws, and every part it takes is of a size and a number', () => {
    const bit = fc.constantFrom(
      '4',
      ' x ',
      '×',
      '600',
      ' ',
      '"',
      "'",
      '1/2',
      '\t',
      ';',
      ',',
      'side',
      '(',
      '*',
      '-',
      'mm',
      '\n',
      '0',
      '.',
    )
    fc.assert(
      fc.property(fc.array(bit, { maxLength: 14 }), fc.constantFrom('sheets', 'bars'), (bits, of) => {
        for (const p of readPartList(bits.join(''), of, 'mm').parts) {
          expect(p.lengthMm).toBeGreaterThan(0)
          expect(Number.isInteger(p.count) && p.count > 0).toBe(true)
          expect(of === 'bars' ? p.widthMm === 0 : p.widthMm > 0).toBe(true)
        }
      }),
      { seed: 8, numRuns: 600 },
    )
  })
})
