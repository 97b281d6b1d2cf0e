import { beforeAll, describe, expect, it } from 'vitest'
import type { Kernel, SolidRecipe, Vector } from '../geometry/index.ts'
import { bareAct, barePart, block } from '../testing/bodies.ts'
import { testKernel } from '../testing/testKernel.ts'
import { comeOff } from './comeOff.ts'
import { frameAt } from './film.ts'
import { tiltedPoint } from './tilt.ts'
import { tiltOut } from './tiltOut.ts'

let kernel: Kernel
beforeAll(async () => {
  kernel = await testKernel()
})
const OUT: Vector = [-1, 0, 0]
const cast = block(20, 0, 180, 200, 0, 100)
/** A side of 20 against the cast, drawn to the left. */
const side = block(0, 0, 20, 200, 0, 100)
/** What hangs down in front of its head, so far off it, under a lid that lies over all. */
const lid = block(-80, -80, 400, 400, 100, 120)
const lip = (off: number): SolidRecipe => block(-10 - off, 0, 10, 200, 95, 100)
const floor = block(-80, -80, 400, 400, -20, -0.01)
const ends = [block(-80, -20, 300, 20, -200, 200), block(-80, 200, 300, 20, -200, 200)]

describe('tilting off', () => {
  it.each<[string, readonly SolidRecipe[], Vector, 'head' | 'foot' | null]>([
    ['a lip before its head: the foot goes first', [cast, lid, lip(4), ...ends], OUT, 'foot'],
    ['a lip that leaves it no room, over a floor', [cast, lid, lip(0.2), floor, ...ends], OUT, null],
    [
      'an upstand before its foot: the head goes first',
      [cast, block(-14, 0, 10, 200, -20, 5), floor, ...ends],
      OUT,
      'head',
    ],
    ['what is drawn up is not tilted', [cast, lid], [0, 0, 1], null],
  ])('%s', (_, standing, pull, first) => {
    const tilt = tiltOut(kernel, { recipe: side, pull }, standing)
    expect(tilt && (tilt.deg > 0 ? 'head' : 'foot')).toBe(first)
  })
  it('is found where no straight way is, and nothing is called locked', () => {
    const part = (id: string, recipe: SolidRecipe) => ({
      ...barePart(id, recipe, OUT),
      role: 'strip' as const,
    })
    const stays = [lid, lip(4), ...ends].map((r, i) => part(`s${i}`, r))
    const own = part('side', side)
    const came = comeOff(
      kernel,
      cast,
      [own, ...stays],
      [bareAct(['side']), ...stays.map((s) => bareAct([s.id]))],
      new Set(),
    )
    expect(came.locked.map((l) => l.partId)).not.toContain('side')
    expect(Object.keys(came.tilts)).toEqual(['side'])
  })
  it('turns about its edge by the right hand, and its film tilts before it moves', () => {
    const tilt = { at: [0, 0, 0], axis: [0, 1, 0], deg: 90, draw: OUT } as const
    expect(tiltedPoint([0, 5, 10], tilt).map((n) => Math.round(n * 1e9) / 1e9)).toEqual([10, 5, 0])
    const steps = [{ moves: [{ partId: 'a', by: [-100, 0, 0] as const, rigid: true, tilt }], turned: false }]
    const [early, late] = [frameAt(steps, 0.3), frameAt(steps, 0.9)]
    expect(early.offsets.a![0]).toBe(-0)
    expect(early.tilts.a!.deg).toBeGreaterThan(20)
    expect(late.tilts.a!.deg).toBe(90)
    expect(late.offsets.a![0]).toBeLessThan(-50)
  })
})
