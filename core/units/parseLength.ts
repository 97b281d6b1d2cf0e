import { readTokens, type Token } from './lengthTokens.ts'
import { type LengthUnit, MM_PER_UNIT } from './lengthUnits.ts'
import type { MeasureError } from './measureError.ts'

export type ParsedLength =
  | { readonly ok: true; readonly mm: number }
  | { readonly ok: false; readonly error: MeasureError }

export type ParseLengthOptions = {
  /** The unit a bare number takes. */
  readonly fieldUnit: LengthUnit
  /** Whether a result below zero is legal, for offsets. */
  readonly allowNegative?: boolean
}

/** `bare` has no unit yet, `length` is in mm, `ratio` is a length over a length. */
type Value = {
  readonly of: 'bare' | 'length' | 'ratio'
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
/** Coordinates stay within 100 m, and so does any measure. */
const LARGEST_MM = 100_000

/**
 * Reads a shop measure into mm: `600`, `60 cm`, `23 5/8"`, `23-5/8 in`, `2' 3 1/2"`, `2ft 3`, and sums
 * over them with + - * / and brackets. A bare number takes the field's unit.
 * `parseLength('1200 - 2*18', {fieldUnit: 'mm'})` is `{ok: true, mm: 1164}`.
 */
export function parseLength(text: string, options: ParseLengthOptions): ParsedLength {
  const refuse = (code: MeasureError['code'], at: number, to: number): ParsedLength => ({
    ok: false,
    error: { code, at, length: Math.max(0, to - at), text: text.slice(at, to) },
  })
  if (text.trim() === '') return refuse('empty', 0, text.length)
  if (text.length > LONGEST) return refuse('tooLong', LONGEST, text.length)
  const read = readTokens(text)
  if (!read.ok) return refuse(read.code, read.at, read.to)
  try {
    const mm = evaluate(read.tokens, text.length, options.fieldUnit)
    if (mm < 0 && !options.allowNegative) return refuse('negative', 0, text.length)
    if (Math.abs(mm) > LARGEST_MM) return refuse('tooLarge', 0, text.length)
    return { ok: true, mm }
  } catch (refusal) {
    if (refusal instanceof Refusal) return refuse(refusal.code, refusal.at, refusal.to)
    throw refusal
  }
}

/** Recursive descent over sum, product and measure; lengths stay in mm throughout. */
function evaluate(tokens: readonly Token[], end: number, fieldUnit: LengthUnit): number {
  let next = 0
  const peek = (): Token | undefined => tokens[next]
  const isSign = (...signs: string[]) => {
    const token = peek()
    return token?.kind === 'sign' && signs.includes(token.sign)
  }

  function toLength(value: Value): number {
    if (value.of === 'ratio') throw new Refusal('ratio', value.from, value.to)
    return value.of === 'length' ? value.n : value.n * MM_PER_UNIT[fieldUnit]
  }

  function sum(): Value {
    let left = product()
    while (isSign('+', '-')) {
      const minus = isSign('-')
      next += 1
      const right = product()
      const span = { from: left.from, to: right.to }
      if (left.of === 'length' || right.of === 'length') {
        const a = toLength(left)
        const b = toLength(right)
        left = { of: 'length', n: minus ? a - b : a + b, ...span }
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
        if (right.of === 'length' && left.of !== 'length')
          throw new Refusal('divideByLength', span.from, span.to)
        const of = right.of === 'length' ? 'ratio' : left.of
        left = { of, n: left.n / right.n, ...span }
      } else {
        if (left.of === 'length' && right.of === 'length')
          throw new Refusal('lengthTimesLength', span.from, span.to)
        const of = left.of === 'length' || right.of === 'length' ? 'length' : left.of
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
  return toLength(value)
}
