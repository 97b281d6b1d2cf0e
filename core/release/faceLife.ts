import { BOARD_LIFE, type MouldFace, type MouldStation, type Undoing } from '../mould/index.ts'
import type { Stock } from '../stock/index.ts'

/** How many casts a face of the mould serves, and how often it is made anew over those that are planned. */
export type FaceLife = {
  readonly face: MouldFace['face']
  readonly material: string
  readonly lifeCasts: number
  /** Beside the first time. */
  readonly renewedCount: number
}

/** Acts that end what they take off: broken, dug out, slit or peeled to pieces, or left on the piece. */
const ENDS: ReadonlySet<Undoing['code']> = new Set([
  'break-foam',
  'core-out',
  'dig-core',
  'dig-core-up',
  'dig-out',
  'draw-tubes',
  'ring-peeled',
  'tube-off',
  'vessel-left-on',
  'vessel-slit',
])
/** Faces that go with the cast, or are torn off it, whatever they lie on. */
const ONCE: ReadonlySet<MouldFace['surface']> = new Set(['card', 'film', 'taped foam', 'wrapped'])

/** The life of each face: that of its boards, of the mould's own stuff, or of one cast where it is lost in coming off. */
export function faceLives(
  { figures, parts, off }: Pick<MouldStation, 'figures' | 'parts' | 'off'>,
  { boards }: Pick<Stock, 'boards'>,
  castsOfOne: number,
): FaceLife[] {
  const lost = new Set(off.flatMap((u) => (ENDS.has(u.code) ? u.partIds : [])))
  return figures.faces.map(({ face, material, surface, partIds }) => {
    const ofBoards = parts.flatMap((p) =>
      partIds.includes(p.id)
        ? boards.filter((b) => b.id === p.boardId).map((b) => BOARD_LIFE[b.material])
        : [],
    )
    const lifeCasts =
      ONCE.has(surface) || (partIds.length > 0 && partIds.every((id) => lost.has(id)))
        ? 1
        : ofBoards.length > 0
          ? Math.min(...ofBoards)
          : figures.lifeCasts
    return { face, material, lifeCasts, renewedCount: Math.ceil(castsOfOne / lifeCasts) - 1 }
  })
}
