import {
  type Loop,
  measureSolid,
  type Placement,
  type SolidRecipe,
  type Vector,
} from '../../geometry/index.ts'
import type { Finding, Piece, SlabPiece } from '../../job/index.ts'
import { basinSolids, pouredPlacement, superellipseArea } from '../../piece/index.ts'
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
import { boughtCore } from './boughtCore.ts'
import { type Ring, ringGlueM2, ringOutlines, ringRound, standsOver } from './ring.ts'

/** Hours for core and upper form [own]. */
const HOURS = { core: 2, form: 2 }
/** A core of laminated board or foam under a hard coat, kg/m3 [own]. */
const CORE_KG_PER_M3 = 450
/** Wood glue on both faces of a joint [own]. */
const GLUE_KG_PER_M2 = 0.18
/** Share of the shell's box that stands over its lean, while nothing is measured [own]. */
const GUESSED_OVER = 0.2
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
    const told = {
      basin,
      board,
      shell: { kind: 'moved', solid: outside, by } as SolidRecipe,
      by,
      min,
      max,
      back: top,
      top: body.height,
    }
    const ring = ringRound(told)
    const form = ring.parts
    const coreVolume = volumeOf(input, coreSolid, basin.length * basin.width * basin.depth)
    const bought = boughtCore({ id: piece.id, mould: input.piece.mould }, basin, stock, HOURS.core)
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
          ring.top,
          ring.top + t,
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
    const coreFace = quick
      ? null
      : kernel.withSolids((s) => measureSolid(s.solid(coreSolid).body).area) - footArea(basin)
    const hold = holdDownForce(coreVolume, massOf(coreVolume, CORE_KG_PER_M3), mix.freshKgPerM3)
    const rise = body.height - top
    const area = (max[0] - min[0]) * (max[1] - min[1])
    const over = quick ? area * rise * GUESSED_OVER : standsOver(kernel, told, ring)
    const lift = massToForce(mix.freshKgPerM3 * 1e-9 * over)
    const facts: MouldFact[] = [
      {
        ...(basin.form === 'bowl'
          ? { code: 'bowl-core' as const, facts: { shellMm: basin.shell } }
          : { code: 'basin-core' as const, facts: { draftDeg: basin.draftDeg, shellMm: basin.shell } }),
        value: coreVolume / 1e6,
        unit: 'L',
      },
      { code: 'upper-form-stands', facts: {}, value: ring.top - top, unit: 'mm' },
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
          partId: form[0]!.id,
          name: 'upper form',
          holdForceN: lift,
          screws: Math.max(4, Math.ceil(lift / board.screwHold)),
        },
      ],
      materials: [
        ...plain.built.materials,
        ...(bought.plug
          ? [
              {
                code: 'plug' as const,
                facts: { row: bought.plug.name, casts: bought.plug.casts },
                amount: 1,
                unit: 'piece' as const,
                cost: bought.plug.price,
                isPart: false,
              },
            ]
          : []),
      ],
      hours: plain.built.hours + (bought.plug ? 0 : HOURS.core) + HOURS.form,
      depth: body.height,
      building: upperBuilding(plain.built.building, {
        core: [corePart, ...waste],
        ring,
        beams,
        isBought: bought.plug !== null,
      }),
      afterRelease: [...(plain.built.afterRelease ?? []), 'hang/ring'],
      off: upperOff(plain.built.off, { core: [corePart, ...waste], ring, beams }),
      faces: [
        ...plain.built.faces,
        {
          face: 'core',
          partIds: [corePart.id, ...waste.map((p) => p.id)],
          areaM2: (coreFace ?? coreArea(basin)) / 1e6,
          material: bought.plug ? bought.plug.name : 'coated core',
          surface: bought.plug ? 'smooth' : 'coated',
        },
        {
          face: 'upper-form',
          partIds: form.map((p) => p.id),
          areaM2: form.reduce((sum, p) => sum + p.lengthMm * p.widthMm, 0) / 1e6,
          ...surfaceOf(board),
        },
        {
          face: 'bridges',
          partIds: beams.map((p) => p.id),
          areaM2: beams.reduce((sum, p) => sum + p.lengthMm * p.widthMm, 0) / 1e6,
          ...surfaceOf(board),
        },
      ],
      fillLater: 'upper-form',
      crownByHand: ring.crown,
      outlines: [...(plain.built.outlines ?? []), ...(quick ? [] : ringOutlines(kernel, told, ring))],
      fixings: [
        ...(plain.built.fixings ?? []),
        ...(!quick && ring.of === 'layers' && ring.parts.length > 1
          ? [
              {
                code: 'block-glue' as const,
                facts: {},
                amount: ringGlueM2(kernel, told, ring) * GLUE_KG_PER_M2,
                unit: 'kg' as const,
              },
            ]
          : []),
      ],
      check: (layouts) => [
        ...plain.built!.check(layouts),
        ...checkUpper(piece, form[0]!.id, rise, top),
        ...bought.findings,
      ],
    }
    return { built, findings: plain.findings }
  },
}

