import type { About, Change, Finding } from '../../job/index.ts'
import type { PieceFindings } from '../words.ts'

/** How a check of a slab adds what it found; its changes become the one remedy. */
export type Raise = <C extends keyof PieceFindings & string>(found: {
  code: C
  level: Finding['level']
  about: readonly About[]
  facts: PieceFindings[C]
  changes?: readonly Change[]
}) => void
