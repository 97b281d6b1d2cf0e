import type { MeasureError } from './measureError.ts'
import type { UnitTable } from './unitTables.ts'

/** A whole measure such as `2' 3 1/2"` or `1200`, or one sign. `n` is in the table's base unit, or the bare number. */
export type Token =
  | {
      readonly kind: 'measure'
      readonly of: 'bare' | 'measure'
      readonly n: number
      readonly at: number
      readonly to: number
    }
  | {
      readonly kind: 'sign'
      readonly sign: '+' | '-' | '*' | '/' | '(' | ')'
      readonly at: number
      readonly to: number
    }

export type ReadTokens =
  | { readonly ok: true; readonly tokens: readonly Token[] }
  | { readonly ok: false; readonly code: MeasureError['code']; readonly at: number; readonly to: number }

const SIGNS: Readonly<Record<string, '+' | '-' | '*' | '/' | '(' | ')'>> = {
  '+': '+',
  '-': '-',
  '−': '-',
  '–': '-',
  '*': '*',
  '×': '*',
  '/': '/',
  '÷': '/',
  '(': '(',
  ')': ')',
}
const VULGAR: Readonly<Record<string, number>> = {
  '½': 1 / 2,
  '¼': 1 / 4,
  '¾': 3 / 4,
  '⅛': 1 / 8,
  '⅜': 3 / 8,
  '⅝': 5 / 8,
  '⅞': 7 / 8,
}

type Amount = { readonly n: number; readonly to: number; readonly whole: boolean }
type WithUnit = { readonly n: number; readonly unit: string | null; readonly to: number }

const skipSpaces = (text: string, from: number): number => {
  let at = from
  while (/\s/.test(text[at] ?? '')) at += 1
  return at
}

function readDecimal(text: string, at: number): Amount | null {
  const match = /^(\d+\.?\d*|\.\d+)/.exec(text.slice(at))
  if (!match) return null
  return { n: Number(match[0]), to: at + match[0].length, whole: /^\d+$/.test(match[0]) }
}

/** `5/8` or `⅝`; only a proper fraction joins a whole number, so `1200-36/2` still subtracts. */
function readFraction(text: string, at: number, proper: boolean): Amount | null {
  const vulgar = VULGAR[text[at] ?? '']
  if (vulgar !== undefined) return { n: vulgar, to: at + 1, whole: false }
  const match = /^(\d+)\s*\/\s*(\d+)(?![\d.])/.exec(text.slice(at))
  if (!match) return null
  const top = Number(match[1])
  const bottom = Number(match[2])
  if (bottom === 0 || (proper && top >= bottom)) return null
  return { n: top / bottom, to: at + match[0].length, whole: false }
}

function readUnit(text: string, at: number, { spellings }: UnitTable): { unit: string; to: number } | null {
  const rest = text.slice(at).toLowerCase()
  for (const [spelling, unit] of spellings) {
    if (!rest.startsWith(spelling)) continue
    if (/[a-z]/.test(spelling) && /[a-z]/.test(rest[spelling.length] ?? '')) continue
    return { unit, to: at + spelling.length }
  }
  return null
}

/** A number, mixed number or fraction, then its unit if one stands behind it. */
function readAmount(text: string, at: number, table: UnitTable): WithUnit | null {
  const vulgar = VULGAR[text[at] ?? ''] === undefined ? null : readFraction(text, at, true)
  const whole = readDecimal(text, at)
  const first = vulgar ?? whole
  if (!first) return null
  let { n, to } = first
  if (whole?.whole) {
    const joinAt = /^[-–]\d/.test(text.slice(to)) ? to + 1 : skipSpaces(text, to)
    const joined = joinAt > to || VULGAR[text[joinAt] ?? ''] ? readFraction(text, joinAt, true) : null
    if (joined) {
      n += joined.n
      to = joined.to
    } else {
      const fraction = readFraction(text, at, false)
      if (fraction && readUnit(text, skipSpaces(text, fraction.to), table)) {
        n = fraction.n
        to = fraction.to
      }
    }
  }
  const unit = readUnit(text, skipSpaces(text, to), table)
  return unit ? { n, unit: unit.unit, to: unit.to } : { n, unit: null, to }
}

/** Splits a typed measure into whole measures and signs, each with the place it was read from. */
export function readTokens(text: string, table: UnitTable): ReadTokens {
  const tokens: Token[] = []
  let at = skipSpaces(text, 0)
  while (at < text.length) {
    const sign = SIGNS[text[at] ?? '']
    if (sign) {
      tokens.push({ kind: 'sign', sign, at, to: at + 1 })
      at = skipSpaces(text, at + 1)
      continue
    }
    const amount = readAmount(text, at, table)
    if (!amount) return notUnderstood(text, at)
    let { to } = amount
    let n = amount.unit ? amount.n * table.per[amount.unit]! : amount.n
    const smaller = amount.unit ? table.joins[amount.unit] : undefined
    if (smaller) {
      if (/^[-–]\s*\d/.test(text.slice(to)) && !/\s/.test(text[to + 1] ?? ''))
        return { ok: false, code: 'joinOrSubtract', at, to: to + 2 }
      const second = readAmount(text, skipSpaces(text, to), table)
      if (second) {
        if (second.unit && second.unit !== smaller) return { ok: false, code: 'unitClash', at, to: second.to }
        n += second.n * table.per[smaller]!
        to = second.to
      }
    }
    const after = skipSpaces(text, to)
    if (/[\d.]/.test(text[after] ?? '')) {
      const second = readAmount(text, after, table)
      const clash = amount.unit !== null && second?.unit != null
      return {
        ok: false,
        code: clash ? 'unitClash' : 'notUnderstood',
        at: after,
        to: second?.to ?? after + 1,
      }
    }
    tokens.push({ kind: 'measure', of: amount.unit ? 'measure' : 'bare', n, at, to })
    at = after
  }
  return { ok: true, tokens }
}

function notUnderstood(text: string, at: number): ReadTokens {
  if (text[at] === ',') return { ok: false, code: 'decimalComma', at, to: at + 1 }
  const word = /^(\p{L}+|.)/u.exec(text.slice(at))?.[0] ?? text.slice(at, at + 1)
  const other = /^(kg|g|lb|lbs|l|ml|c|f|h|min|deg|degc|m2|m3|yd|yard|yards)$/i.test(word)
  return { ok: false, code: other ? 'notALength' : 'notUnderstood', at, to: at + word.length }
}
