import { type Hours, isStripping, nextInHours, type Timed } from '../work/index.ts'

/** Handling between one cast and the next, minutes [own]. */
const HANDLING = 30

/** What one turn of a mould takes, minutes: hands before the water, hands in the pour, and from the water until it is off. */
export type Turn = {
  readonly readyMinutes: number
  readonly pourMinutes: number
  /** When it may be begun to be stripped, from the water. */
  readonly stripFromMinutes: number
  readonly stripMinutes: number
}

/** One turn, from the day's own work; null where it is never stripped. */
export function turnOf(work: readonly Timed[], placedByMinutes: number): Turn | null {
  const hands = (list: readonly Timed[]) => list.reduce((sum, op) => sum + op.work.workMinutes, 0)
  const mixed = work.findIndex((op) => op.code === 'mix-batch')
  const strips = work.filter((op) => isStripping(op) && op.per === 'cast')
  if (mixed < 0 || strips.length === 0 || strips.some((op) => op.startMinutes === null)) return null
  return {
    // What is built once is not built again; what is waxed, set up and looked over is.
    readyMinutes: hands(work.slice(0, mixed).filter((op) => op.per === 'cast')),
    pourMinutes: placedByMinutes,
    // What comes off last frees the mould.
    stripFromMinutes: Math.max(placedByMinutes, strips.at(-1)!.endMinutes! - hands(strips)),
    stripMinutes: hands(strips),
  }
}

/** From one first water of a mould to its next, minutes. */
export const cycleMinutes = ({ readyMinutes, stripFromMinutes, stripMinutes }: Turn): number =>
  readyMinutes + stripFromMinutes + stripMinutes + HANDLING

/**
 * Moulds for so many pieces in so many days, work going on day and night: each is turned floor(24 d / cycle) times. Null
 * where not even one turn fits. 24 pieces in 5 days at 36 hours a turn: 3 turns, 8 moulds.
 */
export function mouldsFor(pieces: number, days: number, turn: Turn): number | null {
  const turns = Math.floor((days * 1440) / cycleMinutes(turn) + 1e-9)
  return turns < 1 ? null : Math.ceil(pieces / turns)
}

/** What is done on a day of a run: how many are poured and how many come off, by mould. */
export type RunDay = {
  /** From 1. */
  readonly day: number
  readonly poured: readonly number[]
  readonly stripped: readonly number[]
}

/** A run longer than this is not listed, days. */
const LONGEST = 400

type Asked = {
  readonly pieces: number
  readonly moulds: number
  readonly turn: Turn
  readonly hours: Pick<Hours, 'fromMinute' | 'toMinute'> | null
}

/**
 * One crew that turns moulds over until all pieces are cast: of what can be done first, stripping before pouring; within
 * the hours of work. Numbers are those of the moulds, from 1. Null where it takes over 400 days.
 */
export function runDays({ pieces, moulds, turn, hours }: Asked): RunDay[] | null {
  const { readyMinutes, pourMinutes, stripFromMinutes, stripMinutes } = turn
  const from = hours?.fromMinute ?? 0
  // Minute 0 is when the first day begins.
  const kept = (start: number, work: number) =>
    hours ? nextInHours(start, work, { ...hours, waterMinute: from }) : start
  const days = new Map<number, { poured: number[]; stripped: number[] }>()
  const note = (minute: number, what: 'poured' | 'stripped', mould: number) => {
    const day = Math.floor((minute + from) / 1440) + 1
    const own = days.get(day) ?? { poured: [], stripped: [] }
    own[what].push(mould)
    days.set(day, own)
  }
  /** When each mould may be poured, or stripped. */
  const state = Array.from({ length: Math.min(moulds, pieces) }, () => ({ full: false, at: 0 }))
  let [now, poured, done] = [0, 0, 0]
  while (done < pieces) {
    let best: { i: number; start: number; work: number } | null = null
    for (const [i, { full, at }] of state.entries()) {
      if (!full && poured >= pieces) continue
      const work = full ? stripMinutes + HANDLING : readyMinutes + pourMinutes
      const start = kept(Math.max(now, at), work)
      if (!best || start < best.start || (start === best.start && full && !state[best.i]!.full))
        best = { i, start, work }
    }
    if (!best || best.start > LONGEST * 1440) return null
    const own = state[best.i]!
    now = best.start + best.work
    if (own.full) {
      note(best.start, 'stripped', best.i + 1)
      state[best.i] = { full: false, at: now }
      done += 1
    } else {
      note(best.start, 'poured', best.i + 1)
      state[best.i] = { full: true, at: best.start + readyMinutes + stripFromMinutes }
      poured += 1
    }
  }
  return [...days].sort(([a], [b]) => a - b).map(([day, own]) => ({ day, ...own }))
}

/** The fewest moulds with which a run is over in so many days, tried one after another; null where none is. */
export function mouldsInDays(asked: Omit<Asked, 'moulds'>, days: number): number | null {
  for (let moulds = 1; moulds <= Math.min(asked.pieces, MOST_MOULDS); moulds++) {
    const last = runDays({ ...asked, moulds })?.at(-1)?.day
    if (last !== undefined && last <= days) return moulds
  }
  return null
}
const MOST_MOULDS = 40
