import type { Change, Finding } from '../../job/index.ts'
import type { Stock } from '../../stock/index.ts'
import type { BarePart } from '../bareParts.ts'
import { finding } from '../checkMould.ts'
import type { BoxedSlab } from './boxedSlab.ts'
import { knockoutKind, MOST_WRAP, plugFor, tubeFor } from './knockoutChoice.ts'

/** The top of a knockout may stand so far under the strike-off, mm. */
const UNDER = 1

/** What makes up for a stack of boards that is short: more boards, a top a hair under the fill, or another thickness. */
function laminateCure(
  piece: BoxedSlab,
  short: number,
): { readonly cure: string; readonly slab: number; readonly changes: Change[] } {
  const { id, mould, thickness } = piece
  const slab = Math.round((thickness - short) * 100) / 100
  if (mould.knockoutBoards)
    return {
      cure: 'boards',
      slab,
      changes: [{ type: 'mouldChosen', pieceId: id, patch: { knockoutBoards: null } }],
    }
  const below = Math.round((mould.knockoutBelow + short) * 100) / 100
  if (below <= UNDER)
    return {
      cure: 'below',
      slab,
      changes: [{ type: 'mouldChosen', pieceId: id, patch: { knockoutBelow: below } }],
    }
  return { cure: 'thickness', slab, changes: [{ type: 'thicknessChanged', pieceId: id, thickness: slab }] }
}

/** Boards on edge that do not come to a slot's width lie instead. */
function lying(piece: BoxedSlab, openingId: string): ReturnType<typeof laminateCure> {
  const { [openingId]: _, ...others } = piece.mould.knockoutKinds
  return {
    cure: 'lying',
    slab: 0,
    changes: [{ type: 'mouldChosen', pieceId: piece.id, patch: { knockoutKinds: others } }],
  }
}

/** What is wrong with what makes the openings, and with the blocks that are glued up. */
export function checkKnockouts(piece: BoxedSlab, parts: readonly BarePart[], stock: Stock): Finding[] {
  const findings: Finding[] = []
  for (const part of parts) {
    const built = part.role === 'knockout' || part.role === 'corner' || part.source.of === 'apron'
    const stacked = part.boardId === null && (part.role !== 'knockout' || isStacked(piece, part))
    if (!built || !stacked || part.laminate?.fits) continue
    const nearest = part.laminate?.thickness ?? 0
    const wanted = part.onEdge?.acrossMm ?? part.thicknessMm
    const { cure, slab, changes } = part.onEdge
      ? lying(piece, openingIdOf(part))
      : laminateCure(piece, wanted - nearest)
    findings.push(
      finding(
        piece,
        'no-laminate',
        'stop',
        part.id,
        {
          part: part.name,
          wantedMm: wanted,
          nearestMm: nearest,
          boards: stock.boards.length,
          cure,
          slabMm: slab,
        },
        changes,
      ),
    )
  }
  for (const opening of piece.openings.filter((o) => o.depth === null)) {
    findings.push(
      ...checkTube(piece, opening, stock),
      ...checkPlug(piece, opening, stock),
      ...checkStack(piece, opening, parts, stock),
    )
    if (parts.some((p) => p.role === 'knockout' && openingIdOf(p) === opening.id)) continue
    findings.push(
      finding(
        piece,
        'wrap-fills-opening',
        'stop',
        `knockout/${opening.id}`,
        { opening: opening.name, wrapMm: piece.mould.wrap },
        [{ type: 'mouldChosen', pieceId: piece.id, patch: { wrap: 0 } }],
      ),
    )
  }
  return findings
}

/** The opening a knockout fills; those of a pattern are numbered. */
const openingIdOf = ({ source }: BarePart): string => (source.of === 'opening' ? source.openingId : '')

/** Whether a knockout is glued up from boards: foam is not, and a tube only where none fits. */
const isStacked = (piece: BoxedSlab, part: BarePart): boolean => {
  const opening = piece.openings.find((o) => o.id === openingIdOf(part))
  const kind = opening ? knockoutKind(piece.mould, opening) : 'laminate'
  const isPlug = kind === 'bought' && part.laminate === null && part.layers.length === 0
  return part.displaces === undefined && kind !== 'foam' && !isPlug
}

