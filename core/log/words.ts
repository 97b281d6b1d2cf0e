import type { Explanation, Finding } from '../job/index.ts'

/** Sentences for the findings of this station. */
export function explainLog({ code, facts: f }: Finding): Explanation | null {
  switch (code) {
    case 'next-time':
      return {
        what: `Last time you wrote: ${String(f.said).replace(/\.$/, '')}`,
        why: `From the pour of ${f.on}.`,
      }
    case 'waste-learned':
      return {
        what: `Your pours used ${f.learnedPercent} percent more than the volume; ${f.nowPercent} is planned`,
        why: `Learned from ${f.pours} pours, the latest counting most.`,
        remedy: `Plan ${f.learnedPercent} percent`,
      }
    case 'waste-doubtful':
      return {
        what: `Your pours used ${f.learnedPercent} percent more than the volume, far from ${f.nowPercent}`,
        why: 'Check the yield on the bag and the records before you accept this.',
        remedy: `Plan ${f.learnedPercent} percent all the same`,
      }
    default:
      return null
  }
}
