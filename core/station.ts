import { recipeKey } from './geometry/index.ts'
import type { Piece } from './job/index.ts'
import type { Memo } from './memo.ts'

export { type Memo, noMemo, stationMemo } from './memo.ts'

/** A station's result under the key of the inputs it was worked out from: what a later station is keyed by. */
export type Result<T> = { readonly resultKey: string; readonly value: T }

const isResult = (value: unknown): value is Result<unknown> =>
  typeof value === 'object' && value !== null && 'resultKey' in value

/** Earlier results, some of which may be missing: opened together. */
type Earlier = Readonly<Record<string, Result<unknown> | null>>
const isEarlier = (value: unknown): value is Earlier =>
  typeof value === 'object' &&
  value !== null &&
  Object.getPrototypeOf(value) === Object.prototype &&
  Object.values(value).some(isResult) &&
  Object.values(value).every((v) => v === null || isResult(v))

/** Inputs as the station's work sees them: earlier results opened. */
type OpenedOne<V> =
  V extends Result<infer T>
    ? T
    : V extends Earlier
      ? {
          readonly [K in keyof V]: V[K] extends Result<infer T>
            ? T
            : V[K] extends Result<infer T> | null
              ? T | null
              : never
        }
      : V
type Opened<I> = { readonly [K in keyof I]: OpenedOne<I[K]> }

const openOne = (value: unknown): unknown =>
  isResult(value)
    ? value.value
    : isEarlier(value)
      ? Object.fromEntries(Object.entries(value).map(([k, v]) => [k, v?.value ?? null]))
      : value

/**
 * Runs a station with a record of inputs, and nothing else: the record is the key of what is remembered, earlier
 * results by their own keys. What the work takes beside must not change its result (the solid library).
 */
export function runStation<I extends Readonly<Record<string, unknown>>, T>(
  memo: Memo,
  name: string,
  inputs: I,
  work: (inputs: Opened<I>) => T,
): Result<T> {
  const key = recipeKey(
    Object.entries(inputs)
      .map(([field, value]) => `${field}=${keyOf(value)}`)
      .join('|'),
  )
  return memo(name, key, () => {
    const opened = Object.fromEntries(Object.entries(inputs).map(([field, value]) => [field, openOne(value)]))
    return { resultKey: key, value: work(opened as Opened<I>) }
  })
}

/** Rows of stock are the same objects for every station of a run: each is written out once. */
const keys = new WeakMap<object, string>()

function keyOf(value: unknown): string {
  if (isResult(value)) return value.resultKey
  if (typeof value !== 'object' || value === null) return JSON.stringify(value) ?? 'none'
  if (isEarlier(value))
    return Object.entries(value)
      .map(([k, v]) => `${k}:${v?.resultKey ?? ''}`)
      .join('&')
  const known = keys.get(value)
  if (known) return known
  const key = recipeKey(value)
  keys.set(value, key)
  return key
}

/** What of a piece is no shape: its name, its numbers, and the choices of stations. */
const CHOICES = [
  'name',
  'quantity',
  'mouldCount',
  'plannedCasts',
  'exposure',
  'run',
  'mould',
  'steel',
  'release',
  'mix',
  'pour',
  'finish',
] as const

/** A piece with its shape and only the choices a station reads: another that it reads by mistake is not there. */
export function pieceWith(piece: Piece, ...keep: (typeof CHOICES)[number][]): Piece {
  const told: Record<string, unknown> = { ...piece }
  for (const choice of CHOICES) if (!keep.includes(choice)) delete told[choice]
  // What was ticked before a pour makes no figure.
  if (told.pour) told.pour = { ...piece.pour, ticked: {} }
  return told as unknown as Piece
}