type Upper = {
  /** The core first, what fills the waste after it. */
  readonly core: readonly BarePart[]
  readonly ring: Ring
  readonly beams: readonly BarePart[]
}

/** The box's own order, then core and ring; the ring is hung once all below it is waxed. */
function upperBuilding(
  plain: readonly Operation[],
  { core, ring, beams, isBought }: Upper & { readonly isBought: boolean },
): Operation[] {
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
    isBought
      ? build('build/core', act('check-core', { name }), core.slice(0, 1), { work: 10 }, ['cut/list'])
      : build('build/core', act('build-core', { name }), core.slice(0, 1), { work: 90, wait: 24 * 60 }, [
          'cut/list',
        ]),
    build('fix/core', act('screw-core', { name, waste: core.length > 1 }), core, { work: 25, wait: 180 }, [
      'build/core',
      'lay/bearers',
      ...sides,
    ]),
    build('make/ring', act('make-ring', { of: ring.of, falls: ring.falls }), ring.parts, { work: 40 }, [
      'cut/list',
      'fix/core',
    ]),
    eachCast(
      build('hang/ring', act('hang-ring', {}), [...ring.parts, ...beams], { work: 25 }, [
        'make/ring',
        ...sides,
      ]),
    ),
  ]
}

/** Bridges and ring first, then the box as it comes off, the core's screws out before it is turned. */
function upperOff(plain: readonly Undoing[], { core, ring, beams }: Upper): Undoing[] {
  const first = [
    undo('off/bridges', act('bridges-off', {}), beams, { from: 'sides' }),
    undo('off/ring', act('ring-off', { of: ring.of }), ring.parts, { after: ['off/bridges'] }),
  ]
  const screws = undo('out/core-screws', act('core-screws-out', {}), [])
  const at = plain.findIndex((u) => u.id === 'off/base')
  return [
    ...first,
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

/** The face it stands on, mm2. */
const footArea = ({ form, length, width, radius, exponent }: NonNullable<SlabPiece['basin']>): number =>
  form === 'bowl' || form === 'superellipse'
    ? superellipseArea(length / 2, width / 2, exponent)
    : length * width - (4 - Math.PI) * Math.min(radius, length / 2, width / 2) ** 2

/** Bridges across the rim, mm wide [own]. */
const BEAM = 60

const trimUp = (solid: SolidRecipe, offset: number): SolidRecipe => ({
  kind: 'trimmed',
  solid,
  normal: [0, 0, 1],
  offset,
  name: 'core/foot',
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

function checkUpper(piece: SlabPiece, partId: string, rise: number, top: number): Finding[] {
  return rise > top / SLUMPS
    ? [finding(piece, 'upper-slumps', 'warn', partId, { riseMm: rise, slabMm: top })]
    : []
}
