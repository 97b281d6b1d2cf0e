import { bevelWords, shapeWords } from '../../../core/mould/index.ts'
import { formatCut, formatLength } from '../../../core/units/index.ts'
import { usePlan } from '../../app/PlanContext.tsx'
import { useAppDispatch, useAppSelector } from '../../app/store.ts'
import { pointedAt } from '../../app/viewSlice.ts'
import { useMeasureStyle } from '../../ui/MeasureField.tsx'

/** One row a part: label, board, size, count; pointing at a row lights the part. */
export function CutTable() {
  const { plan, fresh } = usePlan()
  const style = useMeasureStyle()
  const lit = useAppSelector((s) => s.view.lit)
  const dispatch = useAppDispatch()
  const rows = plan?.stations.mould?.figures.cutList
  if (!rows) return <p>There is no cut list while a finding stops the mould.</p>
  return (
    <div className={fresh ? '' : 'stale'}>
      <h2>Cut list</h2>
      <table className="list">
        <thead className="sr-only">
          <tr>
            <th>Label</th>
            <th>Part and board</th>
            <th>Length × width</th>
            <th>Count</th>
          </tr>
        </thead>
        <tbody>
          {rows.map((row) => (
            <tr
              key={row.label}
              className={lit && row.partIds.includes(lit) ? 'lit' : ''}
              onPointerEnter={() => dispatch(pointedAt(row.partIds[0]!))}
              onPointerLeave={() => dispatch(pointedAt(null))}
            >
              <td className="font-bold">{row.label}</td>
              <td>
                {row.name}
                <span className="block text-[13px] leading-tight text-soft">
                  {row.boardName}
                  {row.shape !== 'rectangle' && `, ${shapeWords(row.shape)}`}
                  {row.bevelsDeg && `, ${bevelWords(row.bevelsDeg)}`}
                  {row.notes.includes('bent, tacked to its ribs') &&
                    `, to ${formatLength(row.radiusMm, style)}`}
                  {row.notes.includes('raw edges face concrete: seal or tape') && ', tape the raw edge'}
                  {row.notes.includes('raw end faces concrete: edge or tape') && ', tape the raw end'}
                </span>
              </td>
              <td className="n">
                {formatCut(row.lengthMm, style)} × {formatCut(row.widthMm, style)}
              </td>
              <td className="n">{row.count}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  )
}
