import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { SolidRecipe } from './recipe.ts'
import { canonicalJson, hashText, recipeKey, solidKey } from './recipeKey.ts'

/** The same data with the keys of every record in another order. */
const shuffled = (value: unknown): unknown =>
  Array.isArray(value)
    ? value.map(shuffled)
    : value && typeof value === 'object'
      ? Object.fromEntries(
          Object.entries(value)
            .reverse()
            .map(([k, v]) => [k, shuffled(v)]),
        )
      : value

describe('canonical JSON', () => {
  it.each<[unknown, string]>([
    [null, 'null'],
    [undefined, 'null'],
    [1.5, '1.5'],
    [-0, '0'],
    [Number.NaN, 'null'],
    ['a "b"', '"a \\"b\\""'],
    [[], '[]'],
    [{}, '{}'],
    [{ b: 1, a: [true, { d: 2, c: 3 }] }, '{"a":[true,{"c":3,"d":2}],"b":1}'],
    // What is not there is not told; in a list it keeps its place.
    [{ a: undefined, b: 1 }, '{"b":1}'],
    [[undefined, 1], '[null,1]'],
    [{ '10': 1, '9': 2, a: 3 }, '{"10":1,"9":2,"a":3}'],
    [{ ä: 1, z: 2, Z: 3 }, '{"Z":3,"z":2,"ä":1}'],
  ])('of %j is %s', (value, text) => {
    expect(canonicalJson(value)).toBe(text)
  })
  it('is the same whatever the order of keys, and reads back as the data', () => {
    fc.assert(
      fc.property(fc.jsonValue({ maxDepth: 4 }), (value) => {
        const text = canonicalJson(value)
        expect(canonicalJson(shuffled(value))).toBe(text)
        expect(JSON.parse(text)).toEqual(JSON.parse(JSON.stringify(value)))
      }),
      { seed: 9 },
    )
  })
})

describe('a key', () => {
  it('tells apart what differs, however little', () => {
    fc.assert(
      fc.property(fc.jsonValue({ maxDepth: 3 }), fc.jsonValue({ maxDepth: 3 }), (a, b) => {
        expect(recipeKey(a) === recipeKey(b)).toBe(canonicalJson(a) === canonicalJson(b))
      }),
      { seed: 10, numRuns: 400 },
    )
    const keys = new Set(Array.from({ length: 20_000 }, (_, i) => hashText(`strip ${i / 100} x ${i % 7}`)))
    expect(keys.size).toBe(20_000)
  })
  it('tells apart texts that differ by their last letter, their order, or their length', () => {
    for (const [a, b] of [
      ['', ' '],
      ['a', 'b'],
      ['ab', 'ba'],
      ['aa', 'aaa'],
      ['x'.repeat(1000), `${'x'.repeat(999)}y`],
      ['\u0000', '\u0000\u0000'],
    ])
      expect([a, b, hashText(a!) === hashText(b!)]).toEqual([a, b, false])
  })
})

describe('the key of a solid', () => {
  const box = (x: number, high = 10): SolidRecipe => ({
    kind: 'prism',
    outline: [
      [0, 0],
      [x, 0],
      [x, 5],
    ].map(([px, py], i, all) => ({
      name: `${i}`,
      from: [px!, py!] as const,
      to: [all[(i + 1) % 3]![0]!, all[(i + 1) % 3]![1]!] as const,
      arc: null,
    })),
    holes: [],
    low: 0,
    high,
    lowName: 'bottom',
    highName: 'top',
  })
  it('is of what it is made, not of which record says so', () => {
    expect(solidKey(box(4))).toBe(solidKey(box(4)))
    expect(solidKey(box(4))).not.toBe(solidKey(box(4.0001)))
  })
  it.each<[string, (a: SolidRecipe, b: SolidRecipe) => SolidRecipe]>([
    ['a union', (a, b) => ({ kind: 'union', of: [a, b] })],
    ['an intersection', (a, b) => ({ kind: 'intersection', of: [a, b] })],
    ['a difference', (a, b) => ({ kind: 'difference', from: a, minus: [b] })],
  ])('of %s changes with each of its parts, and with their order', (_, make) => {
    const key = (a: number, b: number) => solidKey(make(box(a), box(b, 20)))
    expect(key(4, 5)).toBe(key(4, 5))
    expect(new Set([key(4, 5), key(4, 6), key(3, 5)]).size).toBe(3)
    expect(solidKey(make(box(4), box(5)))).not.toBe(solidKey(make(box(5), box(4))))
  })
  it('tells the ways of joining apart', () => {
    const [a, b] = [box(4), box(5)]
    const keys = [
      solidKey(a),
      solidKey({ kind: 'union', of: [a, b] }),
      solidKey({ kind: 'intersection', of: [a, b] }),
      solidKey({ kind: 'difference', from: a, minus: [b] }),
      solidKey({ kind: 'difference', from: a, minus: [] }),
    ]
    expect(new Set(keys).size).toBe(keys.length)
  })
})
