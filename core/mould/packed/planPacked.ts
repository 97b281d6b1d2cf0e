import type { SolidRecipe } from '../../geometry/index.ts'
import { pressureAt } from '../../mechanics/index.ts'
import { act, inTurn } from '../../work/index.ts'
import { barePart, DOWN, prism, rectangle } from '../bareParts.ts'
import { boxPath, boxRound, sidesOff } from '../boxRound.ts'
import { build, oneByOne, undo } from '../buildingOrder.ts'
import { volumeOf } from '../castBody.ts'
import { finding, TALL, tooLargeFindings, wearFindings } from '../checkMould.ts'
import { type BuiltMould, type MouldMethod, NOTHING_BESIDE } from '../method.ts'
import { profileMisfit } from '../ribs/constantSection.ts'
import { separatorParts } from '../ribs/separators.ts'
import { checkSkin, profileFaces, skinParts, skinRows, withBase } from '../ribs/skinParts.ts'
import { skinSurface, surfaceOf } from '../surfaces.ts'
import { STRAP } from '../tube/roundParts.ts'
import type { MouldFact } from '../types.ts'

/** Packed density, kg/m3; how much more it is loose; layer that a rammer packs, mm [own]. */
const PACKING = {
  earth: { name: 'damp earth', kgPerM3: 1800, loose: 1.3, layer: 100 },
  sand: { name: 'damp sand', kgPerM3: 1700, loose: 1.15, layer: 150 },
} as const
/** The largest stone that packs without denting the liner, mm [own]. */
const STONES_MM = 20
/** Hours [own]: set out; a strip of liner; a m3 packed. */
const HOURS = { start: 1.5, strip: 0.4, m3: 6 }
/** Room a rammer needs between liner and box, mm [own]. */
const ROOM = 80

