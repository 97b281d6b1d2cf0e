import type { Segment, SolidRecipe, Vector } from '../../geometry/index.ts'
import type { Finding, MouldPatch, Piece } from '../../job/index.ts'
import { pouredPlacement, pouredSize } from '../../piece/index.ts'
import type { Rubber } from '../../stock/index.ts'
import { type BarePart, prism } from '../bareParts.ts'
import { holdDownForce } from '../boardBox/fixings.ts'
import { boxPath, boxRound } from '../boxRound.ts'
import { castBody } from '../castBody.ts'
import { boardMissing, finding, rowMissing, tooLargeFindings } from '../checkMould.ts'
import { type BuiltMould, type MouldMethod, NOTHING_BESIDE } from '../method.ts'
import type { MaterialRow } from '../types.ts'
import { blockBuilding, blockOff } from './blockOrder.ts'
import { peelStretch, stretchFindings } from './peel.ts'
import { potsOf, rubberAmounts, rubberWall, undercutShare } from './rubber.ts'
import { twoPart } from './twoPart.ts'

/** Hours to make a pattern fast, box it, pour and trim [own]. */
const HOURS = 6
/** A pattern of sealed board or foam is lighter than rubber, kg/m3. */
const PATTERN_KG_PER_M3 = 650
/** Minutes to weigh and mix a pot, and to pour a thin stream of a kilogram [own]. */
const POUR = { start: 5, perKg: 1.5 }
/** Rubber beyond this, litres, wants a jacket with a thin skin instead. */
const HEAVY = 15

