import { KG_PER_POUND, LITRES_PER_CUBIC_FOOT, MPA_PER_PSI } from './convert.ts'
import { type MeasureStyle, showAmount, showNumber } from './formatLength.ts'
import { LITRES_PER_GALLON } from './unitTables.ts'

/** The units that are read beside those of length; each may be chosen by itself. */
export type OtherUnits = {
  readonly mass: 'kg' | 'lb'
  /** Litres, or cubic feet, gallons, quarts and fluid ounces. */
  readonly volume: 'litre' | 'us'
  readonly temperature: 'C' | 'F'
  /** MPa and kPa, or psi and psf. */
  readonly pressure: 'si' | 'us'
}
export const METRIC_UNITS: OtherUnits = { mass: 'kg', volume: 'litre', temperature: 'C', pressure: 'si' }
export const US_UNITS: OtherUnits = { mass: 'lb', volume: 'us', temperature: 'F', pressure: 'us' }

/** All units of a shop, chosen at once by those of its lengths. */
export const shopUnits = (
  units: MeasureStyle['units'],
): Required<Pick<MeasureStyle, 'units' | 'others'>> => ({
  units,
  others: units === 'inch' ? US_UNITS : METRIC_UNITS,
})

/** Where a style says nothing of the others they go with its lengths. */
export const otherUnits = ({ units, others }: MeasureStyle): OtherUnits =>
  others ?? (units === 'inch' ? US_UNITS : METRIC_UNITS)

/** A figure and the unit behind it; an inch mark and the like stand in the figure. */
export type Shown = { readonly figure: string; readonly unit: string }

/** One way to tell a quantity: so many of `unit` in one of the base unit, from `from` of it on. */
type Scale = {
  readonly unit: string
  readonly per: number
  readonly from?: number
  /** What it is rounded to where its size says more than anybody knows. */
  readonly to?: number
}
type Rule = {
  readonly metric: Scale
  /** The first whose `from` is reached, in base units; the last takes all. */
  readonly us: readonly Scale[]
  readonly by: (units: OtherUnits & { readonly length: MeasureStyle['units'] }) => boolean
}

const FT2 = 0.09290304
const FT3 = LITRES_PER_CUBIC_FOOT
const LBF = KG_PER_POUND * 9.80665
const PSF_PER_KPA = (1 / (MPA_PER_PSI * 1000)) * 144
const pounds = (u: OtherUnits) => u.mass === 'lb'
const cubicFeet = (u: OtherUnits) => u.volume === 'us'
const FLUID: readonly Scale[] = [
  { unit: 'gal', per: 1 / LITRES_PER_GALLON, from: LITRES_PER_GALLON },
  { unit: 'qt', per: 4 / LITRES_PER_GALLON, from: LITRES_PER_GALLON / 4 },
  { unit: 'fl oz', per: 128 / LITRES_PER_GALLON },
]

/**
 * How each quantity is told, by its base unit. Sources of the factors: international yard and pound (1959), the US
 * gallon of 231 cubic inches, standard gravity.
 */
