/** One place in a JSON tree that changed; `gone` where the key is no longer there. */
export type Patch = { readonly path: readonly (string | number)[] } & (
  | { readonly value: unknown }
  | { readonly gone: true }
)

const isTree = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null

/**
 * The patches that turn `before` into `after`. Branches shared by reference are not entered; a list whose length
 * changed is replaced whole.
 */
export function diffTrees(before: unknown, after: unknown, path: readonly (string | number)[] = []): Patch[] {
  if (Object.is(before, after)) return []
  if (!isTree(before) || !isTree(after) || Array.isArray(before) !== Array.isArray(after))
    return [{ path, value: after }]
  if (Array.isArray(before) && Array.isArray(after)) {
    if (before.length !== after.length) return [{ path, value: after }]
    return before.flatMap((item, i) => diffTrees(item, after[i], [...path, i]))
  }
  const keys = new Set([...Object.keys(before), ...Object.keys(after)])
  return [...keys].flatMap((key): Patch[] => {
    if (!Object.hasOwn(after, key)) return [{ path: [...path, key], gone: true }]
    if (!Object.hasOwn(before, key)) return [{ path: [...path, key], value: after[key] }]
    return diffTrees(before[key], after[key], [...path, key])
  })
}

/** The tree with the patches applied; what they do not touch is shared with the one given. */
export const applyPatches = <T>(tree: T, patches: readonly Patch[]): T =>
  patches.reduce<unknown>((result, patch) => setAt(result, patch.path, patch), tree) as T

function setAt(tree: unknown, path: readonly (string | number)[], patch: Patch): unknown {
  const [key, ...rest] = path
  if (key === undefined) return 'value' in patch ? patch.value : undefined
  if (Array.isArray(tree)) return tree.map((item, i) => (i === key ? setAt(item, rest, patch) : item))
  if (!isTree(tree)) throw new Error(`a patch leads nowhere at ${String(key)}`)
  if (rest.length === 0 && 'gone' in patch) {
    const { [key]: _, ...left } = tree
    return left
  }
  return { ...tree, [key]: setAt(tree[key], rest, patch) }
}
