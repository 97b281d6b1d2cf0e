import {
  type BoxPiece,
  type Change,
  type Finding,
  findingList,
  type Job,
  type Piece,
  type SlabPiece,
} from './job/index.ts'
import type { MouldFindings } from './mould/words.ts'
import { panelGroups, panelPieces } from './piece/index.ts'
import { act, inTurn, type Operation, operation } from './work/index.ts'

/** Minutes to glue a panel in its place [own]. */
const GLUE_MINUTES = 15
/** Hours that the adhesive of a built-up box is left alone [own]; its sheet decides. */
const GLUE_HOURS = 24

/** A panel of a built-up box, as a piece of the job where it is one. */
export type PanelOfBox = {
  readonly name: string
  readonly count: number
  readonly pieceId: string
  readonly inJob: boolean
}

/** A box that is glued up of panels is not cast itself: each panel is a piece of its own. */
export const isGlued = (piece: Piece): piece is BoxPiece => piece.kind === 'box' && piece.built !== null

/**
 * What stands for the mould, the pour and the rest of a built-up box: its panels as pieces of the job, equal ones in one
 * mould, and gluing them up. A panel that is missing, or no longer of the box's size, is told with what mends it.
 */
export function planGluedBox(
  job: Job,
  box: BoxPiece,
): { panels: PanelOfBox[]; findings: Finding[]; operations: Operation[] } {
  const groups = panelGroups(box)
  const wanted = panelPieces(box, job.stock)
  const own = wanted.map((panel) => job.pieces.find((p) => p.id === panel.id))
  const missing = wanted.filter((_, i) => !own[i])
  const differing = wanted.flatMap((panel, i) => {
    const is = own[i]
    return is && !sameCast(is, panel) ? [{ is, panel }] : []
  })
  const facts = { panels: groups.reduce((sum, g) => sum + g.panels.length, 0), moulds: groups.length }
  const { findings, raise } = findingList<MouldFindings>('mould', box.id, 'piece', box.id)
  if (missing.length > 0)
    raise('panels-missing', 'warn', { ...facts, missing: missing.length }, [
      {
        code: 'panels-missing',
        facts: { missing: missing.length },
        changes: missing.map((piece): Change => ({ type: 'pieceAdded', piece })),
      },
    ])
  if (differing.length > 0)
    raise('panels-differ', 'warn', { ...facts, differing: differing.length }, [
      {
        code: 'panels-differ',
        facts: { differing: differing.length },
        changes: differing.flatMap(({ is, panel }) => madeToFit(is, panel)),
      },
    ])
  if (missing.length === 0 && differing.length === 0) raise('cast-as-panels', 'note', facts)
  const each = { station: 'mould', per: 'piece' } as const
  const operations = inTurn([
    ...groups.map(({ panels, name }, i) =>
      operation({
        ...act('next-panel', { name, pieces: panels.length, casts: panels.length * box.quantity }),
        ...each,
        id: `panel/${i + 1}`,
        minutes: 0,
      }),
    ),
    operation({
      ...act('glue-up', {
        panels: facts.panels,
        adhesive: 'with a two-part adhesive for concrete',
        floor: box.built?.floor ?? 'between',
      }),
      ...each,
      id: 'glue-up',
      minutes: GLUE_MINUTES * facts.panels,
      waitMinutes: GLUE_HOURS * 60,
    }),
  ])
  return {
    panels: groups.map(({ panels, name }, i) => ({
      name,
      count: panels.length * box.quantity,
      pieceId: wanted[i]!.id,
      inJob: own[i] !== undefined,
    })),
    findings,
    operations,
  }
}

/** Of one size, with one kind of ends, and as many: everything else is the maker's to choose. */
function sameCast(is: Piece, panel: SlabPiece): boolean {
  if (is.kind !== 'slab' || is.outline.kind !== 'rectangle' || panel.outline.kind !== 'rectangle')
    return false
  const sizes = (p: SlabPiece): (number | undefined)[] => [
    ...(p.outline.kind === 'rectangle' ? [p.outline.length, p.outline.width] : []),
    p.thickness,
    p.quantity,
    p.sides.left?.taper,
    p.sides.right?.taper,
  ]
  return sizes(is).every((n, i) => Math.abs((n ?? 0) - (sizes(panel)[i] ?? 0)) < 1e-6)
}

/** The changes that bring a panel back to the box's size; one that has become another kind of thing is made anew. */
function madeToFit(is: Piece, panel: SlabPiece): Change[] {
  const pieceId = is.id
  if (is.kind !== 'slab')
    return [
      { type: 'pieceRemoved', pieceId },
      { type: 'pieceAdded', piece: panel },
    ]
  return [
    { type: 'outlineChanged', pieceId, outline: panel.outline },
    { type: 'thicknessChanged', pieceId, thickness: panel.thickness },
    { type: 'pieceDescribed', pieceId, patch: { quantity: panel.quantity } },
    ...(['left', 'right'] as const).map(
      (side): Change => ({
        type: 'sideChanged',
        pieceId,
        side,
        patch: { taper: panel.sides[side]!.taper },
      }),
    ),
  ]
}
