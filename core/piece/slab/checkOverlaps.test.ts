import { describe, expect, it } from 'vitest'
import { applyChange, emptyJob, newOpening, type Opening, type SlabPiece } from '../../job/index.ts'
import {
  testBasinBelow,
  testDrainer,
  testField,
  testFrame,
  testInsert,
  testLetters,
} from '../../testing/testFeatures.ts'
import { testKernel } from '../../testing/testKernel.ts'
import { testSlab, testStock } from '../../testing/testPiece.ts'
import { planPieceStation } from '../index.ts'

const kernel = await testKernel()
const found = (piece: SlabPiece) =>
  planPieceStation(kernel, piece, 2300, false).findings.filter((f) => f.code === 'features-overlap')

const drainer = (u: number, v: number, id = 'd'): SlabPiece['drainers'][number] => ({
  ...testDrainer,
  id,
  name: `drainer ${id}`,
  length: 200,
  width: 150,
  u,
  v,
})
const field: SlabPiece['panels'][number] = { ...testField, shape: { kind: 'inset', margin: 120 } }
const hole = (x: number, y: number, over: Partial<Opening> = {}): Opening => ({
  ...newOpening('hole', 'hole', { kind: 'round', diameter: 60 }),
  u: { rule: 'fromStart', distance: x - 30 },
  v: { rule: 'fromStart', distance: y - 30 },
  ...over,
})
const letters = (u: number, v: number): SlabPiece['lettering'][number] => ({ ...testLetters, u, v })

describe('features in one another’s place', () => {
  it.each<[string, Partial<SlabPiece>, [string, string][]]>([
    ['nothing', {}, []],
    ['a drainer beside a hole', { drainers: [drainer(300, 250)], openings: [hole(440, 250)] }, []],
    [
      'a drainer into a hole',
      { drainers: [drainer(300, 250)], openings: [hole(400, 250)] },
      [['drainer d', 'hole']],
    ],
    ['a drainer that ends at a hole', { drainers: [drainer(300, 250)], openings: [hole(430, 250)] }, []],
    ['two drainers', { drainers: [drainer(300, 250), drainer(450, 300, 'e')] }, [['drainer e', 'drainer d']]],
    [
      'a drainer into the basin',
      { drainers: [drainer(250, 250)], basin: testBasinBelow },
      [['the basin', 'drainer d']],
    ],
    ['letters over a frame', { panels: [testFrame], lettering: [letters(-350, 0)] }, [['“No 7”', 'frame']]],
    ['letters within a frame', { panels: [testFrame], lettering: [letters(0, 0)] }, []],
    ['letters within a field', { panels: [field], lettering: [letters(0, 0)] }, []],
    [
      'letters across the edge of a field',
      { panels: [field], lettering: [letters(-320, 0)] },
      [['“No 7”', 'field']],
    ],
    ['a hole right through a field', { panels: [field], openings: [hole(450, 250)] }, []],
    ['a hole in a frame’s moulding', { panels: [testFrame], openings: [hole(54, 250)] }, [['frame', 'hole']]],
    [
      'two lines of letters',
      { lettering: [letters(0, 0), { ...letters(20, 10), id: 'm' }] },
      [['“No 7”', '“No 7”']],
    ],
    [
      'a stud in a drainer',
      { drainers: [drainer(450, 250)], inserts: [testInsert] },
      [['stud', 'drainer d']],
    ],
    [
      'a stud from below under a drainer',
      { drainers: [drainer(450, 250)], inserts: [{ ...testInsert, on: 'bottom' }] },
      [],
    ],
    [
      'a recess below under a drainer',
      { drainers: [drainer(300, 250)], openings: [hole(300, 250, { depth: 10, on: 'bottom' })] },
      [],
    ],
    // Told as what they are: an opening over another, what is cast in beside an opening.
    ['two holes', { openings: [hole(300, 250), { ...hole(320, 250), id: 'other' }] }, []],
    ['a stud in a hole', { openings: [hole(450, 250)], inserts: [testInsert] }, []],
  ])('%s', (_, patch, expected) => {
    const piece = testSlab({ thickness: 60, ...patch })
    const told = found(piece)
    expect(told.map((f) => [f.facts.feature, f.facts.other])).toEqual(expected)
    for (const finding of told) {
      expect(finding.about.length).toBe(2)
      expect(finding.remedies.map((r) => r.code)).toContain('take-out')
      for (const { changes } of finding.remedies) {
        const after = changes.reduce(applyChange, { ...emptyJob('j', 'J', testStock), pieces: [piece] })
        expect(found(after.pieces[0] as SlabPiece)).toEqual([])
      }
    }
  })
  it('tells the first few of very many', () => {
    const drainers = Array.from({ length: 12 }, (_, i) => drainer(300 + i, 250, `d${i}`))
    expect(found(testSlab({ thickness: 60, drainers })).length).toBe(20)
  })
})
