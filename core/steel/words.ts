import type { FindingsIn, Remedy, Words } from '../job/index.ts'

/** A land beside an opening: how wide, to what, how thick the slab is there, and whether it runs on as a rail. */
type Land = {
  opening: string
  /** Of the openings of this name that stand so. */
  count: number
  to: string
  long: string
  landMm: number
  wantedMm: number
  thicknessMm: number
}

/** Sentences for the findings of this station, each with the facts it is made of. */
export const STEEL_WORDS = {
  'mesh-for-slabs': (_f: { kind: string }) => ({
    what: 'No mesh is planned for this kind of piece yet',
    why: 'Sheets of mesh are cut for flat slabs. Fibre in the mix, or bars bent by hand, serve here.',
  }),
  'mesh-missing': (_f: { row: string }) => ({
    what: 'The mesh that was chosen is not in the stock',
    why: 'Choose another mesh, or none.',
  }),
  'too-thin': (
    f: { thicknessMm: number; mix: string; with: string; leastMm: number; where: string },
    { mm },
    remedies: readonly Remedy[],
  ) => ({
    what: `${mm(f.thicknessMm)} thick; ${f.mix} with ${f.with} wants ${mm(f.leastMm)}`,
    why: 'Below that the cover is too thin or the stone does not pass, and the piece cracks when it is handled.',
    remedies: Object.fromEntries(
      remedies.map((r) => [
        r.code,
        'mix' in r.facts ? `Use ${r.facts.mix}` : `Make it ${mm(f.leastMm)} thick`,
      ]),
    ),
  }),
  'mesh-does-not-fit': (f: { coverMm: number; spacingMm: number }, { mm }) => ({
    what: 'No mat fits inside the cover: none is planned',
    why: `With ${mm(f.coverMm)} cover there are not two wires each way, ${mm(f.spacingMm)} apart. A finer mesh, fibre, or bars bent by hand.`,
  }),
  ghosting: (f: { coverMm: number; wantedMm: number }, { mm }) => ({
    what: `Mesh ${mm(f.coverMm)} from the show face; ${mm(f.wantedMm)} keeps it from showing`,
    why: 'Steel this near draws a grey grid on the face. Compact hard before it goes in and lightly after.',
  }),
  'cover-short': (f: { coverMm: number; wantedMm: number }, { mm }) => ({
    what: `Cover is ${mm(f.coverMm)}; the exposure wants ${mm(f.wantedMm)}`,
    why: 'Too little cover lets rust start.',
  }),
  'mesh-laps': (f: { sheets: number; lapMm: number }, { mm }) => ({
    what: `Mesh of ${f.sheets} sheets: lap them ${mm(f.lapMm)} and tie`,
    why: 'A sheet that only butts carries nothing across the joint.',
  }),
  'land-narrow': (f: Land, { mm }, remedies: readonly Remedy[]) => ({
    what: `${plural(f)} ${mm(f.landMm)} from the ${f.to}, ${mm(f.thicknessMm)} thick here`,
    why:
      f.long === 'rail'
        ? 'A long rail this narrow cracks when the slab is flipped or carried: it cracks there first.'
        : 'It cracks there first: half the thickness is the least for a short bridge.',
    remedies: Object.fromEntries(
      remedies.map((r) => [r.code, `Move the ${r.facts.moved} ${r.facts.way} ${mm(r.facts.byMm)}`]),
    ),
  }),
  'land-short': (f: Land, { mm }) => ({
    what: `${plural(f)} ${mm(f.landMm)} from the ${f.to}: less than the thickness`,
    why: 'A short bridge beside an opening: carry the slab with that side up.',
  }),
} satisfies Words

/** What this station finds: each code with its facts. */
export type SteelFindings = FindingsIn<typeof STEEL_WORDS>

/** `2 taps stand`, `basin stands`. */
const plural = ({ opening, count }: Land): string =>
  count > 1 ? `${count} ${opening}s stand` : `${capital(opening)} stands`

const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1)
