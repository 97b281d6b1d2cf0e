import type { SideId } from '../../job/index.ts'
import type { Board, Foam, Plug, Skin, Tube } from '../../stock/index.ts'
import type { LaminateBoard } from '../laminate.ts'

/** What a board box is cut from. */
export type BoxStock = {
  readonly base: Board
  /** Of each side: the one chosen for it, or the one for all. */
  readonly sideBoard: (side: SideId) => Board
  readonly laminate: readonly LaminateBoard[]
  readonly skin: Skin | undefined
  readonly tubes: readonly Tube[]
  readonly foams: readonly Foam[]
  readonly plugs: readonly Plug[]
  readonly freshKgPerM3: number
}
