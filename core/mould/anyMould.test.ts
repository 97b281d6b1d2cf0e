import { expect, it } from 'vitest'
import { openKernel } from '../geometry/index.ts'
import type { Piece } from '../job/index.ts'
import { withChoice } from '../job/index.ts'
import { planPieceStation } from '../piece/index.ts'
import { anyPiece, seeded } from '../testing/anyPiece.ts'
import { testStock } from '../testing/testPiece.ts'
import { METRIC, wordsStyle } from '../units/index.ts'
import { explainMould, METHODS, planMouldStation } from './index.ts'

const SEED = 20261126
const kernel = await openKernel({ coarser: 12 })
const style = wordsStyle(METRIC)

/** Plans a mould and looks at what must hold for any: a mould or words that say why not, and figures that are numbers. */
function plan(piece: Piece, quick: boolean): string[] {
  const pieceStation = planPieceStation(kernel, piece, 2300, quick)
  if (!pieceStation.geometry.recipe) return []
  const { station, findings } = planMouldStation(piece, pieceStation, testStock, testStock.mixes[0]!, {
    kernel,
    quick,
  })
  const wrong = findings.flatMap((f) => {
    const words = explainMould(f, style)
    const text = words ? `${words.what} ${words.why}` : ''
    return words && !/undefined|NaN|Infinity|\[object/.test(text) ? [] : [`${f.code}: “${text}”`]
  })
  if (!station && findings.length === 0) wrong.push('no mould, and no word why')
  for (const part of station?.figures.parts ?? [])
    if (
      ![part.lengthMm, part.widthMm, part.thicknessMm, part.weightKg].every(
        (n) => Number.isFinite(n) && n >= 0,
      )
    )
      wrong.push(`${part.id}: ${part.lengthMm} x ${part.widthMm} x ${part.thicknessMm}, ${part.weightKg} kg`)
  for (const fact of station?.figures.facts ?? [])
    if (!Number.isFinite(fact.value)) wrong.push(`${fact.label}: ${fact.value}`)
  return wrong
}

const methodsOf = (piece: Piece): Piece[] =>
  METHODS.map((m) => ({ ...piece, mould: withChoice(piece.mould, { method: m.id }) }))

it(`finds a mould or says why not, for any piece by every method while it is dragged: seed ${SEED}`, () => {
  const random = seeded(SEED)
  for (let i = 0; i < 80; i += 1)
    for (const piece of methodsOf(anyPiece(random)))
      expect([i, piece.kind, piece.mould.method, plan(piece, true)]).toEqual([
        i,
        piece.kind,
        piece.mould.method,
        [],
      ])
}, 120_000)

it(`and measured, for a few of them: seed ${SEED + 1}`, () => {
  const random = seeded(SEED + 1)
  for (let i = 0; i < 6; i += 1)
    for (const piece of methodsOf(anyPiece(random)))
      expect([i, piece.kind, piece.mould.method, plan(piece, false)]).toEqual([
        i,
        piece.kind,
        piece.mould.method,
        [],
      ])
}, 120_000)
