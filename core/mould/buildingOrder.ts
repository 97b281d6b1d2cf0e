import type { BarePart } from './bareParts.ts'
import type { BuildStep } from './types.ts'

/** Minutes of work [own]: a cut, a lamination, a screw, a metre of bead, a part set in place. */
export const WORK = { cut: 4, laminate: 12, screw: 1.5, beadPerM: 6, place: 6, tapePerM: 3, wax: 20 } as const
/** Minutes to wait at 20 degC: wood glue clamped, hot glue. */
export const WAIT = { glue: 60, hotGlue: 5 } as const

/** Minutes until the mould can be filled: all work and waiting, one after the other. */
export const readyAfter = (steps: readonly BuildStep[]): number =>
  steps.reduce((sum, s) => sum + s.workMinutes + s.waitMinutes, 0)

export const step = (
  code: BuildStep['code'],
  text: string,
  parts: readonly BarePart[],
  workMinutes: number,
  waitMinutes = 0,
): BuildStep => ({ code, text, partIds: parts.map((p) => p.id), workMinutes, waitMinutes })

export const namesOf = (parts: readonly BarePart[]): string => parts.map((p) => p.name).join(', ')

/** A pattern is sealed before anything is poured round it. */
export const sealPattern = (): BuildStep =>
  step(
    'lacquer',
    'Seal the pattern: two coats, sanded between, hard right through. Rubber copies every mark, and damp wood foams it.',
    [],
    30,
    24 * 60,
  )
