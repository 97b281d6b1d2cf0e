import type { Explanation, NoFacts, Words } from '../job/index.ts'
import { showNumber } from '../units/index.ts'

const missing = (what: string): Explanation => ({
  what: `The ${what} that was chosen is not in the stock`,
  why: 'Choose another, or add this one to the job’s stock.',
  remedy: `Take the first ${what} in stock`,
})

/** Sentences for the findings of moulds that are shaped: layered, printed, laid up, ribbed, packed, lined. */
export const SHAPED_WORDS = {
  'core-missing': (_f: { row: string }) => ({
    what: 'The basin core that was chosen is not in the stock',
    why: 'Choose another, or add this one to the job’s stock.',
    remedy: 'Make the core',
  }),
  'core-differs': (
    f: { core: string; lengthMm: number; widthMm: number; depthMm: number; draftDeg: number },
    { mm },
  ) => ({
    what: `${f.core} makes another basin than this one`,
    why: `A bought core makes its own size: ${mm(f.lengthMm)} × ${mm(f.widthMm)}, ${mm(f.depthMm)} deep, walls at ${f.draftDeg} degrees. The basin follows it, or its core is made.`,
    remedy: 'Make the basin as the core is',
  }),
  'buying-beats-core': (f: { core: string; casts: number; price: number; hours: number }, { money }) => ({
    what: `${f.core} in stock makes this basin as it is`,
    why: `It lasts ${f.casts} casts${f.price > 0 ? ` for ${money(f.price)}` : ''} and saves about ${f.hours} h of building, filling and coating a core.`,
    remedy: 'Use the bought core',
  }),
  'planks-many': (f: { most: number }) => ({
    what: `More than ${f.most} flat faces: no saw makes them`,
    why: 'What is round in so many flats is bent from a sheet, shaped in layers, or printed.',
    remedy: 'Build up a layered block',
  }),
  'no-open-top': (_f: { face?: string }) => ({
    what: 'Nothing level lies at the top of the pour: boards close it all round',
    why: 'Concrete goes in, and is struck off, at a level face. Lay it on the face against one.',
    remedy: `Pour it with its ${_f.face} down`,
  }),
  'planks-meet': (f: { board: string; other: string; thicknessMm: number; instead: string }, { mm }) => ({
    what:
      f.other === ''
        ? `The ${f.board} has no room: the hollow is narrower than its boards of ${mm(f.thicknessMm)}`
        : `The ${f.board} and the ${f.other} would stand in one place, ${mm(f.thicknessMm)} thick each`,
    why: 'Between two faces that stand so near there is no room for two boards: thinner ones, or a solid block shaped to fill it.',
    remedy: f.instead === '' ? 'Build up a layered block' : `Box it with ${f.instead}`,
  }),
  'core-shut-in': (f: { core: string }) => ({
    what: `The ${f.core} cannot leave: its hollow opens neither upward nor downward in the pour`,
    why: 'What is shut in stays in. Foam that is dug out through an opening, or another way of laying it in the pour, may do.',
    remedy: 'Build up a layered block',
  }),
  'core-locks': (f: { core: string; draftDeg: number; wantedDeg: number; deepMm: number }, { mm }) => ({
    what: `The ${f.core} has ${f.draftDeg} degrees of draft over ${mm(f.deepMm)}: concrete shrinks onto it and locks it`,
    why: `A rigid core of that depth wants ${f.wantedDeg} degrees. One wall in three pieces, the middle one a wedge that is drawn first, lets the rest fold in.`,
    remedy: 'Part one wall by a wedge',
  }),
  'planks-bow': (
    f: {
      board: string
      bowMm: number
      limitMm: number
      boards: number
      spacingMm: number
      instead: string
    },
    { mm, fine },
  ) => ({
    what: `The ${f.board} bows ${fine(f.bowMm)} under the fill${f.boards > 1 ? `, and ${f.boards - 1} more too far` : ''}`,
    why: `${fine(f.limitMm)} is the limit. ${
      f.spacingMm > 0 && f.instead !== ''
        ? 'A stiffer board, and battens on edge where there is room behind it, carry it.'
        : f.spacingMm > 0
          ? 'Battens on edge behind it carry it from its foot to its top.'
          : f.instead !== ''
            ? 'A stiffer board carries it.'
            : 'No board in stock is stiff enough, with battens or without: walers and ties are designed by someone qualified.'
    }`,
    remedy:
      f.spacingMm > 0 && f.instead !== ''
        ? `Use ${f.instead}, battens every ${mm(f.spacingMm)}`
        : f.spacingMm > 0
          ? `Battens every ${mm(f.spacingMm)}`
          : `Use ${f.instead}`,
  }),
  'planks-lift': (
    f: { board: string; boards: number; liftN: number; holdN: number; covers: number },
    { newtons },
  ) => ({
    what: `The fill lifts ${f.boards === 1 ? `the ${f.board}` : `${f.boards} boards that lean over it`} by ${newtons(f.liftN)}`,
    why: `Screw them to what stands, and strap or weigh the form down by ${newtons(f.holdN)}. ${f.covers > 0 ? 'Under a level board air is caught: drill it for air along its highest edge, and fill from one side.' : 'Work air out along each with a thin rod.'}`,
  }),
  'top-edge-tooled': (f: { down: string }) => ({
    what: `The edge of the ${f.down} lies open in the pour: it is tooled by hand`,
    why: 'No board shapes it. Run an edging tool round it while the mould’s edge guides it.',
  }),
  'layers-missing': (_f: { row: string }) => missing('sheet'),
  'printer-missing': (_f: { row: string }) => missing('printer'),
  'filament-missing': (_f: { row: string }) => missing('filament'),
  'jacket-missing': (_f: { row: string }) => missing('shell material'),
  'rubber-undercut': (
    f: { undercutMm: number; takesMm: number; shore: number; softest: string },
    { fine },
  ) => ({
    what: `The cast stands ${fine(f.undercutMm)} out over the rubber that must pass it as the halves part`,
    why: `Rubber of Shore A ${f.shore} with this wall gives ${fine(f.takesMm)} before it tears. ${f.softest === '' ? 'A thicker wall, another attitude, or brushed rubber in a jacket of more pieces takes more.' : 'A softer rubber or a thicker wall takes more.'}`,
    remedy: `Use ${f.softest}`,
    remedies: { 'along-a-curve': 'Part it along where it is widest' },
  }),
  'pull-locks': (f: { leanDeg: number; lockedCm2: number }, { of }) => ({
    what: `Drawn apart ${f.leanDeg < 1 ? 'up and down' : f.leanDeg > 89 ? 'level, as chosen' : `${f.leanDeg}° off upright, as chosen`}, two halves hold ${of('patch', f.lockedCm2, 0)} of the cast`,
    why: 'What lies under something else along the way of its half cannot leave by it.',
    remedy: 'Have the way found',
  }),
  'no-curved-joint': (_f: NoFacts) => ({
    what: 'No curve parts these shells in two: they are parted straight',
    why: 'One shell would take all of it, or it locks whichever way two halves are drawn.',
    remedy: 'Part them straight',
  }),
  'coats-thick': (f: { coatMm: number; mostMm: number; coats: number }, { fine }) => ({
    what: `Coats of ${fine(f.coatMm)} each run down steep faces`,
    why: `Up to ${fine(f.mostMm)} stays where it is brushed, thickened.`,
    remedy: `Brush ${f.coats} coats`,
  }),
  'undercut-locks': (f: { awayMm: number; heightMm: number; instead?: string }, { mm, fine }) => ({
    what: `A rigid part of this mould cannot leave the cast: it locks ${f.awayMm > 0 ? `${fine(f.awayMm)} out from its joint` : `${mm(f.heightMm)} up`}`,
    why: 'Further out the cast is wider than nearer the joint. More shells, another attitude, or rubber lets it go.',
    remedy:
      f.instead === 'rubber'
        ? 'Brush it in rubber instead'
        : f.instead === 'layers'
          ? 'Rout it from foam layers, broken off the cast'
          : f.instead === 'curve'
            ? 'Part it in two along where it is widest all round'
            : 'Part it into another number of shells',
  }),
  'seam-on-flat-face': (f: { bedXMm: number; bedYMm: number }, { mm }) => ({
    what: `A seam runs across the flat face: its floor is larger than the bed, ${mm(f.bedXMm)} × ${mm(f.bedYMm)}`,
    why: 'A floor printed in one keeps seams at the arris. Fill and sand the seam before waxing, or cast on a sheet of board instead of a printed floor.',
  }),
  'undercut-breaks': (f: { heightMm: number }, { mm }) => ({
    what: `The cast is wider ${mm(f.heightMm)} up than above: foam comes off in pieces, once`,
    why: 'A rigid block does not draw over it. Count one cast, or turn the piece over.',
  }),
  'core-floats': (f: { cores: number }) => ({
    what: f.cores === 1 ? 'A core stands loose in the block' : `${f.cores} cores stand loose in the block`,
    why: 'Nothing under it joins it to the floor. Hang it from a bridge across the top, held down against its lift; or turn the piece over, so that the core stands.',
  }),
  'print-wall-thin': (f: { wallMm: number; nozzleMm: number }, { fine }) => ({
    what: `A wall of ${fine(f.wallMm)} from a ${f.nozzleMm} mm nozzle`,
    why: 'A wall prints sound from two beads of plastic on, and stays tight from four.',
    remedy: 'Print four beads',
  }),
  'print-on-supports': (f: { parts: number }) => ({
    what: `${f.parts === 1 ? 'A printed part has' : `${f.parts} printed parts have`} no face to rest on the bed by`,
    why: 'Turn supports on for it and sand where they stood: keep them off the face that meets the concrete. A taller bed, or other shells, may give it a seam to lie on.',
  }),
  'print-over-bed': (
    f: {
      parts: number
      lengthMm: number
      widthMm: number
      heightMm: number
      bedXMm: number
      bedYMm: number
      bedZMm: number
    },
    { mm },
  ) => ({
    what: `${f.parts > 1 ? `${f.parts} printed parts do` : 'A printed part does'} not fit the bed`,
    why: `One is ${mm(f.lengthMm)} × ${mm(f.widthMm)} × ${mm(f.heightMm)} as it lies; the bed takes ${mm(f.bedXMm)} × ${mm(f.bedYMm)} × ${mm(f.bedZMm)} with room for a brim.`,
    remedy: 'Print on a larger bed',
  }),
  'bed-too-small': (f: { parts: number; bedMm: number; flangeMm: number }, { mm }) => ({
    what: `${f.parts} ${f.parts === 1 ? 'part' : 'parts'} on a bed of ${mm(f.bedMm)}`,
    why: `Flanges of ${mm(f.flangeMm)} leave little of each part for the cast. A larger bed, narrower flanges or another method serves better.`,
    remedy: 'Take a larger printer from the stock',
  }),
  'shell-bursts': (f: { stressMPa: number; allowedMPa: number; wallMm: number }, { mpa }) => ({
    what: `The fill pulls ${mpa(f.stressMPa, 1)} in the printed wall; ${mpa(f.allowedMPa, 1)} is kept to`,
    why: 'Layers part under long pull. A thicker wall bears it; sand packed round the shell bears it better.',
    remedy: 'Make the wall as thick as it asks',
  }),
  'no-fill-opening': (f: { openMm2: number }, { of }) => ({
    what: 'This mould closes over the top: there is nothing to fill it by',
    why: `${of('patch', f.openMm2 / 100, 1)} are left open. Turn the piece onto another face, or take a closed mould with a filling hole and vents.`,
    remedy: 'Take a closed mould of two shells',
  }),
  'flat-top-open': () => ({
    what: 'This piece has a flat top: it can be filled open',
    why: 'A closed mould traps air under a level roof. An open one is easier to fill and to strike off.',
  }),
  'ribs-too-wide': (f: { spacingMm: number; skin: string; wantedMm: number }, { mm, fine }) => ({
    what: `Ribs ${mm(f.spacingMm)} apart; ${f.skin} spans ${mm(f.wantedMm)} at the foot`,
    why: `Between ribs that far apart the skin bows more than ${fine(1)} under the fill, and the face waves.`,
    remedy: 'Space the ribs by the skin’s stiffness',
  }),
  'packing-narrow': (f: { roomMm: number; wantedMm: number }, { mm }) => ({
    what: `${mm(f.roomMm)} between liner and box; a rammer wants ${mm(f.wantedMm)}`,
    why: 'Fill that is not rammed gives way, and the liner bulges.',
    remedy: `Make it ${mm(f.wantedMm)}`,
  }),
  'liner-thin': (f: { thicknessMm: number; wantedMm: number }, { mm, fine }) => ({
    what: `A liner of ${fine(f.thicknessMm)}; less than ${mm(f.wantedMm)} has no back to its texture`,
    why: 'Its hollows show through and the panel prints the backing.',
    remedy: 'Take a 6 mm liner',
  }),
  'upper-slumps': (f: { riseMm: number; slabMm: number }, { mm }) => ({
    what: `The upper form stands ${mm(f.riseMm)} over a slab of ${mm(f.slabMm)}`,
    why: 'What stands that high pushes the soft slab out from under the ring. Wait for a thumbprint to hold, fill in two lifts, and weigh down the slab’s open back with boards.',
  }),
  'vessel-missing': (_f: { row: string }) => missing('vessel'),
  'vessel-short': (f: { heightMm: number; vesselMm: number }, { mm }) => ({
    what: `The piece is ${mm(f.heightMm)} high; the vessel is filled to ${mm(f.vesselMm)} at most`,
    why: 'Nothing holds what stands above its rim. Another vessel, or a lower piece.',
    remedy: 'Take the vessel’s shape up to its rim',
  }),
  'liner-missing': (_f: { row: string }) => ({
    what: 'The liner that was chosen is not in stock',
    why: 'Its true thickness sets the depth of the box.',
    remedy: 'Take the first liner in stock, or one of own making',
  }),
  'liner-pieced': (f: { sheets: number; liner: string; lengthMm: number; widthMm: number }, { mm }) => ({
    what: `${f.sheets} sheets of ${f.liner} cover the face`,
    why: `One is ${mm(f.lengthMm)} × ${mm(f.widthMm)}. Their joint prints: lay it in a groove of the texture, close it with a hair of sealant, and draw where it falls.`,
  }),
  'vessel-fits': (
    f: {
      vessel: string
      stands: 'upright' | 'joined' | 'upside-down'
      differsMm: number
      price: number
      hours: number
    },
    { fine, money },
  ) => ({
    what:
      f.stands === 'joined'
        ? `Two of ${f.vessel} in stock, rim to rim, cast this piece as it is`
        : f.stands === 'upside-down'
          ? `${f.vessel} in stock, rim down with its floor cut out, casts this piece as it is`
          : `${f.vessel} in stock casts this piece as it is`,
    why: `Within ${fine(f.differsMm)} across, all the way up${f.price > 0 ? `, for ${money(f.price)}` : ''}, and nothing to build: about ${f.hours} h saved.`,
    remedy: `Cast it in the ${f.vessel}`,
  }),
  'vessel-differs': (f: { heightMm: number; differsMm: number; vessel: string }, { mm, fine }) => ({
    what: `${mm(f.heightMm)} up the piece is ${fine(f.differsMm)} off the inside of ${f.vessel}`,
    why: 'A vessel casts its own shape, not the one that was drawn.',
    remedy: 'Take the vessel’s shape',
  }),
  'vessel-locks': (f: { vessel: string; heightMm: number }, { mm }) => ({
    what: `${f.vessel} narrows above ${mm(f.heightMm)}: the cast does not slide out`,
    why: 'Slit from rim to floor it comes off once, and each cast takes another.',
    remedy: 'Cut it off each cast',
  }),
  'bag-folds': (_f: NoFacts) => ({
    what: 'Each fold of the bag prints as a crease',
    why: 'Nothing sticks and the vessel lasts, but the face is creased and waxy: press the bag out with the first handfuls, its folds laid one way, or leave it out where the face is looked at.',
  }),
  'vessel-sticks': (f: { draftDeg: number; wantedDeg: number }) => ({
    what: `Its wall leans ${showNumber(f.draftDeg, 1)}°; ${f.wantedDeg}° slides out`,
    why: 'A steeper wall grips. A hole in the floor for air, a flexed rim and wax let it go.',
  }),
  'vessel-lip': (f: { vessel: string }) => ({
    what: `The rim of ${f.vessel} turns inward`,
    why: 'Cut it off before it is filled, or stop the fill below it.',
  }),
  'vessel-soft': (f: { growthMm: number }, { fine }) => ({
    what: `The wall grows ${fine(f.growthMm)} when it is full`,
    why: 'A soft wall bulges and goes out of round. Stand it in sand, or in a stiffer one of its size.',
  }),
  'vessel-measure-differs': (
    f: {
      weighedKg: number
      fill: string
      weighedLitres: number
      saysLitres: number
    },
    { kg, liquid },
  ) => ({
    what: `It held ${kg(f.weighedKg, 1)} of ${f.fill}, ${liquid(f.weighedLitres)}; its diameters say ${liquid(f.saysLitres)}`,
    why: 'One of them was read wrong: rice weighs about 0.8 of what water does, dry sand 1.6 times as much. Measure the diameters again inside, at the floor and at the fill.',
    remedy: 'Leave the weighing out',
  }),
} satisfies Words
