import { FINISH_WORDS } from './finish/index.ts'
import {
  type Explanation,
  explainBy,
  type Finding,
  type Remedy,
  type StationName,
  type Words,
  type WordsStyle,
} from './job/index.ts'
import { LOG_WORDS } from './log/index.ts'
import { MIX_WORDS } from './mix/index.ts'
import { MOULD_WORDS } from './mould/index.ts'
import { PIECE_WORDS } from './piece/index.ts'
import { POUR_WORDS } from './pour/index.ts'
import { RELEASE_WORDS } from './release/index.ts'
import { STEEL_WORDS } from './steel/index.ts'

/** The words of every station. */
export const WORDS: Readonly<Record<StationName, Words>> = {
  piece: PIECE_WORDS,
  mould: MOULD_WORDS,
  steel: STEEL_WORDS,
  release: RELEASE_WORDS,
  mix: MIX_WORDS,
  pour: POUR_WORDS,
  finish: FINISH_WORDS,
  log: LOG_WORDS,
  sheets: {},
}

/** A finding in words, by its station. A code without words is a bug of ours and says so. */
export function explain(finding: Finding, style: WordsStyle): Explanation {
  const words = explainBy(WORDS[finding.station], finding, style)
  if (!words) throw new Error(`no words for ${finding.station} ${finding.code}`)
  // Many begin with the name of a part or a row of stock, written as its maker wrote it.
  return { ...words, what: words.what.charAt(0).toUpperCase() + words.what.slice(1) }
}

/** The text of a remedy's button. */
export const remedyText = (words: Explanation, remedy: Remedy): string =>
  words.remedies?.[remedy.code] ?? words.remedy ?? 'Apply'
