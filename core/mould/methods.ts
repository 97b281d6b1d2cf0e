import type { Piece } from '../job/index.ts'
import { blockMethod } from './block/planBlock.ts'
import { boardBoxMethod } from './boardBox/planBoardBox.ts'
import type { MethodId, MouldMethod } from './method.ts'
import { tubeMethod } from './tube/planTube.ts'

/** Every way of building a mould, in the order in which they are offered. */
export const METHODS: readonly MouldMethod[] = [boardBoxMethod, tubeMethod, blockMethod]

export const methodOf = (id: MethodId): MouldMethod => METHODS.find((m) => m.id === id)!

/** Why the chosen method cannot form a piece, in a few words; null when it can. */
export const whyNoMould = (piece: Piece): string | null => methodOf(piece.mould.method).why(piece)
