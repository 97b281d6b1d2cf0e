/**
 * Conversions between the base set (mm, kg, N, MPa, minutes) and the units people buy and read in.
 * Source: international yard and pound (1959); SI.
 */
export const MM3_PER_LITRE = 1e6
export const LITRES_PER_CUBIC_FOOT = 28.316846592
export const KG_PER_POUND = 0.45359237
export const MPA_PER_PSI = 0.00689475729
export const KG_PER_M3_PER_LB_PER_FT3 = KG_PER_POUND / (LITRES_PER_CUBIC_FOOT / 1000)
/** Standard gravity as trades reckon with it, N/kg; only `massToForce` and `forceToMass` use it. */
const GRAVITY = 9.81

/** Volume in mm3 to litres. */
export const mm3ToLitres = (volume: number): number => volume / MM3_PER_LITRE

/** Mass in kg of a volume in mm3 at a density in kg/m3. `massOf(1e6, 2300)` is 2.3. */
export const massOf = (volume: number, densityKgPerM3: number): number => volume * densityKgPerM3 * 1e-9

/** The one place where mass becomes force: N from kg. `massToForce(10)` is 98.1. */
export const massToForce = (kg: number): number => kg * GRAVITY

/** And back: the kg whose weight is a force in N. */
export const forceToMass = (newtons: number): number => newtons / GRAVITY
