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
        what: `The ${f.side} and ${f.opposite} edges meet: ${mm(f.edgesMm)} of ${mm(f.acrossMm)}`,
        why: 'Nothing of the face is left between them.',
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
      return null
  }
}
