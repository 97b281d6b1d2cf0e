import type { StationName } from '../job/index.ts'
import type { Act } from './acts.ts'

/** What an operation waits for of the concrete, or what ends its window. Minutes are at 20 degC. */
export type Condition =
  /** A share of the mix's initial or final set: from the first water, or from when an operation was begun. */
  | {
      readonly kind: 'set'
      readonly of: 'initial' | 'final'
      readonly setShare: number
      readonly since?: string
    }
  | { readonly kind: 'strength'; readonly mpa: number }
  /** Since the last batch met its water, in equivalent age. */
  | { readonly kind: 'aged'; readonly ageMinutes: number }
  /** Kept damp to this share of its 28 days' strength, and this long at least. */
  | { readonly kind: 'cured'; readonly strengthShare: number; readonly leastMinutes: number }

export type Ref = {
  readonly kind: 'part' | 'face' | 'opening' | 'insert' | 'mat' | 'batch' | 'block'
  readonly id: string
}

/** How the piece lies while the work is done. */
export type Attitude = {
  readonly turned: boolean
  readonly lies: 'bench' | 'base' | 'bearers' | 'padded board'
  /** Parts of the mould that are still on it, and the mass of all that is moved then, kg. */
  readonly attached: readonly string[]
  readonly massKg: number
}

/** One thing to do: what, to what, after what, when at the earliest and the latest, and what it takes. */
export type Operation = Act & {
  /** Derived from what it does and to what: stable through edits, never read as text. */
  readonly id: string
  readonly station: StationName
  /** What it is repeated for. */
  readonly per: 'mould' | 'cast' | 'piece'
  readonly about: readonly Ref[]
  /** Minutes of hands, how many pairs of them, and minutes at 20 degC before what needs it may begin: a bead cures, a coat hardens. */
  readonly work: { readonly workMinutes: number; readonly hands: number; readonly waitMinutes: number }
  /** Operations that are done before it, their waits over. */
  readonly needs: readonly string[]
  /** Operations that need it, where it is known here and not there. */
  readonly leads: readonly string[]
  readonly notBefore: readonly Condition[]
  readonly notAfter: readonly Condition[]
  /** What is left to itself until this, hands free: damp curing, a coat that hardens. */
  readonly until: Condition | null
  readonly attitude: Attitude | null
  /** What is used up by it. */
  readonly takes: readonly Quantity[]
  /** Of what is looked at before the pour: ticked, and whether the pour waits for it; null of what is done. */
  readonly tick: 'noted' | 'stops' | null
}

export type Quantity = { readonly name: string; readonly amount: number; readonly unit: string }

type Asked = Act &
  Pick<Operation, 'id' | 'station' | 'per'> &
  Partial<Operation> & { readonly minutes?: number; readonly waitMinutes?: number; readonly hands?: number }

/** An operation; what is not told of it is left empty. */
export function operation({ minutes = 0, waitMinutes = 0, hands = 1, ...told }: Asked): Operation {
  return {
    about: [],
    work: { workMinutes: minutes, hands, waitMinutes },
    needs: [],
    leads: [],
    notBefore: [],
    notAfter: [],
    until: null,
    attitude: null,
    takes: [],
    tick: null,
    ...told,
  } as Operation
}

export const partRefs = (ids: readonly string[]): Ref[] => ids.map((id) => ({ kind: 'part', id }))

/** Ids of the mould's parts that an operation is about. */
export const partIdsOf = ({ about }: Operation): string[] =>
  about.filter((r) => r.kind === 'part').map((r) => r.id)

/** Each operation after the one before it in the list, beside what it needs already. */
export const inTurn = (operations: readonly Operation[]): Operation[] =>
  operations.map((op, i) => {
    const before = operations[i - 1]?.id
    return before && !op.needs.includes(before) ? { ...op, needs: [...op.needs, before] } : op
  })
