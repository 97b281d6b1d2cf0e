import fc from 'fast-check'
import { beforeAll, describe, expect, it } from 'vitest'
import { testKernel } from '../testing/testKernel.ts'
import {
  CACHE_LIMIT,
  circleLoop,
  combineRegions,
  creaseLines,
  gapOfCircles,
  type Kernel,
  type Loop,
  loopRegion,
  measureGap,
  measureLoop,
  measureRegion,
  measureSolid,
  meshSolid,
  mirrorLoop,
  offsetRegion,
  openKernel,
  recipeKey,
  rectangleLoop,
  reverseLoop,
  type SolidRecipe,
  sectionSolid,
  uprightPlane,
} from './index.ts'

let kernel: Kernel
beforeAll(async () => {
  kernel = await testKernel()
})

const names = { sides: ['front', 'right', 'back', 'left'], corners: ['fl', 'fr', 'br', 'bl'] } as const
const slab = (r: number): Loop => rectangleLoop([0, 0], 900, 500, [r, r, r, r], names)
const prism = (outline: Loop, holes: Loop[] = []): SolidRecipe => ({
  kind: 'prism',
  outline,
  holes,
  low: 0,
  high: 45,
  lowName: 'bottom',
  highName: 'top',
})
const NAMES = ['front', 'right', 'back', 'left']
/** The slab with a chamfer along the top of the sides given, as a loft. */
const eased = (r: number, legs: Partial<Record<string, number>>, holes: Loop[] = []): SolidRecipe => ({
  kind: 'loft',
  outline: rectangleLoop([0, 0], 900, 500, [0, 0, 0, 0], names).map((s, i) => {
    const leg = legs[s.name] ?? 0
    return {
      ...s,
      radius: r,
      corner: ['fl', 'fr', 'br', 'bl'][i]!,
      profile: [
        { z: 0, inset: 0, name: s.name },
        { z: 45 - leg, inset: 0, name: leg > 0 ? `edge/${NAMES[i]}` : s.name },
        { z: 45, inset: leg, name: s.name },
      ],
    }
  }),
  holes: holes.map((loop) =>
    reverseLoop(loop).map((s) => ({
      ...s,
      radius: 0,
      corner: s.name,
      profile: [{ z: 0, inset: 0, name: s.name }],
    })),
  ),
  low: 0,
  high: 45,
  lowName: 'bottom',
  highName: 'top',
})
const less = (from: SolidRecipe, ...minus: SolidRecipe[]): SolidRecipe => ({
  kind: 'difference',
  from,
  minus,
})
const measure = (recipe: SolidRecipe) => kernel.withSolids((s) => measureSolid(s.solid(recipe).body))
const volume = (recipe: SolidRecipe) => measure(recipe).volume

describe('loops', () => {
  it.each([
    ['rectangle', slab(0), 450_000, 2800],
    ['rounded', slab(40), 450_000 - (4 - Math.PI) * 1600, 2800 - 320 + 80 * Math.PI],
    ['circle', circleLoop([7, -3], 50, 'wall'), Math.PI * 2500, 100 * Math.PI],
    [
      'stadium',
      rectangleLoop([0, 0], 100, 40, [20, 20, 20, 20], names),
      60 * 40 + Math.PI * 400,
      120 + 40 * Math.PI,
    ],
  ])('%s: area and boundary are exact', (_, loop, area, perimeter) => {
    expect(measureLoop(loop).area).toBeCloseTo(area, 6)
    expect(measureLoop(loop).perimeter).toBeCloseTo(perimeter, 9)
    expect(measureLoop(reverseLoop(loop)).area).toBeCloseTo(-area, 6)
    expect(Math.abs(measureRegion(loopRegion(loop)) / area - 1)).toBeLessThan(0.00034)
  })
  it('has the centroid of its lines and arcs', () => {
    const [x, y] = measureLoop(rectangleLoop([0, 0], 100, 60, [0, 30, 30, 0], names)).centroid
    const half = (Math.PI * 900) / 2
    expect(x).toBeCloseTo((70 * 60 * 35 + half * (70 + (4 * 30) / (3 * Math.PI))) / (70 * 60 + half), 6)
    expect(y).toBeCloseTo(30, 9)
  })
  it('mirrors twice to itself', () => {
    const loop = rectangleLoop([10, 20], 300, 200, [5, 0, 40, 12], names)
    const twice = mirrorLoop(mirrorLoop(loop, 450), 450)
    expect(measureLoop(twice)).toEqual(measureLoop(loop))
    expect(twice.map((s) => s.name)).toEqual(loop.map((s) => s.name))
    expect(measureLoop(mirrorLoop(loop, 450)).area).toBeCloseTo(measureLoop(loop).area, 9)
  })
})

