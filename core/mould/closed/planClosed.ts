import { type Kernel, measureRegion, type SolidRecipe, type Vector } from '../../geometry/index.ts'
import type { Finding } from '../../job/index.ts'
import { massToForce } from '../../units/convert.ts'
import type { BarePart } from '../bareParts.ts'
import { barePart, DOWN, UP } from '../bareParts.ts'
import { type CastBody, castBody, greatestSection, levelSections, volumeOf } from '../castBody.ts'
import { finding, rowMissing } from '../checkMould.ts'
import { type BuiltMould, type MethodInput, type MouldMethod, NOTHING_BESIDE } from '../method.ts'
import {
  alongWay,
  type CurvedJoint,
  curvedFlangePoints,
  halvesOf,
  heldAlong,
  jointFacts,
  leanOf,
  pushApart,
} from '../shells/curvedJoint.ts'
import {
  cellOf,
  cylinderAlong,
  flangePoints,
  measureCells,
  type Parting,
  pullOf,
  type ShellsTold,
  wholeShell,
} from '../shells/flangedShells.ts'
import { jacketOf, layUpHours } from '../shells/layUp.ts'
import { STRAP } from '../tube/roundParts.ts'
import type { MaterialRow, MouldFact } from '../types.ts'
import { closedBuilding, closedOff } from './closedOrder.ts'
import { jointAngle, jointOf, jointSection, locksAt, shellSpread, shellUplift } from './joint.ts'
import { localTops } from './localTops.ts'

/** Hole the mix goes in by: a fifth of the greatest width, within these, mm [own]. */
const HOLE = { share: 0.2, least: 30, most: 80, vent: 3 }
/** Height of fill that a funnel keeps above the top of the cast, mm [own]. */
const HEAD = 100
const HOURS = { start: 2, vent: 0.1 }

