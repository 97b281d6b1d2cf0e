import { isWithin, type Loop, loopChords, pointToRing } from '../../geometry/index.ts'
import type { Opening, SlabPiece } from '../../job/index.ts'
import type { PlacedOpening } from '../types.ts'
import { openingCures } from './cures.ts'
import type { Cure, Raise } from './raise.ts'

/** Concrete that a core bit wants beside it, in diameters of the hole; and at least this share of the thickness [own]. */
const BESIDE = { diameters: 1, thicknesses: 0.5 } as const

/** Openings that are drilled once the piece is out of its mould: what a bit cannot do, and where it breaks out. */
export function checkDrilled(
  piece: SlabPiece,
  outline: Loop,
  placed: readonly PlacedOpening[],
  raise: Raise,
): void {
  if (piece.openings.every((o) => o.made === 'cast')) return
  const around = loopChords(outline).points
  const rings = placed.map((of) => ({ of, name: of.name, ring: loopChords(of.loop).points }))
  for (const opening of piece.openings) {
    if (opening.made !== 'drilled') continue
    const about = [{ pieceId: piece.id, kind: 'opening', id: opening.id } as const]
    const changed = (code: string, patch: Partial<Omit<Opening, 'id'>>): Cure => ({
      code,
      changes: [{ type: 'openingChanged', pieceId: piece.id, openingId: opening.id, patch }],
    })
    const cast = changed('cast-in', { made: 'cast' })
    if (opening.depth !== null)
      raise({ code: 'drilled-blind', level: 'warn', about, facts: { opening: opening.name }, cures: [cast] })
    if (opening.shape.kind !== 'round') {
      raise({
        code: 'drilled-not-round',
        level: 'warn',
        about,
        facts: { opening: opening.name },
        cures: [cast],
      })
      continue
    }
    if (opening.draftDeg !== 0 || opening.rim.top.kind !== 'square' || opening.rim.bottom.kind !== 'square')
      raise({
        code: 'drilled-plain',
        level: 'note',
        about,
        facts: { opening: opening.name },
        cures: [
          changed('plain', { draftDeg: 0, rim: { top: { kind: 'square' }, bottom: { kind: 'square' } } }),
        ],
      })
    const { diameter } = opening.shape
    const least = Math.max(BESIDE.diameters * diameter, BESIDE.thicknesses * piece.thickness)
    const gaps = placed
      .filter((hole) => hole.openingId === opening.id && isWithin(hole.centre, around))
      .flatMap((hole) =>
        [{ name: '', ring: around }, ...rings.filter(({ of }) => of !== hole)].map(({ name, ring }) => ({
          hole,
          name,
          mm: pointToRing(hole.centre, ring) - diameter / 2,
        })),
      )
      // What lies over another or over the outline is told as that.
      .filter(({ mm }) => mm > 0 && mm < least - 1e-6)
      .sort((a, b) => a.mm - b.mm)
    const nearest = gaps[0]
    if (nearest)
      raise({
        code: 'drilled-near-edge',
        level: 'warn',
        about,
        facts: { opening: nearest.hole.name, to: nearest.name, landMm: nearest.mm, leastMm: least },
        cures: [...openingCures(piece, opening.id).filter((c) => c.code === 'move-free'), cast],
      })
  }
}
