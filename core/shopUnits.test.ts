import { describe, expect, it } from 'vitest'
import type { Explanation } from './job/index.ts'
import { sayItem } from './mould/index.ts'
import { ITEM_WORDS } from './mould/itemWords.ts'
import { INCH, METRIC } from './testing/says.ts'
import { type WordsStyle, wordsStyle } from './units/index.ts'
import { WORDS } from './words.ts'
import { ACTS } from './work/acts.ts'

/** Facts of any name: figures for what its unit tells to be one, a list where one is asked for, else a word. */
const anyFacts = (n: number): unknown =>
  new Proxy(
    {},
    {
      get: (_, key) => {
        if (typeof key !== 'string') return undefined
        if (/^(names|parts|agents|clear|sides|openings)$/.test(key)) return ['front', 'back']
        return /(Mm|Mm2|Cm2|Kg|N|Mpa|MPa|KPa|Litres|Deg|DegC|M|M2|Percent|Minutes|Hours|Days|KgPerM3|KgPerM2H|millilitres|litres|kg\w*|metres|count|people|parts|casts|people|wanted|coats|screws|number)$/.test(
          key,
        )
          ? n
          : 'oak'
      },
    },
  )

/** Metric units behind a figure; names of the trade keep theirs. */
const METRIC_UNIT =
  /\d\s?(mm|cm|m|km|kg|g|t|L|ml|mL|MPa|kPa|N|°C|degC|m²|m2|m³|m3|cm²|kg\/m\S*|km\/h)(?![\p{L}\p{N}’])/u
const TRADE = /6 mm liner|M\d|from a \d+ mm nozzle/g
const US_UNIT = /\d\s?(lb|oz|ft|ft³|ft²|gal|qt|psi|psf|lbf|°F|mph|")(?![\p{L}\p{N}])|\d"/u
/** A sentence that asks for a fact of a closed list cannot be said of any fact; few do. */
const orNothing = <T>(say: () => T[]): T[] => {
  try {
    return say()
  } catch {
    return []
  }
}
type Saying = (facts: unknown, style: WordsStyle, remedies: []) => Explanation
const sayings = (style: WordsStyle): [string, string[]][] => [
  ...Object.values(WORDS)
    .flatMap(Object.entries)
    .map(([code, words]): [string, string[]] => [
      code,
      [3, 240].flatMap((n) =>
        orNothing(() => {
          const said = (words as Saying)(anyFacts(n), style, [])
          return [said.what, said.why, said.remedy ?? '', ...Object.values(said.remedies ?? {})]
        }),
      ),
    ]),
  ...Object.entries(ACTS).map(([code, telling]): [string, string[]] => [
    code,
    [3, 240].flatMap((n) =>
      orNothing(() => [
        (telling.say as (f: unknown, s: WordsStyle) => string | undefined)(anyFacts(n), style) ?? '',
      ]),
    ),
  ]),
  ...Object.keys(ITEM_WORDS).map((code): [string, string[]] => {
    return [
      code,
      orNothing(() => {
        const { name, note } = sayItem({ code, facts: anyFacts(12) } as never, style)
        return [name, note ?? '']
      }),
    ]
  }),
]

describe('what is said in a shop that reads in inches, pounds and degF', () => {
  it('can be said of nearly every code', () => {
    const all = sayings(INCH)
    expect(all.filter(([, texts]) => texts.length === 0).length).toBeLessThan(all.length / 20)
  })
  it('has no metric unit, and no decimals of an inch', () => {
    const faults = sayings(INCH).flatMap(([code, texts]) =>
      texts
        .map((t) => t.replace(TRADE, ''))
        .filter((t) => METRIC_UNIT.test(t) || /\d\.\d+"/.test(t))
        .map((t) => `${code}: ${t}`),
    )
    expect([...new Set(faults)]).toEqual([])
  })
  it('and in a metric shop none of theirs', () => {
    const faults = sayings(METRIC).flatMap(([code, texts]) =>
      texts.filter((t) => US_UNIT.test(t)).map((t) => `${code}: ${t}`),
    )
    expect([...new Set(faults)]).toEqual([])
  })
  it('mixes as the shop does: each unit by itself', () => {
    const mixed = wordsStyle({
      units: 'inch',
      inchDenominator: 16,
      others: { mass: 'kg', volume: 'us', temperature: 'C', pressure: 'si' },
    })
    expect([mixed.mm(25.4), mixed.kg(25), mixed.liquid(3.785411784), mixed.degC(20), mixed.mpa(10)]).toEqual([
      '1"',
      '25 kg',
      '1 gal',
      '20 °C',
      '10 MPa',
    ])
  })
})
