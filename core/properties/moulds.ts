import { expect, it } from 'vitest'
import { openKernel } from '../geometry/index.ts'
import { explainBy, type Piece, withChoice } from '../job/index.ts'
import { METHODS, MOULD_WORDS, planMouldStation } from '../mould/index.ts'
import { planPieceStation } from '../piece/index.ts'
import { seeded } from '../testing/anyPiece.ts'
import { rounds } from '../testing/rounds.ts'
import { testStock } from '../testing/testPiece.ts'
import { METRIC, wordsStyle } from '../units/index.ts'
import { someOf } from './someOf.ts'

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
    const words = explainBy(MOULD_WORDS, f, style)
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
    if (!Number.isFinite(fact.value)) wrong.push(`${fact.code}: ${fact.value}`)
  return wrong
}

const methodsOf = (piece: Piece): Piece[] =>
  METHODS.map((m) => ({ ...piece, mould: withChoice(piece.mould, { method: m.id }) }))

/** A mould or words that say why not, for any piece of a kind by every method: from sizes, and a few from solids. */
export function holdMoulds(kind: Piece['kind'], seed: number): void {
  it(`finds a mould of any ${kind} by every method, or says why not: seed ${seed}`, () => {
    const random = seeded(seed)
    for (const [i, base] of someOf(kind, random, rounds(8, 120)).entries())
      for (const piece of methodsOf(base)) {
        const { method } = piece.mould
        const quick = i >= rounds(1, 10)
        expect([i, method, plan(piece, quick)]).toEqual([i, method, []])
      }
  }, 600_000)
}
