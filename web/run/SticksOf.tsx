import { useMemo } from 'react'
import { type SplitRun, STICK, stickTemplate } from '../../core/runs/index.ts'
import { formatCut } from '../../core/units/index.ts'
import { useMeasureStyle } from '../state/useMeasureStyle.ts'
import { More } from '../ui/Choice.tsx'

const SIDES = { seam: 'at the seam', wall: 'at the wall', front: 'front', end: 'end' } as const

/** The strips of a template for the site, and the diagonals that prove template and mould. */
export function SticksOf({ parts }: Pick<SplitRun, 'parts'>) {
  const style = useMeasureStyle()
  const template = useMemo(() => stickTemplate({ parts }), [parts])
  const mm = (n: number) => formatCut(n, style)
  return (
    <More title="Stick template for the site">
      <p>
        Rip {template.strips === 1 ? 'one strip' : `${template.strips} strips`} of {mm(STICK.stock)} ×{' '}
        {mm(STICK.width)}. Lay them where the top will stand, outer edges on its edges, each from its corner
        to the next strip’s inner edge; glue them, measure the diagonals, and write on each: its label, FACE
        UP, and the side.
      </p>
      {template.parts.map((part) => (
        <table key={part.number} className="list" aria-label={`Template of piece ${part.number}`}>
          <thead>
            <tr>
              <th>Piece {part.number}</th>
              <th className="n">Length</th>
            </tr>
          </thead>
          <tbody>
            {part.sticks.map((s) => (
              <tr key={s.label}>
                <td>
                  <strong>{s.label}</strong> {SIDES[s.side]}
                  {Math.abs(s.cornerDeg - 90) > 0.05 && `, corner of ${Math.round(s.cornerDeg * 10) / 10}°`}
                </td>
                <td className="n">{mm(s.lengthMm)}</td>
              </tr>
            ))}
            {part.diagonals.map((d) => (
              <tr key={`${d.from}${d.to}`}>
                <td>
                  diagonal, corner {d.from} to {d.to}
                </td>
                <td className="n">{mm(d.lengthMm)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      ))}
    </More>
  )
}
