import type { ActCode, FactsOf } from '../work/index.ts'
import { TOOL_NAMES } from './words.ts'

/** What one has in hand for an act of the day, in words; empty where its sentence says it all. */
const IN_HAND: Partial<Record<ActCode, readonly string[]>> = {
  'mix-batch': ['respirator', 'gloves', 'glasses'],
  'place-batch': ['scoop', 'gloves'],
  'slurry-face': ['soft brush', 'gloves', 'glasses'],
  'place-face': ['brush or sprayer', 'gloves', 'glasses'],
  'roll-coats': ['serrated roller'],
  'join-lift': ['rod', 'gloves'],
  'lay-mesh': ['cutters', 'gloves', 'glasses'],
  'lay-bars': ['gloves', 'gauge stick'],
  'press-mat': ['gauge stick', 'gloves'],
  'push-bar': ['gauge stick', 'rod', 'gloves'],
  screed: ['straight board, longer than the form', 'scraper'],
  'top-up': ['a cup of the mix kept back', 'rod'],
  'tool-edges': ['edging tool'],
  float: ['wood float'],
  trowel: ['steel trowel', 'knee board'],
  cover: ['sheet larger than the form', 'weights for its edges', 'spray bottle'],
  uncover: ['gloves'],
}

export function inHand(op: { readonly code: ActCode; readonly facts: unknown }): readonly string[] {
  if (op.code !== 'compact') return IN_HAND[op.code] ?? []
  return [TOOL_NAMES[(op.facts as FactsOf<'compact'>).tool]]
}
