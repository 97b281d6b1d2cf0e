import type { Piece } from '../../job/index.ts'
import type { PieceGeometry } from '../../piece/index.ts'
import type { Mix } from '../../stock/index.ts'

/** Why a piece must be at least so thick. */
export type LeastRule = 'mesh' | 'mix' | 'large' | 'lies-flat' | 'wall' | 'fibre' | 'stone'

export type LeastThickness = {
  readonly mm: number
  readonly rule: LeastRule
  /** Under this it is worth a note although it may be so thin; null where nothing more is wanted. */
  readonly better: number | null
}

/** Exposures with frost or wet ground. */
const OUTSIDE: ReadonlySet<string> = new Set(['outdoors', 'soil'])
/** Plain structural concrete outdoors or from half a metre on, mm; and up to how long it is small. */
const [LARGE, SMALL] = [50, 500]
/** What lies flat on something and is shorter than this, such as a tile: its least, what is better, and how flat it is. */
const FLAT = { length: 300, least: 20, better: 25, flatness: 0.25 }
/** The wall of a plain planter or bowl, mm. */
const WALL = 40
/** Mortar with fibre, mm. */
const FIBRE = 25
/** The stone passes three abreast. */
const STONES = 3

/** What has walls round a hollow: planters, bowls, tubes with a floor. */
const isVessel = (piece: Piece): boolean =>
  piece.kind === 'box' ||
  (piece.kind === 'turned' &&
    (piece.turned.form === 'bowl' || (piece.turned.form === 'tube' && piece.turned.floor > 0)))

/**
 * How thick the concrete of a piece must be, mm: by its mix, by what is inside, by how large it is and where it stands.
 * A 280 x 280 tile of structural mix: 20, better 25.
 */
export function leastThickness(
  piece: Piece,
  { length, width, height }: Pick<PieceGeometry, 'length' | 'width' | 'height'>,
  mix: Mix,
  inside: 'mesh' | 'fibre' | 'none',
): LeastThickness {
  const stone = STONES * mix.largestStone
  const told = (mm: number, rule: LeastRule, better: number | null = null): LeastThickness =>
    stone > mm ? { mm: stone, rule: 'stone', better: null } : { mm, rule, better }
  if (inside === 'mesh') return told(mix.leastThickness.mesh, 'mesh')
  if (inside === 'fibre' && mix.leastThickness.plain > FIBRE && mix.family === 'mortar')
    return told(FIBRE, 'fibre')
  const plain = mix.leastThickness.plain
  const longest = Math.max(length, width)
  if (longest < FLAT.length && height <= FLAT.flatness * longest && plain > FLAT.least)
    return told(FLAT.least, 'lies-flat', FLAT.better)
  if (isVessel(piece)) return told(Math.min(plain, WALL), 'wall')
  const large = Math.max(longest, height) >= SMALL || OUTSIDE.has(piece.exposure)
  return mix.family === 'structural' && large && plain < LARGE ? told(LARGE, 'large') : told(plain, 'mix')
}
