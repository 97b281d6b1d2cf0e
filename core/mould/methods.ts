import type { MouldChoice, Piece } from '../job/index.ts'
import { asCast } from '../piece/index.ts'
import { blockMethod } from './block/planBlock.ts'
import { boardBoxMethod } from './boardBox/planBoardBox.ts'
import { brushedMethod } from './brushed/planBrushed.ts'
import { closedMethod } from './closed/planClosed.ts'
import { foundMethod } from './found/planFound.ts'
import { layersMethod } from './layers/planLayers.ts'
import { linedMethod } from './lined/planLined.ts'
import type { MethodId, MouldMethod } from './method.ts'
import { type Misfit, misfitWords } from './misfit.ts'
import { packedMethod } from './packed/planPacked.ts'
import { planksMethod } from './planks/planPlanks.ts'
import { printedMethod } from './printed/planPrinted.ts'
import { ribsMethod } from './ribs/planRibs.ts'
import { ringMethod } from './ring/planRing.ts'
import { tubeMethod } from './tube/planTube.ts'
import { upperFormMethod } from './upperForm/planUpperForm.ts'

/** Every way of building a mould, in the order in which they are offered. */
export const METHODS: readonly MouldMethod[] = [
  boardBoxMethod,
  upperFormMethod,
  linedMethod,
  planksMethod,
  tubeMethod,
  ringMethod,
  ribsMethod,
  packedMethod,
  layersMethod,
  printedMethod,
  blockMethod,
  brushedMethod,
  closedMethod,
  foundMethod,
]

export const methodOf = (id: MethodId): MouldMethod => METHODS.find((m) => m.id === id)!

/** Whether a mould's figures are told from solids, and guessed until those are built. */
export const measuresSolids = (choice: MouldChoice): boolean =>
  methodOf(choice.method).guesses?.(choice) ?? false

/** Why a method does not form a piece, judged as it is cast, without what is drilled later; null when it does. */
export const misfitOf = (method: MouldMethod, piece: Piece): Misfit | null => method.misfit(asCast(piece))

/** Why the chosen method cannot form a piece, in a few words; null when it can. */
export function whyNoMould(piece: Piece): string | null {
  const misfit = misfitOf(methodOf(piece.mould.method), piece)
  return misfit && misfitWords(misfit)
}