/** A liner bent to the profile, held by earth or sand packed behind it in a plain box. */
export const packedMethod: MouldMethod<'packed'> = {
  id: 'packed',
  name: 'liner with packed fill',
  misfit: profileMisfit,
  reason: 'one big curved block: no ribs to cut, and the fill is used again',
  finish: 'smooth from the liner, true only as far as it was packed evenly',
  build(input) {
    const { piece, mix } = input
    const { skin, board, findings, body } = skinRows(input)
    if (!skin || !board) return { built: null, findings }
    const { runs, parts: skins } = skinParts(input, body, skin)
    const pack = PACKING[piece.mould.packing]
    const margin = piece.mould.blockMargin + skin.thickness
    const [low, high] = [
      [-margin, -margin],
      [body.length + margin, body.width + margin],
    ] as const
    const recipe: SolidRecipe = {
      kind: 'difference',
      from: prism(rectangle('packing', low, high), 0, body.height, 'packing'),
      minus: [
        {
          kind: 'outset',
          solid: body.recipe,
          by: skin.thickness,
          low: -1,
          high: body.height + 1,
          name: 'packing/inside',
        },
      ],
    }
    const guess = (body.length + 2 * margin) * (body.width + 2 * margin) * body.height - body.volume
    const volume = volumeOf(input, recipe, guess)
    const packing = barePart({
      id: 'packing',
      role: 'packing',
      source: { of: 'cast' },
      name: `packed ${piece.mould.packing}`,
      lengthMm: body.length + 2 * margin,
      widthMm: body.width + 2 * margin,
      thicknessMm: body.height,
      pull: DOWN,
      leaves: 0,
      mass: { volume, kgPerM3: pack.kgPerM3 },
      recipe,
    })
    const box = boxRound(boxPath(low, high), 0, body.height, board, piece.mould)
    const base = box[0]!
    const parting = separatorParts(input)
    const parts = [...box, packing, ...skins, ...parting.parts]
    const pressure = pressureAt(body.height, mix.freshKgPerM3)
    const push = (pressure / 1000) * 0.5 * body.height * (Math.max(body.length, body.width) + 2 * margin)
    // Each turn takes the push on a pair of opposite sides with both its legs, at a third of what breaks it.
    const straps = Math.max(2, Math.ceil((push * 3) / (2 * STRAP.strengthN)))
    const layers = Math.ceil(body.height / pack.layer)
    const facts: MouldFact[] = [
      { code: 'packed-fill', facts: { packing: piece.mould.packing }, value: volume / 1e6, unit: 'L' },
      {
        code: 'loose-fill',
        facts: { times: pack.loose },
        value: (volume / 1e6) * pack.loose,
        unit: 'L',
      },
      { code: 'packing-weighs', facts: {}, value: (volume * pack.kgPerM3) / 1e9, unit: 'kg' },
      { code: 'layers-to-ram', facts: { eachMm: pack.layer }, value: layers, unit: '' },
      {
        code: 'liner-developed',
        facts: {},
        value: runs.reduce((sum, r) => sum + r.developed, 0),
        unit: 'mm',
      },
      { code: 'box-straps', facts: {}, value: straps, unit: '' },
      ...parting.facts,
    ]
    const built: BuiltMould = {
      ...NOTHING_BESIDE,
      parts,
      materials: [
        {
          code: 'packing-fill',
          facts: { row: pack.name, stonesMm: STONES_MM },
          amount: (volume / 1e6) * pack.loose,
          unit: 'L',
          cost: 0,
          isPart: true,
        },
      ],
      straps: { count: straps, spacingMm: Math.floor(body.height / (straps + 1)) },
      hours: HOURS.start + HOURS.strip * runs.length + (HOURS.m3 * volume) / 1e9,
      life: 1,
      faceM2: body.area / 1e6,
      depth: body.height,
      facts,
      building: inTurn([
        build('cut/box', act('cut-gauge', {}), box, { work: 60 }),
        build('stand/box', act('stand-box', { straps }), box, { work: 30 + 3 * straps }),
        build('draw/profile', act('draw-profile', {}), [base], { work: 25 }),
        build('stand/skin', act('stand-skin', {}), skins, { work: 20 * runs.length }),
        build('pack', act('pack', { filling: pack.name, layers }), [packing], {
          work: Math.floor((volume / 1e9) * HOURS.m3 * 60),
        }),
        ...parting.building,
        build('seal/skin', act('seal-skin', {}), skins, { work: 20, wait: 180 }),
        build('measure/profile', act('measure-profile', {}), skins, { work: 15 }),
      ]),
      off: oneByOne([
        undo('off/straps', act('straps-off', {}), [], { from: 'sides', minutes: 2 * straps }),
        ...sidesOff(box),
        undo('out/packing', act('dig-packing', {}), [packing], { minutes: 60 }),
        undo('off/skin', act('peel-skin', { strips: runs.length }), skins),
        ...(parting.off.length > 0
          ? withBase(parting.off, base)
          : [undo('off/base', act('tip-off-base', {}), [base], { from: 'turn' })]),
      ]),
      faces: profileFaces(body, base, skins, surfaceOf(board), skinSurface(skin), parting.faces),
      top: 'rim',
      check: (layouts) => [
        ...tooLargeFindings(piece, layouts),
        ...checkSkin(input, skin, runs),
        ...parting.check(),
        ...(piece.mould.blockMargin < ROOM
          ? [
              finding(
                piece,
                'packing-narrow',
                'warn',
                'packing',
                { roomMm: piece.mould.blockMargin, wantedMm: ROOM },
                [{ type: 'mouldChosen', pieceId: piece.id, patch: { blockMargin: ROOM } }],
              ),
            ]
          : []),
        ...(body.height > TALL.deep || pressure > TALL.pressure
          ? [finding(piece, 'tall-form', 'stop', 'choice', { depthMm: body.height, pressureKPa: pressure })]
          : []),
        ...wearFindings(piece, 1),
      ],
    }
    return { built, findings: [] }
  },
}
