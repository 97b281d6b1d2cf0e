import type { Filament, Printer } from '../../stock/index.ts'

export type PrintFigures = {
  readonly grams: number
  readonly filamentM: number
  readonly hours: number
  readonly cost: number | null
}

/**
 * What a solid part of `volume` mm3 takes to print: filament length V/(pi d^2/4), mass V rho, time V/flow and what the
 * printer spends beside laying plastic. Walls of a mould are printed full; no infill is counted on.
 */
export function printFigures(volume: number, printer: Printer, filament: Filament): PrintFigures {
  const grams = volume * filament.densityKgPerM3 * 1e-6
  return {
    grams,
    filamentM: volume / ((Math.PI / 4) * filament.diameter ** 2) / 1000,
    hours: (volume / printer.flow / 3600) * (1 + printer.idlePercent / 100),
    cost: filament.pricePerKg === null ? null : (grams / 1000) * filament.pricePerKg,
  }
}
