import { movedBy, offsetRegion, outlineFromAbove, type SolidRecipe } from '../../geometry/index.ts'
import type { Finding } from '../../job/index.ts'
import { pressureAt } from '../../mechanics/index.ts'
import { act, inTurn } from '../../work/index.ts'
import { type BarePart, barePart, DOWN, oneLayer, prism, rectangle } from '../bareParts.ts'
import { RIB_DEPTH, ribSpacing } from '../boardBox/bentSides.ts'
import { LIFE } from '../boardBox/life.ts'
import { build, oneByOne, undo } from '../buildingOrder.ts'
import { regionLoops } from '../castBody.ts'
import { finding, TALL, tooLargeFindings, wearFindings } from '../checkMould.ts'
import { type BuiltMould, type MouldMethod, NOTHING_BESIDE } from '../method.ts'
import { skinSurface, surfaceOf } from '../surfaces.ts'
import type { MouldFact } from '../types.ts'
import { profileMisfit } from './constantSection.ts'
import { separatorParts } from './separators.ts'
import { checkSkin, profileFaces, skinParts, skinRows, withBase } from './skinParts.ts'

/** Hours [own]: set out, cut a rib, hang a strip of skin. */
const HOURS = { start: 2, rib: 0.75, strip: 0.4 }
/** Posts that tie the ribs, mm wide [own]. */
const POST = 60

/**
 * Undersides of the ribs from the base up: each stands as far above the last as the skin spans under the pressure at
 * its own foot, (384 E I w/(5 q))^(1/4), so that they open out towards the top; the last lies flush with it.
 */
export function ribLevels(
  height: number,
  thickness: number,
  skin: { readonly elasticity: number; readonly thickness: number },
  freshKgPerM3: number,
  fixed: number | null,
): number[] {
  const top = height - thickness
  if (top <= 0) return [0]
  const levels = [0]
  for (;;) {
    const at = levels[levels.length - 1]!
    const span = fixed ?? ribSpacing(skin.elasticity, skin.thickness, pressureAt(height - at, freshKgPerM3))
    const next = at + Math.max(thickness, span)
    if (next > top - thickness) break
    levels.push(next)
  }
  return [...levels, top]
}

