import { describe, expect, it } from 'vitest'
import type { PathCorner } from '../../geometry/index.ts'
import type { Outline } from '../../job/index.ts'
import { outlineEdges, outlineLoop, outlinePath, sideWords } from './outlineLoop.ts'

const rectangle = (radii: [number, number, number, number]): Outline => ({
  kind: 'rectangle',
  length: 900,
  width: 500,
  radii,
})
const corners = (list: readonly (readonly [number, number, string, number?])[]): PathCorner[] =>
  list.map(([x, y, side, radius = 0]) => ({ x, y, side, radius, run: { kind: 'line' } }))
const L = corners([
  [0, 0, 'front', 20],
  [900, 0, 'right'],
  [900, 500, 'back', 30],
  [400, 500, 'side-5'],
  [400, 250, 'side-6', 15],
  [0, 250, 'left'],
])

describe('the edges of an outline', () => {
  it.each<[string, Outline, number, number]>([
    ['a rectangle', rectangle([0, 0, 0, 0]), 4, 0],
    ['a rounded one', rectangle([20, 20, 20, 20]), 4, 4],
    ['one of two rounds', rectangle([20, 0, 0, 40]), 4, 2],
    ['an L', { kind: 'polygon', corners: L } as Outline, 6, 3],
  ])('have all the names that the loop of %s has', (_, outline, sides, rounds) => {
    const edges = outlineEdges(outlinePath(outline))
    const found = outlineLoop(outline).map((segment) => edges.get(segment.name))
    expect(found.every((edge) => edge !== undefined)).toBe(true)
    expect([
      found.filter((e) => e!.of === 'side').length,
      found.filter((e) => e!.of === 'corner').length,
    ]).toEqual([sides, rounds])
  })
  it('say what a side and a corner are called', () => {
    const edges = outlineEdges(outlinePath(rectangle([20, 20, 20, 20])))
    const said = [...new Set([...edges.values()].map((e) => `${e.of} ${e.id}: ${e.words}`))].sort()
    expect(said).toEqual([
      'corner back-left: back left',
      'corner back-right: back right',
      'corner front-left: front left',
      'corner front-right: front right',
      'side back: back',
      'side front: front',
      'side left: left',
      'side right: right',
    ])
    expect(sideWords('side-5')).toBe('side 5')
  })
  it('are the same corners for a path that is walked the other way, as a mirrored plan is', () => {
    const there = outlineEdges(L)
    const mirrored = corners(
      L.map(
        ({ x, y, radius }, i) => [900 - x, y, L[(i + L.length - 1) % L.length]!.side, radius] as const,
      ).reverse(),
    )
    const back = outlineEdges(mirrored)
    for (const [name, edge] of back) if (edge.of === 'side') expect(there.get(name)).toEqual(edge)
    const cornersOf = (edges: typeof there) =>
      [...edges]
        .filter(([, e]) => e.of === 'corner')
        .map(([name]) => name)
        .sort()
    expect(cornersOf(back)).toEqual(cornersOf(there))
  })
  it('of a round plan are two sides that meet twice, and no corner is lost for a side', () => {
    const round = corners([
      [0, 200, 'front'],
      [400, 200, 'back'],
    ])
    const edges = outlineEdges(round)
    expect([...edges.values()].filter((e) => e.of === 'side').map((e) => e.id)).toEqual(['front', 'back'])
    expect([...edges.values()].some((e) => e.of === 'corner')).toBe(true)
  })
})
