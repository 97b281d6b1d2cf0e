import type { Run } from '../../core/job/index.ts'

/** An L-shaped top to start from. */
export const newRun = (id: string): Run => ({
  id,
  name: 'Galley top',
  legs: [
    { id: 'leg-1', length: 2400, depth: 620 },
    { id: 'leg-2', length: 1500, depth: 620 },
  ],
  corners: [{ by: 'square' }],
  thickness: 40,
  wallGap: 3,
  overhang: 20,
  seamWidth: 2,
  gaps: [],
  openings: [],
  seams: [],
  joint: 'butt-first',
})
