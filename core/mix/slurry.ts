/** Neat cement and water for a face. */
export type Slurry = {
  readonly mm: number
  readonly areaM2: number
  readonly cementKg: number
  readonly waterLitres: number
}

/** Water on cement by mass, and cement's own density, kg/L. */
const WATER_CEMENT = 0.4
const CEMENT = 3.1

/** A skin of cement paste at 0.4: 1.384 kg of cement and 0.554 L of water a square metre and millimetre. Null for none. */
export function slurryOf(mm: number, areaM2: number): Slurry | null {
  const litres = mm * areaM2
  if (litres <= 0) return null
  const cementKg = litres / (1 / CEMENT + WATER_CEMENT)
  return { mm, areaM2, cementKg, waterLitres: cementKg * WATER_CEMENT }
}

/** Thinner than this it does not cover, thicker it pools and crazes, mm; concrete is on it before so many minutes at 20 degC. */
export const SLURRY = { least: 0.3, most: 1, skinMinutes: 20 } as const