/** A tube wanted for an opening that none of the stock forms: boards stand in for it. */
function checkTube(piece: BoxedSlab, opening: BoxedSlab['openings'][number], { tubes }: Stock): Finding[] {
  if (knockoutKind(piece.mould, opening) !== 'tube') return []
  const { shape } = opening
  const diameter = shape.kind === 'round' && opening.draftDeg === 0 ? shape.diameter : 0
  if (diameter > 0 && tubeFor(diameter, piece.mould.wrap, tubes)) return []
  const outside = tubes.map((t) => t.inside + 2 * t.wall).sort((a, b) => a - b)
  const below = outside.filter((d) => d <= diameter - 2 * piece.mould.wrap).at(-1) ?? 0
  const { [opening.id]: _, ...others } = piece.mould.knockoutKinds
  return [
    finding(
      piece,
      'no-tube-knockout',
      'warn',
      `knockout/${opening.id}`,
      { opening: opening.name, diameterMm: diameter, nearestMm: below, mostWrapMm: MOST_WRAP },
      [{ type: 'mouldChosen', pieceId: piece.id, patch: { knockoutKinds: others } }],
    ),
  ]
}

/** More boards than this in one knockout are no way to make it [own]. */
const MOST_STACKED = 8

/** A knockout glued up from more boards than anyone would: a tube where one fits, else foam, is offered. */
function checkStack(
  piece: BoxedSlab,
  opening: BoxedSlab['openings'][number],
  parts: readonly BarePart[],
  { tubes }: Stock,
): Finding[] {
  const part = parts.find((p) => p.role === 'knockout' && openingIdOf(p) === opening.id)
  const layers = part?.layers.length ?? 0
  if (!part || layers <= MOST_STACKED) return []
  const { shape } = opening
  const tube =
    shape.kind === 'round' && opening.draftDeg === 0 ? tubeFor(shape.diameter, piece.mould.wrap, tubes) : null
  const kind = tube ? 'tube' : 'foam'
  return [
    finding(
      piece,
      'knockout-many-layers',
      'note',
      part.id,
      { part: part.name, layers, instead: tube ? `a ${tube.name}` : 'foam' },
      [
        {
          type: 'mouldChosen',
          pieceId: piece.id,
          patch: { knockoutKinds: { ...piece.mould.knockoutKinds, [opening.id]: kind } },
        },
      ],
    ),
  ]
}

/** Hours that a bought plug saves: marking, gluing, trimming and sealing one of boards [own]. */
const PLUG_SAVES_HOURS = 0.75

/** A plug wanted that none in stock is; or one in stock that would do instead of boards. */
function checkPlug(piece: BoxedSlab, opening: BoxedSlab['openings'][number], { plugs }: Stock): Finding[] {
  const deep = piece.thickness - piece.mould.knockoutBelow
  const { fits, nearest } = plugFor(opening, plugs, deep)
  const kind = knockoutKind(piece.mould, opening)
  const about = `knockout/${opening.id}`
  if (kind === 'laminate' && fits)
    return [
      finding(
        piece,
        'buying-beats-making',
        'note',
        about,
        {
          opening: opening.name,
          plug: fits.name,
          hours: PLUG_SAVES_HOURS,
          price: fits.price ?? 0,
          casts: fits.casts,
        },
        [
          {
            type: 'mouldChosen',
            pieceId: piece.id,
            patch: { knockoutKinds: { ...piece.mould.knockoutKinds, [opening.id]: 'bought' } },
          },
        ],
      ),
    ]
  if (kind !== 'bought' || fits) return []
  const shape = opening.shape
  const like: Change[] | undefined = nearest
    ? [
        {
          type: 'openingChanged',
          pieceId: piece.id,
          openingId: opening.id,
          patch: {
            draftDeg: nearest.draftDeg,
            shape:
              shape.kind === 'round'
                ? { kind: 'round', diameter: nearest.length }
                : { kind: 'rectangle', length: nearest.length, width: nearest.width, radius: nearest.radius },
          },
        },
      ]
    : undefined
  return [
    finding(
      piece,
      'no-bought-knockout',
      'warn',
      about,
      { opening: opening.name, nearest: nearest?.name ?? '', draftDeg: nearest?.draftDeg ?? 0, deepMm: deep },
      like,
    ),
  ]
}
