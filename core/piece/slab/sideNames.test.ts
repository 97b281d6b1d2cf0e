import { describe, expect, it } from 'vitest'
import type { PathCorner } from '../../geometry/index.ts'
import { sideNames } from './sideNames.ts'

const path = (list: readonly (readonly [number, number, number?])[]): PathCorner[] =>
  list.map(([x, y, rise], i) => ({
    x,
    y,
    side: `side-${i + 1}`,
    radius: 0,
    run: rise ? { kind: 'arc', rise } : { kind: 'line' },
  }))
const named = (list: readonly (readonly [number, number, number?])[]) => [...sideNames(path(list)).values()]

describe('what the sides of a plan are called, from its front left corner on', () => {
  it.each<[string, readonly (readonly [number, number, number?])[], string[]]>([
    [
      'a rectangle',
      [
        [0, 0],
        [900, 0],
        [900, 500],
        [0, 500],
      ],
      ['front', 'right', 'back', 'left'],
    ],
    [
      'one with a notch at its back left',
      [
        [0, 0],
        [1180, 0],
        [1180, 520],
        [190, 520],
        [190, 370],
        [0, 370],
      ],
      ['front', 'right', 'back', 'notch left', 'notch back', 'left'],
    ],
    [
      'an L, whose missing part is large',
      [
        [0, 0],
        [1400, 0],
        [1400, 500],
        [500, 500],
        [500, 1200],
        [0, 1200],
      ],
      ['front', 'right', 'step back', 'step right', 'back', 'left'],
    ],
    [
      'a U, open at the front',
      [
        [0, 0],
        [300, 0],
        [300, 400],
        [900, 400],
        [900, 0],
        [1200, 0],
        [1200, 700],
        [0, 700],
      ],
      [
        'front, left part',
        'inner right',
        'inner front',
        'inner left',
        'front, right part',
        'right',
        'back',
        'left',
      ],
    ],
    [
      'two notches',
      [
        [100, 0],
        [900, 0],
        [900, 400],
        [800, 400],
        [800, 500],
        [0, 500],
        [0, 90],
        [100, 90],
      ],
      ['front', 'right', 'notch back', 'notch right', 'back', 'left', 'notch front', 'notch left'],
    ],
    [
      'a corner cut off',
      [
        [0, 0],
        [900, 0],
        [900, 500],
        [200, 500],
        [0, 300],
      ],
      ['front', 'right', 'back', 'back left', 'left'],
    ],
    [
      'an octagon',
      [
        [200, 0],
        [400, 0],
        [600, 200],
        [600, 400],
        [400, 600],
        [200, 600],
        [0, 400],
        [0, 200],
      ],
      ['front', 'front right', 'right', 'back right', 'back', 'back left', 'left', 'front left'],
    ],
    [
      'a round one of two sides',
      [
        [0, 200, 200],
        [400, 200, 200],
      ],
      ['front', 'back'],
    ],
    [
      'a front bowed outward',
      [
        [0, 100, 80],
        [900, 100],
        [900, 500],
        [0, 500],
      ],
      ['front', 'right', 'back', 'left'],
    ],
    [
      'twelve sides: several look the same way',
      Array.from({ length: 12 }, (_, i): [number, number] => {
        const a = ((-105 + 30 * i) * Math.PI) / 180
        return [500 + 500 * Math.cos(a), 500 + 500 * Math.sin(a)]
      }),
      [
        'front',
        'front right, front part',
        'front right, back part',
        'right',
        'back right, front part',
        'back right, back part',
        'back',
        'back left, back part',
        'back left, front part',
        'left',
        'front left, back part',
        'front left, front part',
      ],
    ],
  ])('%s', (_, list, expected) => expect(named(list)).toEqual(expected))
  it('no two are called the same, whatever the plan', () => {
    let seed = 7
    const next = () => {
      seed = (seed * 16807) % 2147483647
      return seed / 2147483647
    }
    for (let run = 0; run < 200; run += 1) {
      const n = 3 + Math.floor(next() * 30)
      const list = Array.from({ length: n }, (_, i): [number, number] => {
        const [a, r] = [(2 * Math.PI * i) / n, 100 + 400 * next()]
        return [r * Math.cos(a), r * Math.sin(a)]
      })
      const names = named(list)
      expect([run, new Set(names).size]).toEqual([run, n])
    }
  })
})
