import fc from 'fast-check'
import { expect, it } from 'vitest'
import { applyPatches, diffTrees } from './patches.ts'

it('turns any tree into any other and back', () => {
  const tree = fc.dictionary(fc.constantFrom('a', 'b', 'c'), fc.jsonValue({ maxDepth: 3 }))
  fc.assert(
    fc.property(tree, tree, (a, b) => {
      expect(applyPatches(a, diffTrees(a, b))).toEqual(b)
      expect(applyPatches(b, diffTrees(b, a))).toEqual(a)
    }),
    { seed: 12 },
  )
})

it('is small for a small change and shares the rest', () => {
  const before = {
    name: 'job',
    pieces: [
      { id: 'a', size: 1 },
      { id: 'b', size: 2 },
    ],
  }
  const after = { ...before, pieces: [before.pieces[0]!, { id: 'b', size: 3 }] }
  expect(diffTrees(before, after)).toEqual([{ path: ['pieces', 1, 'size'], value: 3 }])
  expect(applyPatches(before, diffTrees(before, after)).pieces[0]).toBe(before.pieces[0])
})