describe('solids', () => {
  it('keeps face names through booleans', () => {
    const hole = circleLoop([450, 250], 60, 'opening/pipe/wall/1')
    const recipe = eased(40, { front: 6, right: 10 }, [hole])
    const mesh = kernel.withSolids((s) => meshSolid(s.solid(recipe)))
    expect([...mesh.faceNames].sort()).toEqual([
      'back',
      'bl',
      'bottom',
      'br',
      'edge/front',
      'edge/right',
      'fl',
      'fr',
      'front',
      'left',
      'opening/pipe/wall/1',
      'right',
      'top',
    ])
    const top = mesh.faceNames.indexOf('top')
    mesh.faceOfTriangle.forEach((face, t) => {
      if (face !== top) return
      for (const v of mesh.triangles.subarray(t * 3, t * 3 + 3))
        expect(mesh.positions[v * 3 + 2]).toBeCloseTo(45, 4)
    })
  })
  it('draws the edges of a box and no others, also where two originals meet', () => {
    const lines = (recipe: SolidRecipe) =>
      kernel.withSolids((s) => creaseLines(meshSolid(s.solid(recipe)))).length / 6
    expect(lines(prism(slab(0)))).toBe(12)
    expect(lines(eased(0, { front: 10, right: 10, back: 10, left: 10 }))).toBe(20)
  })
  it('measures a half turn the same, with its centre turned', () => {
    const recipe = eased(0, { front: 6 }, [circleLoop([200, 100], 60, 'w')])
    const turn: SolidRecipe = {
      kind: 'moved',
      solid: recipe,
      by: { x: [-1, 0, 0], y: [0, 1, 0], z: [0, 0, -1], origin: [900, 0, 45] },
    }
    const [a, b, c] = [measure(recipe), measure(turn), measure({ ...turn, solid: turn })]
    expect(b.volume).toBeCloseTo(a.volume, 1)
    expect(b.centroid![0]).toBeCloseTo(900 - a.centroid![0], 2)
    expect(b.centroid![2]).toBeCloseTo(45 - a.centroid![2], 2)
    expect(c.centroid![0]).toBeCloseTo(a.centroid![0], 2)
  })
  it('turns, unites and intersects', () => {
    const ring: SolidRecipe = {
      kind: 'turned',
      at: [0, 0],
      profile: [
        { radius: 30, z: 0, name: 'under' },
        { radius: 50, z: 0, name: 'out' },
        { radius: 50, z: 40, name: 'top' },
        { radius: 30, z: 40, name: 'in' },
      ],
    }
    expect(Math.abs(volume(ring) / (Math.PI * 1600 * 40) - 1)).toBeLessThan(0.0004)
    const box = (x: number) => prism(rectangleLoop([x, 0], 100, 100, [0, 0, 0, 0], names))
    expect(volume({ kind: 'union', of: [box(0), box(50)] })).toBeCloseTo(150 * 100 * 45, 0)
    expect(volume({ kind: 'intersection', of: [box(0), box(50)] })).toBeCloseTo(50 * 100 * 45, 0)
    expect(measure({ kind: 'intersection', of: [box(0), box(500)] }).centroid).toBeNull()
  })
  it('is cut by an upright, a level and a slanting plane', () => {
    const recipe = prism(slab(0), [rectangleLoop([200, 100], 380, 280, [0, 0, 0, 0], names)])
    const area = (plane: Parameters<typeof sectionSolid>[2]) =>
      measureRegion(kernel.withSolids((s) => sectionSolid(s, s.solid(recipe), plane)))
    expect(area(uprightPlane([0, 250], [900, 250]))).toBeCloseTo((900 - 380) * 45, 1)
    expect(area(uprightPlane([0, 50], [900, 50]))).toBeCloseTo(900 * 45, 1)
    expect(area({ origin: [0, 0, 20], u: [1, 0, 0], v: [0, 1, 0] })).toBeCloseTo(450_000 - 380 * 280, 0)
    const s = Math.SQRT1_2
    expect(area({ origin: [0, 20, 0], u: [1, 0, 0], v: [0, s, s] })).toBeCloseTo(900 * 45 * Math.SQRT2, 0)
  })
  it('holds native memory flat over 1,000 edits and at most 64 solids', async () => {
    const memories: WebAssembly.Memory[] = []
    const { instantiate } = WebAssembly
    WebAssembly.instantiate = (async (...given: Parameters<typeof instantiate>) => {
      const made = (await instantiate(...given)) as unknown as
        | WebAssembly.WebAssemblyInstantiatedSource
        | WebAssembly.Instance
      const { exports } = 'instance' in made ? made.instance : made
      for (const item of Object.values(exports)) if (item instanceof WebAssembly.Memory) memories.push(item)
      return made
    }) as typeof instantiate
    const own = await openKernel()
    WebAssembly.instantiate = instantiate
    expect(memories).toHaveLength(1)
    const edit = (i: number) =>
      own.withSolids((s) => {
        const recipe = less(
          { ...prism(slab(0)), high: 45 + i / 1000 } as SolidRecipe,
          prism(rectangleLoop([0, -1], 900, 11, [0, 0, 0, 0], names)),
        )
        return sectionSolid(s, s.solid(recipe), uprightPlane([0, 250], [900, 250])).length
      })
    for (let i = 0; i < 200; i += 1) edit(i)
    const before = memories[0]!.buffer.byteLength
    for (let i = 200; i < 1200; i += 1) edit(i)
    expect(memories[0]!.buffer.byteLength).toBe(before)
    expect(own.cachedSolids()).toBeLessThanOrEqual(CACHE_LIMIT)
  })
})

