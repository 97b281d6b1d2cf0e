import type { Explanation, WordsStyle } from '../job/explain.ts'
import type { Finding } from '../job/index.ts'

/** Sentences for the findings of this station. */
export function explainPiece({ code, facts: f }: Finding, { mm }: WordsStyle): Explanation | null {
  switch (code) {
    case 'corner-radius':
      return {
        what: `Corner ${f.corner} has a radius of ${mm(f.radiusMm)}; there is room for ${mm(f.mostMm)}`,
        why: 'Two radii along one side cannot add up to more than the side.',
        remedy: `Make radii at most ${mm(f.fitsMm)}`,
      }
    case 'edge-too-deep':
      return {
        what: `The ${f.side} edges take ${mm(f.edgeMm)} of a ${mm(f.thicknessMm)} thickness`,
        why: 'Top and bottom edges meet inside the piece.',
        remedy: `Make them at most ${mm(f.fitsMm)}`,
      }
    case 'edges-meet':
      return {
        what: `Nothing is left of the ${f.face} at side ${f.side}: its edges, tapers or liners meet`,
        why: 'What the sides lose on both ends, or across the plan, is more than there is. Make them smaller.',
      }
    case 'opening-radius':
      return {
        what: `${f.opening} has a corner radius of ${mm(f.radiusMm)}; its size allows ${mm(f.mostMm)}`,
        why: 'A radius cannot be more than half the shorter side.',
        remedy: 'Take the largest that fits',
      }
    case 'rim-too-deep':
      return {
        what: `The rim of ${f.opening} takes ${mm(f.edgeMm)} of a ${mm(f.thicknessMm)} thickness`,
        why: 'Its top and bottom edges meet inside the piece.',
        remedy: 'Make the rim square',
      }
    case 'placing-lost':
      return {
        what: `${f.opening} is placed by ${f.onto}, which is not there`,
        why: 'A placing rule needs the opening it measures from.',
        remedy: 'Place it in the middle',
      }
    case 'placing-circular':
      return {
        what: `${f.opening} and ${f.onto} are placed by each other`,
        why: 'A placing rule must end at a side of the piece.',
        remedy: `Place ${f.opening} in the middle`,
      }
    case 'opening-outside':
      return {
        what: `${f.opening} lies outside the piece, beyond the ${f.side}`,
        why: 'An opening must lie inside the outline.',
      }
    case 'opening-across':
      return {
        what: `${f.opening} runs across the outline at the ${f.side}, by ${mm(f.beyondMm)}`,
        why: 'It would cut the piece open at the side. Move it inward, or make a notch of it in the outline.',
      }
    case 'openings-overlap':
      return {
        what: `${f.opening} and ${f.other} overlap`,
        why: 'Their knockouts would stand in the same place.',
      }
    default:
      return explainSlabFeature(code, f, mm) ?? explainKind(code, f, mm) ?? explainCastIn(code, f, mm)
  }
}

type Facts = Finding['facts']
type Show = WordsStyle['mm']

