import type { Explanation, Finding, WordsStyle } from '../job/index.ts'

/** Sentences for the findings of this station. */
export function explainSteel({ code, facts: f, remedies }: Finding, { mm }: WordsStyle): Explanation | null {
  switch (code) {
    case 'mesh-for-slabs':
      return {
        what: 'No mesh is planned for this kind of piece yet',
        why: 'Sheets of mesh are cut for flat slabs. Fibre in the mix, or bars bent by hand, serve here.',
      }
    case 'mesh-missing':
      return { what: `No mesh ${f.row} in the stock`, why: 'Choose another mesh, or none.' }
    case 'too-thin':
      return {
        what: `${mm(f.thicknessMm)} thick; ${f.mix} with ${f.with} wants ${mm(f.leastMm)}`,
        why: 'Below that the cover is too thin or the stone does not pass, and the slab cracks when it is handled.',
        remedy: `Make it ${mm(f.leastMm)} thick`,
      }
    case 'mesh-does-not-fit':
      return {
        what: 'No wire fits inside the cover',
        why: `With ${mm(f.coverMm)} cover no square of ${mm(f.spacingMm)} is left. Use a finer mesh, or none.`,
      }
    case 'ghosting':
      return {
        what: `Mesh ${mm(f.coverMm)} from the show face; ${mm(f.wantedMm)} keeps it from showing`,
        why: 'Steel this near draws a grey grid on the face. Compact hard before it goes in and lightly after.',
      }
    case 'cover-short':
      return {
        what: `Cover is ${mm(f.coverMm)}; the exposure wants ${mm(f.wantedMm)}`,
        why: 'Too little cover lets rust start.',
      }
    case 'mesh-laps':
      return {
        what: `Mesh of ${f.sheets} sheets: lap them ${mm(f.lapMm)} and tie`,
        why: 'A sheet that only butts carries nothing across the joint.',
      }
    case 'land-narrow':
      return {
        what: `${plural(f)} ${mm(f.landMm)} from the ${f.to}, ${mm(f.thicknessMm)} thick here`,
        why:
          f.long === 'rail'
            ? 'A long rail this narrow cracks when the slab is flipped or carried: it cracks there first.'
            : 'It cracks there first: half the thickness is the least for a short bridge.',
        remedies: Object.fromEntries(
          remedies.map((r) => [r.code, `Move ${r.facts.moved} ${r.facts.way} ${mm(r.facts.byMm)}`]),
        ),
      }
    case 'land-short':
      return {
        what: `${plural(f)} ${mm(f.landMm)} from the ${f.to}: less than the thickness`,
        why: 'A short bridge beside an opening: carry the slab with that side up.',
      }
    default:
      return null
  }
}

/** `2 taps stand`, `basin stands`. */
const plural = ({ opening, count }: Finding['facts']): string =>
  Number(count) > 1 ? `${count} ${opening}s stand` : `${capital(String(opening))} stands`

const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1)