const RULES = {
  /** Mass, kg. */
  mass: {
    metric: { unit: 'kg', per: 1 },
    us: [
      { unit: 'lb', per: 1 / KG_PER_POUND, from: KG_PER_POUND },
      { unit: 'oz', per: 16 / KG_PER_POUND },
    ],
    by: pounds,
  },
  /** Volume of concrete and of hollows, litre. */
  volume: {
    metric: { unit: 'L', per: 1 },
    us: [{ unit: 'ft³', per: 1 / FT3, from: FT3 / 10 }, ...FLUID.slice(1)],
    by: cubicFeet,
  },
  /** What is poured from a jug: water, sealer, rubber, litre. */
  liquid: { metric: { unit: 'L', per: 1 }, us: FLUID, by: cubicFeet },
  /** Area, m2. */
  area: {
    metric: { unit: 'm²', per: 1 },
    us: [{ unit: 'ft²', per: 1 / FT2 }],
    by: (u) => u.length === 'inch',
  },
  /** A length to buy or to lay, m. */
  run: {
    metric: { unit: 'm', per: 1 },
    us: [{ unit: 'ft', per: 1 / 0.3048 }],
    by: (u) => u.length === 'inch',
  },
  /** Small areas, cm2. */
  patch: {
    metric: { unit: 'cm²', per: 1 },
    us: [{ unit: 'in²', per: 1 / 6.4516 }],
    by: (u) => u.length === 'inch',
  },
  /** Strength and stress, MPa. */
  stress: {
    metric: { unit: 'MPa', per: 1 },
    us: [{ unit: 'psi', per: 1 / MPA_PER_PSI, to: 10 }],
    by: (u) => u.pressure === 'us',
  },
  /** Pressure in a form, kPa. */
  pressure: {
    metric: { unit: 'kPa', per: 1 },
    us: [{ unit: 'psf', per: PSF_PER_KPA }],
    by: (u) => u.pressure === 'us',
  },
  /** Force, N. */
  force: { metric: { unit: 'N', per: 1 }, us: [{ unit: 'lbf', per: 1 / LBF }], by: pounds },
  /** Mass on an area, kg/m2. */
  massPerArea: {
    metric: { unit: 'kg/m²', per: 1 },
    us: [{ unit: 'lb/ft²', per: FT2 / KG_PER_POUND }],
    by: pounds,
  },
  /** What a surface loses, kg/m2 an hour. */
  loss: {
    metric: { unit: 'kg/m² h', per: 1 },
    us: [{ unit: 'lb/ft² h', per: FT2 / KG_PER_POUND }],
    by: pounds,
  },
  /** Density, kg/m3. */
  density: {
    metric: { unit: 'kg/m³', per: 1 },
    us: [{ unit: 'lb/ft³', per: FT3 / 1000 / KG_PER_POUND }],
    by: pounds,
  },
  /** Wind, km/h. */
  speed: {
    metric: { unit: 'km/h', per: 1 },
    us: [{ unit: 'mph', per: 1 / 1.609344 }],
    by: (u) => u.length === 'inch',
  },
  /** Filament, g. */
  grams: {
    metric: { unit: 'g', per: 1 },
    us: [
      { unit: 'lb', per: 0.001 / KG_PER_POUND, from: 1000 * KG_PER_POUND },
      { unit: 'oz', per: 0.016 / KG_PER_POUND },
    ],
    by: pounds,
  },
} satisfies Readonly<Record<string, Rule>>

export type Quantity = keyof typeof RULES

const scaleOf = (kind: Quantity, value: number, style: MeasureStyle): Scale => {
  const { metric, us, by }: Rule = RULES[kind]
  if (!by({ ...otherUnits(style), length: style.units })) return metric
  return us.find((s) => s.from === undefined || Math.abs(value) >= s.from) ?? us.at(-1)!
}

/**
 * A quantity in the reader's units, to about as many figures as `digits` decimals of its base unit give.
 * `showQuantity('mass', 25, 0, US)` is `{figure: '55', unit: 'lb'}`.
 */
export function showQuantity(kind: Quantity, value: number, digits: number, style: MeasureStyle): Shown {
  const { unit, per, to } = scaleOf(kind, value, style)
  if (to && Math.abs(value * per) >= 10 * to)
    return { figure: showNumber(Math.round((value * per) / to) * to, 0), unit }
  const wanted = Math.max(0, digits - Math.round(Math.log10(per)))
  // Four figures are told at most where a factor would make more of them.
  const before = Math.max(1, Math.floor(Math.log10(Math.max(1, Math.abs(value * per)))) + 1)
  const decimals = per === 1 ? digits : Math.min(wanted, Math.max(0, 4 - before))
  return { figure: showAmount(value * per, decimals), unit }
}

/** A quantity as one text: `55 lb`. */
export const quantityText = (kind: Quantity, value: number, digits: number, style: MeasureStyle): string => {
  const { figure, unit } = showQuantity(kind, value, digits, style)
  return `${figure} ${unit}`
}

/** Decimals by which what is weighed exactly has three figures, and three of them at least: of 0.0207 four. */
export const exactDecimals = (value: number): number =>
  value > 0 ? Math.max(3, 2 - Math.floor(Math.log10(value))) : 3

/** The unit that a quantity of some size is told in, for the head of a list or the axis of a chart. */
export const unitOf = (kind: Quantity, style: MeasureStyle, size = 100): string =>
  scaleOf(kind, size, style).unit
/** And how many of it one of the base unit is. */
export const perUnit = (kind: Quantity, style: MeasureStyle, size = 100): number =>
  scaleOf(kind, size, style).per

/** A temperature as it is read, degC as it is kept. */
export function showTemperature(degC: number, style: MeasureStyle): Shown {
  const f = otherUnits(style).temperature === 'F'
  return { figure: showNumber(f ? (degC * 9) / 5 + 32 : degC, 0), unit: f ? '°F' : '°C' }
}
