import {
  type Loop,
  measureSolid,
  type Placement,
  type SolidRecipe,
  type Vector,
} from '../../geometry/index.ts'
import type { Finding, Piece, SlabPiece } from '../../job/index.ts'
import { basinSolids, pouredPlacement } from '../../piece/index.ts'
import { massOf, massToForce } from '../../units/convert.ts'
import { act, type Operation } from '../../work/index.ts'
import { type BarePart, barePart, DOWN, oneLayer, prism, rectangle, UP } from '../bareParts.ts'
import { boxMisfit } from '../boardBox/boxedSlab.ts'
import { holdDownForce } from '../boardBox/fixings.ts'
import { buildBox } from '../boardBox/planBoardBox.ts'
import { build, eachCast, undo } from '../buildingOrder.ts'
import { castBody, volumeOf } from '../castBody.ts'
import { finding } from '../checkMould.ts'
import type { BuiltMould, MouldMethod } from '../method.ts'
import { type Misfit, misfit } from '../misfit.ts'
import { surfaceOf } from '../surfaces.ts'
import type { MouldFact, Undoing } from '../types.ts'

/** Hours for core and upper form [own]. */
const HOURS = { core: 2, form: 2 }
/** A core of laminated board or foam under a hard coat, kg/m3 [own]. */
const CORE_KG_PER_M3 = 450
/** Height of fill that slumps out under an upper form before it is stiff, as a share of its own height [own]. */
const SLUMPS = 0.6

const slabOf = (piece: Piece): SlabPiece | null => (piece.kind === 'slab' && piece.basin ? piece : null)

/** The slab's own box would form it but for its basin. */
function upperMisfit(piece: Piece): Misfit | null {
  const slab = slabOf(piece)
  if (!slab) return misfit('no-basin')
  if (piece.attitude.down !== 'top') return misfit('not-face-down')
  return boxMisfit({ ...slab, basin: null })
}

