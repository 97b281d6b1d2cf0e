import type { Change } from './changes.ts'

export const STATIONS = [
  'piece',
  'mould',
  'steel',
  'release',
  'mix',
  'pour',
  'finish',
  'log',
  'sheets',
] as const
export type StationName = (typeof STATIONS)[number]

/** stop: cannot be built, cannot leave the mould, would hurt someone, or the cast is lost. warn: a risk. note: worth knowing. */
export type Level = 'stop' | 'warn' | 'note'

export type About = {
  readonly pieceId: string
  readonly kind: 'piece' | 'side' | 'corner' | 'opening' | 'feature' | 'part' | 'board' | 'choice'
  readonly id: string
  readonly face?: string
}

/** Numbers wear their unit in their key; everything else is text. */
export type Facts = Readonly<Record<string, number | string>>

/** A change that cures a finding; wording is made from code and facts. */
export type Remedy = { readonly code: string; readonly facts: Facts; readonly changes: readonly Change[] }

export type Finding = {
  readonly code: string
  readonly level: Level
  readonly station: StationName
  readonly about: readonly About[]
  readonly facts: Facts
  readonly remedies: readonly Remedy[]
}

const RANK: Readonly<Record<Level, number>> = { stop: 0, warn: 1, note: 2 }

/** Worst first, else in the order of the line. */
export const rankFindings = (findings: readonly Finding[]): Finding[] =>
  [...findings].sort(
    (a, b) => RANK[a.level] - RANK[b.level] || STATIONS.indexOf(a.station) - STATIONS.indexOf(b.station),
  )

export const isWorseOrEqual = (a: Level, b: Level): boolean => RANK[a] <= RANK[b]

/** A code of a table of findings with its facts; the table is made from the station's words. */
type Code<M> = keyof M & string

/** Collects a station's findings about one thing, each with the remedies that might cure it. `M` has the facts of each code. */
export function findingList<M extends Readonly<Record<keyof M, Facts>>>(
  station: StationName,
  pieceId: string,
  kind: About['kind'],
  id: string,
) {
  const findings: Finding[] = []
  const raise = <C extends Code<M>>(
    code: C,
    level: Level,
    facts: M[C],
    remedies: readonly Remedy[] = [],
  ): void => {
    findings.push({ code, level, station, about: [{ pieceId, kind, id }], facts, remedies })
  }
  return { findings, raise }
}
