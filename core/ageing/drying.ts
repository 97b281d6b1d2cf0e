export type DryingAir = {
  readonly concreteDegC: number
  readonly airDegC: number
  /** Relative humidity as a fraction. */
  readonly humidity: number
  readonly windKmPerH: number
}

/**
 * Water leaving a wet surface, kg/m2 per hour, never below 0:
 * E = 5 ((Tc + 18)^2.5 - r (Ta + 18)^2.5)(V + 4) 1e-6. Source: Uno (1998), after Menzel.
 * `dryingRate({concreteDegC: 30, airDegC: 30, humidity: 0.4, windKmPerH: 15})` is 0.910.
 */
export function dryingRate({ concreteDegC, airDegC, humidity, windKmPerH }: DryingAir): number {
  const power = (degC: number) => Math.max(0, degC + 18) ** 2.5
  return Math.max(0, 5 * (power(concreteDegC) - humidity * power(airDegC)) * (windKmPerH + 4) * 1e-6)
}
