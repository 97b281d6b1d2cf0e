import { strengthCurve } from '../../ageing/index.ts'
import type { Kernel } from '../../geometry/index.ts'
import type { Finding, Piece } from '../../job/index.ts'
import type { PieceGeometry } from '../../piece/index.ts'
import { type Memo, runStation } from '../../station.ts'
import type { Mix } from '../../stock/index.ts'
import type { PlacedBar } from '../bars/types.ts'
import type { Mat } from '../mat/planMat.ts'
import type { SteelFigures } from '../types.ts'
import { planBeam } from './beam.ts'
import { type FlatPlate, flatPlate, isFlat } from './flatPlate.ts'
import { handlingFindings, toldMoves, turnStrength } from './judgeHandling.ts'
import { overhangFindings, overhangOf } from './overhang.ts'
import { type Handled, type Handling, planHandling } from './planHandling.ts'

export type MovesInput = Handled & {
  readonly piece: Piece
  readonly geometry: PieceGeometry
  readonly mix: Mix
  readonly mats: readonly Mat[]
  readonly bars: readonly PlacedBar[]
  readonly placedKg: number
  /** While it is dragged a plate is told only where it is known already, and no beam. */
  readonly quick: boolean
}

export type Moves = {
  readonly plate: Handling | null
  readonly told: SteelFigures['handling']
  /** Strength at which it may be turned over and set down. */
  readonly turnMpa: number
  readonly findings: readonly Finding[]
}

/** How a piece bends as it is moved and used: what is flat as a plate of its plan, a bar as a beam; of the rest nothing. */
export function planMoves(kernel: Kernel, input: MovesInput, memo: Memo): Moves {
  const { piece, geometry, mix, mats, bars, placedKg, quick } = input
  const curve = strengthCurve(mix, mix.f28[piece.mix.water])
  const flat = flatOf(kernel, input, memo)
  const plate = flat ? planHandling(flat, piece, mix, input) : null
  if (plate) {
    const moves = toldMoves(plate, mix, curve, piece.pour.temperature)
    const overhang = overhangOf(piece, plate, { kg: placedKg, mats, bars })
    return {
      plate,
      told: {
        longerWayMm: plate.way.length,
        bearersMm: plate.bearers,
        proposedMm: plate.proposed,
        moves,
      },
      turnMpa: turnStrength(moves),
      findings: [
        ...handlingFindings(piece, plate, moves, mix, geometry.thickness),
        ...overhangFindings(piece, overhang, mats.length > 0),
      ],
    }
  }
  const none: Moves = { plate: null, told: null, turnMpa: turnStrength([]), findings: [] }
  // Neither a hollow inside nor what hangs under a slab is told of by a beam.
  const bent =
    !flat &&
    !quick &&
    geometry.blocks.length < 2 &&
    !geometry.voidFormer &&
    !(piece.kind === 'slab' && piece.basin)
  if (!bent || !geometry.recipe) return none
  const beam = runStation(
    memo,
    'beam',
    {
      recipe: geometry.recipe,
      kg: input.kg,
      placedKg,
      mix,
      spans: piece.steel.handling.use === 'ends',
    },
    (i) => planBeam(kernel, i.recipe, i),
  ).value
  if (!beam) return none
  const moves = toldMoves(beam, mix, curve, piece.pour.temperature)
  return {
    plate: null,
    told: { longerWayMm: beam.length, bearersMm: beam.bearers, proposedMm: beam.bearers, moves },
    turnMpa: turnStrength([]),
    findings: handlingFindings(piece, { unstable: [], off: 0, inward: [] }, moves, mix, geometry.thickness),
  }
}

/** The plate of a flat piece; while it is dragged only one that is known already. */
function flatOf(kernel: Kernel, { piece, geometry, quick }: MovesInput, memo: Memo): FlatPlate | null {
  // A hollow inside is not in its recipe: no plate tells of it.
  if (!geometry.recipe || geometry.voidFormer || !isFlat(piece, geometry)) return null
  try {
    return runStation(memo, 'plate', { recipe: geometry.recipe }, () => {
      if (quick) throw new Unknown()
      return flatPlate(kernel, geometry)
    }).value
  } catch (error) {
    if (error instanceof Unknown) return null
    throw error
  }
}
class Unknown extends Error {}
