import { type Kernel, surfaceTops, type Vector } from '../../geometry/index.ts'
import type { CastBody } from '../castBody.ts'

/** Less than this catches no bubble that matters: a share of the height, at least so many mm [own]. */
const LEAST = { share: 0.01, mm: 0.5 }

/** The places where air would be caught in a closed mould, the highest first. */
export const localTops = (kernel: Kernel, body: CastBody): Vector[] =>
  kernel.withSolids((scope) =>
    surfaceTops(scope.solid(body.recipe), Math.max(LEAST.mm, LEAST.share * body.height)),
  )
