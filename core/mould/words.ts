import type { FindingsIn, MethodId, Remedy, Words } from '../job/index.ts'
import { showNumber } from '../units/index.ts'
import { type Misfit, misfitWords } from './misfit.ts'
import { SHAPED_WORDS } from './shapedWords.ts'

/** Sentences for the findings of board boxes, tubes and rubber blocks, and of all moulds, each with the facts it is made of. */
const BOX_WORDS = {
  'panels-missing': (f: { missing: number; panels: number; moulds: number }) => ({
    what: `${f.missing === 1 ? 'One of its panels is' : `${f.missing} of its panels are`} no piece of the job yet`,
    why: `It is glued up of ${f.panels} panels, cast flat in ${f.moulds === 1 ? 'one mould' : `${f.moulds} moulds`}: each has its own mould, steel, mix and day.`,
    remedy: f.missing === 1 ? 'Make it a piece' : `Make ${f.missing} pieces of them`,
  }),
  'panels-differ': (f: { differing: number; panels: number; moulds: number }) => ({
    what: `${f.differing === 1 ? 'A panel is' : `${f.differing} panels are`} no longer as this box wants them`,
    why: 'Size, mitres or number were changed since they were made pieces.',
    remedy: 'Make them fit',
  }),
  'cast-as-panels': (f: { panels: number; moulds: number }) => ({
    what: `Glued up of ${f.panels} panels, cast flat in ${f.moulds === 1 ? 'one mould' : `${f.moulds} moulds`}`,
    why: 'Each is a piece of this job, with its own mould, steel, mix and day.',
  }),
  'board-missing': (f: { row: string; for: string }) => ({
    what: `The board that was chosen for ${f.for} is not in the stock`,
    why: 'Choose another board, or add this one to the job’s stock.',
  }),
  'no-method': (f: { method: string; kind: string } & Misfit) => ({
    what: `A ${f.method} does not form this piece: ${misfitWords(f)}`,
    why: 'Choose another method. Volume, weight, bags and sheets hold all the same.',
    remedies: {
      'board-box': 'Build a board box',
      tube: 'Cast it in a card tube',
      ring: 'Bend a ring round it',
      block: 'Make a rubber block',
      'upper-form': 'Build a board box with an upper form',
      lined: 'Line a board box',
      planks: 'Box it with planks',
      ribs: 'Hang a skin on contour ribs',
      packed: 'Pack a liner round',
      layers: 'Build up a layered block',
      printed: 'Print shells',
      brushed: 'Brush on rubber',
      closed: 'Lay up a closed mould',
      found: 'Cast it in a vessel',
    } satisfies Record<MethodId, string>,
  }),
  'not-in-mould': (f: { count: number; features: string }) => ({
    what: `No part in this mould forms ${f.count === 1 ? f.features : `${f.count} of the features`} yet`,
    why: `What is cast in is fixed by hand, mirrored where the show face is down: ${f.features}.`,
  }),
  'sealant-missing': (_f: { row: string }) => ({
    what: 'The sealant that was chosen is not in the stock',
    why: 'Choose another, or add this one to the job’s stock.',
  }),
  'no-laminate': (
    f: {
      part: string
      nearestMm: number
      wantedMm: number
      boards: number
      cure: string
      slabMm: number
    },
    { mm, fine },
  ) => ({
    what: `${f.part}: the boards to hand make ${fine(f.nearestMm)}, not ${fine(f.wantedMm)}`,
    why:
      f.cure === 'lying'
        ? 'Boards on edge must come to the opening’s width. Add a board of the missing thickness to the stock, or lay them.'
        : 'A knockout lower than the slab fills with concrete; a higher one stops the screed. Add a board of the missing thickness to the stock.',
    remedy:
      f.cure === 'lying'
        ? 'Glue it up from boards lying'
        : f.cure === 'boards'
          ? 'Laminate from every board in stock'
          : f.cure === 'below'
            ? `Let knockouts end ${fine(f.wantedMm - f.nearestMm)} under the fill`
            : `Make the slab ${mm(f.slabMm)} thick`,
  }),
  'pot-life-short': (f: { pourMinutes: number; rubber: string; potMinutes: number; pots: number }) => ({
    what: `Mixing and pouring takes about ${f.pourMinutes} min; ${f.rubber} is pourable for ${showNumber(f.potMinutes, 0)}`,
    why: `It thickens in the pot before the box is full. Mix ${f.pots} pots one after the other and pour each onto the last while it is wet, or take a slower rubber; heat makes it quicker.`,
  }),
  'rubber-must-stretch': (f: { percent: number; mostPercent: number }, _, remedies: readonly Remedy[]) => ({
    what: `The rubber must stretch by ${f.percent}% to come off over the cast`,
    why: `Stretched by more than about ${f.mostPercent}% over a stiff cast it tears at its corners. In two halves it parts where the cast is widest.`,
    remedies: Object.fromEntries(
      remedies.map((r) => [
        r.code,
        r.code === 'softer' ? `Use ${r.facts.rubber}` : 'Pour a block in two halves',
      ]),
    ),
  }),
  'no-bought-knockout': (
    f: { opening: string; nearest: string; draftDeg: number; deepMm: number },
    { mm },
  ) => ({
    what: `No plug in stock is the size of ${f.opening}`,
    why: f.nearest
      ? `A bought plug makes its own size, and its draft of ${f.draftDeg} degrees: the opening follows it. Boards stand in for it here. The nearest: ${f.nearest}.`
      : `None is round or rectangular and at least ${mm(f.deepMm)} high. Boards stand in for it here.`,
    remedy: `Make the opening as ${f.nearest}`,
  }),
  'buying-beats-making': (
    f: { plug: string; opening: string; casts: number; price: number; hours: number },
    { money },
  ) => ({
    what: `${f.plug} in stock makes ${f.opening} as it is`,
    why: `It lasts ${f.casts} casts${f.price > 0 ? ` for ${money(f.price)}` : ''} and saves about ${f.hours} h of gluing, trimming and sealing a knockout of boards.`,
    remedy: 'Use the bought plug',
  }),
  'former-over-bed': (
    f: { part: string; lengthMm: number; widthMm: number; bedXMm: number; bedYMm: number },
    { mm },
  ) => ({
    what: `${f.part} is ${mm(f.lengthMm)} × ${mm(f.widthMm)}; the bed ${mm(f.bedXMm)} × ${mm(f.bedYMm)}`,
    why: 'So many pieces glued up are no straight former: shape it from board or foam.',
    remedy: 'Shape the formers by hand',
  }),
  'former-in-pieces': (
    f: { part: string; pieces: number; lengthMm: number; widthMm: number; bedXMm: number; bedYMm: number },
    { mm },
  ) => ({
    what: `${f.part} is printed in ${f.pieces} pieces; it is ${mm(f.lengthMm)} × ${mm(f.widthMm)}, the bed ${mm(f.bedXMm)} × ${mm(f.bedYMm)}`,
    why: 'Glue them on a flat board, fill and sand each joint where it meets the concrete: it prints.',
    remedy: 'Shape the formers by hand',
  }),
  'knockout-many-layers': (f: { part: string; layers: number; instead: string }) => ({
    what: `${f.part} would be glued up from ${f.layers} boards`,
    why: 'Each joint is a line in the concrete and an hour of clamps. A tube, foam or a bought plug makes a tall hole.',
    remedy: `Make it of ${f.instead}`,
  }),
  'no-tube-knockout': (
    f: { diameterMm: number; opening: string; mostWrapMm: number; nearestMm: number },
    { mm },
  ) => ({
    what:
      f.diameterMm > 0
        ? `No card tube in stock for ${f.opening}, ${mm(f.diameterMm)} across`
        : `${f.opening} is not round and straight: no tube forms it`,
    why: `A tube is smaller than its opening by a wrap of at most ${mm(f.mostWrapMm)} each side${f.nearestMm > 0 ? `; the nearest is ${mm(f.nearestMm)} outside` : ''}. Boards stand in for it here.`,
    remedy: 'Laminate it from boards',
  }),
  'core-tube-none': (
    f: { diameterMm: number; nearest: string; nearestMm: number; mostWrapMm: number },
    { mm },
  ) => ({
    what: `No tube in stock is as wide as the hollow, ${mm(f.diameterMm)}`,
    why: f.nearest
      ? `A core is a tube wrapped up to its hollow by at most ${mm(f.mostWrapMm)} each side. The nearest: ${f.nearest}, ${mm(f.nearestMm)} outside. It is ordered to size, or the hollow made as wide as that.`
      : 'A core is a tube wrapped up to its hollow. It is ordered to size.',
    remedy: `Make the hollow ${mm(f.nearestMm)} wide`,
  }),
  'wrap-fills-opening': (f: { wrapMm: number; opening: string }, { mm }) => ({
    what: `A wrap of ${mm(f.wrapMm)} leaves nothing of the ${f.opening} knockout`,
    why: 'The knockout is the opening less a wrap on each side.',
    remedy: 'Leave the wrap off',
  }),
  'table-not-level': (
    f: { fallMm: number; twistMm: number; extraKg: number; mostMm: number },
    { fine, kg },
  ) => ({
    what: `The table falls ${fine(f.fallMm)} under the mould${f.twistMm > 1 ? ` and is twisted ${fine(f.twistMm)}` : ''}`,
    why: `A fill that finds its own level is that much deeper at the low corner, ${kg(f.extraKg, 1)} more; a stiff one keeps its depth and runs off its line. Shim as listed, up to ${fine(f.mostMm)}.`,
  }),
  'rubber-missing': (_f: { row: string }) => ({
    what: 'The rubber that was chosen is not in the stock',
    why: 'Choose another, or add this one to the job’s stock.',
    remedy: 'Take the first rubber in stock',
  }),
  'rubber-wall-thin': (f: { wallMm: number; wantedMm: number; rubber: string; shore: number }, { mm }) => ({
    what: `${mm(f.wallMm)} of rubber round the pattern; ${mm(f.wantedMm)} is wanted`,
    why: `${f.rubber}, Shore A ${f.shore}: a thinner wall sags under the fill and tears when the cast is pulled.`,
    remedy: `Make the wall ${mm(f.wantedMm)}`,
  }),
  'rubber-heavy': (f: { litres: number; kg: number }, { liquid, kg }) => ({
    what: `The block takes ${liquid(f.litres, 1)} of rubber, ${kg(f.kg)}`,
    why: 'A brushed skin in a rigid jacket does the same with a fraction of it.',
  }),
  'tube-missing': (_f: { row: string }) => ({
    what: 'The tube that was chosen is not in the stock',
    why: 'Choose another, or add this one to the job’s stock.',
    remedy: 'Take the tube that fits',
  }),
  'tube-differs': (
    f: { tube: string; insideMm: number; diameterMm: number; fitting: string; nearestMm: number },
    { mm },
  ) => ({
    what: `${f.tube} casts ${mm(f.insideMm)}, not ${mm(f.diameterMm)}`,
    why: f.fitting
      ? `${f.fitting} fits.`
      : 'Tubes come in fixed bores: no tube in stock casts this diameter.',
    remedy: f.fitting ? `Take ${f.fitting}` : `Make the piece ${mm(f.nearestMm)} across, as the nearest tube`,
  }),
  'tube-short': (f: { lengthMm: number; heightMm: number }, { mm }) => ({
    what: `The tube is ${mm(f.lengthMm)} long, the piece ${mm(f.heightMm)} high`,
    why: 'A joint in a card tube leaks and shows. Cast it in two lengths, or order a longer tube.',
  }),
  'ring-edges': () => ({
    what: 'The ring leaves square edges but for a bead at its foot',
    why: 'Sealant run in the foot rounds the lower edge; another shape is eased with a stone, and the open top with an edging tool, while it is green.',
  }),
  'tube-edges': () => ({
    what: 'A plain tube leaves square edges at both ends',
    why: 'Run a bead of sealant round the foot inside for a rounded one; tool the open end by hand.',
  }),
  'skin-missing': (_f: { row: string }) => ({
    what: 'The sheet that was chosen to bend round the curved sides is not in the stock',
    why: 'Choose another, or add this one to the job’s stock.',
    remedy: 'Take the first sheet in stock',
  }),
  'bend-too-tight': (
    f: {
      part: string
      skin: string
      leastMm: number
      radiusMm: number
      wettedMm: number
      kerfDepthMm: number
      kerfSpacingMm: number
      other: string
      instead: string
    },
    { mm, fine },
  ) => ({
    what: `${f.part}: ${f.skin} bends to ${mm(f.leastMm)}, not ${mm(f.radiusMm)}`,
    why: `It cracks or kinks below that. ${f.wettedMm > 0 ? `After a night in water it goes to ${mm(f.wettedMm)}. ` : ''}${f.kerfDepthMm > 0 ? `Or kerf its back ${fine(f.kerfDepthMm)} deep every ${fine(f.kerfSpacingMm)}, or laminate thinner plies. ` : ''}${f.other ? `${f.other} goes round it.` : 'No sheet in stock goes round it.'}`,
    remedy: f.other
      ? `Bend ${f.other}`
      : f.instead === 'block'
        ? 'Make the rounded corner of a block'
        : 'Rout it from layers instead',
  }),
  'separator-no-sheet': (f: { gapMm: number; sheet: string; sheetMm: number }, { mm, fine }) => ({
    what: `No sheet in stock is ${fine(f.gapMm)} thick for the separator`,
    why: `It keeps two blocks apart and goes with neither. ${f.sheet ? `The nearest is ${f.sheet}, ${mm(f.sheetMm)}.` : 'Add the sheet it is cut from to the stock.'}`,
    remedy: `Part the blocks by ${mm(f.sheetMm)}`,
  }),
  'bevel-too-steep': (f: { strip: string; bevelDeg: number; sawDeg: number }) => ({
    what: `The ${f.strip} side board wants a bevel of ${showNumber(f.bevelDeg, 0)} degrees; a saw tilts to ${f.sawDeg}`,
    why: 'Cut it with the board on a jig that leans it the other way, plane it, or ease the corner of the piece.',
  }),
  'strip-too-short': (f: { strip: string; thicknessMm: number }, { mm }) => ({
    what: `Nothing is left of the ${f.strip} side board beside boards ${mm(f.thicknessMm)} thick`,
    why: 'Its side of the piece is shorter than the board that passes behind it. Use a thinner board, or fill the notch with a block.',
  }),
  'raw-end-in-concrete': (f: { strip: string; wideMm: number }, { mm }) => ({
    what: `The ${f.strip} side board ends in the concrete: a raw end ${mm(f.wideMm)} wide`,
    why: 'Particle board swells there and marks the cast. Mitre the inside corner, or edge or tape that end before it is fixed; swapping which side board runs through only gives the raw end to the other one.',
    remedy: 'Mitre inside corners',
  }),
  'side-bows': (
    f: {
      side: string
      bowMm: number
      sides: number
      limitMm: number
      alongMm: number
      aboveBaseMm: number
      braceSpacingMm: number
      rows: number
      board: string
    },
    { mm, fine },
  ) => ({
    what: `The ${f.side} side bows ${fine(f.bowMm)} under the fill${f.sides > 1 ? `, and ${f.sides - 1} more bow too much` : ''}`,
    why: `At most ${fine(f.limitMm)} is wanted; it is largest ${mm(f.alongMm)} along it and ${mm(f.aboveBaseMm)} above the base. ${f.rows === 0 ? 'No board in stock and no row of braces cures it: pour it in lifts that stiffen first, or have the form designed by someone qualified.' : f.board ? `Braces alone do not cure it: it wants a stiffer board, ${f.board}, ${f.rows === 2 ? 'held at the top and at mid height' : 'its top held'}.` : f.rows === 2 ? 'Braces along the top alone do not cure it: each holds a rail along the side at mid height too.' : 'Hold the tops with braces or ties across.'}`,
    remedy: `${f.board ? `Sides of ${f.board}, braced` : 'Brace'} ${f.rows === 2 ? 'at top and mid height' : f.board ? 'at the top' : 'the tops'} every ${mm(f.braceSpacingMm)}`,
  }),
  'strips-meet': (f: { strip: string; other: string; thicknessMm: number }, { mm }) => ({
    what: `The ${f.strip} and ${f.other} side boards stand in each other’s place`,
    why: `The notch between them is narrower than two boards of ${mm(f.thicknessMm)}. Use a thinner board for the sides, or fill the notch with one block.`,
  }),
  'larger-than-sheet': (
    f: { parts: string; board: string; sheetLengthMm: number; sheetWidthMm: number },
    { mm },
  ) => ({
    what: `${f.parts} larger than a sheet of ${f.board}, ${mm(f.sheetLengthMm)} x ${mm(f.sheetWidthMm)}`,
    why: 'A joint in a mould face shows in the cast. Choose a larger board, allow parts to be turned, cast in two pieces, or join it: tape or fill the joint, and plan where it shows.',
    remedy: 'Join it from pieces with a splice behind',
  }),
  'tall-form': (f: { depthMm: number; pressureKPa: number }, { mm, kpa }) => ({
    what: `${mm(f.depthMm)} deep: ${kpa(f.pressureKPa)} at the foot`,
    why: 'Wet concrete pushes as a full liquid. Have the form and its ties designed by someone qualified.',
  }),
  'hold-the-top': (f: { depthMm: number; pressureKPa: number; by: 'screws' | 'glue' }, { mm }) => ({
    what: `${mm(f.depthMm)} deep: the ${f.by} along the base cannot hold the sides alone`,
    why:
      f.by === 'screws'
        ? 'The push at the foot pries them out of the board’s edge. Hold the top with a brace, tie or strap, or use plywood.'
        : 'The push at the foot opens the joint and tears the board’s edge. Hold the top with a brace, tie or strap.',
    remedy: 'Brace the tops',
  }),
  'fixing-holds-little': (
    f: { fixing: string; depthMm: number; deepestMm: number; instead: 'screws' | 'angled' },
    { mm },
  ) => ({
    what: `${f.fixing === 'tape' ? 'Tape' : 'Hot glue'} alone on sides ${mm(f.depthMm)} deep`,
    why: `It counts for nothing against the push of wet concrete; on forms up to ${mm(f.deepestMm)} deep it keeps the boards together.`,
    remedy: f.instead === 'screws' ? 'Screw the sides' : 'Screw the sides at an angle',
  }),
  'edge-splits': (f: { board: string; thicknessMm: number; leastMm: number }, { mm }) => ({
    what: `Screws into the edge of ${f.board} split it`,
    why: `An edge of ${mm(f.thicknessMm)} takes no screw along its middle; from ${mm(f.leastMm)} on it does. Angled screws, or brads with adhesive, hold it.`,
    remedy: 'Screw at an angle',
  }),
  'tooled-arris': (f: { face: string; sides: string }) => ({
    what: `The ${f.face} lies open in the pour: its edges at ${f.sides} are tooled by hand`,
    why: 'No bead in the mould forms an open edge. Run an edging tool along it when the sheen is gone.',
  }),
  'mould-wears-out': (f: { casts: number; lasts: number }) => ({
    what: `${f.casts} casts a mould; its faces last about ${f.lasts}`,
    why: 'Faces wear by waxing and prying. Plan a second mould or a harder board.',
  }),
} satisfies Words

/** Sentences for the findings of this station. */
export const MOULD_WORDS = { ...BOX_WORDS, ...SHAPED_WORDS }

/** What this station finds: each code with its facts. */
export type MouldFindings = FindingsIn<typeof MOULD_WORDS>