/** A slab in its box, the basin's core on the base, and a second form on the slab's back round the shell. */
export const upperFormMethod: MouldMethod<'upper-form'> = {
  id: 'upper-form',
  name: 'board box with an upper form',
  misfit: upperMisfit,
  reason: 'slab and basin in one pour, no joint between them',
  finish: 'smooth from faced board; the shell’s outside as its boards',
  build(input) {
    const piece = slabOf(input.piece)!
    const { pieceStation, stock, mix, kernel, quick } = input
    const flat = { ...piece, basin: null, mould: input.piece.mould }
    const { geometry } = pieceStation
    const plain = buildBox({ ...input, piece: flat })
    const board = stock.boards.find((b) => b.id === piece.mould.sideBoard)
    if (!plain.built || !board) return plain
    const body = castBody(input)
    const by = pouredPlacement(piece.attitude, geometry)
    const { outside, core, holes } = basinSolids(piece, piece.basin!)
    const basin = piece.basin!
    const base = rectangle('core', [-1, -1], [body.length + 1, body.width + 1])
    // The core stands on the base; what overshoots the show face is sawn off.
    const coreSolid: SolidRecipe = trimUp({ kind: 'moved', solid: core, by }, 0)
    const top = piece.thickness
    const shellBox = quick
      ? null
      : kernel.withSolids((s) =>
          measureSolid(s.solid(trimUp({ kind: 'moved', solid: outside, by }, top)).body),
        )
    const middle = at(by, [basin.u, basin.v, 0])
    const half = [basin.length / 2 + basin.shell, basin.width / 2 + basin.shell] as const
    const min = shellBox?.min ?? [middle[0] - half[0], middle[1] - half[1], top]
    const max = shellBox?.max ?? [middle[0] + half[0], middle[1] + half[1], body.height]
    const t = board.thickness
    // Its boards lean with the shell, one thickness all the way up.
    const lean = Math.tan((basin.draftDeg * Math.PI) / 180)
    const sides = formSides([min[0], min[1]], [max[0], max[1]], t, (body.height - top) * lean + 1)
    const form = sides.map(({ id, name, loop, pull, length }): BarePart => {
      const along: Vector = [-pull[1] * t, pull[0] * t, 0]
      const shifted = (k: -1 | 0 | 1): SolidRecipe => ({
        kind: 'moved',
        solid: outside,
        by: shift(by, [pull[0] * t + along[0] * k, pull[1] * t + along[1] * k, 0]),
      })
      const whole: SolidRecipe = {
        kind: 'difference',
        from: {
          // Each shell is cut to the board first: little is then left to join.
          kind: 'union',
          of: ([-1, 0, 1] as const).map(
            (k): SolidRecipe => ({
              kind: 'intersection',
              of: [prism(loop, top, body.height, `form/${id}`), shifted(k)],
            }),
          ),
        },
        minus: [{ kind: 'moved', solid: outside, by }],
      }
      return barePart({
        id: `form/${id}`,
        role: 'form',
        source: { of: 'basin', is: 'form' },
        name: `upper form ${name}`,
        together: id === 'left' || id === 'right' ? 'upper form ends' : 'upper form sides',
        boardId: board.id,
        lengthMm: length,
        widthMm: (body.height - top) * Math.hypot(1, lean),
        thicknessMm: t,
        layers: oneLayer(board),
        pull,
        mass: { volume: length * (body.height - top) * t, kgPerM3: board.densityKgPerM3 },
        recipe: whole,
      })
    })
    const coreVolume = volumeOf(input, coreSolid, basin.length * basin.width * basin.depth)
    const corePart = barePart({
      id: 'core/basin',
      role: 'core',
      source: { of: 'basin', is: 'core' },
      name: 'basin core',
      lengthMm: basin.length,
      widthMm: basin.width,
      thicknessMm: basin.depth + (basin.form === 'ramp' ? basin.fall : 0),
      pull: DOWN,
      mass: { volume: coreVolume, kgPerM3: CORE_KG_PER_M3 },
      recipe: coreSolid,
    })
    const waste = basin.waste > 0 ? wastePart(holes[0]!, by, coreSolid, base, body.height, basin.waste) : []
    // Beams across the rim hold the upper form down and level.
    const beams = [min[0], max[0] - BEAM].map((x, i) =>
      barePart({
        id: `beam/${i + 1}`,
        role: 'cleat',
        source: { of: 'basin', is: 'bridge' },
        together: 'bridges',
        name: `bridge ${i + 1}`,
        boardId: board.id,
        lengthMm: body.width + 2 * t,
        widthMm: BEAM,
        thicknessMm: t,
        layers: oneLayer(board),
        pull: UP,
        recipe: prism(
          rectangle(`beam/${i + 1}`, [x, -t], [x + BEAM, body.width + t]),
          body.height,
          body.height + t,
          `beam/${i + 1}`,
        ),
      }),
    )
    // The back of an apron that meets the shell is notched round it.
    const plainParts = plain.built.parts.map((p) =>
      p.source.of === 'apron'
        ? { ...p, recipe: { kind: 'difference', from: p.recipe, minus: [body.recipe] } satisfies SolidRecipe }
        : p,
    )
    const parts = [...plainParts, corePart, ...waste, ...form, ...beams]
    const hold = holdDownForce(coreVolume, massOf(coreVolume, CORE_KG_PER_M3), mix.freshKgPerM3)
    const rise = body.height - top
    const area = (max[0] - min[0]) * (max[1] - min[1])
    const lift = massToForce(
      mix.freshKgPerM3 * 1e-9 * (rise * lean) * rise * (max[0] - min[0] + (max[1] - min[1])),
    )
    const facts: MouldFact[] = [
      {
        code: 'basin-core',
        facts: { draftDeg: basin.draftDeg, shellMm: basin.shell },
        value: coreVolume / 1e6,
        unit: 'L',
      },
      { code: 'upper-form-stands', facts: {}, value: rise, unit: 'mm' },
      { code: 'upper-form-lift', facts: {}, value: lift, unit: 'N' },
      {
        code: 'back-left-open',
        facts: {},
        value: (body.length * body.width - area) / 1e6,
        unit: 'm2',
      },
    ]
    const built: BuiltMould = {
      ...plain.built,
      parts,
      facts: [...facts, ...(plain.built.facts ?? [])],
      holdDown: [
        ...plain.built.holdDown,
        {
          partId: 'core/basin',
          name: 'basin core',
          holdForceN: hold,
          screws: Math.max(4, Math.ceil(hold / board.screwHold)),
        },
        {
          partId: 'form/front',
          name: 'upper form',
          holdForceN: lift,
          screws: Math.max(4, Math.ceil(lift / board.screwHold)),
        },
      ],
      hours: plain.built.hours + HOURS.core + HOURS.form,
      depth: body.height,
      building: upperBuilding(plain.built.building, { core: [corePart, ...waste], form, beams }),
      afterRelease: [...(plain.built.afterRelease ?? []), 'hang/ring'],
      off: upperOff(plain.built.off, { core: [corePart, ...waste], form, beams }),
      faces: [
        ...plain.built.faces,
        {
          face: 'core',
          partIds: [corePart.id, ...waste.map((p) => p.id)],
          areaM2: coreArea(basin) / 1e6,
          material: 'coated core',
          surface: 'coated',
        },
        {
          face: 'upper-form',
          partIds: form.map((p) => p.id),
          areaM2: form.reduce((sum, p) => sum + p.lengthMm * p.widthMm, 0) / 1e6,
          ...surfaceOf(board),
        },
      ],
      fillLater: 'upper-form',
      check: (layouts) => [...plain.built!.check(layouts), ...checkUpper(piece, rise, top)],
    }
    return { built, findings: plain.findings }
  },
}

