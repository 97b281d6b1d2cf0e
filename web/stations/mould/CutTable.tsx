import { useMemo, useState } from 'react'
import {
  type CutRow,
  type RipSetting,
  sawnWords,
  sawSettings,
  shapeWords,
} from '../../../core/mould/index.ts'
import { formatCut, formatLength } from '../../../core/units/index.ts'
import { usePlan } from '../../state/PlanContext.tsx'
import { useAppDispatch, useAppSelector } from '../../state/store.ts'
import { useMeasureStyle } from '../../state/useMeasureStyle.ts'
import { pointedAt } from '../../state/viewSlice.ts'
import { Choice } from '../../ui/Choice.tsx'
import { type Column, Table } from '../../ui/Table.tsx'

/** What is to be sawn: one row a part, or in the order in which the saw is set. */
export function CutTable() {
  const { plan, looks } = usePlan()
  const [order, setOrder] = useState<'part' | 'saw'>('part')
  const rows = plan?.stations.mould?.figures.cutList
  if (!rows)
    return <p>{plan ? 'There is no cut list while a finding stops the mould.' : 'It is being worked out.'}</p>
  return (
    <div className={looks.mould}>
      <h2>Cut list</h2>
      {rows.length > 2 && (
        <Choice
          label="Order of the cut list"
          hideLabel
          value={order}
          options={[
            { value: 'part', name: 'part by part' },
            { value: 'saw', name: 'as the saw is set' },
          ]}
          onChoose={setOrder}
        />
      )}
      {order === 'saw' && rows.length > 2 ? (
        sawSettings(rows).map((rip) => <Rip key={`${rip.boardId}${rip.widthMm}${rip.edgeDeg}`} rip={rip} />)
      ) : (
        <PartTable rows={rows} />
      )}
    </div>
  )
}

/** Pointing at a row lights its part in every view. */
function useLight(ids: readonly string[]) {
  const lit = useAppSelector((s) => s.view.lit)
  const dispatch = useAppDispatch()
  return {
    className: lit && ids.includes(lit) ? 'lit' : '',
    onPointerEnter: () => dispatch(pointedAt(ids[0]!)),
    onPointerLeave: () => dispatch(pointedAt(null)),
  }
}

/** One row a part; pointing at it lights the part in every view. */
function PartTable({ rows }: { rows: readonly CutRow[] }) {
  const style = useMeasureStyle()
  const lit = useAppSelector((s) => s.view.lit)
  const dispatch = useAppDispatch()
  const columns = useMemo(
    (): Column<CutRow>[] => [
      {
        id: 'label',
        head: 'Letter',
        cell: (row) => <strong>{row.label}</strong>,
        sortBy: (row) => row.label,
      },
      { id: 'part', head: 'Part', cell: (row) => <PartWords row={row} />, sortBy: (row) => row.boardName },
      {
        id: 'size',
        head: 'Size',
        figures: true,
        cell: (row) => `${formatCut(row.lengthMm, style)} × ${formatCut(row.widthMm, style)}`,
        sortBy: (row) => row.lengthMm,
      },
      { id: 'count', head: 'Count', figures: true, cell: (row) => row.count, sortBy: (row) => row.count },
    ],
    [style],
  )
  return (
    <Table
      label="Parts"
      columns={columns}
      rows={rows}
      keyOf={(row) => row.label}
      rowProps={(row) => ({
        className: lit && row.partIds.includes(lit) ? 'lit' : '',
        onPointerEnter: () => dispatch(pointedAt(row.partIds[0]!)),
        onPointerLeave: () => dispatch(pointedAt(null)),
      })}
    />
  )
}

function PartWords({ row }: { row: CutRow }) {
  const style = useMeasureStyle()
  return (
    <>
      {row.name}
      <span className="block text-[13px] leading-tight text-soft">
        {row.boardName}
        {row.shape !== 'rectangle' && `, ${shapeWords(row.shape)}`}
        {sawnWords(row) && `, ${sawnWords(row)}`}
        {row.notes.includes('bent') && `, to ${formatLength(row.radiusMm, style)}`}
        {row.notes.includes('tapered') && ', tapered, the larger end'}
        {row.notes.includes('joined') && ', joined end to end'}
        {row.notes.includes('raw-edges') && ', tape the raw edge'}
        {row.notes.includes('raw-end') && ', tape the raw end'}
      </span>
    </>
  )
}

/** One setting of the fence, and the stops its strips are cut to. */
function Rip({ rip }: { rip: RipSetting }) {
  const style = useMeasureStyle()
  return (
    <table className="list" aria-label={`rip ${formatCut(rip.widthMm, style)}, ${rip.boardName}`}>
      <thead>
        <tr>
          <th colSpan={2} className="text-left font-normal">
            rip <strong>{formatCut(rip.widthMm, style)}</strong>
            {rip.edgeDeg > 0 && `, blade at ${Math.round(rip.edgeDeg * 10) / 10}°`}
            <span className="block text-[13px] leading-tight text-soft">{rip.boardName}</span>
          </th>
          <th className="n font-normal">{rip.count}</th>
        </tr>
      </thead>
      <tbody>
        {rip.crosscuts.map((cut) => (
          <Stop key={cut.rows.map((r) => r.label).join()} cut={cut} />
        ))}
      </tbody>
    </table>
  )
}

function Stop({ cut }: { cut: RipSetting['crosscuts'][number] }) {
  const style = useMeasureStyle()
  const words = sawnWords({ ...cut, edgeDeg: 0 })
  return (
    <tr {...useLight(cut.rows.flatMap((r) => r.partIds))}>
      <td>
        <strong>{cut.rows.map((r) => r.label).join(', ')}</strong> {cut.rows.map((r) => r.name).join(', ')}
        {words && <span className="block text-[13px] leading-tight text-soft">{words}</span>}
      </td>
      <td className="n">{formatCut(cut.lengthMm, style)}</td>
      <td className="n">{cut.count}</td>
    </tr>
  )
}
