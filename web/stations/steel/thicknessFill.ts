/** Thinner is darker: under what is wanted in oxide, above it in ever less green-grey. */
export function fillOf(upToMm: number, wanted: number): string {
  const share = upToMm / wanted
  const mix = (of: string, percent: number) => `color-mix(in srgb, var(--${of}) ${percent}%, var(--sheet))`
  if (share <= 0.34) return mix('oxide', 80)
  if (share <= 0.67) return mix('oxide', 55)
  if (share <= 1) return mix('oxide', 26)
  if (share <= 1.5) return mix('settled', 34)
  if (share <= 2) return mix('settled', 24)
  if (share <= 3) return mix('settled', 15)
  return mix('settled', 8)
}