/** Two stiff shells that close round the whole piece, filled by a hole in the upper one. */
export const closedMethod: MouldMethod<'closed'> = {
  id: 'closed',
  name: 'closed two-shell',
  misfit: () => null,
  reason: 'balls, eggs and all that has no flat face to fill by',
  finish: 'as the shells’ inside, a seam round the greatest section',
  guesses: () => true,
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
          rowMissing(
            piece,
            'jacket-missing',
            piece.mould.jacket,
            stock.jackets[0] && { jacket: stock.jackets[0].id },
          ),
        ],
      }
    const body = castBody(input)
    const wall = wallOf(input)
    const greatest = quick
      ? { z: body.height / 2, area: body.length * body.width }
      : greatestSection(kernel, body)
    const joint = jointOf(input, body, greatest.z)
    const curve = 'behind' in joint ? joint : null
    const plane = 'behind' in joint ? null : joint
    const way = 'behind' in joint ? joint.way : joint.normal
    const level = way[2] > 1 - 1e-6
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
      partings: plane ? [plane] : [],
      curve,
      name: 'shell',
    }
    const clamps = quick ? [] : jointPoints(kernel, told, joint, piece.mould.boltSpacing)
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
    const bolts = clamps.map((p) => cylinderAlong(p, way, 3.2, 3 * wall, 3 * wall, 'bolt'))
    const whole = wholeShell({ ...told, holes: [...openings, ...bolts] })
    const halves = 'behind' in joint ? halvesOf(whole, joint) : null
    const measured = quick || !plane ? null : measureCells(kernel, whole, [plane], [[-1], [1]])
    const volumeOfSide = (side: 1 | -1, recipe: SolidRecipe, share: number): number =>
      measured ? (measured.get(`${side}`)?.volume ?? 0) : volumeOf(input, recipe, body.area * wall * share)
    const shell = (is: ShellName, side: 1 | -1, share: number): BarePart => {
      const recipe: SolidRecipe = halves
        ? halves[side === 1 ? 1 : 0]
        : cellOf(whole, [plane!], [side], 'joint')
      return barePart({
        id: `shell/${is}`,
        role: 'jacket',
        source: { of: 'shell', is, n: side === 1 ? 2 : 1 },
        name: `${is} shell`,
        lengthMm: body.length + 2 * (wall + piece.mould.flange),
        widthMm: body.width + 2 * (wall + piece.mould.flange),
        thicknessMm: wall,
        pull: level
          ? side === 1
            ? UP
            : DOWN
          : plane
            ? pullOf([plane], [side], UP)
            : alongWay({ way }, side),
        leaves: side === 1 ? 0 : 1,
        mass: {
          volume: volumeOfSide(side, recipe, share),
          kgPerM3: jacket.densityKgPerM3,
        },
        recipe,
      })
    }
    const above = level ? (body.height - greatest.z) / body.height : 0.5
    const [first, second] = level ? (['lower', 'upper'] as const) : (['near', 'far'] as const)
    const parts = [shell(first, -1, 1 - above), shell(second, 1, above)] as const
    const force = curve
      ? pushApart(
          curve,
          body.height + HEAD,
          volumeOf(input, { kind: 'difference', from: body.recipe, minus: [curve.behind] }, 0),
          mix.freshKgPerM3,
        )
      : level
        ? shellUplift(
            {
              area: greatest.area,
              above: body.height - greatest.z,
              volumeAbove: volumeOf(
                input,
                { kind: 'trimmed', solid: body.recipe, normal: UP, offset: greatest.z, name: 'joint' },
                body.volume * above,
              ),
              head: HEAD,
            },
            mix.freshKgPerM3,
          )
        : shellSpread(jointSection(input, body, plane!), body.height + HEAD, mix.freshKgPerM3)
    const upperKg = (parts[1].mass!.volume * jacket.densityKgPerM3) / 1e9
    const held = level ? Math.max(0, force - massToForce(upperKg)) : force
    // Each turn of strap holds with both its legs, at a third of what breaks it.
    const straps = Math.max(2, Math.ceil((held * 3) / (2 * STRAP.strengthN)))
    const kg = parts.reduce((sum, p) => sum + (p.mass!.volume * jacket.densityKgPerM3) / 1e9, 0) * 1.1
    const parted = { level, curve: curve !== null, leanDeg: level ? 0 : leanOf(way) }
    const facts: MouldFact[] = [
      ...(curve ? jointFacts(curve) : []),
      ...(curve
        ? []
        : [
            level
              ? ({ code: 'level-joint', facts: {}, value: greatest.z, unit: 'mm' } as const)
              : ({ code: 'upright-joint', facts: {}, value: jointAngle(plane!), unit: 'deg' } as const),
          ]),
      { code: 'shell-filling-hole', facts: { headMm: HEAD }, value: hole, unit: 'mm' },
      { code: 'vents', facts: { diameterMm: 2 * HOLE.vent }, value: tops.length - 1, unit: '' },
      { code: level ? 'shell-lift' : 'shell-push', facts: {}, value: force, unit: 'N' },
      { code: 'shell-straps', facts: {}, value: straps, unit: '' },
      { code: 'clamps', facts: {}, value: clamps.length, unit: '' },
    ]
    const built: BuiltMould = {
      ...NOTHING_BESIDE,
      parts,
      materials: [
        {
          code: 'jacket-stuff',
          facts: { row: jacket.name },
          amount: kg,
          unit: 'kg',
          cost: jacket.pricePerKg === null ? null : kg * jacket.pricePerKg,
          isPart: false,
        },
      ],
      alternatives: stock.jackets
        .filter((j) => j.id !== jacket.id)
        .map((j): MaterialRow => {
          const wallMm = Math.max(piece.mould.shellWall, j.leastWall)
          const own = body.area * wallMm * j.densityKgPerM3 * 1e-9 * 1.1
          return {
            code: 'shell-of',
            facts: { row: j.name, wallMm, casts: j.casts },
            amount: own,
            unit: 'kg',
            cost: j.pricePerKg === null ? null : own * j.pricePerKg,
            isPart: false,
          }
        }),
      holdDown: [
        {
          partId: parts[1].id,
          name: level ? parts[1].name : 'both shells, one against the other',
          holdForceN: held,
          screws: 0,
        },
      ],
      straps: { count: straps, spacingMm: Math.floor(Math.max(body.length, body.width) / (straps + 1)) },
      hours: HOURS.start + layUpHours(body.area, jacket) + HOURS.vent * tops.length,
      life: jacket.casts,
      faceM2: body.area / 1e6,
      depth: body.height + HEAD,
      facts,
      fixings:
        clamps.length > 0
          ? [
              {
                code: 'bolts-and-nuts',
                facts: { thread: 'M6', lengthMm: Math.ceil((2 * wall + 15) / 5) * 5, where: 'joint' },
                amount: clamps.length,
                unit: 'set',
              },
            ]
          : [],
      building: closedBuilding(parts, jacket.name, tops.length - 1, straps, parted),
      afterRelease: ['close/shells'],
      off: closedOff(parts, parted),
      faces: [
        {
          face: 'inside',
          partIds: parts.map((p) => p.id),
          areaM2: body.area / 1e6,
          material: jacket.name,
          surface: jacket.soaks ? 'soaks' : 'smooth',
        },
      ],
      making: [
        {
          making: 'pattern',
          against: 'shell',
          areaM2: body.area / 1e6,
          // No clay hurts plaster or resin.
          clay: false,
          after: [],
          before: ['bed/pattern'],
        },
      ],
      top: 'hole',
      vents: tops.length - 1,
      check: () => checkClosed(input, body, joint, greatest.area, parts),
    }
    return { built, findings: [] }
  },
}

