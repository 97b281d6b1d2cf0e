import type { FindingsIn, Words } from '../job/index.ts'
import { CAST_IN_WORDS } from './castInWords.ts'
import { SLAB_WORDS } from './slabWords.ts'

/** Sentences for what is found of turned, swept, boxed, imported and fitted pieces. */
const KIND_WORDS = {
  'flutes-do-not-fit': (f: { count: number; depthMm: number; leastMm: number; mostMm: number }, { mm }) => ({
    what: `${f.count} flutes ${mm(f.depthMm)} deep do not fit; ${mm(f.leastMm)} to ${mm(f.mostMm)} does`,
    why: 'Shallower than their own chord they are no flutes; too deep they meet in the middle.',
  }),
  'bore-too-wide': (f: { boreMm: number; mostMm: number }, { mm }) => ({
    what: `A bore of ${mm(f.boreMm)} where ${mm(f.mostMm)} is the most`,
    why: 'It would leave no wall round it.',
  }),
  'wall-negative': (f: { wallMm: number; outsideMm: number; insideMm: number }, { mm }) => ({
    what: `A wall of ${mm(f.wallMm)} in ${mm(f.outsideMm)}`,
    why: 'The inside is as wide as the outside, or wider.',
  }),
  'floor-too-thick': (f: { floorMm: number; heightMm: number }, { mm }) => ({
    what: `A floor of ${mm(f.floorMm)} in a height of ${mm(f.heightMm)}`,
    why: 'Nothing hollow is left above it.',
  }),
  'cap-too-high': (f: { heightMm: number; mostMm: number }, { mm }) => ({
    what: `A cap ${mm(f.heightMm)} high on a sphere of ${mm(f.mostMm)}`,
    why: 'A cap is lower than its sphere.',
  }),
  'foot-too-wide': (f: { footMm: number; mostMm: number }, { mm }) => ({
    what: `A foot of ${mm(f.footMm)} under ${mm(f.mostMm)}`,
    why: 'A foot is narrower than the sphere.',
  }),
  'profile-crosses-axis': (f: { beyondMm: number }, { mm }) => ({
    what: `The half section runs ${mm(f.beyondMm)} over the axis`,
    why: 'It is turned about its left edge: no point may lie on the other side.',
  }),
  'profile-crosses': (f: { xMm: number; yMm: number }, { mm }) => ({
    what: `The profile runs over itself near ${mm(f.xMm)}, ${mm(f.yMm)}`,
    why: 'A profile is one closed line. A spline with a loop, or corners in the wrong order, does this.',
  }),
  'profile-empty': (_f: { areaMm2: number }) => ({
    what: 'The profile has no inside',
    why: 'Walk it anticlockwise, with at least three corners or two arcs.',
  }),
  'foot-breaks-through': (f: { footMm: number; leftMm: number; wallMm: number }, { mm }) => ({
    what: `A foot of ${mm(f.footMm)} leaves ${mm(f.leftMm)} of floor`,
    why: `The wall is ${mm(f.wallMm)}; cut less for the foot, or make the bowl thicker.`,
  }),
  'sleeve-does-not-fit': (f: { sleeveMm: number; boreMm: number }, { mm }) => ({
    what: `A sleeve of ${mm(f.sleeveMm)} in a bore of ${mm(f.boreMm)}`,
    why: 'The sleeve stays in the axis: the bore is its outside.',
  }),
  'separator-misses': (f: { atMm: number; lengthMm: number }, { mm }) => ({
    what: `The separator at ${mm(f.atMm)} misses the piece, ${mm(f.lengthMm)} long`,
    why: 'A separator must leave concrete on both sides.',
  }),
  'taper-closes': (f: { taperMm: number; acrossMm: number }, { mm }) => ({
    what: `A taper of ${mm(f.taperMm)} a side in ${mm(f.acrossMm)}`,
    why: 'The sides meet before the foot.',
  }),
  'core-closes': (f: { draftDeg: number; acrossMm: number }, { mm }) => ({
    what: `A core with ${f.draftDeg} degrees of draft closes before the floor`,
    why: `Its sides meet across ${mm(f.acrossMm)}. Less draft, or a thicker floor.`,
  }),
  'core-breaks-through': (f: { wallMm: number; taperMm: number; leftMm: number }, { mm }) => ({
    what: `The core breaks through the wall: ${mm(f.wallMm)} at the rim, taper ${mm(f.taperMm)}`,
    why: 'The outside comes in faster than the inside. Less taper, more wall, or more draft on the core.',
  }),
  'drain-too-wide': (f: { diameterMm: number; acrossMm: number }, { mm }) => ({
    what: `Drains of ${mm(f.diameterMm)} in a floor of ${mm(f.acrossMm)}`,
    why: 'They would cut the floor apart.',
  }),
  'hole-off-the-side': (f: { hole: string; diameterMm: number; side: string }, { mm }) => ({
    what: `${f.hole}, ${mm(f.diameterMm)}, runs off the ${f.side} side`,
    why: 'Keep it clear of corners, floor and rim.',
  }),
  'no-drain': (_f: { heightMm: number }) => ({
    what: 'No drain hole',
    why: 'A planter without one drowns its plants and splits in frost.',
  }),
  'filled-weight': (f: { filledKg: number; fill: string; groundKPa: number }, { kg, kpa }) => ({
    what: `Filled with ${f.fill} it weighs about ${kg(f.filledKg, 0)}`,
    why: `Place it before it is filled. ${f.groundKPa > 0 ? `It presses ${kpa(f.groundKPa)} on what it stands on: on` : 'On'} a roof, a balcony or a deck the one who designed that decides.`,
  }),
  'frost-bursts': (f: { leanDeg: number; wantedDeg: number; fill: string }) => ({
    what: `${f.fill === 'water' ? 'Water' : `Wet ${f.fill}`} that freezes in it presses its walls apart`,
    why: `Its inside leans out ${Math.round(f.leanDeg * 10) / 10}°: from about ${f.wantedDeg}° on ice slides up instead. Line it with soft board, or empty it before frost.`,
    remedy: 'Line it with soft board',
  }),
  'no-feet': (f: { drains: number }) => ({
    what: `${f.drains === 1 ? 'Its drain stands' : 'Its drains stand'} shut on the ground`,
    why: 'Flat on paving no water leaves, and frost holds it fast. Feet let it run.',
    remedy: 'Stand it on four feet',
  }),
  'drains-few': (f: { drains: number; wanted: number; floorM2: number; eachM2: number }, { of }) => ({
    what: `${f.drains} ${f.drains === 1 ? 'drain' : 'drains'} for a floor of ${of('area', f.floorM2, 2)}`,
    why: `Water stands between them. One serves about ${of('area', f.eachM2, 2)}.`,
    remedy: `Make ${f.wanted} drains`,
  }),
  'dividers-fill': (f: { dividers: number; wallMm: number; insideMm: number }, { mm }) => ({
    what: `${f.dividers} dividers of ${mm(f.wallMm)} fill ${mm(f.insideMm)}`,
    why: 'Nothing hollow is left between them.',
  }),
  'panels-upright': (f: { taperMm: number }, { mm }) => ({
    what: `The taper of ${mm(f.taperMm)} is left out`,
    why: 'Panels are planned upright; taper is for boxes cast in one.',
  }),
  'mesh-not-here': (f: { file: string }) => ({
    what: `The mesh of ${f.file} is not on this device`,
    why: 'Import the file again, or open the job from its zip.',
  }),
  'foot-cuts-all': (f: { footMm: number; heightMm: number }, { mm }) => ({
    what: `The foot cut at ${mm(f.footMm)} takes all of ${mm(f.heightMm)}`,
    why: 'Cut lower.',
  }),
  'kept-as-pattern': (f: { file: string }) => ({
    what: `${f.file} is kept as a pattern`,
    why: 'Moulds are made round it; it is not cast itself.',
  }),
  'measured-does-not-close': (_f: { part: string }) => ({
    what: 'The measured sides and diagonal do not close',
    why: 'No four-cornered opening has these lengths. Measure again: front, right, back, left, and front left to back right.',
  }),
  'fit-closes': (f: { clearanceMm: number; taperDeg: number; seatMm: number; part: string }, { mm }) => ({
    what: `Clearance ${mm(f.clearanceMm)} and ${f.taperDeg} degrees over ${mm(f.seatMm)} leave nothing of the ${f.part}`,
    why: 'The seat closes before its end. Less clearance, taper or depth.',
  }),
  'lid-falls-in': (f: { overlapMm: number; clearanceMm: number }, { mm }) => ({
    what: `A lid that overlaps ${mm(f.overlapMm)} with a clearance of ${mm(f.clearanceMm)}`,
    why: 'Pushed to one side it falls in. Overlap by more than the clearance.',
  }),
  'no-clearance': (f: { part: string }, { mm }) => ({
    what: `The ${f.part} has no clearance`,
    why: `Concrete grows with damp and is never cast to a hair: ${mm(3)} a side lets a lid out again.`,
  }),
  'no-face-down': (_f: { face: string }) => ({
    what: 'The face it was to be poured on is not a flat one here',
    why: 'The face that is down in the pour must be one the piece has.',
    remedy: 'Pour it as advised',
  }),
} satisfies Words

/** Sentences for the findings of this station, each with the facts it is made of. */
export const PIECE_WORDS = { ...SLAB_WORDS, ...KIND_WORDS, ...CAST_IN_WORDS }

/** What this station finds: each code with its facts. */
export type PieceFindings = FindingsIn<typeof PIECE_WORDS>
