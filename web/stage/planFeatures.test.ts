import { beforeAll, describe, expect, it } from 'vitest'
import { measureRegion } from '../../core/geometry/index.ts'
import { applyChange, type Basin, type Drainer, type Panel, type SlabPiece } from '../../core/job/index.ts'
import { holdFonts, LETTER_FONTS } from '../../core/piece/index.ts'
import { testJob, testSlab } from '../../core/testing/testPiece.ts'
import { type Feature, moveFeature, planFeatures } from './planFeatures.ts'

const font = LETTER_FONTS[0]!
beforeAll(() => holdFonts([font.id]))

const ramp: Drainer = {
  kind: 'ramp',
  id: 'ramp',
  name: 'drainer',
  length: 300,
  width: 200,
  radius: 0,
  shallow: 2,
  deep: 8,
  toward: 'right',
  u: 200,
  v: 150,
}
const grooves = (toward: Drainer['toward']): Drainer => ({
  kind: 'grooves',
  id: 'grooves',
  name: 'grooves',
  count: 3,
  length: 240,
  width: 10,
  pitch: 30,
  shallow: 2,
  deep: 6,
  toward,
  u: 300,
  v: 250,
})
const frame = (shape: Panel['shape']): Panel => ({
  kind: 'frame',
  id: 'frame',
  name: 'frame',
  shape,
  u: 10,
  v: -20,
  trim: 'cove',
  own: [],
  width: 15,
  height: 8,
  tallSide: 'outer',
  sunk: false,
})
const field: Panel = {
  kind: 'field',
  id: 'field',
  name: 'field',
  shape: { kind: 'rectangle', length: 200, width: 100, radius: 0 },
  u: 0,
  v: 0,
  rise: -5,
  draftDeg: 10,
}
const letters = (on: 'top' | 'bottom', over: Partial<SlabPiece['lettering'][number]> = {}) => ({
  id: `letters-${on}`,
  text: 'KESTREL\nRISE',
  font: font.id,
  fontHash: '',
  on,
  u: 30,
  v: 40,
  turnDeg: 0,
  height: 30,
  depth: -3,
  spacing: 0,
  align: 'middle' as const,
  ...over,
})
const stud = (on: string): SlabPiece['inserts'][number] => ({
  id: `stud-${on}`,
  name: 'stud',
  kind: 'stud',
  on,
  u: 50,
  v: 60,
  tiltDeg: 0,
  tiltTowardDeg: 0,
  diameter: 12,
  bore: 0,
  depth: 30,
  past: 20,
  material: 'steel',
  held: 'mould',
  carriesKg: 0,
})
const basin: Basin = {
  form: 'frustum',
  length: 400,
  width: 300,
  radius: 40,
  depth: 120,
  draftDeg: 3,
  exponent: 2,
  fall: 0,
  shell: 40,
  u: 450,
  v: 250,
  waste: 45,
  overflow: 0,
}

const boxOf = ({ rings }: Feature, of = rings) => {
  const [xs, ys] = [of.flat().map((p) => p[0]), of.flat().map((p) => p[1])]
  return [Math.min(...xs), Math.min(...ys), Math.max(...xs), Math.max(...ys)].map(
    (n) => Math.round(n * 10) / 10,
  )
}
const one = (over: Partial<SlabPiece>): Feature => {
  const found = planFeatures(testSlab(over))
  expect(found.length).toBe(1)
  return found[0]!
}

