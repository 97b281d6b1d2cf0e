import { explainFinish } from './finish/index.ts'
import type { Explanation, Finding, Remedy, WordsStyle } from './job/index.ts'
import { explainLog } from './log/index.ts'
import { explainMix } from './mix/index.ts'
import { explainMould } from './mould/index.ts'
import { explainPiece } from './piece/index.ts'
import { explainPour } from './pour/index.ts'
import { explainRelease } from './release/index.ts'
import { explainSteel } from './steel/index.ts'

/** A finding in words, by its station. A code without words is a bug of ours and says so. */
export function explain(finding: Finding, style: WordsStyle): Explanation {
  const words = byStation(finding, style)
  if (!words) throw new Error(`no words for ${finding.station} ${finding.code}`)
  // Many begin with the name of a part or a row of stock, written as its maker wrote it.
  return { ...words, what: words.what.charAt(0).toUpperCase() + words.what.slice(1) }
}

function byStation(finding: Finding, style: WordsStyle): Explanation | null {
  switch (finding.station) {
    case 'piece':
      return explainPiece(finding, style)
    case 'mould':
      return explainMould(finding, style)
    case 'steel':
      return explainSteel(finding, style)
    case 'release':
      return explainRelease(finding, style)
    case 'mix':
      return explainMix(finding)
    case 'pour':
      return explainPour(finding)
    case 'finish':
      return explainFinish(finding)
    case 'log':
      return explainLog(finding)
    case 'sheets':
      return null
  }
}

/** The text of a remedy's button. */
export const remedyText = (words: Explanation, remedy: Remedy): string =>
  words.remedies?.[remedy.code] ?? words.remedy ?? 'Apply'
