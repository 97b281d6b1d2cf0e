import { readTokens, type Token } from './lengthTokens.ts'
import type { LengthUnit } from './lengthUnits.ts'
import type { MeasureError } from './measureError.ts'
import { LENGTHS, type UnitTable } from './unitTables.ts'

export type ParsedLength =
  | { readonly ok: true; readonly mm: number }
  | { readonly ok: false; readonly error: MeasureError }

export type ParseLengthOptions = {
  /** The unit a bare number takes. */
  readonly fieldUnit: LengthUnit
  /** Whether a result below zero is legal, for offsets. */
  readonly allowNegative?: boolean
}

/** `bare` has no unit yet, `measure` is in the base unit, `ratio` is a measure over a measure. */
type Value = {
  readonly of: 'bare' | 'measure' | 'ratio'
  readonly n: number
  readonly from: number
  readonly to: number
}

class Refusal extends Error {
  constructor(
    readonly code: MeasureError['code'],
    readonly at: number,
    readonly to: number,
  ) {
    super(code)
  }
}

const LONGEST = 200

/**
 * Reads a shop measure into mm: `600`, `60 cm`, `23 5/8"`, `23-5/8 in`, `2' 3 1/2"`, `2ft 3`, and sums
 * over them with + - * / and brackets. A bare number takes the field's unit.
 * `parseLength('1200 - 2*18', {fieldUnit: 'mm'})` is `{ok: true, mm: 1164}`.
 */
export function parseLength(text: string, options: ParseLengthOptions): ParsedLength {
  const read = parseMeasure(text, { ...options, table: LENGTHS })
  return read.ok ? { ok: true, mm: read.n } : read
}

export type ParseMeasureOptions = Omit<ParseLengthOptions, 'fieldUnit'> & {
  readonly table: UnitTable
  /** The unit of the table that a bare number takes. */
  readonly fieldUnit: string
}

/**
 * Reads a measure of any kind into its base unit, as `parseLength` does: `2 x 80 lb`, `1 gal - 1 pt`, `3 lb 4 oz`.
 * `parseMeasure('2 x 80 lb', {table: MASSES, fieldUnit: 'kg'})` is `{ok: true, n: 72.57}`.
 */
export function parseMeasure(
  text: string,
  options: ParseMeasureOptions,
): { readonly ok: true; readonly n: number } | { readonly ok: false; readonly error: MeasureError } {
  const { table, fieldUnit, allowNegative } = options
  const refuse = (code: MeasureError['code'], at: number, to: number) =>
    ({
      ok: false,
      error: { code, at, length: Math.max(0, to - at), text: text.slice(at, to), of: table.of },
    }) as const
  if (text.trim() === '') return refuse('empty', 0, text.length)
  if (text.length > LONGEST) return refuse('tooLong', LONGEST, text.length)
  // What a field shows of a value between its steps may stay in front.
  const bare = text.replace('≈', ' ')
  // Of lengths, 600 x 400 is more likely a size than a product.
  const typed = table.of === 'length' ? bare : bare.replace(/(?<=\d\s*)x(?=\s*[\d(])/gi, '*')
  const read = readTokens(typed, table)
  if (!read.ok) return refuse(read.code, read.at, read.to)
  try {
    const n = evaluate(read.tokens, text.length, table.per[fieldUnit]!)
    if (n < 0 && !allowNegative) return refuse('negative', 0, text.length)
    if (Math.abs(n) > table.largest) return refuse('tooLarge', 0, text.length)
    return { ok: true, n }
  } catch (refusal) {
    if (refusal instanceof Refusal) return refuse(refusal.code, refusal.at, refusal.to)
    throw refusal
  }
}

/** Recursive descent over sum, product and measure; measures stay in the base unit throughout. */
function evaluate(tokens: readonly Token[], end: number, perBare: number): number {
  let next = 0
  const peek = (): Token | undefined => tokens[next]
  const isSign = (...signs: string[]) => {
    const token = peek()
    return token?.kind === 'sign' && signs.includes(token.sign)
  }

  function toMeasure(value: Value): number {
    if (value.of === 'ratio') throw new Refusal('ratio', value.from, value.to)
    return value.of === 'measure' ? value.n : value.n * perBare
  }

  function sum(): Value {
    let left = product()
    while (isSign('+', '-')) {
      const minus = isSign('-')
      next += 1
      const right = product()
      const span = { from: left.from, to: right.to }
      if (left.of === 'measure' || right.of === 'measure') {
        const a = toMeasure(left)
        const b = toMeasure(right)
        left = { of: 'measure', n: minus ? a - b : a + b, ...span }
      } else {
        const of = left.of === 'ratio' || right.of === 'ratio' ? 'ratio' : 'bare'
        left = { of, n: minus ? left.n - right.n : left.n + right.n, ...span }
      }
    }
    return left
  }

  function product(): Value {
    let left = factor()
    while (isSign('*', '/')) {
      const over = isSign('/')
      next += 1
      const right = factor()
      const span = { from: left.from, to: right.to }
      if (over) {
        if (right.n === 0) throw new Refusal('divideByZero', right.from, right.to)
        if (right.of === 'measure' && left.of !== 'measure')
          throw new Refusal('divideByLength', span.from, span.to)
        const of = right.of === 'measure' ? 'ratio' : left.of
        left = { of, n: left.n / right.n, ...span }
      } else {
        if (left.of === 'measure' && right.of === 'measure')
          throw new Refusal('lengthTimesLength', span.from, span.to)
        const of = left.of === 'measure' || right.of === 'measure' ? 'measure' : left.of
        left = { of, n: left.n * right.n, ...span }
      }
    }
    return left
  }

  function factor(): Value {
    const token = peek()
    if (!token) throw new Refusal('missing', end, end)
    next += 1
    if (token.kind === 'measure') return { of: token.of, n: token.n, from: token.at, to: token.to }
    if (token.sign === '-') {
      const value = factor()
      return { ...value, n: -value.n, from: token.at }
    }
    if (token.sign === '(') {
      const value = sum()
      if (!isSign(')')) throw new Refusal('bracket', token.at, token.to)
      next += 1
      return { ...value, from: token.at }
    }
    throw new Refusal(token.sign === ')' ? 'bracket' : 'missing', token.at, token.to)
  }

  const value = sum()
  const left = peek()
  if (left)
    throw new Refusal(
      left.kind === 'sign' && left.sign === ')' ? 'bracket' : 'notUnderstood',
      left.at,
      left.to,
    )
  return toMeasure(value)
}
