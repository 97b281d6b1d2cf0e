import type { Kernel } from './geometry/index.ts'
import {
  type About,
  type Change,
  type Facts,
  type Job,
  type Level,
  rankFindings,
  type StationName,
} from './job/index.ts'
import { type PiecePlan, planPiece } from './plan.ts'
import { proveRemedies } from './remedies.ts'
import { type Memo, stationMemo } from './station.ts'
import { wordsStyle } from './units/index.ts'
import { explain, remedyText } from './words.ts'
import { sayAct, type Timed } from './work/index.ts'

/** Raised when a key of the plan's JSON changes its meaning or goes; new keys do not raise it. */
export const PLAN_VERSION = 3

/** Whether this is a count of work that is asked for: whole, and no more than a machine does in a few minutes. */
export const isEffort = (n: number): boolean => Number.isInteger(n) && n >= 1 && n <= 64

type Figures<T> = T extends { readonly figures: infer F } ? F | null : never
type StationsJson = {
  readonly [K in keyof PiecePlan['stations']]: Figures<NonNullable<PiecePlan['stations'][K]>>
}

export type FindingJson = {
  readonly code: string
  readonly level: Level
  readonly station: StationName
  readonly about: readonly About[]
  readonly facts: Facts
  readonly text: string
  readonly why: string
  readonly remedies: readonly {
    readonly code: string
    readonly facts: Facts
    readonly text: string
    readonly changes: readonly Change[]
  }[]
}

export type PlanJson = {
  readonly planVersion: number
  readonly job: {
    readonly id: string
    readonly name: string
    readonly pieceCount: number
    readonly pourCount: number
  }
  readonly pieces: readonly {
    readonly id: string
    readonly name: string
    readonly quantity: number
    /** What of it cannot be as it is: the stations plan it without. */
    readonly leftOut: PiecePlan['leftOut']
    readonly stations: StationsJson
    /** Everything that is done, in order, each with its sentence; minutes are from the first water. */
    readonly work: readonly (Timed & { readonly text: string })[]
  }[]
  /** Stations that failed by a fault of ours: null in their piece, the others stand. */
  readonly failed: readonly {
    readonly pieceId: string
    readonly station: StationName
    readonly message: string
  }[]
  readonly findings: readonly FindingJson[]
}

/** The figures of one piece's plan, without solids. */
function stationsJson({ stations: s }: PiecePlan): StationsJson {
  return {
    piece: s.piece?.figures ?? null,
    mould: s.mould?.figures ?? null,
    steel: s.steel?.figures ?? null,
    release: s.release?.figures ?? null,
    mix: s.mix?.figures ?? null,
    pour: s.pour?.figures ?? null,
    finish: s.finish?.figures ?? null,
    log: s.log?.figures ?? null,
    sheets: s.sheets?.figures ?? null,
  }
}

/**
 * The whole job planned, as the command line and the server give it: figures, findings with words, no meshes. Sheets and
 * bars are looked for with so many times the usual work.
 */
export function planJob(kernel: Kernel, job: Job, memo: Memo = stationMemo(), effort = 1): PlanJson {
  const plans = job.pieces.map((piece) =>
    proveRemedies(kernel, job, planPiece(kernel, job, piece, { memo, effort }), memo),
  )
  const style = wordsStyle(job.settings)
  return {
    planVersion: PLAN_VERSION,
    job: { id: job.id, name: job.name, pieceCount: job.pieces.length, pourCount: job.pours.length },
    pieces: plans.map((plan, i) => ({
      id: plan.id,
      name: plan.name,
      quantity: job.pieces[i]!.quantity,
      leftOut: plan.leftOut,
      stations: stationsJson(plan),
      work: plan.work.map((op) => ({ ...op, text: sayAct(op, style) })),
    })),
    failed: plans.flatMap((plan) => plan.failed.map((f) => ({ pieceId: plan.id, ...f }))),
    findings: rankFindings(plans.flatMap((p) => p.findings)).map((finding) => {
      const words = explain(finding, style)
      return {
        ...finding,
        text: words.what,
        why: words.why,
        remedies: finding.remedies.map((r) => ({ ...r, text: remedyText(words, r) })),
      }
    }),
  }
}
