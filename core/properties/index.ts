import type { Piece } from '../job/index.ts'
import { holdBodies } from './bodies.ts'
import { holdMemory } from './memory.ts'
import { holdMoulds } from './moulds.ts'
import { holdOperations } from './operations.ts'
import { holdSolids } from './solids.ts'

/** All that must hold for any piece of a kind. Each kind has a test file of its own, so that they run side by side. */
export function holdProperties(kind: Piece['kind'], seed: number): void {
  holdSolids(kind, seed)
  holdMoulds(kind, seed)
  holdBodies(kind, seed)
  holdOperations(kind, seed)
  holdMemory(kind, seed)
}
