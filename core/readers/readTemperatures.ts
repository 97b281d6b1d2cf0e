import Papa from 'papaparse'
import type { Reading } from '../job/index.ts'

/** What was made of a logger's file: its readings in the order of time, and what was done to them. */
export type ReadTemperatures = {
  readonly readings: readonly Reading[]
  readonly unit: 'C' | 'F'
  /** Where the unit is not said: found by the figures alone. */
  readonly unitGuessed: boolean
  readonly outOfOrderCount: number
  readonly beforeWaterCount: number
  /** Left out: no temperature of concrete. */
  readonly wildCount: number
  readonly thinnedFrom: number | null
  /** The longest time without a reading, minutes. */
  readonly gapMinutes: number
  /** Lines that say nothing, by their numbers, the first few. */
  readonly unread: readonly number[]
  readonly unreadCount: number
}

/** Larger files are no logger's, bytes; readings that are kept; lines told. */
const MOST_BYTES = 4_000_000
const MOST = 10_000
const TOLD = 5
/** Between these concrete is, degC. */
const CONCRETE = { least: -30, most: 60 } as const
/** A pour is over a year later, minutes. */
const LONGEST = 600_000
/** Where half of the figures are above it they are no degC. */
const SURELY_F = 50

/**
 * A logger's file: time and temperature in two columns, with or without a head. Time is a date with an hour, on the clock
 * of the pour; hours and minutes from the first water, `1:30`; or a number of hours, of minutes where the head says so.
 * `water` is the first water as it is written in a job, `2026-05-30T09:00:00`.
 */
export function readTemperatures(text: string, water: string): ReadTemperatures | { readonly why: string } {
  if (text.length > MOST_BYTES) return { why: 'The file is too large for readings of a thermometer.' }
  const { data } = Papa.parse<string[]>(text.replace(/^\uFEFF/, ''), {
    skipEmptyLines: 'greedy',
    delimitersToGuess: [',', ';', '\t'],
  })
  const head = data[0]?.join(' ') ?? ''
  const isHead = data[0] !== undefined && numberOf(data[0][1]) === null
  const inMinutes = isHead && /\bmin/i.test(head)
  const said = isHead
    ? /(°|deg\w* ?|\b)f\b|fahrenheit/i.test(head)
      ? 'F'
      : /(°|deg\w* ?|\b)c\b|celsius/i.test(head)
        ? 'C'
        : null
    : null
  const from = momentOf(water)!
  const raw: { minutes: number; value: number }[] = []
  const unread: number[] = []
  let unreadCount = 0
  for (const [i, row] of data.entries()) {
    if (i === 0 && isHead) continue
    const minutes = minutesOf(row[0] ?? '', from, inMinutes)
    const value = numberOf(row[1])
    if (minutes === null || value === null) {
      unreadCount += 1
      if (unread.length < TOLD) unread.push(i + 1)
    } else raw.push({ minutes, value })
  }
  if (raw.length === 0) return { why: 'No line of it is a time and a temperature.' }
  const middle = raw.map((r) => r.value).sort((a, b) => a - b)[raw.length >> 1]!
  const unit = said ?? (middle > SURELY_F ? 'F' : 'C')
  const all = raw.map((r) => ({ ...r, degC: unit === 'F' ? ((r.value - 32) * 5) / 9 : r.value }))
  const outOfOrderCount = all.filter((r, i) => i > 0 && r.minutes < all[i - 1]!.minutes).length
  const after = all.filter((r) => r.minutes >= 0)
  const sane = after.filter(
    (r) => r.degC >= CONCRETE.least && r.degC <= CONCRETE.most && r.minutes <= LONGEST,
  )
  const sorted = sane.toSorted((a, b) => a.minutes - b.minutes)
  const step = sorted.length / MOST
  const kept = step > 1 ? Array.from({ length: MOST }, (_, i) => sorted[Math.floor(i * step)]!) : sorted
  if (kept.length === 0) return { why: 'No reading of it is of concrete after its first water.' }
  return {
    readings: kept.map((r) => ({ of: 'concrete', minutes: r.minutes, degC: r.degC })),
    unit,
    unitGuessed: said === null,
    outOfOrderCount,
    beforeWaterCount: all.length - after.length,
    wildCount: after.length - sane.length,
    thinnedFrom: step > 1 ? sorted.length : null,
    gapMinutes: kept.reduce(
      (most, r, i) => Math.max(most, i === 0 ? r.minutes : r.minutes - kept[i - 1]!.minutes),
      0,
    ),
    unread,
    unreadCount,
  }
}

function numberOf(text: string | undefined): number | null {
  const match = /^\s*([-+−]?\d+(?:[.,]\d+)?)\s*(?:°?\s*[CF])?\s*$/i.exec(text ?? '')
  return match ? Number(match[1]!.replace(',', '.').replace('−', '-')) : null
}

/** Minutes on a clock that is never changed. */
function momentOf(text: string): number | null {
  const m = /^\s*(\d{4})-(\d\d)-(\d\d)[T ](\d\d?):(\d\d)(?::(\d\d))?/.exec(text)
  if (!m) return null
  const [y, mo, d, h, mi, s] = m.slice(1).map((n) => Number(n ?? 0)) as [
    number,
    number,
    number,
    number,
    number,
    number,
  ]
  return Date.UTC(y, mo - 1, d, h, mi, s) / 60_000
}

function minutesOf(text: string, from: number, inMinutes: boolean): number | null {
  const moment = momentOf(text)
  if (moment !== null) return moment - from
  const clock = /^\s*(\d{1,4}):(\d\d)(?::(\d\d))?\s*$/.exec(text)
  if (clock) return Number(clock[1]) * 60 + Number(clock[2]) + Number(clock[3] ?? 0) / 60
  const n = numberOf(text)
  return n === null ? null : inMinutes ? n : n * 60
}