/** Plans, features of slabs, the basin below. */
function explainSlabFeature(code: string, f: Facts, mm: Show): Explanation | null {
  switch (code) {
    case 'outline-crosses':
      return {
        what:
          f.how === 'crosses'
            ? `The outline runs over itself near ${mm(f.xMm)}, ${mm(f.yMm)}`
            : 'The outline has no inside',
        why: 'A plan is one closed line, walked anticlockwise, that never meets itself. Move or remove a corner there.',
      }
    case 'radius-on-curve':
      return {
        what: `The corner ${f.corner} keeps no radius of ${mm(f.radiusMm)}: a side there is curved`,
        why: 'Radii are rounded between straight sides. Draw the curve into the side, or straighten it.',
      }
    case 'apron-fills':
      return {
        what: `The apron at ${f.side} is ${mm(f.thicknessMm)} thick, the slab ${mm(f.acrossMm)} across`,
        why: 'An apron thicker than the slab is wide leaves no underside.',
      }
    case 'taper-flat':
      return {
        what: `The ${f.side} side leans ${mm(f.taperMm)} over a thickness of ${mm(f.thicknessMm)}`,
        why: 'That is a feather edge: it breaks at the first knock. A chamfer of less run keeps its arris.',
      }
    case 'opening-crosses':
      return {
        what: `The outline of ${f.opening} runs over itself`,
        why: 'Redraw it as one closed line, anticlockwise.',
      }
    case 'recess-through':
      return {
        what: `${f.opening} is ${mm(f.depthMm)} deep in ${mm(f.thicknessMm)}`,
        why: 'A recess as deep as the slab is an opening.',
        remedy: 'Let it go right through',
      }
    case 'opening-closes':
      return {
        what: `${f.opening} closes on its way through at ${f.draftDeg} degrees`,
        why: 'Its walls meet before the other face. Give it less draft or more size.',
      }
    case 'rim-over-edge':
      return {
        what: `The rim of ${f.opening} runs over the edge of the piece`,
        why: 'Both edges would take the same concrete. Make the rim smaller or move the opening.',
      }
    case 'feature-outside':
      return { what: `${f.feature} runs over the outline`, why: 'It must lie inside the plan of the piece.' }
    case 'feature-through':
      return {
        what: `${f.feature} is ${mm(f.depthMm)} deep in ${mm(f.thicknessMm)}`,
        why: 'It would cut the slab through.',
      }
    case 'drains-badly':
      return {
        what: `${f.feature} falls ${f.fallPercent} percent`,
        why: 'Water stands on less than 1 percent; 2 is usual.',
      }
    case 'panel-closes':
      return {
        what: `${f.feature} does not fit into its own field`,
        why: 'Its margin or its trim is wider than half of what is there.',
      }
    case 'panel-flat':
      return {
        what: `${f.feature} is neither raised nor sunk`,
        why: 'Give it a rise, or less than zero to sink it.',
      }
    case 'trim-empty':
      return {
        what: `${f.feature} has no section yet`,
        why: 'Import a section for its trim, or choose one of ours.',
      }
    case 'drip-left-out':
      return {
        what: `No drip groove under ${f.side}: ${f.why}`,
        why: 'A groove is cut along straight sides, clear of both corners.',
      }
    case 'basin-closes':
      return {
        what: `A draft of ${f.draftDeg} degrees closes the basin before its floor`,
        why: `The walls meet across ${mm(f.acrossMm)}. Less draft or less depth.`,
      }
    case 'basin-radius':
      return {
        what: `The basin’s corner radius is ${mm(f.radiusMm)}; ${mm(f.mostMm)} fits`,
        why: 'A radius is at most half the shorter side.',
      }
    case 'basin-shallow':
      return {
        what: `A basin ${mm(f.depthMm)} deep`,
        why: 'That is a recess: give it depth, or draw it as one.',
      }
    case 'basin-outside':
      return {
        what: `The basin’s shell of ${mm(f.shellMm)} runs over the edge of the slab`,
        why: 'Shell and slab must meet all round. Move it inward, or make it smaller.',
      }
    case 'opening-in-shell':
      return {
        what: `${f.opening} stands in the basin or its shell`,
        why: 'It would open the shell. Move it clear by the shell’s thickness.',
      }
    case 'waste-too-wide':
      return {
        what: `The waste is ${mm(f.wasteMm)} in a floor of ${mm(f.acrossMm)}`,
        why: 'Nothing of the floor is left.',
      }
    case 'basin-core-locks':
      return {
        what: `The basin core has ${f.draftDeg} degrees of draft`,
        why: `A long core wants ${f.wantedDeg} degrees, or it locks as the concrete shrinks onto it.`,
      }
    default:
      return null
  }
}