/** A block of rubber round any pattern, poured in a board box; it is flexed off the cast. */
export const blockMethod: MouldMethod<'block'> = {
  id: 'block',
  name: 'rubber block',
  misfit: () => null,
  guesses: (choice) => choice.rubberParts === 2,
  reason: 'any shape, undercuts and fine relief, many casts from one pattern',
  finish: 'every mark of the pattern, matt',
  build(input) {
    const { piece, pieceStation, stock } = input
    const rubber = stock.rubbers.find((r) => r.id === piece.mould.rubber)
    const board = stock.boards.find((b) => b.id === piece.mould.sideBoard)
    const missing: Finding[] = [
      ...(board ? [] : [boardMissing(piece, 'the sides', piece.mould.sideBoard)]),
      ...(rubber
        ? []
        : [
            rowMissing(
              piece,
              'rubber-missing',
              piece.mould.rubber,
              stock.rubbers[0] && { rubber: stock.rubbers[0].id },
            ),
          ]),
    ]
    if (!rubber || !board) return { built: null, findings: missing }
    const { geometry, figures } = pieceStation
    const [length, width, height] = pouredSize(piece.attitude, geometry)
    const size = Math.max(length, width, height)
    const wanted = rubberWall(rubber, size)
    const wall = piece.mould.rubberWall ?? wanted
    const cover = piece.mould.rubberOver ?? wall
    const pattern = figures.volumeLitres * 1e6
    const box = boxPath([-wall, -wall], [length + wall, width + wall])
    const plan = box.map(
      ({ x, y, side }, i): Segment => ({
        name: `rubber/${side}`,
        from: [x, y],
        to: [box[(i + 1) % 4]!.x, box[(i + 1) % 4]!.y],
        arc: null,
      }),
    )
    const pour = { rubber, wastePercent: piece.mould.rubberWaste }
    const halves = piece.mould.rubberParts === 2 ? twoPart(input, { wall, cover }, pour, plan) : null
    const over = halves ? cover : 0
    const block = (length + 2 * wall) * (width + 2 * wall) * (height + cover)
    const volume = halves ? halves.lower + halves.upper : Math.max(0, block - pattern)
    const cast: SolidRecipe = {
      kind: 'moved',
      solid: geometry.recipe!,
      by: pouredPlacement(piece.attitude, geometry),
    }
    const whole = (): BarePart => ({
      id: 'rubber',
      role: 'rubber',
      source: { of: 'cast' },
      name: 'rubber block',
      boardId: null,
      lengthMm: length + 2 * wall,
      widthMm: width + 2 * wall,
      thicknessMm: height + cover,
      layers: [],
      laminate: null,
      pull: DOWN,
      leaves: 0,
      bevels: null,
      bend: null,
      mass: { volume, kgPerM3: rubber.densityKgPerM3 },
      recipe: {
        kind: 'difference',
        from: prism(plan, -cover, height, 'rubber'),
        minus: [cast],
      },
    })
    const boards = boxRound(box, -cover, height + over, board, piece.mould)
    const rubbers = halves ? halves.parts : [whole()]
    const parts: BarePart[] = [...rubbers, ...boards]
    const rows = stock.rubbers.map((r): MaterialRow => {
      const own = piece.mould.rubberWall ?? rubberWall(r, size)
      const above = piece.mould.rubberOver ?? own
      const gap = (length + 2 * own) * (width + 2 * own) * (height + above * (halves ? 2 : 1)) - pattern
      const need = rubberAmounts(r, Math.max(0, gap), piece.mould.rubberWaste)
      return {
        code: 'rubber-poured',
        facts: { ...potsOf(r, need), outHours: r.demouldHours },
        amount: need.kg,
        unit: 'kg',
        cost: need.cost,
        isPart: r.id === rubber.id,
      }
    })
    const force = holdDownForce(pattern, (pattern * PATTERN_KG_PER_M3) / 1e9, rubber.densityKgPerM3)
    const hold = {
      partId: 'rubber',
      name: 'pattern, while the rubber is poured',
      holdForceN: force,
      screws: Math.max(2, Math.ceil(force / board.screwHold)),
      building: true as const,
    }
    const built: BuiltMould = {
      ...NOTHING_BESIDE,
      parts,
      materials: rows.filter((r) => r.isPart),
      alternatives: rows.filter((r) => !r.isPart),
      // In halves each pour lies on the pattern and presses it down.
      holdDown: halves ? [] : [hold],
      hours: HOURS * (halves ? 1.7 : 1),
      ...(halves && { facts: halves.facts }),
      building: halves
        ? halves.building(boards)
        : blockBuilding(boards, rubbers, pour, volume, hold, piece.mould.holdBy),
      off: halves ? halves.off(boards) : blockOff(boards, rubbers),
      faces: [
        {
          face: 'rubber',
          partIds: rubbers.map((p) => p.id),
          areaM2: figures.surfaceAreaM2,
          material: 'rubber',
          surface: 'rubber',
        },
      ],
      making: [
        {
          making: 'pattern',
          against: rubber.family,
          areaM2: figures.surfaceAreaM2,
          clay: halves !== null,
          after: halves ? ['bed/pattern', 'stand/rods'] : [],
          before: [halves ? 'pour/upper' : 'hold/pattern'],
        },
        ...(halves
          ? [
              {
                making: 'cured-half' as const,
                against: rubber.family,
                // The box's plan, of which the pattern takes its part.
                areaM2: ((length + 2 * wall) * (width + 2 * wall)) / 1e6,
                clay: false,
                after: ['off/clay'],
                before: ['pour/lower'],
              },
            ]
          : []),
      ],
      top: halves ? 'hole' : 'rim',
      vents: halves?.vents ?? 0,
      life: rubber.casts,
      faceM2: figures.surfaceAreaM2,
      depth: height,
      check: (layouts) => {
        const found = tooLargeFindings(piece, layouts)
        if (!halves && !input.quick)
          found.push(
            ...stretchFindings(piece, peelStretch(input.kernel, castBody(input)), rubber, stock.rubbers),
          )
        const locked = halves && !input.quick ? halves.undercutMm() : 0
        // The block's outside is straight: where the cast stands back the rubber is thicker by as much.
        const takes = undercutShare(rubber.hardnessShoreA) * (Math.min(wall, cover) + locked)
        if (locked > takes) {
          const next = softer(stock.rubbers, rubber)
          const facts = {
            undercutMm: locked,
            takesMm: takes,
            shore: rubber.hardnessShoreA,
            softest: next?.name ?? '',
          }
          const cures: MouldPatch[] = [
            ...(piece.mould.rubberParting === 'level' ? [{ rubberParting: 'curve' as const }] : []),
            ...(next ? [{ rubber: next.id }] : []),
          ]
          found.push({
            ...finding(piece, 'rubber-undercut', 'warn', 'rubber', facts),
            remedies: cures.map((patch) => ({
              code: patch.rubber ? 'rubber-undercut' : 'along-a-curve',
              facts,
              changes: [{ type: 'mouldChosen', pieceId: piece.id, patch }],
            })),
          })
        }
        if (Math.min(wall, cover) < wanted - 1e-6)
          found.push(
            finding(
              piece,
              'rubber-wall-thin',
              'warn',
              'rubber',
              {
                wallMm: Math.min(wall, cover),
                wantedMm: wanted,
                rubber: rubber.name,
                shore: rubber.hardnessShoreA,
              },
              [{ type: 'mouldChosen', pieceId: piece.id, patch: { rubberWall: null, rubberOver: null } }],
            ),
          )
        const onePour = halves ? Math.max(halves.lower, halves.upper) : volume
        const { kg, potMinutes } = rubberAmounts(rubber, onePour, piece.mould.rubberWaste)
        const pourMinutes = POUR.start + POUR.perKg * kg
        if (pourMinutes > potMinutes)
          found.push(
            finding(piece, 'pot-life-short', 'warn', 'rubber', {
              rubber: rubber.name,
              potMinutes,
              pourMinutes: Math.ceil(pourMinutes),
              pots: Math.ceil((POUR.perKg * kg) / Math.max(1, potMinutes - POUR.start)),
            }),
          )
        if (volume / 1e6 > HEAVY)
          found.push(
            finding(piece, 'rubber-heavy', 'note', 'rubber', {
              litres: Math.round(volume / 1e5) / 10,
              kg: Math.round(volume * rubber.densityKgPerM3 * 1e-9),
            }),
          )
        return found
      },
    }
    return { built, findings: [] }
  },
}

/** The softest rubber in stock that is softer than this one; of two alike the first. */
const softer = (rubbers: readonly Rubber[], than: Rubber): Rubber | undefined =>
  rubbers
    .filter((r) => r.hardnessShoreA < than.hardnessShoreA)
    .reduce<Rubber | undefined>((a, b) => (a && a.hardnessShoreA <= b.hardnessShoreA ? a : b), undefined)

const DOWN: Vector = [0, 0, -1]

/** Whether a piece is one that only a soft or split mould forms well. */
export const wantsRubber = (piece: Piece): boolean => piece.kind === 'imported'
