import type { Explanation, Finding, WordsStyle } from '../job/index.ts'

/** Sentences for the findings of moulds that are shaped: layered, printed, laid up, ribbed, packed, lined. */
export function explainShaped({ code, facts: f }: Finding, { mm, fine }: WordsStyle): Explanation | null {
  const missing = (what: string): Explanation => ({
    what: `No ${what} ${f.row} in the stock`,
    why: 'Choose another, or add this one to the job’s stock.',
    remedy: `Take the first ${what} in stock`,
  })
  switch (code) {
    case 'layers-missing':
      return missing('sheet')
    case 'printer-missing':
      return missing('printer')
    case 'filament-missing':
      return missing('filament')
    case 'jacket-missing':
      return missing('shell material')
    case 'undercut-locks':
      return {
        what: `A rigid part of this mould cannot leave the cast: it locks ${Number(f.awayMm) > 0 ? `${mm(f.awayMm)} out from its joint` : `${mm(f.heightMm)} up`}`,
        why: 'Further out the cast is wider than nearer the joint. More shells, another attitude, or rubber lets it go.',
        remedy: f.instead ? 'Brush it in rubber instead' : 'Part it into another number of shells',
      }
    case 'seam-on-flat-face':
      return {
        what: `A seam runs across the flat face: its floor is larger than the bed, ${mm(f.bedXMm)} × ${mm(f.bedYMm)}`,
        why: 'A floor printed in one keeps seams at the arris. Fill and sand the seam before waxing, or cast on a sheet of board instead of a printed floor.',
      }
    case 'undercut-breaks':
      return {
        what: `The cast is wider ${mm(f.heightMm)} up than above: foam comes off in pieces, once`,
        why: 'A rigid block does not draw over it. Count one cast, or turn the piece over.',
      }
    case 'core-floats':
      return {
        what:
          f.cores === 1 ? 'A core stands loose in the block' : `${f.cores} cores stand loose in the block`,
        why: 'Nothing under it joins it to the floor. Hang it from a bridge across the top, held down against its lift; or turn the piece over, so that the core stands.',
      }
    case 'print-wall-thin':
      return {
        what: `A wall of ${fine(f.wallMm)} from a ${f.nozzleMm} mm nozzle`,
        why: 'A wall prints sound from two beads of plastic on, and stays tight from four.',
        remedy: 'Print four beads',
      }
    case 'bed-too-small':
      return {
        what: `${f.parts} ${f.parts === 1 ? 'part' : 'parts'} on a bed of ${mm(f.bedMm)}`,
        why: `Flanges of ${mm(f.flangeMm)} leave little of each part for the cast. A larger bed, narrower flanges or another method serves better.`,
        remedy: 'Take a larger printer from the stock',
      }
    case 'shell-bursts':
      return {
        what: `The fill pulls ${Number(f.stressMPa).toFixed(1)} MPa in the printed wall; ${f.allowedMPa} is kept to`,
        why: 'Layers part under long pull. A thicker wall bears it; sand packed round the shell bears it better.',
        remedy: 'Make the wall as thick as it asks',
      }
    case 'no-fill-opening':
      return {
        what: 'This mould closes over the top: there is nothing to fill it by',
        why: `${f.openMm2} mm² are left open. Turn the piece onto another face, or take a closed mould with a filling hole and vents.`,
        remedy: 'Take a closed mould of two shells',
      }
    case 'flat-top-open':
      return {
        what: 'This piece has a flat top: it can be filled open',
        why: 'A closed mould traps air under a level roof. An open one is easier to fill and to strike off.',
      }
    case 'ribs-too-wide':
      return {
        what: `Ribs ${mm(f.spacingMm)} apart; ${f.skin} spans ${mm(f.wantedMm)} at the foot`,
        why: 'Between ribs that far apart the skin bows more than 1 mm under the fill, and the face waves.',
        remedy: 'Space the ribs by the skin’s stiffness',
      }
    case 'packing-narrow':
      return {
        what: `${mm(f.roomMm)} between liner and box; a rammer wants ${mm(f.wantedMm)}`,
        why: 'Fill that is not rammed gives way, and the liner bulges.',
        remedy: `Make it ${mm(f.wantedMm)}`,
      }
    case 'liner-thin':
      return {
        what: `A liner of ${fine(f.thicknessMm)}; less than ${mm(f.wantedMm)} has no back to its texture`,
        why: 'Its hollows show through and the panel prints the backing.',
        remedy: 'Take a 6 mm liner',
      }
    case 'upper-slumps':
      return {
        what: `The upper form stands ${mm(f.riseMm)} over a slab of ${mm(f.slabMm)}`,
        why: 'What stands that high pushes the soft slab out from under the ring. Wait for a thumbprint to hold, fill in two lifts, and weigh down the slab’s open back with boards.',
      }
    case 'vessel-missing':
      return missing('vessel')
    case 'vessel-short':
      return {
        what: `The piece is ${mm(f.heightMm)} high; the vessel is filled to ${mm(f.vesselMm)} at most`,
        why: 'Nothing holds what stands above its rim. Another vessel, or a lower piece.',
        remedy: 'Take the vessel’s shape up to its rim',
      }
    case 'liner-missing':
      return {
        what: 'The liner that was chosen is not in stock',
        why: 'Its true thickness sets the depth of the box.',
        remedy: 'Take the first liner in stock, or one of own making',
      }
    case 'liner-pieced':
      return {
        what: `${f.sheets} sheets of ${f.liner} cover the face`,
        why: `One is ${mm(f.lengthMm)} × ${mm(f.widthMm)}. Their joint prints: lay it in a groove of the texture, close it with a hair of sealant, and draw where it falls.`,
      }
    case 'vessel-fits':
      return {
        what: `${f.vessel} in stock casts this piece as it is`,
        why: `Within ${fine(f.differsMm)} across, all the way up${Number(f.price) > 0 ? `, for ${f.price}` : ''}, and nothing to build: about ${f.hours} h saved.`,
        remedy: `Cast it in the ${f.vessel}`,
      }
    case 'vessel-differs':
      return {
        what: `${mm(f.heightMm)} up the piece is ${fine(f.differsMm)} off the inside of ${f.vessel}`,
        why: 'A vessel casts its own shape, not the one that was drawn.',
        remedy: 'Take the vessel’s shape',
      }
    case 'vessel-locks':
      return {
        what: `${f.vessel} narrows above ${mm(f.heightMm)}: the cast does not slide out`,
        why: 'Count it as cut off the cast, one cast each, slit from rim to floor.',
      }
    case 'vessel-sticks':
      return {
        what: `Its wall leans ${Number(f.draftDeg).toFixed(1)}°; ${f.wantedDeg}° slides out`,
        why: 'A steeper wall grips. A hole in the floor for air, a flexed rim and wax let it go.',
      }
    case 'vessel-lip':
      return {
        what: `The rim of ${f.vessel} turns inward`,
        why: 'Cut it off before it is filled, or stop the fill below it.',
      }
    case 'vessel-soft':
      return {
        what: `The wall grows ${fine(f.growthMm)} when it is full`,
        why: 'A soft wall bulges and goes out of round. Stand it in sand, or in a stiffer one of its size.',
      }
    case 'vessel-measure-differs':
      return {
        what: `It held ${f.weighedKg} kg of ${f.fill}, ${Number(f.weighedLitres).toFixed(2)} L; its diameters say ${Number(f.saysLitres).toFixed(2)} L`,
        why: 'One of them was read wrong: a litre weighs 1 kg of water, about 0.8 of rice, 1.6 of dry sand. Measure the diameters again inside, at the floor and at the fill.',
        remedy: 'Leave the weighing out',
      }
    default:
      return null
  }
}
