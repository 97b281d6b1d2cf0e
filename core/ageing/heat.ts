/** Of the rise that no heat is lost from, the share that the middle of a pour so thick keeps, mm: between them evenly [own]. */
const KEPT: readonly (readonly [mm: number, share: number])[] = [
  [0, 0],
  [50, 0.1],
  [100, 0.3],
  [300, 0.6],
  [600, 0.9],
  [1200, 1],
]
/** Rise without loss, degC for each 100 kg of cement in a cubic metre. */
const RISE = 12
/** Of the rise in the middle, what its face in the mould takes on [own]. */
const FACE = 1 / 3

export const keptShare = (thickMm: number): number => {
  const at = KEPT.findIndex(([mm]) => mm >= thickMm)
  if (at < 0) return 1
  if (at === 0) return 0
  const [[fromMm, from], [toMm, to]] = [KEPT[at - 1]!, KEPT[at]!]
  return from + ((to - from) * (thickMm - fromMm)) / (toMm - fromMm)
}

/**
 * How warm a pour grows while it sets, degC, in its middle and at its face. Example: 300 mm thick with 350 kg cement a m3,
 * poured at 20: 42 degC of rise, 0.6 of it kept, 45 in the middle and 28 at the face.
 */
export function warmth(
  pouredDegC: number,
  cementKgPerM3: number,
  thickMm: number,
): { readonly coreDegC: number; readonly faceDegC: number } {
  const rise = (RISE * cementKgPerM3 * keptShare(thickMm)) / 100
  return { coreDegC: pouredDegC + rise, faceDegC: pouredDegC + rise * FACE }
}
