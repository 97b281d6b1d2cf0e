import type { Explanation, Finding, WordsStyle } from '../job/index.ts'

/** Sentences for the findings of this station. */
export function explainRelease({ code, facts: f }: Finding, { mm }: WordsStyle): Explanation | null {
  switch (code) {
    case 'agent-missing':
      return { what: `No release or seal ${f.row} in the stock`, why: 'Choose another for these faces.' }
    case 'part-trapped':
      return {
        what: `${f.part} cannot leave: ${f.by} is in its way`,
        why: 'Taken off in this order it breaks the cast or itself. Choose other corners, or another opening.',
      }
    case 'knockout-locks':
      return {
        what: `${f.knockouts === 1 ? 'A rigid knockout' : `${f.knockouts} rigid knockouts`} ${mm(f.depthMm)} deep without draft`,
        why: `Concrete shrinks onto a straight knockout and locks it. Give it ${f.draftDegrees} degrees, or a foam wrap that peels out.`,
        remedy: `Wrap them in ${mm(3)} foam`,
      }
    case 'release-left-out':
      return {
        what: 'No release on the faces',
        why: `Left out on purpose: ${f.reason}. Melamine lets go of concrete badly without wax.`,
        remedy: 'Put the release back',
      }
    case 'oil-under-sealer':
      return {
        what: `${f.agent} under ${f.sealer}`,
        why: 'Oil left in the face keeps a sealer from bonding. Wash or abrade it first, or use a wax without silicone.',
        remedy: 'Use wax instead',
      }
    default:
      return null
  }
}
