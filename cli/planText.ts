import type { Settings } from '../core/job/index.ts'
import { bagsOff } from '../core/log/index.ts'
import type { PlanJson } from '../core/planJson.ts'
import { agentNote } from '../core/release/index.ts'
import { clock } from '../core/sheets/index.ts'
import { rowAmount } from '../core/stock/index.ts'
import { formatCut, formatLength, moneyOrNone, wordsStyle } from '../core/units/index.ts'
import { count, faceWords, sameStart, tell } from '../core/work/index.ts'

const MARK = { stop: 'STOP', warn: 'LOOK', note: 'note' } as const

/** The plan as text for a terminal, a station a paragraph. */
export function planText(plan: PlanJson, settings: Settings): string {
  const out: string[] = [`${plan.job.name}: ${plan.job.pieceCount} pieces`, '']
  const mm = (n: number) => formatLength(n, settings)
  const style = wordsStyle(settings)
  const cut = (n: number) => formatCut(n, settings)
  for (const { id, name, quantity, leftOut, stations: s, work } of plan.pieces) {
    out.push(`== ${name}${quantity > 1 ? `, ${quantity} of them` : ''}`)
    const row = (label: string, text: string) => out.push(`   ${label.padEnd(9)}${text}`)
    if (leftOut.length > 0)
      row(
        'WITHOUT',
        `${leftOut.map((l) => l.name).join(', ')}: it cannot be as it is; the rest is planned without it`,
      )
    if (s.piece)
      row(
        'piece',
        `${mm(s.piece.lengthMm)} x ${mm(s.piece.widthMm)} x ${mm(s.piece.thicknessMm)}, ${style.litres(s.piece.volumeLitres, 2)}, ${style.kg(s.piece.concreteKg, 1)}, poured ${s.piece.poured}`,
      )
    if (s.mould) {
      row(
        'mould',
        `${s.mould.method}: ${count(s.mould.partCount, 'part')}${s.mould.sheetCount > 0 ? ` from ${count(s.mould.sheetCount, 'sheet')}` : ''}${s.mould.screwCount > 0 ? `, ${count(s.mould.screwCount, 'screw')}` : ''}`,
      )
      for (const r of s.mould.cutList)
        row(
          '',
          `${r.label.padEnd(3)}${String(r.count).padStart(2)} x ${cut(r.lengthMm)} x ${cut(r.widthMm)}  ${r.name}, ${r.boardName}`,
        )
    }
    if (s.steel)
      row(
        'steel',
        s.steel.meshName
          ? `${s.steel.meshName}, ${s.steel.crosswaysWires} + ${s.steel.lengthwaysWires} wires, cover ${mm(s.steel.coverMm)}, ${style.kg(s.steel.massKg, 2)}`
          : 'none',
      )
    if (s.release)
      row('release', s.release.agents.map((a) => `${faceWords(a.face)}: ${agentNote(a)}`).join('; '))
    if (s.mix) {
      row(
        'mix',
        `${s.mix.bags} x ${s.mix.mixName}, ${style.litres(s.mix.neededLitres)} needed, cost ${moneyOrNone(s.mix.costPerCast, settings.currency)}`,
      )
      for (const b of s.mix.batches)
        row('', `batch ${b.number}: ${count(b.bags, 'bag')}, ${style.liquid(b.waterLitres)} water`)
    }
    if (s.pour) {
      row('pour', `${s.pour.start.replace('T', ' ')}, ${style.degC(s.pour.temperatureDegC)}`)
    }
    if (s.finish)
      row(
        'finish',
        `${s.finish.sealer}, ${rowAmount(s.finish.sealerAmount, s.finish.sealerUnit, 2, style)}, ${count(s.finish.turns, 'turn')}, ${s.finish.daysToUse === null ? 'never' : count(s.finish.daysToUse, 'day')} to use`,
      )
    if (s.log)
      row(
        'log',
        `${s.log.pourCount === 0 ? 'no pours yet' : count(s.log.pourCount, 'pour')}${s.log.offByPercent === null ? '' : `, ${bagsOff(s.log.offByPercent)}`}`,
      )
    for (const {
      text,
      of: [op],
    } of tell(work, style, sameStart))
      row('', `${(op!.startMinutes === null ? '' : clock(op!.startMinutes)).padStart(10)}  ${text}`)
    for (const f of plan.failed.filter((f) => f.pieceId === id))
      out.push(`   FAILED   ${f.station}: ${f.message}`)
    for (const f of plan.findings.filter((f) => f.about.some((a) => a.pieceId === id))) {
      out.push(`   ${MARK[f.level]}     ${f.text}. ${f.why}`)
      for (const r of f.remedies) out.push(`            > ${r.text}`)
    }
    out.push('')
  }
  return `${out.join('\n')}\n`
}
