import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { outlineLoop } from '../../core/piece/index.ts'
import { testSlab, testTop } from '../../core/testing/testPiece.ts'
import { dragLine, dragSide } from './drags.ts'
import { loopPath, silhouettePath } from './paths.ts'
import { planFrame, sideEnds, sideShown } from './planFrame.ts'
import { usualLine } from './sectionLine.ts'

const SIZE = { width: 560, height: 300 }

describe('the frame of the plan', () => {
  it('leads from the plan to the screen and back, for any slab in either attitude', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 3, max: 3000, noNaN: true }),
        fc.double({ min: 3, max: 3000, noNaN: true }),
        fc.constantFrom('poured' as const, 'placed' as const),
        fc.constantFrom('top' as const, 'bottom' as const),
        (length, width, attitude, down) => {
          const piece = testSlab({
            outline: { kind: 'rectangle', length, width, radii: [0, 0, 0, 0] },
            attitude: { down, turnDeg: 0 },
          })
          const frame = planFrame(piece, attitude, SIZE)
          for (const p of [
            [0, 0],
            [length / 3, width / 4],
            [length, width],
          ] as const) {
            const back = frame.fromScreen(frame.toScreen(p))
            expect(Math.hypot(back[0] - p[0], back[1] - p[1])).toBeLessThan(1e-6 * (length + width))
            const [x, y] = frame.toScreen(p)
            expect(x >= 0 && x <= SIZE.width && y >= 0 && y <= SIZE.height).toBe(true)
          }
          expect(frame.toScreen([0, 0])[0] > frame.toScreen([length, 0])[0]).toBe(
            attitude === 'poured' && down === 'top',
          )
        },
      ),
      { seed: 41 },
    )
  })
  it.each([
    ['left', true, 'right'],
    ['right', true, 'left'],
    ['front', true, 'front'],
    ['left', false, 'left'],
  ] as const)('what stands at the %s, mirrored %s, is the %s side', (where, mirrored, side) =>
    expect(sideShown(where, mirrored)).toBe(side),
  )
  it('gives sides anticlockwise, each starting where the one before ends', () => {
    const ends = (['front', 'right', 'back', 'left'] as const).map((s) => sideEnds(s, 900, 500))
    ends.forEach(([from], i) => {
      expect(ends[(i + 3) % 4]![1]).toEqual(from)
    })
  })
})

describe('drags', () => {
  it.each<['front' | 'right' | 'back' | 'left', [number, number], boolean, number]>([
    ['right', [35.2, 0], false, 970],
    ['right', [35.2, 0], true, 830],
    ['left', [-35, 0], false, 970],
    ['left', [35, 0], true, 970],
    ['back', [0, -50], false, 600],
    ['front', [0, 50], true, 600],
    ['back', [0, 5000], false, 1],
  ])('the %s side pulled by %j px, mirrored %s: %d mm', (side, by, mirrored, mm) => {
    const dragged = dragSide(testSlab(), side, by, { scale: 0.5, mirrored }, 1)
    expect([dragged.mm, dragged.what]).toEqual([mm, side === 'left' || side === 'right' ? 'length' : 'width'])
  })
  it('moves the section line square to itself, or one end', () => {
    const level = { from: [-40, 260], to: [940, 260] } as const
    expect(dragLine(level, 'both', [30, -20], 0.5)).toEqual({ from: [-40, 300], to: [940, 300] })
    expect(dragLine(level, 'to', [10, 10], 0.5)).toEqual({ from: [-40, 260], to: [960, 240] })
    const upright = { from: [450, 0], to: [450, 500] } as const
    expect(dragLine(upright, 'both', [25, 99], 0.5).from[0]).toBeCloseTo(500, 9)
  })
  it('starts across the largest opening, along or across the piece, in the plan as shown', () => {
    expect(usualLine(testTop(), false, 'along')).toEqual({ from: [-40, 260], to: [940, 260] })
    expect(
      usualLine(
        testTop({ openings: [{ ...testTop().openings[0]!, u: { rule: 'fromStart', distance: 100 } }] }),
        true,
        'across',
      ).from,
    ).toEqual([610, -40])
    expect(usualLine(testSlab(), false, 'along').from[1]).toBe(250)
  })
})

it('draws arcs as arcs, turned the right way in either attitude', () => {
  const loop = outlineLoop({ kind: 'rectangle', length: 100, width: 60, radii: [0, 10, 0, 0] })
  const up = loopPath(loop, ([x, y]) => [x, -y], 1, false)
  expect(up).toContain('A 10.000 10.000 0 0 0 100.00 -10.00')
  expect(loopPath(loop, ([x, y]) => [-x, -y], 1, true)).toContain('0 0 1')
  expect(silhouettePath(testTop(), [56, 22]).match(/M /g)).toHaveLength(4)
})
