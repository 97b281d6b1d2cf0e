import type { FindingsIn, Words } from '../job/index.ts'
import { dayWords } from '../units/index.ts'

/** How the bags of past pours differ from those planned: `36% fewer bags`. */
export const bagsOff = (offByPercent: number): string => {
  const percent = Math.abs(Math.round(offByPercent))
  return percent === 0 ? 'bags as planned' : `${percent}% ${offByPercent > 0 ? 'more' : 'fewer'} bags`
}

/** Sentences for the findings of this station, each with the facts it is made of. */
export const LOG_WORDS = {
  'next-time': (f: { said: string; on: string }) => ({
    what: `Last time you wrote: ${f.said.replace(/\.$/, '')}`,
    why: `From the pour of ${dayWords(f.on)}.`,
  }),
  'waste-learned': (f: { learnedPercent: number; nowPercent: number; pours: number }) => ({
    what: `Your pours used ${f.learnedPercent} percent more than the volume; ${f.nowPercent} is planned`,
    why: `Learned from ${f.pours} pours, the latest counting most.`,
    remedy: `Plan ${f.learnedPercent} percent`,
  }),
  'waste-doubtful': (f: { learnedPercent: number; nowPercent: number; pours: number }) => ({
    what: `Your pours used ${f.learnedPercent} percent more than the volume, far from ${f.nowPercent}`,
    why: 'Check the yield on the bag and the records before you accept this.',
    remedy: `Plan ${f.learnedPercent} percent all the same`,
  }),
} satisfies Words

/** What this station finds: each code with its facts. */
export type LogFindings = FindingsIn<typeof LOG_WORDS>
