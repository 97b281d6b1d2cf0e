import type { SolidRecipe } from '../../geometry/index.ts'
import { act, inTurn } from '../../work/index.ts'
import type { BarePart } from '../bareParts.ts'
import { barePart, DOWN } from '../bareParts.ts'
import { peelStretch, stretchFindings } from '../block/peel.ts'
import { potsOf, rubberAmounts, rubberWall, undercutShare } from '../block/rubber.ts'
import { build, oneByOne, undo } from '../buildingOrder.ts'
import { castBody, volumeOf } from '../castBody.ts'
import { finding, rowMissing, wearFindings } from '../checkMould.ts'
import { type BuiltMould, type MethodInput, type MouldMethod, NOTHING_BESIDE } from '../method.ts'
import { firstParting } from '../printed/split.ts'
import { alongWay, curvedFlangePoints, halvesOf, jointAlong, jointFacts } from '../shells/curvedJoint.ts'
import {
  type Cell,
  cellOf,
  cells,
  coat,
  flangePoints,
  measureCells,
  pullOf,
  wholeShell,
} from '../shells/flangedShells.ts'
import { jacketOf, layUpHours } from '../shells/layUp.ts'
import type { MaterialRow, MouldFact } from '../types.ts'

/** A coat brushed on, mm; thickener by weight [own]. */
const COAT_MM = 2
const THICKENER = 0.03
/** A coat thicker than this runs down a steep face, mm [own]. */
const THICKEST_COAT = 4
/** Poured beside a block's gap, percent. */
const BLOCK_WASTE = 7
const HOURS = { start: 3, coat: 0.75 }