/** Turned, swept, boxes, imported, fitted. */
function explainKind(code: string, f: Facts, mm: Show): Explanation | null {
  switch (code) {
    case 'flutes-do-not-fit':
      return {
        what: `${f.count} flutes ${mm(f.depthMm)} deep do not fit; ${mm(f.leastMm)} to ${mm(f.mostMm)} does`,
        why: 'Shallower than their own chord they are no flutes; too deep they meet in the middle.',
      }
    case 'bore-too-wide':
      return {
        what: `A bore of ${mm(f.boreMm)} where ${mm(f.mostMm)} is the most`,
        why: 'It would leave no wall round it.',
      }
    case 'wall-negative':
      return {
        what: `A wall of ${mm(f.wallMm)} in ${mm(f.outsideMm)}`,
        why: 'The inside is as wide as the outside, or wider.',
      }
    case 'floor-too-thick':
      return {
        what: `A floor of ${mm(f.floorMm)} in a height of ${mm(f.heightMm)}`,
        why: 'Nothing hollow is left above it.',
      }
    case 'cap-too-high':
      return {
        what: `A cap ${mm(f.heightMm)} high on a sphere of ${mm(f.mostMm)}`,
        why: 'A cap is lower than its sphere.',
      }
    case 'foot-too-wide':
      return {
        what: `A foot of ${mm(f.footMm)} under ${mm(f.mostMm)}`,
        why: 'A foot is narrower than the sphere.',
      }
    case 'profile-crosses-axis':
      return {
        what: `The half section runs ${mm(f.beyondMm)} over the axis`,
        why: 'It is turned about its left edge: no point may lie on the other side.',
      }
    case 'profile-crosses':
      return {
        what: `The profile runs over itself near ${mm(f.xMm)}, ${mm(f.yMm)}`,
        why: 'A profile is one closed line. A spline with a loop, or corners in the wrong order, does this.',
      }
    case 'profile-empty':
      return {
        what: 'The profile has no inside',
        why: 'Walk it anticlockwise, with at least three corners or two arcs.',
      }
    case 'foot-breaks-through':
      return {
        what: `A foot of ${mm(f.footMm)} leaves ${mm(f.leftMm)} of floor`,
        why: `The wall is ${mm(f.wallMm)}; cut less for the foot, or make the bowl thicker.`,
      }
    case 'sleeve-does-not-fit':
      return {
        what: `A sleeve of ${mm(f.sleeveMm)} in a bore of ${mm(f.boreMm)}`,
        why: 'The sleeve stays in the axis: the bore is its outside.',
      }
    case 'separator-misses':
      return {
        what: `The separator at ${mm(f.atMm)} misses the piece, ${mm(f.lengthMm)} long`,
        why: 'A separator must leave concrete on both sides.',
      }
    case 'taper-closes':
      return {
        what: `A taper of ${mm(f.taperMm)} a side in ${mm(f.acrossMm)}`,
        why: 'The sides meet before the foot.',
      }
    case 'core-closes':
      return {
        what: `A core with ${f.draftDeg} degrees of draft closes before the floor`,
        why: `Its sides meet across ${mm(f.acrossMm)}. Less draft, or a thicker floor.`,
      }
    case 'core-breaks-through':
      return {
        what: `The core breaks through the wall: ${mm(f.wallMm)} at the rim, taper ${mm(f.taperMm)}`,
        why: 'The outside comes in faster than the inside. Less taper, more wall, or more draft on the core.',
      }
    case 'drain-too-wide':
      return {
        what: `Drains of ${mm(f.diameterMm)} in a floor of ${mm(f.acrossMm)}`,
        why: 'They would cut the floor apart.',
      }
    case 'hole-off-the-side':
      return {
        what: `${f.hole}, ${mm(f.diameterMm)}, runs off the ${f.side} side`,
        why: 'Keep it clear of corners, floor and rim.',
      }
    case 'no-drain':
      return { what: 'No drain hole', why: 'A planter without one drowns its plants and splits in frost.' }
    case 'dividers-fill':
      return {
        what: `${f.dividers} dividers of ${mm(f.wallMm)} fill ${mm(f.insideMm)}`,
        why: 'Nothing hollow is left between them.',
      }
    case 'panels-upright':
      return {
        what: `The taper of ${mm(f.taperMm)} is left out`,
        why: 'Panels are planned upright; taper is for boxes cast in one.',
      }
    case 'mesh-not-here':
      return {
        what: `The mesh of ${f.file} is not on this device`,
        why: 'Import the file again, or open the job from its zip.',
      }
    case 'foot-cuts-all':
      return { what: `The foot cut at ${mm(f.footMm)} takes all of ${mm(f.heightMm)}`, why: 'Cut lower.' }
    case 'kept-as-pattern':
      return {
        what: `${f.file} is kept as a pattern`,
        why: 'Moulds are made round it; it is not cast itself.',
      }
    case 'measured-does-not-close':
      return {
        what: 'The measured sides and diagonal do not close',
        why: 'No four-cornered opening has these lengths. Measure again: front, right, back, left, and front left to back right.',
      }
    case 'fit-closes':
      return {
        what: `Clearance ${mm(f.clearanceMm)} and ${f.taperDeg} degrees over ${mm(f.seatMm)} leave nothing of the ${f.part}`,
        why: 'The seat closes before its end. Less clearance, taper or depth.',
      }
    case 'lid-falls-in':
      return {
        what: `A lid that overlaps ${mm(f.overlapMm)} with a clearance of ${mm(f.clearanceMm)}`,
        why: 'Pushed to one side it falls in. Overlap by more than the clearance.',
      }
    case 'no-clearance':
      return {
        what: `The ${f.part} has no clearance`,
        why: 'Concrete grows with damp and is never cast to the millimetre: 3 mm a side lets a lid out again.',
      }
    case 'no-face-down':
      return {
        what: `No flat face ${f.face} to pour on`,
        why: 'The face that is down in the pour must be one the piece has.',
        remedy: 'Pour it as advised',
      }
    default:
      return null
  }
}

