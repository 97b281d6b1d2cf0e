import { describe, expect, it } from 'vitest'
import { INCH, METRIC } from '../testing/says.ts'
import { amountWords, type Item, type ItemUnit, sayItem } from './itemWords.ts'
import { type Misfit, misfit, misfitWords } from './misfit.ts'

const pots = {
  row: 'soft rubber',
  aKg: 1.234,
  aLitres: 1.1,
  bKg: 0.6171,
  bLitres: 0.5,
  potMinutes: 20,
  casts: 150,
}

describe('lines of a mould’s lists', () => {
  it.each<[Item, string, string | undefined, string?]>([
    [{ code: 'ribs', facts: { board: 'birch ply 18 mm' } }, 'Ribs', 'birch ply 18 mm; closest at the foot'],
    [{ code: 'skin-strips', facts: { joints: 1 } }, 'Lengths of skin', '1 upright joint, taped behind'],
    [{ code: 'skin-strips', facts: { joints: 4 } }, 'Lengths of skin', '4 upright joints, taped behind'],
    [
      { code: 'dowels', facts: { diameterMm: 10, each: 4 } },
      'Dowels',
      '10 mm, 4 a joint, clear of the hollow',
      '3/8", 4 a joint, clear of the hollow',
    ],
    [
      { code: 'no-dowels', facts: { marginMm: 25 } },
      'Dowels',
      'none: 25 mm of margin is wanted for them',
      'none: 1" of margin is wanted for them',
    ],
    [{ code: 'packed-fill', facts: { packing: 'sand' } }, 'Packed sand', undefined],
    [
      { code: 'layers-to-ram', facts: { eachMm: 100 } },
      'Layers to ram',
      '100 mm each, both sides of the liner kept level',
      '3 15/16" each, both sides of the liner kept level',
    ],
    [
      { code: 'rubber-poured', facts: { ...pots, outHours: 24 } },
      'soft rubber',
      'A 1.23 kg (1.1 L), B 0.62 kg (0.5 L); pot life 20 min, out after 24 h, 150 casts',
    ],
    [
      { code: 'rubber-brushed', facts: { ...pots, casts: 1 } },
      'soft rubber',
      'A 1.23 kg (1.1 L), B 0.62 kg (0.5 L); pot life 20 min, 1 cast',
    ],
    [{ code: 'filament-spool', facts: { row: 'PLA', metres: 301.6 } }, 'PLA', '302 m'],
    [
      { code: 'core-tube', facts: { outsideMm: 152 } },
      'card tube 152 mm outside, for the core',
      'slit lengthways and taped, so that it closes in on itself and comes out',
    ],
    [{ code: 'vessel', facts: { row: 'tub', casts: 1 } }, 'tub', '1 cast, or one if it is cut off'],
    [
      { code: 'other-vessel', facts: { row: 'tub', footMm: 220, rimMm: 265, heightMm: 260 } },
      'tub',
      '220 mm to 265 mm over 260 mm',
      '8 11/16" to 10 7/16" over 10 1/4"',
    ],
    // Screws, bolts and dowels are called by their size in either.
    [
      { code: 'screws', facts: { diameterMm: 4, lengthMm: 35, count: 22 } },
      'screws 4 × 35',
      '22 and spares; pilot holes, heads flush',
      '22 and spares; pilot holes, heads flush',
    ],
    [
      { code: 'bolts-and-nuts', facts: { thread: 'M6', lengthMm: 25, where: 'joint' } },
      'M6 × 25 bolts, nuts and washers',
      'round the joint',
    ],
    [{ code: 'sealant', facts: { row: 'silicone' } }, 'silicone', undefined],
  ])('%o', (item, name, note, inches) => {
    expect(sayItem(item, METRIC)).toEqual({ name, ...(note === undefined ? {} : { note }) })
    if (inches !== undefined) expect(sayItem(item, INCH).note).toBe(inches)
  })
  it.each<[number, ItemUnit, string]>([
    [1, 'piece', '1 piece'],
    [2, 'piece', '2 pieces'],
    [0, 'set', '0 sets'],
    [1, 'cartridge', '1 cartridge'],
    [1, 'turn', '1 turn'],
    [3, 'sheet', '3 sheets'],
    [0.5, 'm', '0.5 m'],
    [1, 'kg', '1 kg'],
    [12, 'cm2', '12 cm²'],
  ])('%d %s', (amount, unit, said) => expect(amountWords(amount, unit, METRIC)).toBe(said))
})

describe('why a method does not form a piece', () => {
  it.each<[Misfit, string]>([
    [misfit('kind/turned'), 'it is turned'],
    [misfit('leans-beside-apron', 'left'), 'its left side leans beside an apron'],
    [misfit('side-not-plain', 'notch left'), 'its notch left side is not a plain one'],
    [misfit('curved-and-shaped', 'front', 'leans'), 'its curved front side leans'],
    [misfit('shaped-beside-curve', 'front', 'apron'), 'its front side has an apron beside a curved one'],
    [
      misfit('shaped-beside-inside', 'back', 'lined'),
      'its back side is lined beside a rounded inside corner',
    ],
  ])('%o', (own, said) => expect(misfitWords(own)).toBe(said))
})
