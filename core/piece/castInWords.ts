import type { Remedy, Words } from '../job/index.ts'

/** Sentences for what is found of lettering and inserts. */
export const CAST_IN_WORDS = {
  'lettering-no-face': (f: { text: string; face: string }) => ({
    what: `“${f.text}” stands on a face that is not flat here, or not there`,
    why: 'Choose one of the faces the piece has.',
  }),
  'lettering-no-font': (f: { text: string; font: string }) => ({
    what: `“${f.text}”: its font is not here`,
    why: 'Choose one of the shipped fonts.',
  }),
  'lettering-flat': (f: { text: string }) => ({
    what: `“${f.text}” is neither raised nor sunk`,
    why: 'Give it a depth, or less than zero to sink it.',
  }),
  'lettering-font-differs': (f: { text: string; font: string }) => ({
    what: `“${f.text}”: ${f.font} is not the version it was drawn with`,
    why: 'Its outlines, and with them volume and spacing, may differ a little.',
  }),
  'lettering-missing': (f: { text: string; letters: string }) => ({
    what: `“${f.text}”: the font lacks ${f.letters}`,
    why: 'These letters are left out. Choose another font or spelling.',
  }),
  'lettering-through': (f: { text: string; depthMm: number; thicknessMm: number }, { mm }) => ({
    what: `“${f.text}” is ${mm(f.depthMm)} deep in ${mm(f.thicknessMm)}`,
    why: 'It would cut the piece through.',
  }),
  'lettering-straddles': (f: { text: string }) => ({
    what: `“${f.text}” stands half on a field and half beside it`,
    why: 'Part of it would hang in the air over the lower of the two. Move it wholly on to one, or make it smaller.',
  }),
  'lettering-off-face': (f: { text: string; widthMm: number; face: string }, { mm }) => ({
    what: `“${f.text}”, ${mm(f.widthMm)} long, runs off the ${f.face}`,
    why: 'Make it smaller, move it, or choose another face.',
  }),
  'stroke-thin': (f: { text: string; leastMm: number; lostPercent: number }, { mm }) => ({
    what: `“${f.text}” has strokes under ${mm(f.leastMm)}: ${f.lostPercent} percent of it`,
    why: 'Concrete does not fill them, or they crumble at stripping. A bolder font or taller letters.',
  }),
  'island-thin': (f: { text: string; count: number; leastMm: number }, { mm }) => ({
    what: `“${f.text}” has ${f.count} ${f.count === 1 ? 'island' : 'islands'} thinner than ${mm(f.leastMm)}`,
    why: 'The middles of letters like O and A stand alone: this thin they break off. Taller letters or a stencil font.',
  }),
  islands: (f: { text: string; count: number; leastMm: number }) => ({
    what: `“${f.text}” has ${f.count} loose ${f.count === 1 ? 'island' : 'islands'}`,
    why: 'The middles of letters are parts of their own in the mould: fix each one.',
  }),
  'insert-no-face': (f: { insert: string; face: string }) => ({
    what: `${f.insert} enters a face that is not flat here, or not there`,
    why: 'Choose one of the faces the piece has.',
  }),
  'insert-no-wall': (f: { insert: string; boreMm: number; diameterMm: number }, { mm }) => ({
    what: `${f.insert}: a bore of ${mm(f.boreMm)} in ${mm(f.diameterMm)}`,
    why: 'The bore must be smaller than the outside.',
  }),
  'inserts-clash': (f: { insert: string; other: string; overlapMm: number }, { mm }) => ({
    what: `${f.insert} and ${f.other} run ${mm(f.overlapMm)} into each other`,
    why: 'Both cannot stand there. Move one.',
  }),
  'insert-outside': (f: { insert: string }) => ({
    what: `${f.insert} stands in no concrete`,
    why: 'It lies in an opening or outside the piece. Move it or turn it.',
  }),
  'insert-breaks-out': (f: { insert: string; insidePercent: number }) => ({
    what: `${f.insert} breaks out of the concrete: ${f.insidePercent} percent is inside`,
    why: 'It comes through a face or into an opening. Less depth, or another place.',
  }),
  'insert-cover': (f: { insert: string; coverMm: number; to: string; wantedMm: number }, { mm }) => ({
    what: `${f.insert} has ${mm(f.coverMm)} of cover to the ${f.to}`,
    why: `Under ${mm(f.wantedMm)} the face cracks over it or stains with rust.`,
  }),
  'void-no-room': (f: { coverMm: number }, { mm }, remedies: readonly Remedy[]) => ({
    what: `No void former fits with ${mm(f.coverMm)} of concrete round it: planned solid`,
    why: 'It stands upright in what is concrete all through its height. Less cover, or none: the piece is not thick enough.',
    remedies: voidCures(remedies, mm),
  }),
  'void-meets': (f: { insert: string }, { mm }, remedies: readonly Remedy[]) => ({
    what: `The void former meets the ${f.insert}`,
    why: 'What is cast in must stand in concrete. Move it, or leave more concrete round the former.',
    remedies: voidCures(remedies, mm),
  }),
  'insert-wet': (f: { insert: string; millilitres: number }, { liquid }) => ({
    what: `${f.insert} is pushed in wet and lifts the fill by ${liquid(f.millilitres / 1000)}`,
    why: 'Leave the fill lower by as much, plumb it, and float again round it.',
  }),
} satisfies Words

const voidCures = (
  remedies: readonly Remedy[],
  mm: (n: number | string | undefined) => string,
): Record<string, string> =>
  Object.fromEntries(
    remedies.map((r) => [
      r.code,
      r.code === 'none' ? 'Cast it solid' : `Leave ${mm(r.facts.coverMm)} round it`,
    ]),
  )
