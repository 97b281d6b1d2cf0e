import type { Change, Finding, Piece, TurnedPiece } from '../../job/index.ts'
import { pressureAt } from '../../mechanics/index.ts'
import { pouredSize } from '../../piece/index.ts'
import type { Board, Tube } from '../../stock/index.ts'
import { type BarePart, DOWN, oneLayer, prism, UP } from '../bareParts.ts'
import { boardMissing, finding, TALL } from '../checkMould.ts'
import { type BuiltMould, type MouldedPiece, type MouldMethod, NOTHING_BESIDE } from '../method.ts'
import { misfit } from '../misfit.ts'
import { surfaceOf } from '../surfaces.ts'
import type { MaterialRow, MouldFace } from '../types.ts'
import { coreOfTube, joinLengths } from './coreTube.ts'
import {
  CARD_KG_PER_M3,
  cleats,
  coreParts,
  MARGIN,
  type RoundForm,
  ring,
  roundForm,
  square,
  strapSpacing,
} from './roundParts.ts'
import { tubeBuilding, tubeOff } from './tubeOrder.ts'

/** Hours to cut, line, fix and strap [own]. */
const HOURS = 1.5
/** A tube fits when its bore is this near the piece's diameter, mm. */
const FITS = 0.75

/** A round upright piece in a card tube that is slit off it. */
export const tubeMethod: MouldMethod<'tube'> = {
  id: 'tube',
  name: 'card tube',
  misfit(piece) {
    if (piece.kind !== 'turned') return misfit('not-round-column')
    if (!roundForm(piece)) return misfit('not-upright-cylinder')
    return piece.attitude.down === 'top' || piece.attitude.down === 'bottom' ? null : misfit('lies-in-pour')
  },
  reason: 'round columns: no joinery, one cast from each tube',
  finish: 'smooth, a faint spiral from the card; lined it is smoother',
  build({ piece: any, pieceStation, stock, mix }) {
    const piece = any as Extract<MouldedPiece<'tube'>, { kind: 'turned' }>
    const form = roundForm(piece)!
    const tube = stock.tubes.find((t) => t.id === piece.mould.tube)
    const board = stock.boards.find((b) => b.id === piece.mould.baseBoard)
    const fitting = fittingTube(form.diameter, stock.tubes)
    const missing: Finding[] = [
      ...(board ? [] : [boardMissing(piece, 'the base', piece.mould.baseBoard)]),
      ...(tube
        ? []
        : [
            finding(
              piece,
              'tube-missing',
              'stop',
              'choice',
              { row: piece.mould.tube },
              fitting && [choose(piece, fitting.id)],
            ),
          ]),
    ]
    if (!tube || !board) return { built: null, findings: missing }
    const outside = tube.inside + 2 * tube.wall
    const [length] = pouredSize(piece.attitude, pieceStation.geometry)
    const middle = length / 2
    const across = outside + 2 * MARGIN
    const height = form.height
    const card = Math.PI * ((outside / 2) ** 2 - (tube.inside / 2) ** 2) * height
    const round = { layers: [], laminate: null, leaves: 0, bevels: null, bend: null, boardId: null } as const
    const parts: BarePart[] = [
      {
        ...round,
        id: 'base',
        role: 'base',
        source: { of: 'cast' },
        name: 'base',
        boardId: board.id,
        lengthMm: across,
        widthMm: across,
        thicknessMm: board.thickness,
        layers: oneLayer(board),
        pull: DOWN,
        recipe: prism(square(middle, middle, across, across), -board.thickness, 0, 'base'),
      },
      {
        ...round,
        id: 'tube',
        role: 'tube',
        source: { of: 'cast' },
        name: 'card tube',
        lengthMm: height,
        widthMm: outside,
        thicknessMm: tube.wall,
        pull: UP,
        mass: { volume: card, kgPerM3: CARD_KG_PER_M3 },
        recipe: ring('tube', middle, tube.inside / 2, outside / 2, 0, height),
      },
      ...cleats(middle, outside, board.thickness).map(
        (recipe, i): BarePart => ({
          ...round,
          id: `cleat/${i + 1}`,
          role: 'cleat',
          source: { of: 'cast' },
          name: `centring cleat ${i + 1}`,
          together: 'centring cleats',
          boardId: board.id,
          lengthMm: MARGIN,
          widthMm: MARGIN,
          thicknessMm: board.thickness,
          layers: oneLayer(board),
          pull: i % 2 === 0 ? [i === 0 ? 1 : -1, 0, 0] : [0, i === 1 ? 1 : -1, 0],
          recipe,
        }),
      ),
      ...coreParts(piece, form, middle),
    ]
    const spacing = strapSpacing(height, tube.inside, mix.freshKgPerM3)
    const straps = spacing >= height ? 0 : Math.ceil(height / spacing)
    const core = coreOfTube(piece, form, stock.tubes, Math.ceil(piece.plannedCasts / piece.mouldCount))
    const materials: MaterialRow[] = [
      {
        code: 'form-tube',
        facts: { row: tube.name },
        amount: height / 1000,
        unit: 'm',
        cost: tube.price === null ? null : tube.price * Math.ceil(height / tube.length),
        isPart: true,
      },
      ...core.materials,
    ]
    const built: BuiltMould = {
      ...NOTHING_BESIDE,
      parts,
      building: tubeBuilding(parts, straps),
      off: tubeOff(parts, straps),
      faces: tubeFaces(parts, form, board),
      top: 'rim',
      materials,
      lengths: joinLengths([
        {
          name: tube.name,
          stockLengthMm: tube.length,
          each: 'cast',
          parts: [{ name: 'card tube', lengthMm: height }],
        },
        ...core.lengths,
      ]),
      fixings: core.fixings,
      straps: { count: straps, spacingMm: straps > 0 ? Math.floor(spacing / 5) * 5 : 0 },
      hours: HOURS + (form.core ? 0.5 : 0),
      life: 1,
      faceM2: pieceStation.figures.surfaceAreaM2,
      depth: height,
      check: () => [
        ...checkTube(piece, stock.tubes, form, tube, fitting, mix.freshKgPerM3),
        ...core.findings,
      ],
    }
    return { built, findings: [] }
  },
}

