import { measureRegion, type SolidRecipe, type Vector } from '../../geometry/index.ts'
import type { Finding } from '../../job/index.ts'
import { GRAVITY } from '../../units/convert.ts'
import { barePart, DOWN, UP } from '../bareParts.ts'
import type { BarePart } from '../boardBox/boxParts.ts'
import { step } from '../buildingOrder.ts'
import { type CastBody, castBody, greatestSection, levelSections, lockOf, volumeOf } from '../castBody.ts'
import { finding } from '../checkMould.ts'
import type { BuiltMould, MethodInput, MouldMethod } from '../method.ts'
import { cellOf, cylinderAlong, flangePoints, type Parting, wholeShell } from '../shells/flangedShells.ts'
import { jacketOf, layUpHours } from '../shells/layUp.ts'
import { STRAP } from '../tube/planTube.ts'
import type { MouldFact } from '../types.ts'
import { localTops } from './localTops.ts'

/** Hole the mix goes in by: a fifth of the greatest width, within these, mm [own]. */
const HOLE = { share: 0.2, least: 30, most: 80, vent: 3 }
/** Height of fill that a funnel keeps above the top of the cast, mm [own]. */
const HEAD = 100
const HOURS = { start: 2, vent: 0.1 }

/**
 * What lifts the upper shell, N: the fill presses up on it as if concrete stood over all its plan to the level in the
 * funnel, less what of the cast truly stands above the joint: F = rho g (A (h + head) - V above).
 */
export const shellUplift = (
  { area, above, volumeAbove, head }: { area: number; above: number; volumeAbove: number; head: number },
  freshKgPerM3: number,
): number => Math.max(0, freshKgPerM3 * GRAVITY * (area * (above + head) - volumeAbove) * 1e-9)

/** Two stiff shells that close round the whole piece, filled by a hole in the upper one. */
export const closedMethod: MouldMethod = {
  id: 'closed',
  name: 'closed two-shell',
  why: () => null,
  reason: 'balls, eggs and all that has no flat face to fill by',
  finish: 'as the shells’ inside, a seam round the greatest section',
  estimate(input) {
    const jacket = jacketOf(input)
    if (!jacket) return null
    const body = castBody(input)
    const kg = body.area * wallOf(input) * jacket.densityKgPerM3 * 1e-9 * 1.1
    return {
      hours: HOURS.start + layUpHours(body.area, jacket),
      life: jacket.casts,
      faceM2: body.area / 1e6,
      materialCost: jacket.pricePerKg === null ? null : kg * jacket.pricePerKg,
    }
  },
  build(input) {
    const { piece, stock, kernel, quick, mix } = input
    const jacket = jacketOf(input)
    if (!jacket)
      return {
        built: null,
        findings: [
          finding(
            piece,
            'jacket-missing',
            'stop',
            'choice',
            { row: piece.mould.jacket },
            stock.jackets[0] && [
              { type: 'mouldChosen', pieceId: piece.id, patch: { jacket: stock.jackets[0].id } },
            ],
          ),
        ],
      }
    const body = castBody(input)
    const wall = wallOf(input)
    const greatest = quick
      ? { z: body.height / 2, area: body.length * body.width }
      : greatestSection(kernel, body)
    const parting: Parting = { normal: UP, offset: greatest.z }
    const hole = Math.min(HOLE.most, Math.max(HOLE.least, HOLE.share * Math.min(body.length, body.width)))
    const tops: Vector[] = quick ? [[body.length / 2, body.width / 2, body.height]] : localTops(kernel, body)
    const told = {
      body,
      inner: body.recipe,
      inside: 0,
      wall,
      flange: piece.mould.flange,
      flangeThickness: wall,
      low: null,
      high: null,
      partings: [parting],
      name: 'shell',
    }
    const clamps = quick ? [] : flangePoints(kernel, told, parting, piece.mould.boltSpacing)
    const openings = tops.map(([x, y, z], i) =>
      cylinderAlong(
        [x, y, z],
        UP,
        i === 0 ? hole / 2 : HOLE.vent,
        Math.min(5, body.height / 4),
        wall * 3 + HEAD,
        i === 0 ? 'filling hole' : 'vent',
      ),
    )
    const bolts = clamps.map((p) => cylinderAlong(p, UP, 3.2, 3 * wall, 3 * wall, 'bolt'))
    const whole = wholeShell({ ...told, holes: [...openings, ...bolts] })
    const shell = (id: string, name: string, side: 1 | -1, share: number): BarePart => {
      const recipe: SolidRecipe = cellOf(whole, [parting], [side], 'joint')
      return barePart({
        id,
        role: 'shell',
        name,
        lengthMm: body.length + 2 * (wall + piece.mould.flange),
        widthMm: body.width + 2 * (wall + piece.mould.flange),
        thicknessMm: wall,
        pull: side === 1 ? UP : DOWN,
        leaves: side === 1 ? 0 : 1,
        mass: { volume: volumeOf(input, recipe, body.area * wall * share), kgPerM3: jacket.densityKgPerM3 },
        recipe,
      })
    }
    const above = (body.height - greatest.z) / body.height
    const parts = [
      shell('shell/lower', 'lower shell', -1, 1 - above),
      shell('shell/upper', 'upper shell', 1, above),
    ]
    const volumeAbove = volumeOf(
      input,
      { kind: 'trimmed', solid: body.recipe, normal: UP, offset: greatest.z, name: 'joint' },
      body.volume * above,
    )
    const lift = shellUplift(
      { area: greatest.area, above: body.height - greatest.z, volumeAbove, head: HEAD },
      mix.freshKgPerM3,
    )
    const upperKg = (parts[1]!.mass!.volume * jacket.densityKgPerM3) / 1e9
    const held = Math.max(0, lift - upperKg * GRAVITY)
    // Each turn of strap holds with both its legs, at a third of what breaks it.
    const straps = Math.max(2, Math.ceil((held * 3) / (2 * STRAP.strengthN)))
    const kg = parts.reduce((sum, p) => sum + (p.mass!.volume * jacket.densityKgPerM3) / 1e9, 0) * 1.1
    const facts: MouldFact[] = [
      { label: 'Joint above the foot', value: greatest.z, unit: 'mm', note: 'at the greatest section' },
      {
        label: 'Filling hole',
        value: hole,
        unit: 'mm',
        note: `at the highest point; a funnel ${HEAD} mm high over it`,
      },
      {
        label: 'Vents',
        value: tops.length - 1,
        unit: '',
        note: '6 mm, one at every other top; plug each as it runs full',
      },
      { label: 'Lift of the upper shell', value: lift, unit: 'N', note: 'when the funnel stands full' },
      {
        label: 'Straps round both',
        value: straps,
        unit: '',
        note: '50 mm filament tape, each its turn, both legs counted',
      },
      { label: 'Clamps or bolts round the joint', value: clamps.length, unit: '' },
    ]
    const built: BuiltMould = {
      parts,
      materials: [
        {
          name: jacket.name,
          amount: kg,
          unit: 'kg',
          cost: jacket.pricePerKg === null ? null : kg * jacket.pricePerKg,
          note: 'a tenth for what sticks to tools',
          isPart: false,
        },
      ],
      alternatives: stock.jackets
        .filter((j) => j.id !== jacket.id)
        .map((j) => {
          const own = body.area * Math.max(piece.mould.shellWall, j.leastWall) * j.densityKgPerM3 * 1e-9 * 1.1
          return {
            name: j.name,
            amount: own,
            unit: 'kg',
            cost: j.pricePerKg === null ? null : own * j.pricePerKg,
            note: `at ${Math.max(piece.mould.shellWall, j.leastWall)} mm, flanges not counted; ${j.casts} casts`,
            isPart: false,
          }
        }),
      screws: [],
      sealant: [],
      holdDown: [{ partId: 'shell/upper', name: 'upper shell', holdForceN: held, screws: 0 }],
      bowing: [],
      straps: { count: straps, spacingMm: Math.floor(Math.max(body.length, body.width) / (straps + 1)) },
      tapeLengthMm: 0,
      hours: HOURS.start + layUpHours(body.area, jacket) + HOURS.vent * tops.length,
      life: jacket.casts,
      faceM2: body.area / 1e6,
      depth: body.height + HEAD,
      facts,
      order: closedOrder(parts, jacket.name, straps),
      comesOff: [
        {
          partIds: ['shell/upper'],
          text: 'Straps and clamps off, upper shell straight up, rocked loose at its rim.',
        },
        {
          partIds: ['shell/lower'],
          text: 'Turn the cast in its lower shell onto a padded board, and lift the shell off it.',
        },
      ],
      face: { material: jacket.name, note: 'sealed first: it soaks', waxed: true },
      check: () => checkClosed(input, body, parting, greatest.area),
    }
    return { built, findings: [] }
  },
}

