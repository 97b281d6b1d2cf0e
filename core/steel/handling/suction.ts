import type { Piece } from '../../job/index.ts'
import { boxChoiceOf } from '../../job/index.ts'
import type { Stock } from '../../stock/index.ts'

/** What a closed base holds a cast down by when it is first lifted, kPa: waxed or oiled and smooth, sealed timber, bare [own]. */
const SUCTION = { smooth: 1, sealed: 2, bare: 3 } as const
/** Faced boards that are smooth. */
const SMOOTH: ReadonlySet<string> = new Set(['melamine', 'film-faced-ply', 'hardboard'])

/** Suction of the base a piece is poured on, from what is chosen to go on it, kPa. A waxed melamine base: 1. */
export function suctionOf(piece: Piece, { agents, boards }: Pick<Stock, 'agents' | 'boards'>): number {
  const agent = agents.find((a) => a.id === piece.release.faceAgent)
  if (!agent || agent.kind === 'none') return SUCTION.bare
  const base = boards.find((b) => b.id === boxChoiceOf(piece.mould).baseBoard)
  return base && SMOOTH.has(base.material) ? SUCTION.smooth : SUCTION.sealed
}