type Upper = {
  /** The core first, what fills the waste after it. */
  readonly core: readonly BarePart[]
  readonly form: readonly BarePart[]
  readonly beams: readonly BarePart[]
}

/** The box's own order, then core and ring; the ring is hung once all below it is waxed. */
function upperBuilding(plain: readonly Operation[], { core, form, beams }: Upper): Operation[] {
  const sides = plain.filter((s) => s.code === 'fix-side').map((s) => s.id)
  const laid = plain.some((s) => s.id === 'lay/bearers')
  const name = core[0]!.name
  // The core is screwed from below: the base lies on bearers before anything stands on it.
  const onBearers = laid
    ? plain
    : plain.flatMap((s) =>
        s.id === 'mark/plan'
          ? [s, build('lay/bearers', act('lay-on-bearers', {}), [], { work: 5 }, ['mark/plan'])]
          : [s.code === 'fix-side' ? { ...s, needs: [...s.needs, 'lay/bearers'] } : s],
      )
  return [
    ...onBearers,
    build('build/core', act('build-core', { name }), core.slice(0, 1), { work: 90, wait: 24 * 60 }, [
      'cut/list',
    ]),
    build('fix/core', act('screw-core', { name, waste: core.length > 1 }), core, { work: 25, wait: 180 }, [
      'build/core',
      'lay/bearers',
      ...sides,
    ]),
    build('make/ring', act('make-ring', {}), form, { work: 40 }, ['cut/list', 'fix/core']),
    eachCast(
      build('hang/ring', act('hang-ring', {}), [...form, ...beams], { work: 25 }, ['make/ring', ...sides]),
    ),
  ]
}

/** Bridges and ring first, then the box as it comes off, the core's screws out before it is turned. */
function upperOff(plain: readonly Undoing[], { core, form, beams }: Upper): Undoing[] {
  const ring = [
    undo('off/bridges', act('bridges-off', {}), beams, { from: 'sides' }),
    undo('off/ring', act('ring-off', {}), form, { after: ['off/bridges'] }),
  ]
  const screws = undo('out/core-screws', act('core-screws-out', {}), [])
  const at = plain.findIndex((u) => u.id === 'off/base')
  return [
    ...ring,
    ...plain
      .slice(0, at + 1)
      .flatMap((u) => [
        ...(u.turns ? [{ ...screws, after: u.after }] : []),
        { ...u, after: [...u.after, 'off/ring', ...(u.turns ? [screws.id] : [])] },
      ]),
    undo('out/core', act('ease-core-out', { name: core[0]!.name }), core, { after: ['off/base'] }),
    ...plain.slice(at + 1),
  ]
}