const wallOf = ({ piece, stock }: MethodInput): number =>
  Math.max(piece.mould.shellWall, stock.jackets.find((j) => j.id === piece.mould.jacket)?.leastWall ?? 0)

function checkClosed(
  { piece, kernel, quick }: MethodInput,
  body: CastBody,
  parting: Parting,
  greatest: number,
): Finding[] {
  if (quick) return []
  const found: Finding[] = []
  for (const s of [1, -1] as const) {
    const way: Vector = [0, 0, s]
    const end = s === 1 ? body.height : 0
    const lock = lockOf(kernel, body.recipe, way, parting.offset * s, end)
    if (!lock) continue
    found.push(
      finding(piece, 'undercut-locks', 'stop', s === 1 ? 'shell/upper' : 'shell/lower', {
        heightMm: lock.at * s,
      }),
    )
  }
  const [top] = levelSections(kernel, body.recipe, [body.height - Math.min(0.5, body.height / 50)]).map(
    measureRegion,
  )
  if (top! > 0.3 * greatest) found.push(finding(piece, 'flat-top-open', 'note', 'shell/upper', {}))
  return found
}

const closedOrder = (parts: readonly BarePart[], material: string, straps: number) => [
  step('lacquer', 'Seal the pattern: two coats, hard right through, then wax it.', [], 40, 24 * 60),
  step(
    'mark',
    'Draw the joint round the pattern at its greatest section, level, and bed it in clay up to that line; press keys into the clay.',
    [parts[0]!],
    45,
  ),
  step(
    'fix',
    `Lay up the upper shell in ${material} over the pattern and out onto the clay for its flange.`,
    [parts[1]!],
    60,
    24 * 60,
  ),
  step(
    'fix',
    `Turn it over, clay off, wax the flange, and lay up the lower shell against it.`,
    [parts[0]!],
    60,
    24 * 60,
  ),
  step(
    'cut',
    'Drill both flanges together, open them, take the pattern out, and cut the filling hole and vents.',
    parts,
    40,
  ),
  step('wax', 'Seal the inside and wax it.', parts, 25, 60),
  step(
    'brace',
    `Close it on a bead of clay or sealant, clamp the flanges, and put on ${straps} straps. Stand it in sand to its joint.`,
    parts,
    20,
  ),
]