/** Card round it, the base under it, card of the core in it. */
function tubeFaces(
  parts: readonly BarePart[],
  { diameter, height, core }: RoundForm,
  board: Board,
): MouldFace[] {
  const of = (...roles: BarePart['role'][]) => parts.filter((p) => roles.includes(p.role)).map((p) => p.id)
  const disc = (Math.PI / 4) * diameter ** 2
  const bore = core ? Math.PI * core.diameter * (height - core.from) : 0
  return [
    {
      face: 'tube-inside',
      partIds: of('tube'),
      areaM2: (Math.PI * diameter * height) / 1e6,
      material: 'card',
      surface: 'card',
    },
    { face: 'base', partIds: of('base'), areaM2: disc / 1e6, ...surfaceOf(board) },
    ...(core
      ? [
          {
            face: 'core',
            partIds: of('core'),
            areaM2: bore / 1e6,
            material: 'card',
            surface: 'card',
          } as const,
        ]
      : []),
  ]
}

const choose = (piece: Piece, tube: string): Change => ({
  type: 'mouldChosen',
  pieceId: piece.id,
  patch: { tube },
})

/** The stock tube nearest to a diameter. */
export const nearestTube = (diameter: number, tubes: readonly Tube[]): Tube | undefined =>
  [...tubes].sort((a, b) => Math.abs(a.inside - diameter) - Math.abs(b.inside - diameter))[0]

function fittingTube(diameter: number, tubes: readonly Tube[]): Tube | undefined {
  const nearest = nearestTube(diameter, tubes)
  return nearest && Math.abs(nearest.inside - diameter) <= FITS ? nearest : undefined
}

function checkTube(
  piece: TurnedPiece,
  tubes: readonly Tube[],
  form: RoundForm,
  tube: Tube,
  fitting: Tube | undefined,
  freshKgPerM3: number,
): Finding[] {
  const found: Finding[] = []
  const differs = Math.abs(tube.inside - form.diameter) > FITS
  if (differs) {
    const { turned } = piece
    const nearest = nearestTube(form.diameter, tubes) ?? tube
    const sized: Change = {
      type: 'shapeChanged',
      pieceId: piece.id,
      patch: {
        turned:
          turned.form === 'tube'
            ? { ...turned, outside: nearest.inside }
            : turned.form === 'cylinder'
              ? { ...turned, diameter: nearest.inside }
              : turned,
      },
    }
    found.push(
      finding(
        piece,
        'tube-differs',
        'stop',
        'tube',
        {
          diameterMm: form.diameter,
          insideMm: tube.inside,
          tube: tube.name,
          fitting: fitting?.name ?? '',
          nearestMm: nearest.inside,
        },
        fitting ? [choose(piece, fitting.id)] : [choose(piece, nearest.id), sized],
      ),
    )
  }
  if (form.height > tube.length)
    found.push(finding(piece, 'tube-short', 'stop', 'tube', { heightMm: form.height, lengthMm: tube.length }))
  if (piece.rim.top.kind !== 'square' || piece.rim.bottom.kind !== 'square')
    found.push(finding(piece, 'tube-edges', 'note', 'tube', {}))
  const pressure = pressureAt(form.height, freshKgPerM3)
  if (form.height > TALL.deep || pressure > TALL.pressure)
    found.push(finding(piece, 'tall-form', 'stop', 'choice', { depthMm: form.height, pressureKPa: pressure }))
  return found
}