/** Ribs cut to the profile, a thin skin inside them: the piece stands or lies on one end of its profile. */
export const ribsMethod: MouldMethod<'ribs'> = {
  id: 'ribs',
  name: 'skin on contour ribs',
  misfit: profileMisfit,
  reason: 'curved profiles: a thin sheet takes the curve, ribs hold it to line',
  finish: 'smooth from the skin, its joints to be dressed',
  build(input) {
    const { piece, mix } = input
    const { skin, board, findings, body } = skinRows(input)
    if (!skin || !board) return { built: null, findings }
    const { runs, parts: skins } = skinParts(input, body, skin)
    const out = skin.thickness + RIB_DEPTH
    const levels = ribLevels(body.height, board.thickness, skin, mix.freshKgPerM3, piece.mould.ribSpacing)
    const frame = rectangle('rib', [-out, -out], [body.length + out, body.width + out])
    const [length, width] = [body.length + 2 * out, body.width + 2 * out]
    const thick = Math.min(board.thickness, body.height)
    // One body for all ribs, so that it is made once.
    const rib: SolidRecipe = {
      kind: 'difference',
      from: prism(frame, 0, thick, 'rib'),
      minus: [
        {
          kind: 'outset',
          solid: body.recipe,
          by: skin.thickness,
          low: -1,
          high: thick + 1,
          name: 'rib/inside',
        },
      ],
    }
    const flat = { boardId: board.id, thicknessMm: board.thickness, layers: oneLayer(board) }
    const plan = body.volume / body.height
    const ribs = levels.map((z, i): BarePart => {
      return barePart({
        ...flat,
        id: `rib/${i + 1}`,
        role: 'rib',
        source: { of: 'profile', n: i + 1 },
        together: 'ribs',
        name: `rib ${i + 1}`,
        lengthMm: length,
        widthMm: width,
        pull: [0, 0, 1],
        leaves: i,
        mass: { volume: Math.max(0, length * width - plan) * board.thickness, kgPerM3: board.densityKgPerM3 },
        recipe: { kind: 'moved', solid: rib, by: movedBy([0, 0, z]) },
      })
    })
    const base = barePart({
      ...flat,
      id: 'base',
      role: 'base',
      source: { of: 'cast' },
      name: 'base',
      lengthMm: length,
      widthMm: width,
      pull: DOWN,
      recipe: prism(
        rectangle('base', [-out, -out], [body.length + out, body.width + out]),
        -board.thickness,
        0,
        'base',
      ),
    })
    const posts = (
      [
        [-out - board.thickness, 0.2 * body.width],
        [-out - board.thickness, 0.8 * body.width - POST],
        [body.length + out, 0.2 * body.width],
        [body.length + out, 0.8 * body.width - POST],
      ] as const
    ).map(([x, y], i) =>
      barePart({
        ...flat,
        id: `post/${i + 1}`,
        role: 'cleat',
        source: { of: 'cast' },
        together: 'posts',
        name: `post ${i + 1}`,
        lengthMm: body.height,
        widthMm: POST,
        pull: [x < 0 ? -1 : 1, 0, 0],
        leaves: 0,
        recipe: prism(
          rectangle(`post/${i + 1}`, [x, y], [x + board.thickness, y + POST]),
          0,
          body.height,
          `post/${i + 1}`,
        ),
      }),
    )
    const parting = separatorParts(input)
    const parts = [base, ...ribs, ...skins, ...posts, ...parting.parts]
    const joints = runs.filter((r) => !r.closed).length
    const life = Math.min(skin.casts, LIFE[board.material])
    const facts: MouldFact[] = [
      { code: 'ribs', facts: { board: board.name }, value: ribs.length, unit: '' },
      { code: 'widest-between-ribs', facts: {}, value: widest(levels), unit: 'mm' },
      {
        code: 'skin-developed',
        facts: {},
        value: runs.reduce((sum, r) => sum + r.developed, 0),
        unit: 'mm',
      },
      { code: 'skin-strips', facts: { joints }, value: runs.length, unit: '' },
      ...parting.facts,
    ]
    const built: BuiltMould = {
      ...NOTHING_BESIDE,
      parts,
      tapeLengthMm: joints * body.height,
      hours: HOURS.start + HOURS.rib * ribs.length + HOURS.strip * runs.length,
      life,
      faceM2: body.area / 1e6,
      depth: body.height,
      facts,
      outlines: input.quick
        ? []
        : [
            {
              name: 'rib',
              loops: [
                frame,
                ...regionLoops(
                  offsetRegion(
                    input.kernel,
                    outlineFromAbove(input.kernel, body.recipe),
                    skin.thickness,
                    'round',
                  ),
                  'rib',
                ),
              ],
            },
          ],
      building: inTurn([
        build('cut/ribs', act('cut-ribs', { ribs: ribs.length, outMm: skin.thickness }), ribs, {
          work: 40 + 15 * ribs.length,
        }),
        build('stack/ribs', act('stack-ribs', {}), [base, ...ribs, ...posts], {
          work: 6 * (ribs.length + posts.length),
        }),
        build('bend/skin', act('bend-skin', { strips: runs.length }), skins, { work: 20 * runs.length }),
        build('tape/skin', act('tape-skin-joints', {}), skins, { work: 10 * Math.max(1, joints), wait: 60 }),
        ...parting.building,
        build('bead/foot', act('bead-skin-foot', {}), [base, ...skins], { work: 15, wait: 180 }),
        build('stay/ribs', act('stay-ribs', {}), ribs, { work: 20 }),
      ]),
      off: oneByOne([
        undo('off/posts', act('posts-off', {}), posts, { from: 'sides' }),
        undo('off/ribs', act('ribs-off', { ribs: ribs.length }), ribs),
        undo('off/skin', act('peel-skin', { strips: runs.length }), skins),
        ...(parting.off.length > 0
          ? withBase(parting.off, base)
          : [undo('off/base', act('tip-off-base', {}), [base], { from: 'turn' })]),
      ]),
      faces: profileFaces(body, base, skins, surfaceOf(board), skinSurface(skin), parting.faces),
      top: 'rim',
      check: (layouts) => {
        const found: Finding[] = [
          ...tooLargeFindings(piece, layouts),
          ...checkSkin(input, skin, runs),
          ...parting.check(),
        ]
        const pressure = pressureAt(body.height, mix.freshKgPerM3)
        if (body.height > TALL.deep || pressure > TALL.pressure)
          found.push(
            finding(piece, 'tall-form', 'stop', 'choice', { depthMm: body.height, pressureKPa: pressure }),
          )
        const wanted = ribSpacing(skin.elasticity, skin.thickness, pressure)
        if (piece.mould.ribSpacing !== null && piece.mould.ribSpacing > wanted * 1.05)
          found.push(
            finding(
              piece,
              'ribs-too-wide',
              'warn',
              'choice',
              { spacingMm: piece.mould.ribSpacing, wantedMm: wanted, skin: skin.name },
              [{ type: 'mouldChosen', pieceId: piece.id, patch: { ribSpacing: null } }],
            ),
          )
        found.push(...wearFindings(piece, life))
        return found
      },
    }
    return { built, findings: [] }
  },
}

const widest = (levels: readonly number[]): number =>
  levels.slice(1).reduce((most, z, i) => Math.max(most, z - levels[i]!), 0)
