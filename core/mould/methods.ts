import type { MouldChoice, Piece } from '../job/index.ts'
import { blockMethod } from './block/planBlock.ts'
import { boardBoxMethod } from './boardBox/planBoardBox.ts'
import { brushedMethod } from './brushed/planBrushed.ts'
import { closedMethod } from './closed/planClosed.ts'
import { foundMethod } from './found/planFound.ts'
import { layersMethod } from './layers/planLayers.ts'
import { linedMethod } from './lined/planLined.ts'
import type { MethodId, MouldMethod } from './method.ts'
import { misfitWords } from './misfit.ts'
import { packedMethod } from './packed/planPacked.ts'
import { printedMethod } from './printed/planPrinted.ts'
import { ribsMethod } from './ribs/planRibs.ts'
import { tubeMethod } from './tube/planTube.ts'
import { upperFormMethod } from './upperForm/planUpperForm.ts'

/** Every way of building a mould, in the order in which they are offered. */
export const METHODS: readonly MouldMethod[] = [
  boardBoxMethod,
  upperFormMethod,
  linedMethod,
  tubeMethod,
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

/** Why the chosen method cannot form a piece, in a few words; null when it can. */
export function whyNoMould(piece: Piece): string | null {
  const misfit = methodOf(piece.mould.method).misfit(piece)
  return misfit && misfitWords(misfit)
}
