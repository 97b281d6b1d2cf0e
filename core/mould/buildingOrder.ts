import { type Act, type ActCode, type Operation, operation, partRefs } from '../work/index.ts'
import type { BarePart } from './bareParts.ts'
import type { Undoing } from './types.ts'

/** Minutes of work [own]: a cut, a lamination, a screw, a metre of bead, a part set in place. */
export const WORK = { cut: 4, laminate: 12, screw: 1.5, beadPerM: 6, place: 6, tapePerM: 3 } as const
/** Minutes to wait at 20 degC: wood glue clamped, hot glue; a pattern's sealer, its release. */
export const WAIT = { glue: 60, hotGlue: 5 } as const
/** Minutes [own]: a part taken off a cast, a cast turned over. */
export const OFF = { part: 5, turn: 20 } as const

type Ids = Pick<BarePart, 'id'>
type Minutes = { readonly work: number; readonly wait?: number }

/** One step of building a mould, done once for each. */
export const build = (
  id: string,
  told: Act,
  parts: readonly Ids[],
  { work, wait = 0 }: Minutes,
  needs: readonly string[] = [],
): Operation =>
  operation({
    ...told,
    id,
    station: 'mould',
    per: 'mould',
    about: partRefs(parts.map((p) => p.id)),
    minutes: work,
    waitMinutes: wait,
    needs,
  })

/** The same done again for every cast: what is closed after each waxing. */
export const eachCast = (op: Operation): Operation => ({ ...op, per: 'cast' })

type Leaving = Partial<Pick<Undoing, 'at' | 'after' | 'from' | 'whileItMoves' | 'turns' | 'minutes'>>

/** Acts by which parts bend, peel, break or fall away: nothing rigid has to slide. */
const SOFT: ReadonlySet<ActCode> = new Set([
  'skins-off',
  'peel-base',
  'break-free',
  'roll-liners-off',
  'chamfers-off',
  'draw-tubes',
  'dig-out',
  'tube-off',
  'column-off-base',
  'core-out',
  'rubber-off',
  'upper-half-off',
  'lower-half-off',
  'peel-rubber',
  'lift-base-off-liner',
  'liner-off',
  'break-foam',
  'peel-skin',
  'tip-off-base',
  'lift-block',
  'dig-packing',
  'vessel-off',
  'floor-off',
  'ring-peeled',
  'vessel-lifted',
  'vessel-slit',
  'vessel-left-on',
  'lift-by-bag',
  'upper-half-lifted',
])

/** Acts by which all that leaves leaves as one body, still held together. */
const AS_ONE: ReadonlySet<Act['code']> = new Set([
  'core-drawn',
  'inner-boards-up',
  'block-off',
  'print-off',
  'print-half-off',
])

/** One act of taking a mould off its cast. */
export const undo = (id: string, told: Act, parts: readonly Ids[], leaving: Leaving = {}): Undoing =>
  ({
    ...told,
    id,
    partIds: parts.map((p) => p.id),
    at: [],
    after: [],
    from: null,
    whileItMoves: false,
    turns: null,
    rigid: !SOFT.has(told.code),
    asOne: AS_ONE.has(told.code) || (told.code === 'ring-off' && told.facts.of === 'layers'),
    minutes: leaving.turns ? OFF.turn : Math.max(OFF.part, OFF.part * parts.length),
    ...leaving,
  }) as Undoing

/** Each act after the one before it in the list, beside what it comes after already. */
export const oneByOne = (acts: readonly Undoing[]): Undoing[] =>
  acts.map((u, i) => (i === 0 ? u : { ...u, after: [...new Set([...u.after, acts[i - 1]!.id])] }))

export const namesOf = (parts: readonly { readonly name: string }[]): string[] => parts.map((p) => p.name)