type ShellName = 'lower' | 'upper' | 'near' | 'far'

/** Where the flanges are clamped, along a joint of either kind. */
const jointPoints = (
  kernel: Kernel,
  told: Omit<ShellsTold, 'holes'>,
  joint: Parting | CurvedJoint,
  spacing: number,
): Vector[] =>
  'behind' in joint
    ? curvedFlangePoints(kernel, joint, told.wall + told.flange / 2, spacing)
    : flangePoints(kernel, told, joint, spacing)

const wallOf = ({ piece, stock }: MethodInput<'closed'>): number =>
  Math.max(piece.mould.shellWall, stock.jackets.find((j) => j.id === piece.mould.jacket)?.leastWall ?? 0)

function checkClosed(
  input: MethodInput<'closed'>,
  body: CastBody,
  joint: Parting | CurvedJoint,
  greatest: number,
  parts: readonly BarePart[],
): Finding[] {
  const { piece, kernel, quick } = input
  if (quick) return []
  // A curve is drawn where both leave, or along the way that was chosen.
  const locks = 'behind' in joint ? [] : locksAt(input, body, joint)
  const found = locks.map(({ side, away }) =>
    finding(
      piece,
      'undercut-locks',
      'stop',
      parts[side === 1 ? 1 : 0]!.id,
      { heightMm: 0, awayMm: away, instead: 'rubber' },
      [{ type: 'mouldChosen', pieceId: piece.id, patch: { method: 'brushed' } }],
    ),
  )
  if ('behind' in joint) found.push(...heldAlong(piece, joint, parts[0]!.id, 'stop'))
  else if (piece.mould.pull)
    found.push(
      finding(piece, 'no-curved-joint', 'note', parts[0]!.id, {}, [
        { type: 'mouldChosen', pieceId: piece.id, patch: { pull: null } },
      ]),
    )
  const [top] = levelSections(kernel, body.recipe, [body.height - Math.min(0.5, body.height / 50)]).map(
    measureRegion,
  )
  if (top! > 0.3 * greatest) found.push(finding(piece, 'flat-top-open', 'note', parts[1]!.id, {}))
  return found
}