describe('regions', () => {
  const square = [
    [
      [0, 0],
      [100, 0],
      [100, 100],
      [0, 100],
    ],
  ] as const
  it.each([
    ['mitre', 10, 14_400],
    ['round', 10, 10_000 + 4000 + Math.PI * 100],
    ['mitre', -10, 6400],
    ['round', -60, 0],
  ] as const)('%s offset by %d', (join, delta, area) =>
    expect(measureRegion(offsetRegion(kernel, square, delta, join))).toBeCloseTo(area, -1),
  )
  it('combines', () => {
    const other = square.map((ring) => ring.map(([x, y]) => [x + 50, y] as const))
    const area = (how: 'union' | 'intersection' | 'difference') =>
      measureRegion(combineRegions(kernel, how, [square, other]))
    expect([area('union'), area('intersection'), area('difference')]).toEqual([15_000, 5000, 5000])
  })
  it('measures the gap between a hole and a straight side, and how long it stays narrow', () => {
    const hole = loopRegion(circleLoop([50, 40], 17.5, 'w'))
    const side = [
      [
        [-500, 0],
        [500, 0],
        [500, -1],
        [-500, -1],
      ],
    ] as const
    const gap = measureGap(hole, side)
    expect(gap.least).toBeCloseTo(22.5, 2)
    expect(gap.narrowLength).toBeCloseTo(2 * 17.5 * Math.acos(1 - (22.5 * 0.25) / 17.5), 0)
    const bar = [
      [
        [0, 10],
        [200, 10],
        [200, 60],
        [0, 60],
      ],
    ] as const
    expect(measureGap(bar, side).narrowLength).toBeGreaterThan(200)
  })

  it('measures the gap between two circles as their chords do', () => {
    const size = fc.double({ min: 3, max: 300, noNaN: true })
    fc.assert(
      fc.property(size, size, size, fc.double({ min: 0, max: 6.28, noNaN: true }), (r, other, apart, way) => {
        const d = r + other + apart
        const [of, against] = [
          { centre: [7, -3] as const, radius: r },
          { centre: [7 + d * Math.cos(way), -3 + d * Math.sin(way)] as const, radius: other },
        ]
        const exact = gapOfCircles(of, against)
        const chords = measureGap(
          loopRegion(circleLoop(of.centre, r, 'a')),
          loopRegion(circleLoop(against.centre, other, 'b')),
        )
        expect(exact.least).toBeCloseTo(apart, 9)
        expect(Math.abs(chords.least - exact.least)).toBeLessThan(0.11)
        expect(Math.hypot(exact.to[0] - exact.from[0], exact.to[1] - exact.from[1])).toBeCloseTo(apart, 9)
        // Chords that end half within the narrow part count whole or not at all.
        const step = (2 * Math.PI * r) / 100
        expect(Math.abs(chords.narrowLength - exact.narrowLength)).toBeLessThan(
          2 * step + 0.05 * exact.narrowLength,
        )
      }),
      { seed: 26, numRuns: 120 },
    )
  })
})

it('keys equal data alike whatever its order, and different data apart', () => {
  expect(recipeKey({ a: 1, b: [2, { c: 3, d: 4 }] })).toBe(recipeKey({ b: [2, { d: 4, c: 3 }], a: 1 }))
  fc.assert(
    fc.property(
      fc.double({ noNaN: true }),
      fc.double({ noNaN: true }),
      (a, b) => Object.is(a, b) || a === b || recipeKey([a]) !== recipeKey([b]),
    ),
    { seed: 2 },
  )
})
