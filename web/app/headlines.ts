import type { StationName } from '../../core/job/index.ts'
import { bagsOff } from '../../core/log/index.ts'
import type { PiecePlan } from '../../core/plan.ts'
import {
  formatLength,
  moneyOrNone,
  type ReaderStyle,
  showQuantity,
  wordsStyle,
} from '../../core/units/index.ts'
import { isStripping, tell } from '../../core/work/index.ts'

export type Headline = { readonly figure: string; readonly unit: string; readonly line: string }

const NONE: Headline = { figure: '–', unit: '', line: 'not yet: see the findings' }
const FAILED: Headline = { figure: '–', unit: '', line: 'failed: see below' }
const AGENT = {
  'paste-wax': 'paste wax',
  oil: 'oil',
  'water-based': 'water-based',
  'petroleum-jelly': 'jelly',
  film: 'film',
  silicone: 'silicone',
  lacquer: 'lacquer',
  varnish: 'varnish',
  fuel: 'fuel',
  'packing-tape': 'tape',
  none: 'no agent',
} as const
const plural = (n: number, one: string): string => (n === 1 ? one : `${one}s`)

/** A figure as the rail shows it: three figures are enough to work by. */
const volumeOf = (litres: number, style: ReaderStyle) =>
  showQuantity('volume', litres, litres < 10 ? 2 : 1, style)
export const hours = (minutes: number): string =>
  minutes / 60 < 10 ? (minutes / 60).toFixed(1) : String(Math.round(minutes / 60))

/** The headline of each station: its figure, unit and the line below. */
export function headline(
  station: StationName,
  { stations: s, work, panels, failed }: PiecePlan,
  style: ReaderStyle,
  printed: number,
): Headline {
  if (failed.some((f) => f.station === station)) return FAILED
  // What is glued up is cast as other pieces.
  if (panels && station !== 'piece')
    return {
      figure: String(panels.reduce((sum, p) => sum + p.count, 0)),
      unit: 'panels',
      line: 'pieces of their own',
    }
  switch (station) {
    case 'piece': {
      if (!s.piece) return NONE
      const kg = s.steel && s.steel.figures.massKg > 0 ? s.steel.figures.placedKg : s.piece.figures.concreteKg
      return { ...volumeOf(s.piece.figures.volumeLitres, style), line: wordsStyle(style).kg(kg, 1) }
    }
    case 'mould': {
      if (!s.mould) return NONE
      const { partCount, sheetCount, layouts, method } = s.mould.figures
      const waste =
        layouts.length === 0 ? 0 : layouts.reduce((sum, l) => sum + l.wasteShare, 0) / layouts.length
      return {
        figure: String(partCount),
        unit: plural(partCount, 'part'),
        line:
          sheetCount === 0
            ? method
            : `${sheetCount} ${plural(sheetCount, 'sheet')}, ${Math.round((1 - waste) * 100)}% used`,
      }
    }
    case 'steel': {
      if (!s.steel) return NONE
      const { thinnestMm, thinnestWhere } = s.steel.figures
      if (thinnestMm === null) return NONE
      return {
        figure: formatLength(thinnestMm, style),
        unit: style.units === 'mm' ? 'mm' : '',
        line:
          thinnestWhere === 'the slab itself'
            ? 'thinnest'
            : s.steel.figures.thinnestFrom === 'solid'
              ? 'about, at the thinnest'
              : thinnestWhere,
      }
    }
    case 'release': {
      if (!s.release) return NONE
      const { agents, partsTrapped, waitMinutes } = s.release.figures
      const agent = agents.find((a) => a.use === 'release')
      const line = agent ? `${AGENT[agent.agentKind]}, ${waitMinutes} min` : 'no agent'
      if (partsTrapped > 0) return { figure: String(partsTrapped), unit: 'cannot come off', line }
      // How many lock is told only where some do: that none does is more than was looked at.
      const steps = tell(work.filter(isStripping), wordsStyle(style)).length
      return { figure: String(steps), unit: `${plural(steps, 'step')} off`, line }
    }
    case 'mix': {
      if (!s.mix) return NONE
      const { bags, batches, costPerCast, recipe } = s.mix.figures
      return {
        figure: String(bags),
        // By parts only the cement comes in bags.
        unit: recipe ? `${plural(bags, 'bag')} of cement` : plural(bags, 'bag'),
        line: `${batches.length} ${batches.length === 1 ? 'batch' : 'batches'}, ${moneyOrNone(costPerCast, style.currency ?? null)}`,
      }
    }
    case 'pour': {
      if (!s.pour) return NONE
      const { firstStripMinutes, temperatureDegC } = s.pour.figures
      if (firstStripMinutes === null)
        return { figure: 'never', unit: '', line: `at ${wordsStyle(style).degC(temperatureDegC)}` }
      return {
        figure: hours(firstStripMinutes),
        unit: 'h',
        line: `to first strip at ${wordsStyle(style).degC(temperatureDegC)}`,
      }
    }
    case 'finish': {
      if (!s.finish) return NONE
      const { daysToUse, turns, coats } = s.finish.figures
      return {
        figure: daysToUse === null ? 'never' : String(daysToUse),
        unit: daysToUse === null ? '' : plural(daysToUse, 'day'),
        line: `${turns === 0 ? 'no' : turns} ${plural(turns, 'turn')}, ${coats} ${plural(coats, 'coat')}`,
      }
    }
    case 'log': {
      if (!s.log) return NONE
      const { pourCount, offByPercent } = s.log.figures
      if (pourCount === 0) return { figure: 'none', unit: '', line: 'no pours yet' }
      return {
        figure: String(pourCount),
        unit: plural(pourCount, 'pour'),
        line: offByPercent === null ? 'nothing to compare' : bagsOff(offByPercent),
      }
    }
    case 'sheets': {
      if (!s.sheets) return NONE
      return {
        figure: String(s.sheets.figures.pages),
        unit: 'pages',
        line: printed === 0 ? 'none printed' : `printed ${printed}`,
      }
    }
  }
}
