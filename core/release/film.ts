import type { Vector } from '../geometry/index.ts'
import { type Operation, partIdsOf } from '../work/index.ts'
import type { PartMove } from './draft/planDraft.ts'
import type { Tilt } from './tilt.ts'

/** One step of a mould coming apart: what leaves in it, how far, and how all that still stands lies by its end. */
export type FilmStep = {
  readonly moves: readonly {
    readonly partId: string
    readonly by: Vector
    readonly rigid: boolean
    readonly tilt: Tilt | null
  }[]
  /** Whether it lies turned over at the end of it. */
  readonly turned: boolean
}

/** What is seen at a moment of the film. */
export type FilmFrame = {
  /** How far each part that leaves now has come, mm, as poured. */
  readonly offsets: Readonly<Record<string, Vector>>
  /** Of what is tilted off, by how much of its tilt it is turned now: before it moves. */
  readonly tilts: Readonly<Record<string, Tilt>>
  /** Of what bends, peels or breaks as it leaves: how much of it is still there, 1 to 0. */
  readonly fading: Readonly<Record<string, number>>
  /** Parts that are off. */
  readonly off: readonly string[]
  /** How far it is turned over, 0 to 1. */
  readonly turned: number
}

/** What is tilted off is tilted for so much of its step. */
const TILTS = 0.4
/** A part is drawn no further off than this many times the size of the whole, and so much clear of where it is free. */
const [FAR, CLEAR] = [0.75, 0.06]

/** The steps of a film: operations that are told in one line are one step. `size` is the longest side of the whole, mm. */
export function filmSteps(
  lines: readonly (readonly Operation[])[],
  moves: readonly PartMove[],
  size: number,
): FilmStep[] {
  return lines.map((of) => {
    const ids = new Set(of.map((op) => op.id))
    return {
      moves: moves
        .filter((m) => ids.has(m.operationId))
        .map(({ partId, rigid, rightMm, backMm, upMm, tilt }) => {
          const far = Math.hypot(rightMm, backMm, upMm)
          const shown = Math.min(far + CLEAR * size, FAR * size) / far
          return { partId, rigid, tilt, by: [rightMm * shown, backMm * shown, upMm * shown] as const }
        }),
      turned: of.at(-1)?.attitude?.turned ?? false,
    }
  })
}

/** Parts that no step takes off, and none is about: stuck to others, as a bead of sealant is, they go with those. */
export function stuckParts(
  partIds: readonly string[],
  lines: readonly (readonly Operation[])[],
  moves: readonly PartMove[],
): string[] {
  const told = new Set([...moves.map((m) => m.partId), ...lines.flat().flatMap(partIdsOf)])
  return partIds.filter((id) => !told.has(id))
}

/**
 * The film at a moment: 0 is the whole mould, n is after its n-th step. `stuck` are parts that no step takes off by itself,
 * as a bead of sealant, which goes with what it is run on: they are gone from the first step on.
 */
export function frameAt(
  steps: readonly FilmStep[],
  moment: number,
  stuck: readonly string[] = [],
): FilmFrame {
  const at = Math.min(Math.max(0, moment), steps.length)
  const n = Math.min(Math.floor(at), Math.max(0, steps.length - 1))
  const now = steps[n]
  const share = eased(at - n)
  const before = steps.slice(0, n)
  const gone = new Set(before.flatMap((s) => s.moves.map((m) => m.partId)))
  const was = before.at(-1)?.turned ?? false
  const leaving = (now?.moves ?? []).filter((m) => !gone.has(m.partId))
  return {
    offsets: Object.fromEntries(
      leaving.map(({ partId, by, tilt }) => {
        const on = tilt ? Math.max(0, share - TILTS) / (1 - TILTS) : share
        return [partId, [by[0] * on, by[1] * on, by[2] * on] as const]
      }),
    ),
    tilts: Object.fromEntries(
      leaving.flatMap(({ partId, tilt }) =>
        tilt ? [[partId, { ...tilt, deg: tilt.deg * Math.min(1, share / TILTS) }]] : [],
      ),
    ),
    fading: Object.fromEntries(leaving.flatMap((m) => (m.rigid ? [] : [[m.partId, 1 - share]]))),
    off: [...gone, ...(at > 0 ? stuck : [])],
    turned: mix(was ? 1 : 0, (now?.turned ?? was) ? 1 : 0, share),
  }
}

const mix = (a: number, b: number, t: number): number => a + (b - a) * t
/** Slow at both ends. */
const eased = (t: number): number => t * t * (3 - 2 * t)
