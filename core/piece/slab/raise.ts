import type { About, Change, Finding } from '../../job/index.ts'
import type { PieceFindings } from '../words.ts'

/** A way to mend what was found: its code says which words the button has. */
export type Cure = { readonly code: string; readonly changes: readonly Change[] }

/** How a check of a slab adds what it found; `changes` become its one remedy, `cures` are several, the first preferred. */
export type Raise = <C extends keyof PieceFindings & string>(found: {
  code: C
  level: Finding['level']
  about: readonly About[]
  facts: PieceFindings[C]
  changes?: readonly Change[]
  cures?: readonly Cure[]
}) => void

/** Half a step of room is left so that no side vanishes by rounding. */
export const roundDown = (mm: number): number => Math.floor(mm * 2) / 2
