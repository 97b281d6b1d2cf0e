import type { PourFigures } from '../../../core/pour/index.ts'
import { type Hours, isOfTheDay, shortAct, type Timed } from '../../../core/work/index.ts'

/** How much of the day is looked at: the pour itself, its first day, or all of it. */
export const SPANS = ['pour', 'day', 'all'] as const
export type SpanName = (typeof SPANS)[number]

/** Minutes from the first water, from and to. */
export type Stretch = { readonly from: number; readonly to: number }

/** Before the first water, and after the last act, minutes. */
const ROOM = { before: 30, after: 15 } as const

/** From when to when a span runs: the pour to its cover, the day a day and a half, all to the last act. */
export function stretchOf(span: SpanName, work: readonly Timed[]): Stretch {
  const ofTheDay = work.filter((op) => isOfTheDay(op) && op.startMinutes !== null)
  const covered = ofTheDay.find((op) => op.code === 'cover')?.endMinutes ?? 180
  const last = Math.max(60, ...ofTheDay.map((op) => op.endMinutes ?? 0))
  const first = Math.min(
    -ROOM.before,
    ...ofTheDay.filter((op) => op.tick !== null).map((op) => op.startMinutes!),
  )
  const from = Math.max(first, -240)
  return span === 'pour'
    ? { from, to: covered + ROOM.after }
    : span === 'day'
      ? { from: Math.min(from, -60), to: 36 * 60 }
      : { from: Math.min(from, -60), to: last * 1.02 + 60 }
}

/** A stretch of something busy, with what is done in it. */
export type Busy = Stretch & { readonly id: string; readonly name: string; readonly code: Timed['code'] }
export type DayRow = { readonly who: 'mixer' | 'hands' | 'left'; readonly busy: readonly Busy[] }

/** Who or what is busy when: the mixer, the hands, and what is left to itself. Acts in a row of one name are one stretch. */
export function rowsOf(work: readonly Timed[]): DayRow[] {
  const rows: Record<DayRow['who'], Busy[]> = { mixer: [], hands: [], left: [] }
  for (const op of work) {
    if (!isOfTheDay(op) || op.startMinutes === null || op.endMinutes === null) continue
    const who = op.code === 'mix-batch' ? 'mixer' : op.until || op.work.workMinutes === 0 ? 'left' : 'hands'
    // What waits begins where what it needs ended: its own start is the end of the wait.
    const from = op.until || op.work.workMinutes > 0 ? op.startMinutes : waitedFrom(op, work)
    const row = rows[who]
    const last = row.at(-1)
    const name = shortAct(op.code)
    if (last && last.name === name && Math.abs(last.to - from) < 0.01)
      row[row.length - 1] = { ...last, to: op.endMinutes }
    else if (op.endMinutes > from) row.push({ id: op.id, name, code: op.code, from, to: op.endMinutes })
  }
  return (['mixer', 'left', 'hands'] as const).map((who) => ({ who, busy: rows[who] }))
}

const waitedFrom = (op: Timed, work: readonly Timed[]): number =>
  Math.max(
    ...op.needs.flatMap((id) => work.find((o) => o.id === id)?.endMinutes ?? []),
    Number.NEGATIVE_INFINITY,
  )

/** A window of the concrete: from when to when it lets something be done; `to` is null where it stays open. */
export type Window = { readonly name: string; readonly from: number; readonly to: number | null }

export function windowsOf(f: PourFigures, work: readonly Timed[]): Window[] {
  const has = (...codes: Timed['code'][]) => work.some((op) => codes.includes(op.code))
  const eased = work.some((op) => op.notBefore.some((c) => c.kind === 'set' && c.of === 'final'))
  const strips = work.filter((op) => op.station === 'release' && op.attitude !== null)
  const turned = strips.some((op) => op.attitude?.turned)
  return [
    { name: 'it works', from: 0, to: f.workingMinutes },
    ...(has('float', 'trowel', 'tool-edges', 'fill-upper', 'fill-aprons')
      ? [{ name: 'sheen gone, not yet set', from: f.sheenGoneMinutes, to: f.initialSetMinutes }]
      : []),
    ...(eased ? [{ name: 'ease what it grips', from: f.easeFromMinutes, to: f.easeUntilMinutes }] : []),
    ...(f.firstStripMinutes !== null && strips.length > 0
      ? [{ name: 'mould comes off', from: f.firstStripMinutes, to: null }]
      : []),
    ...(f.flipMinutes !== null
      ? [{ name: turned ? 'turned over, carried' : 'carried', from: f.flipMinutes, to: null }]
      : []),
  ]
}

const STEPS = [5, 10, 15, 30, 60, 120, 240, 360, 720, 1440, 2880, 7200, 14400, 43200] as const

/** Where hours are written on an axis so many px wide: whole ones of the clock, at least `apart` px between. */
export function ticksOf({ from, to }: Stretch, width: number, waterMinute: number, apart = 72): number[] {
  const step = STEPS.find((s) => (s / (to - from)) * width >= apart) ?? STEPS.at(-1)!
  const first = Math.ceil((from + waterMinute) / step) * step - waterMinute
  return Array.from({ length: Math.max(0, Math.floor((to - first) / step) + 1) }, (_, i) => first + i * step)
}

/** The stretches in which the shop is shut. */
export function nightsOf({ from, to }: Stretch, hours: Hours | null): Stretch[] {
  if (!hours) return []
  const nights: Stretch[] = []
  const day = 1440
  for (let d = Math.floor((from + hours.waterMinute) / day) - 1; d * day - hours.waterMinute < to; d++) {
    const shut = {
      from: d * day + hours.toMinute - hours.waterMinute,
      to: (d + 1) * day + hours.fromMinute - hours.waterMinute,
    }
    const seen = { from: Math.max(from, shut.from), to: Math.min(to, shut.to) }
    if (seen.to > seen.from) nights.push(seen)
  }
  return nights
}