/** A thin skin of rubber brushed onto the pattern, held in shape by a stiff jacket in pieces. */
export const brushedMethod: MouldMethod<'brushed'> = {
  id: 'brushed',
  name: 'brushed rubber in a jacket',
  misfit: () => null,
  reason: 'large or deep work in relief: a tenth of the rubber of a block',
  finish: 'every mark of the pattern, matt',
  guesses: () => true,
  estimate(input) {
    const { rubber, jacket } = rowsOf(input)
    if (!rubber || !jacket) return null
    const body = castBody(input)
    const need = rubberAmounts(rubber, body.area * input.piece.mould.skinCoat, input.piece.mould.brushWaste)
    const kg = body.area * wallOf(input) * jacket.densityKgPerM3 * 1e-9 * 1.1
    return {
      hours: hoursOf(input, body.area),
      life: rubber.casts,
      faceM2: body.area / 1e6,
      materialCost:
        need.cost === null || jacket.pricePerKg === null ? null : need.cost + kg * jacket.pricePerKg,
    }
  },
  build(input) {
    const { piece, stock, kernel, quick } = input
    const { mould } = piece
    const { rubber, jacket } = rowsOf(input)
    if (!rubber || !jacket) {
      const [firstRubber, firstJacket] = [stock.rubbers[0], stock.jackets[0]]
      return {
        built: null,
        findings: [
          ...(rubber
            ? []
            : [rowMissing(piece, 'rubber-missing', mould.rubber, firstRubber && { rubber: firstRubber.id })]),
          ...(jacket
            ? []
            : [rowMissing(piece, 'jacket-missing', mould.jacket, firstJacket && { jacket: firstJacket.id })]),
        ],
      }
    }
    const body = castBody(input)
    const skin = mould.skinCoat
    const wall = wallOf(input)
    const rim: SolidRecipe = {
      kind: 'outset',
      solid: body.recipe,
      by: skin + mould.rim,
      low: body.height - skin,
      high: body.height,
      name: 'rim',
    }
    const levelled = (solid: SolidRecipe): SolidRecipe => ({
      kind: 'trimmed',
      solid,
      normal: [0, 0, -1],
      offset: -body.height,
      name: 'rubber',
    })
    const coated: SolidRecipe = levelled({ kind: 'union', of: [coat(body, skin), rim] })
    const rubberRecipe: SolidRecipe = { kind: 'difference', from: coated, minus: [body.recipe] }
    // The cast stands wholly inside: what is left of the coat is weighed without cutting it out.
    const rubberVolume = quick
      ? body.area * skin
      : volumeOf(input, coated, 0) - volumeOf(input, body.recipe, 0)
    // The rim of the rubber stands in the way of a half that is drawn up.
    const curve =
      mould.seam === 'curve' && !quick
        ? jointAlong(kernel, { ...body, recipe: coat(body, skin) }, mould.pull, true)
        : null
    const partings = curve || mould.shells === 1 ? [] : [firstParting(quick ? null : kernel, body)]
    if (!curve && mould.shells === 4) {
      const { normal } = partings[0]!
      const across = [normal[1], -normal[0], 0] as const
      partings.push({ normal: across, offset: (across[0] * body.length + across[1] * body.width) / 2 })
    }
    const told = {
      body,
      inner: { kind: 'union', of: [coat(body, skin), rim] } as SolidRecipe,
      inside: skin,
      wall,
      flange: mould.flange,
      flangeThickness: wall,
      low: null,
      high: body.height - skin,
      partings,
      curve,
      name: 'jacket',
    }
    const whole = wholeShell({ ...told, holes: [] })
    const bolts = quick
      ? 0
      : curve
        ? curvedFlangePoints(kernel, curve, wall + mould.flange / 2, mould.boltSpacing).filter(
            ([, , z]) => z < told.high,
          ).length
        : partings.reduce((sum, p) => sum + flangePoints(kernel, told, p, mould.boltSpacing).length, 0)
    const every: readonly Cell[] = curve ? [[-1], [1]] : cells(partings)
    const halves = curve ? halvesOf(whole, curve) : null
    const measured = quick || curve ? null : measureCells(kernel, whole, partings, every)
    const jackets = every.map((cell, i): BarePart => {
      const recipe = halves ? halves[i]! : cellOf(whole, partings, cell, 'seam')
      return barePart({
        id: `jacket/${i + 1}`,
        role: 'jacket',
        source: { of: 'shell', is: 'part', n: i + 1 },
        name: `jacket ${i + 1}`,
        lengthMm: body.length + 2 * (skin + wall + mould.flange),
        widthMm: body.width + 2 * (skin + wall + mould.flange),
        thicknessMm: wall,
        pull: curve ? alongWay(curve, cell[0]!) : pullOf(partings, cell, DOWN),
        leaves: i,
        mass: {
          volume: measured
            ? (measured.get(cell.join())?.volume ?? 0)
            : volumeOf(input, recipe, (body.area * wall) / every.length),
          kgPerM3: jacket.densityKgPerM3,
        },
        recipe,
      })
    })
    const parts: BarePart[] = [
      barePart({
        id: 'rubber',
        role: 'rubber',
        source: { of: 'cast' },
        name: 'rubber skin',
        lengthMm: body.length + 2 * (skin + mould.rim),
        widthMm: body.width + 2 * (skin + mould.rim),
        thicknessMm: skin,
        pull: DOWN,
        leaves: jackets.length,
        mass: { volume: rubberVolume, kgPerM3: rubber.densityKgPerM3 },
        recipe: rubberRecipe,
        givesMm: undercutShare(rubber.hardnessShoreA) * skin,
      }),
      ...jackets,
    ]
    const kg = jackets.reduce((sum, p) => sum + (p.mass!.volume * jacket.densityKgPerM3) / 1e9, 0) * 1.1
    const row = (r: typeof rubber): MaterialRow => {
      const need = rubberAmounts(r, rubberVolume, mould.brushWaste)
      return {
        code: 'rubber-brushed',
        facts: potsOf(r, need),
        amount: need.kg,
        unit: 'kg',
        cost: need.cost,
        isPart: r.id === rubber.id,
      }
    }
    const coats = coatsOf(input)
    const need = rubberAmounts(rubber, rubberVolume, mould.brushWaste)
    const blockWall = rubberWall(rubber, Math.max(body.length, body.width, body.height))
    const block = rubberAmounts(
      rubber,
      Math.max(
        0,
        (body.length + 2 * blockWall) * (body.width + 2 * blockWall) * (body.height + blockWall) -
          body.volume,
      ),
      BLOCK_WASTE,
    )
    const facts: MouldFact[] = [
      { code: 'coats', facts: {}, value: coats, unit: '' },
      { code: 'rubber-a-coat', facts: {}, value: need.kg / coats, unit: 'kg' },
      { code: 'thickener', facts: {}, value: need.kg * THICKENER, unit: 'kg' },
      { code: 'block-would-take', facts: {}, value: block.kg, unit: 'kg' },
      { code: 'jacket', facts: { row: jacket.name, wallMm: wall }, value: jackets.length, unit: '' },
      ...(curve ? jointFacts(curve) : []),
      ...(bolts > 0 ? [{ code: 'jacket-bolts' as const, facts: {}, value: bolts, unit: '' as const }] : []),
    ]
    const built: BuiltMould = {
      ...NOTHING_BESIDE,
      parts,
      materials: [
        row(rubber),
        {
          code: 'jacket-stuff',
          facts: { row: jacket.name },
          amount: kg,
          unit: 'kg',
          cost: jacket.pricePerKg === null ? null : kg * jacket.pricePerKg,
          isPart: false,
        },
      ],
      alternatives: stock.rubbers.filter((r) => r.id !== rubber.id).map(row),
      hours: hoursOf(input, body.area),
      life: rubber.casts,
      faceM2: body.area / 1e6,
      depth: body.height,
      facts,
      fixings:
        bolts > 0
          ? [
              {
                code: 'bolts-and-nuts',
                facts: { thread: 'M6', lengthMm: Math.ceil((2 * wall + 15) / 5) * 5, where: 'jacket' },
                amount: bolts,
                unit: 'set',
              },
            ]
          : [],
      building: inTurn([
        build('stand/pattern', act('stand-pattern', {}), [], { work: 15 }),
        build('brush/rubber', act('brush-coats', { coats, kgEach: need.kg / coats }), [parts[0]!], {
          work: 45 * coats,
          wait: rubber.potMinutes * (coats - 1) + rubber.demouldHours * 60,
        }),
        build('lay-up/jacket', act('lay-jacket', { pieces: jackets.length }), jackets, {
          work: 60 * jackets.length,
          wait: 24 * 60,
        }),
        build('drill/flanges', act('drill-flanges', { pieces: jackets.length, bolts }), jackets, {
          work: 5 + 2 * bolts,
        }),
        build('back/rubber', act('jacket-and-rubber-back', {}), parts, { work: 20 }),
      ]),
      off: oneByOne([
        undo('turn', act('turn-in-jacket', { massKg: 0 }), [], { from: 'turn', turns: 'padded board' }),
        undo('off/jacket', act('jackets-off', { pieces: jackets.length }), jackets),
        undo('off/rubber', act('peel-rubber', {}), [parts[0]!]),
      ]),
      faces: [
        {
          face: 'rubber',
          partIds: ['rubber'],
          areaM2: body.area / 1e6,
          material: 'rubber',
          surface: 'rubber',
        },
      ],
      making: [
        {
          making: 'pattern',
          against: rubber.family,
          areaM2: body.area / 1e6,
          clay: false,
          after: ['stand/pattern'],
          before: ['brush/rubber'],
        },
        {
          making: 'rubber-back',
          against: rubber.family,
          areaM2: body.area / 1e6,
          clay: false,
          after: ['brush/rubber'],
          before: ['lay-up/jacket'],
        },
      ],
      top: 'rim',
      check: () => {
        const found = quick ? [] : stretchFindings(piece, peelStretch(kernel, body), rubber, stock.rubbers)
        if (mould.seam === 'curve' && !curve && !quick)
          found.push(
            finding(piece, 'no-curved-joint', 'note', 'jacket/1', {}, [
              { type: 'mouldChosen', pieceId: piece.id, patch: { seam: 'straight' } },
            ]),
          )
        if (skin < rubber.leastWall / 4)
          found.push(
            finding(
              piece,
              'rubber-wall-thin',
              'warn',
              'rubber',
              {
                wallMm: skin,
                wantedMm: rubber.leastWall / 2,
                rubber: rubber.name,
                shore: rubber.hardnessShoreA,
              },
              [{ type: 'mouldChosen', pieceId: piece.id, patch: { skinCoat: rubber.leastWall / 2 } }],
            ),
          )
        if (skin / coats > THICKEST_COAT)
          found.push(
            finding(
              piece,
              'coats-thick',
              'warn',
              'rubber',
              { coatMm: skin / coats, mostMm: THICKEST_COAT, coats: Math.ceil(skin / COAT_MM) },
              [{ type: 'mouldChosen', pieceId: piece.id, patch: { coats: null } }],
            ),
          )
        found.push(...wearFindings(piece, rubber.casts))
        return found
      },
    }
    return { built, findings: [] }
  },
}

const rowsOf = (input: MethodInput<'brushed'>) => ({
  rubber: input.stock.rubbers.find((r) => r.id === input.piece.mould.rubber),
  jacket: jacketOf(input),
})

const wallOf = ({ piece, stock }: MethodInput<'brushed'>): number =>
  Math.max(piece.mould.shellWall, stock.jackets.find((j) => j.id === piece.mould.jacket)?.leastWall ?? 0)

/** As many as were chosen, else by the skin's thickness and at least two. */
const coatsOf = ({ piece: { mould } }: MethodInput<'brushed'>): number =>
  mould.coats ?? Math.max(2, Math.ceil(mould.skinCoat / COAT_MM))

const hoursOf = (input: MethodInput<'brushed'>, area: number): number =>
  HOURS.start + HOURS.coat * coatsOf(input) + layUpHours(area, jacketOf(input)!)
