import { describe, expect, it } from 'vitest'
import { openKernel, type SolidRecipe, type Vector } from '../geometry/index.ts'
import { wayOut } from './wayOut.ts'

const kernel = await openKernel({ coarser: 4 })

/** An upright body over a rectangle, its upper end `wider` on each side. */
const block = ([x0, y0, z0]: Vector, [x1, y1, z1]: Vector, wider = 0): SolidRecipe => ({
  kind: 'stack',
  levels: [
    [z0, 0],
    [z1, wider],
  ].map(([z, w]) => ({
    z: z!,
    points: [
      [x0 - w!, y0],
      [x1 + w!, y0],
      [x1 + w!, y1],
      [x0 - w!, y1],
    ],
  })),
  name: 'b',
  lowName: 'b',
  highName: 'b',
})
const own = block([0, 0, 0], [40, 20, 30])
const floor = block([-100, -100, -10], [140, 120, 0])
const left = block([-20, -100, 0], [0, 120, 60])
const right = block([40, -100, 0], [60, 120, 60])
const front = block([0, -20, 0], [40, 0, 60])
const back = block([0, 20, 0], [40, 40, 60])
const lid = block([-100, -100, 30], [140, 120, 40])

describe('a way out, by moving the solid', () => {
  it.each<[string, SolidRecipe, Vector, readonly SolidRecipe[], Vector | null]>([
    ['nothing round it: its own pull', own, [0, -1, 0], [floor], [0, -1, 0]],
    ['a channel along its pull', own, [0, -1, 0], [floor, left, right], [0, -1, 0]],
    ['a channel across its pull: up', own, [-1, 0, 0], [floor, left, right], [0, 0, 1]],
    ['shut in all round, open above', own, [0, -1, 0], [floor, left, right, front, back], [0, 0, 1]],
    ['shut in all round and above', own, [0, -1, 0], [floor, left, right, front, back, lid], null],
    [
      'a dovetail shut at one end: along its channel',
      block([-5, 0, 0], [45, 20, 30], -5),
      [0, 1, 0],
      [floor, block([-40, -100, 0], [-5, 120, 60], 5), block([45, -100, 0], [80, 120, 60], 5), back],
      [0, -1, 0],
    ],
    [
      'a dovetail shut at both ends',
      block([-5, 0, 0], [45, 20, 30], -5),
      [0, 1, 0],
      [floor, block([-40, -100, 0], [-5, 120, 60], 5), block([45, -100, 0], [80, 120, 60], 5), front, back],
      null,
    ],
    ['something that only touches it', own, [0, -1, 0], [floor, left, right, back], [0, -1, 0]],
    ['drawn up, a lid in its way', own, [0, 0, 1], [lid], null],
  ])('%s', (_, recipe, pull, standing, way) => {
    const found = wayOut(kernel, { recipe, pull }, standing)
    if (way === null) expect(found).toBeNull()
    else expect(found).toEqual(way.map((n) => expect.closeTo(n, 9)))
  })
})
