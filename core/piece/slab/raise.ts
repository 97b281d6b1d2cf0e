import type { About, Change, Finding } from '../../job/index.ts'

/** How a check of a slab adds what it found; its changes become the one remedy. */
export type Raise = (
  finding: Omit<Finding, 'station' | 'about' | 'remedies'> & {
    about: readonly About[]
    changes?: readonly Change[]
  },
) => void
