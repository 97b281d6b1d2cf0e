import { KG_PER_POUND, LITRES_PER_CUBIC_FOOT } from './convert.ts'
import { MM_PER_UNIT, UNIT_SPELLINGS } from './lengthUnits.ts'

export type MeasureKind = 'length' | 'mass' | 'volume'

/** The units that a measure of one kind is typed in. */
export type UnitTable = {
  readonly of: MeasureKind
  /** Every spelling that is read, in small letters, longest first. */
  readonly spellings: readonly (readonly [string, string])[]
  /** How much of the base unit each is: mm, kg or litre. */
  readonly per: Readonly<Record<string, number>>
  /** The unit that may follow another in one measure, as inches follow feet. */
  readonly joins: Readonly<Record<string, string>>
  /** No measure is larger. */
  readonly largest: number
}

/** Coordinates stay within 100 m, and so does any length. */
export const LENGTHS: UnitTable = {
  of: 'length',
  spellings: UNIT_SPELLINGS,
  per: MM_PER_UNIT,
  joins: { ft: 'in' },
  largest: 100_000,
}

export const MASSES: UnitTable = {
  of: 'mass',
  spellings: [
    ['pounds', 'lb'],
    ['ounces', 'oz'],
    ['pound', 'lb'],
    ['ounce', 'oz'],
    ['lbs', 'lb'],
    ['lb', 'lb'],
    ['oz', 'oz'],
    ['kg', 'kg'],
    ['g', 'g'],
    ['t', 't'],
  ],
  per: { kg: 1, g: 0.001, t: 1000, lb: KG_PER_POUND, oz: KG_PER_POUND / 16 },
  joins: { lb: 'oz' },
  largest: 1e7,
}

/** A US liquid gallon is 231 cubic inches. */
export const LITRES_PER_GALLON = (LITRES_PER_CUBIC_FOOT / 1728) * 231

export const VOLUMES: UnitTable = {
  of: 'volume',
  spellings: [
    ['gallons', 'gal'],
    ['litres', 'l'],
    ['liters', 'l'],
    ['gallon', 'gal'],
    ['quarts', 'qt'],
    ['litre', 'l'],
    ['liter', 'l'],
    ['quart', 'qt'],
    ['fl. oz', 'floz'],
    ['pints', 'pt'],
    ['cu ft', 'ft3'],
    ['cu in', 'in3'],
    ['fl oz', 'floz'],
    ['pint', 'pt'],
    ['floz', 'floz'],
    ['ft3', 'ft3'],
    ['ft³', 'ft3'],
    ['in3', 'in3'],
    ['in³', 'in3'],
    ['gal', 'gal'],
    ['qt', 'qt'],
    ['pt', 'pt'],
    ['ml', 'ml'],
    ['l', 'l'],
  ],
  per: {
    l: 1,
    ml: 0.001,
    gal: LITRES_PER_GALLON,
    qt: LITRES_PER_GALLON / 4,
    pt: LITRES_PER_GALLON / 8,
    floz: LITRES_PER_GALLON / 128,
    ft3: LITRES_PER_CUBIC_FOOT,
    in3: LITRES_PER_CUBIC_FOOT / 1728,
  },
  joins: { gal: 'qt' },
  largest: 1e7,
}
