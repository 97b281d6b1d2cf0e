import { expect, it } from 'vitest'
import { openKernel } from '../geometry/index.ts'
import { choiceFor, type Job, type Piece } from '../job/index.ts'
import { METHODS } from '../mould/index.ts'
import { pieceBox } from '../piece/index.ts'
import { planPiece } from '../plan.ts'
import { stationMemo } from '../station.ts'
import { seeded } from '../testing/anyPiece.ts'
import { rounds } from '../testing/rounds.ts'
import { testJob } from '../testing/testPiece.ts'
import { someOf } from './someOf.ts'

const kernel = await openKernel({ coarser: 30 })

type Random = () => number
type Tree = { [key: string]: unknown }
const pickOf = <T>(random: Random, list: readonly T[]): T => list[Math.floor(random() * list.length)]!

/** Numbers of a tree, by the tables they stand in: each may be changed by a little. */
function numbersIn(tree: Tree): (readonly [Tree, string])[] {
  return Object.entries(tree).flatMap(([key, value]): (readonly [Tree, string])[] => {
    if (typeof value === 'number') return value === 0 ? [] : [[tree, key]]
    return typeof value === 'object' && value !== null ? numbersIn(value as Tree) : []
  })
}
/** One number of a tree, changed: of a row of the stock, or of what a station was told. */
function nudge(random: Random, tree: Tree): void {
  const numbers = numbersIn(tree)
  if (numbers.length === 0) return
  const [at, key] = pickOf(random, numbers)
  const value = at[key] as number
  at[key] = Number.isInteger(value) && Math.abs(value) < 5 ? value + 1 : value * 1.07
}

const CHOICES = ['steel', 'mix', 'pour', 'finish', 'mould', 'release'] as const

/** A job with one thing of it changed. */
function edited(random: Random, job: Job): Job {
  const next = structuredClone(job)
  const [piece] = next.pieces
  const tree = piece as unknown as Tree
  const roll = random()
  if (roll < 0.4) nudge(random, pickOf(random, Object.values(next.stock).flat()) as unknown as Tree)
  else if (roll < 0.7) nudge(random, tree[pickOf(random, CHOICES)] as Tree)
  else if (roll < 0.8) tree.exposure = pickOf(random, ['dry', 'outdoors'])
  else if (roll < 0.9) tree.name = `${piece!.name} again`
  else tree.quantity = piece!.quantity + 1
  return next
}

/** What stands from before is what would be worked out anew, after any change, by every method. */
export function holdMemory(kind: Piece['kind'], seed: number): void {
  it(`remembers nothing of any ${kind} that a change has made untrue: seed ${seed}`, () => {
    const random = seeded(seed)
    // Of a size a maker casts whole: a plan's size grows with its batches and layers, and what is remembered does not.
    const pieces = someOf(kind, random, rounds(4, 24))
      .filter((p) => Math.max(...Object.values(pieceBox(p))) < 1200)
      .slice(0, rounds(1, 12))
    expect(pieces.length).toBeGreaterThan(0)
    for (const [n, base] of pieces.entries()) {
      const memo = stationMemo()
      let job = testJob(base)
      for (const { id } of METHODS.filter((m) => m.misfit(base) === null))
        for (let change = 0; change < 4; change += 1) {
          const [piece] = job.pieces
          job =
            change === 0
              ? { ...job, pieces: [{ ...piece!, mould: choiceFor(piece!.mould, id) } as Piece] }
              : edited(random, job)
          const options = { quick: change < 2, guessMould: change === 2 }
          const fresh = planPiece(kernel, job, job.pieces[0]!, options)
          const held = planPiece(kernel, job, job.pieces[0]!, { ...options, memo })
          expect([n, id, change, held]).toEqual([n, id, change, fresh])
        }
    }
  }, 600_000)
}