/** Floor and walls of a basin's core, mm2. */
const coreArea = ({ length, width, depth }: NonNullable<SlabPiece['basin']>): number =>
  length * width + 2 * (length + width) * depth

/** Bridges across the rim, mm wide [own]. */
const BEAM = 60

const trimUp = (solid: SolidRecipe, offset: number): SolidRecipe => ({
  kind: 'trimmed',
  solid,
  normal: [0, 0, 1],
  offset,
  name: 'core/foot',
})

const shift = (by: Placement, [dx, dy, dz]: Vector): Placement => ({
  ...by,
  origin: [by.origin[0] + dx, by.origin[1] + dy, by.origin[2] + dz],
})

const at = ({ x, y, z, origin }: Placement, p: Vector): Vector => [
  x[0] * p[0] + y[0] * p[1] + z[0] * p[2] + origin[0],
  x[1] * p[0] + y[1] * p[1] + z[1] * p[2] + origin[1],
  x[2] * p[0] + y[2] * p[1] + z[2] * p[2] + origin[2],
]

/** What fills the waste between the core and the top of the shell. */
function wastePart(
  hole: SolidRecipe,
  by: Placement,
  core: SolidRecipe,
  base: Loop,
  height: number,
  diameter: number,
): BarePart[] {
  return [
    barePart({
      id: 'core/waste',
      role: 'core',
      source: { of: 'basin', is: 'waste' },
      name: 'waste disc',
      lengthMm: diameter,
      widthMm: diameter,
      thicknessMm: 0,
      pull: UP,
      recipe: {
        kind: 'difference',
        from: {
          kind: 'intersection',
          of: [{ kind: 'moved', solid: hole, by }, prism(base, 0, height, 'waste')],
        },
        minus: [core],
      },
    }),
  ]
}

/** Four mitred quarters of a ring between two rectangles. */
function formSides(
  [x0, y0]: readonly [number, number],
  [x1, y1]: readonly [number, number],
  t: number,
  leans: number,
) {
  // The boards lean inward above: a ring just wide enough for all of the lean is cut to the shell.
  const d = Math.max(1, Math.min(leans, Math.min(x1 - x0, y1 - y0) / 2 - 1))
  const quad = (id: string, points: readonly (readonly [number, number])[]): Loop =>
    points.map((p, i) => ({
      name: `form/${id}`,
      from: p,
      to: points[(i + 1) % points.length]!,
      arc: null,
    }))
  const [a, b, c, e] = [
    [x0 - t, y0 - t],
    [x1 + t, y0 - t],
    [x1 + t, y1 + t],
    [x0 - t, y1 + t],
  ] as const
  const [p, q, r, s] = [
    [x0 + d, y0 + d],
    [x1 - d, y0 + d],
    [x1 - d, y1 - d],
    [x0 + d, y1 - d],
  ] as const
  return [
    {
      id: 'front',
      name: 'front',
      loop: quad('front', [a, b, q, p]),
      pull: [0, -1, 0] as Vector,
      length: x1 - x0 + 2 * t,
    },
    {
      id: 'right',
      name: 'right',
      loop: quad('right', [b, c, r, q]),
      pull: [1, 0, 0] as Vector,
      length: y1 - y0 + 2 * t,
    },
    {
      id: 'back',
      name: 'back',
      loop: quad('back', [c, e, s, r]),
      pull: [0, 1, 0] as Vector,
      length: x1 - x0 + 2 * t,
    },
    {
      id: 'left',
      name: 'left',
      loop: quad('left', [e, a, p, s]),
      pull: [-1, 0, 0] as Vector,
      length: y1 - y0 + 2 * t,
    },
  ]
}

function checkUpper(piece: SlabPiece, rise: number, top: number): Finding[] {
  return rise > top / SLUMPS
    ? [finding(piece, 'upper-slumps', 'warn', 'form/front', { riseMm: rise, slabMm: top })]
    : []
}