describe('a feature of a slab is drawn where it lies', () => {
  it.each<[label: string, over: Partial<SlabPiece>, rings: number, box: number[]]>([
    ['three grooves to the right', { drainers: [grooves('right')] }, 3, [180, 215, 420, 285]],
    ['three grooves to the front', { drainers: [grooves('front')] }, 3, [265, 130, 335, 370]],
    // 20 + 10 and 30 - 20 from the middle of 900 x 500
    [
      'a frame about the middle',
      { panels: [frame({ kind: 'rectangle', length: 300, width: 200, radius: 0 })] },
      2,
      [310, 130, 610, 330],
    ],
    ['a round frame', { panels: [frame({ kind: 'round', diameter: 200 })] }, 2, [360, 130, 560, 330]],
    ['a frame along the outline', { panels: [frame({ kind: 'inset', margin: 40 })] }, 2, [40, 40, 860, 460]],
    ['a field', { panels: [field] }, 1, [350, 200, 550, 300]],
    ['a basin', { basin }, 1, [250, 100, 650, 400]],
    ['a stud from above', { inserts: [stud('top')] }, 1, [494, 304, 506, 316]],
    ['a stud from below, mirrored', { inserts: [stud('bottom')] }, 1, [394, 304, 406, 316]],
  ])('%s', (_, over, rings, box) => {
    const feature = one(over)
    expect([feature.rings.length, boxOf(feature)]).toEqual([rings, box])
  })
  it('a ramp with an arrow the way water runs', () => {
    for (const [toward, tip] of [
      ['right', [260, 150]],
      ['left', [140, 150]],
      ['front', [200, 90]],
      ['back', [200, 210]],
    ] as const) {
      const { rings } = one({ drainers: [{ ...ramp, toward }] })
      expect(boxOf({} as Feature, [rings[0]!])).toEqual([50, 50, 350, 250])
      // Its point is walked through three times.
      const points = rings[1]!.map(([x, y]) => `${x} ${y}`)
      expect([toward, points.filter((p) => p === tip.join(' ')).length]).toEqual([toward, 3])
    }
  })
  it('letters on the face that is seen, turned about their own middle', () => {
    const piece = testSlab({ lettering: [letters('top'), letters('bottom')] })
    const [straight, ...more] = planFeatures(piece)
    expect([straight!.name, more.length]).toEqual(['“KESTREL”', 0])
    expect(straight!.at).toEqual([480, 290])
    const turned = planFeatures(testSlab({ lettering: [letters('top', { turnDeg: 90 })] }))[0]!
    const [x0, y0, x1, y1] = boxOf(straight!)
    const [u0, v0, u1, v1] = boxOf(turned)
    expect([u1! - u0!, v1! - v0!]).toEqual([expect.closeTo(y1! - y0!, 0), expect.closeTo(x1! - x0!, 0)])
    const area = (f: Feature) => measureRegion(f.rings)
    expect(area(turned)).toBeCloseTo(area(straight!), 3)
  })
  it('letters whose font has not come as a box of about their size', () => {
    const unknown = planFeatures(testSlab({ lettering: [letters('top', { font: 'none', text: 'AB' })] }))[0]!
    expect(boxOf(unknown)).toEqual([465, 275, 495, 305])
  })
})

describe('a feature that is moved', () => {
  const all: [string, Partial<SlabPiece>][] = [
    ['a ramp', { drainers: [ramp] }],
    ['grooves', { drainers: [grooves('left')] }],
    ['a field', { panels: [field] }],
    ['letters', { lettering: [letters('top')] }],
    ['a basin', { basin }],
    ['a stud from above', { inserts: [stud('top')] }],
    ['a stud from below', { inserts: [stud('bottom')] }],
  ]
  it.each(all)('%s stands that much further, seen from above, and nothing else has changed', (_, over) => {
    const piece = testSlab(over)
    const before = one(over)
    expect(before.movable).toBe(true)
    const job = moveFeature(piece, before, [12.3456, -7]).reduce(applyChange, testJob(piece))
    const after = planFeatures(job.pieces[0] as SlabPiece)[0]!
    expect(after.at).toEqual([expect.closeTo(before.at[0] + 12.3456, 6), expect.closeTo(before.at[1] - 7, 6)])
    const back = moveFeature(job.pieces[0] as SlabPiece, after, [-12.3456, 7]).reduce(applyChange, job)
    expect(planFeatures(back.pieces[0] as SlabPiece)[0]!.at.map((n) => Math.round(n * 1e4) / 1e4)).toEqual(
      before.at,
    )
    expect({ ...back.pieces[0], [before.list]: null }).toEqual({ ...piece, [before.list]: null })
  })
  it('that follows the outline cannot be, and one that is gone changes nothing', () => {
    expect(one({ panels: [frame({ kind: 'inset', margin: 40 })] }).movable).toBe(false)
    for (const [, over] of all) expect(moveFeature(testSlab(), one(over), [5, 5])).toEqual([])
  })
})