/** Lettering and inserts. */
function explainCastIn(code: string, f: Facts, mm: Show): Explanation | null {
  switch (code) {
    case 'lettering-no-face':
      return {
        what: `“${f.text}” stands on ${f.face}, which is not a flat face here`,
        why: 'Choose one of the faces the piece has.',
      }
    case 'lettering-no-font':
      return { what: `“${f.text}”: no font ${f.font}`, why: 'Choose one of the shipped fonts.' }
    case 'lettering-flat':
      return {
        what: `“${f.text}” is neither raised nor sunk`,
        why: 'Give it a depth, or less than zero to sink it.',
      }
    case 'lettering-font-differs':
      return {
        what: `“${f.text}”: ${f.font} is not the version it was drawn with`,
        why: 'Its outlines, and with them volume and spacing, may differ a little.',
      }
    case 'lettering-missing':
      return {
        what: `“${f.text}”: the font lacks ${f.letters}`,
        why: 'These letters are left out. Choose another font or spelling.',
      }
    case 'lettering-through':
      return {
        what: `“${f.text}” is ${mm(f.depthMm)} deep in ${mm(f.thicknessMm)}`,
        why: 'It would cut the piece through.',
      }
    case 'lettering-off-face':
      return {
        what: `“${f.text}”, ${mm(f.widthMm)} long, runs off the ${f.face}`,
        why: 'Make it smaller, move it, or choose another face.',
      }
    case 'stroke-thin':
      return {
        what: `“${f.text}” has strokes under ${mm(f.leastMm)}: ${f.lostPercent} percent of it`,
        why: 'Concrete does not fill them, or they crumble at stripping. A bolder font or taller letters.',
      }
    case 'island-thin':
      return {
        what: `“${f.text}” has ${f.count} ${f.count === 1 ? 'island' : 'islands'} thinner than ${mm(f.leastMm)}`,
        why: 'The middles of letters like O and A stand alone: this thin they break off. Taller letters or a stencil font.',
      }
    case 'islands':
      return {
        what: `“${f.text}” has ${f.count} loose ${f.count === 1 ? 'island' : 'islands'}`,
        why: 'The middles of letters are parts of their own in the mould: fix each one.',
      }
    case 'insert-no-face':
      return {
        what: `${f.insert} enters ${f.face}, which is not a flat face here`,
        why: 'Choose one of the faces the piece has.',
      }
    case 'insert-no-wall':
      return {
        what: `${f.insert}: a bore of ${mm(f.boreMm)} in ${mm(f.diameterMm)}`,
        why: 'The bore must be smaller than the outside.',
      }
    case 'inserts-clash':
      return {
        what: `${f.insert} and ${f.other} run ${mm(f.overlapMm)} into each other`,
        why: 'Both cannot stand there. Move one.',
      }
    case 'insert-outside':
      return {
        what: `${f.insert} stands in no concrete`,
        why: 'It lies in an opening or outside the piece. Move it or turn it.',
      }
    case 'insert-breaks-out':
      return {
        what: `${f.insert} breaks out of the concrete: ${f.insidePercent} percent is inside`,
        why: 'It comes through a face or into an opening. Less depth, or another place.',
      }
    case 'insert-cover':
      return {
        what: `${f.insert} has ${mm(f.coverMm)} of cover to ${String(f.to).replaceAll('/', ' ')}`,
        why: `Under ${mm(f.wantedMm)} the face cracks over it or stains with rust.`,
      }
    case 'insert-wet':
      return {
        what: `${f.insert} is pushed in wet and lifts the fill by ${f.litres} L`,
        why: 'Leave the fill lower by as much, plumb it, and float again round it.',
      }
    default:
      return null
  }
}
