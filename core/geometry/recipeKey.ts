import type { SolidRecipe } from './recipe.ts'

/** JSON with sorted keys, so that equal data gives equal text whatever the order it was written in. */
export function canonicalJson(value: unknown): string {
  if (Array.isArray(value)) return `[${value.map(canonicalJson).join(',')}]`
  if (value && typeof value === 'object') {
    const record = value as Readonly<Record<string, unknown>>
    let text = ''
    for (const key of Object.keys(record).sort())
      if (record[key] !== undefined)
        text += `${text ? ',' : ''}${JSON.stringify(key)}:${canonicalJson(record[key])}`
    return `{${text}}`
  }
  return JSON.stringify(value) ?? 'null'
}

/** 106 bits of two multiplicative hashes (after MurmurHash's mixing constants): keys a cache, never a secret. */
export function hashText(text: string): string {
  let a = 0xdeadbeef
  let b = 0x41c6ce57
  for (let i = 0; i < text.length; i += 1) {
    const c = text.charCodeAt(i)
    a = Math.imul(a ^ c, 0x9e3779b1)
    b = Math.imul(b ^ c, 0x5f356495)
  }
  a = Math.imul(a ^ (a >>> 16), 0x85ebca6b) ^ Math.imul(b ^ (b >>> 13), 0xc2b2ae35)
  b = Math.imul(b ^ (b >>> 16), 0x85ebca6b) ^ Math.imul(a ^ (a >>> 13), 0xc2b2ae35)
  return `${(a >>> 0).toString(36)}-${(b >>> 0).toString(36)}-${text.length.toString(36)}`
}

/** The cache key of any plain data. */
export const recipeKey = (data: unknown): string => hashText(canonicalJson(data))

const keys = new WeakMap<SolidRecipe, string>()

/**
 * The cache key of a recipe. A recipe holds others, and a mould's parts hold the same ones many times over: each is
 * written out once and remembered as long as it lives. Recipes are never changed once they are made.
 */
export function solidKey(recipe: SolidRecipe): string {
  const known = keys.get(recipe)
  if (known) return known
  const told: Record<string, unknown> = { ...recipe }
  switch (recipe.kind) {
    case 'difference':
      told.from = solidKey(recipe.from)
      told.minus = recipe.minus.map(solidKey)
      break
    case 'union':
    case 'intersection':
      told.of = recipe.of.map(solidKey)
      break
    case 'moved':
    case 'trimmed':
    case 'grown':
    case 'outset':
    case 'flange':
    case 'tidied':
    case 'body':
      told.solid = solidKey(recipe.solid)
  }
  const key = recipeKey(told)
  keys.set(recipe, key)
  return key
}
