import type { Board } from '../../core/stock/index.ts'
import { Fold } from '../ui/Fold.tsx'
import { MeasureField } from '../ui/MeasureField.tsx'

type Rows = Board['offcuts']

/** Pieces of a board to hand: each its length and width, cut from before a whole board is. */
export function Offcuts({ rows, onRows }: { rows: Rows; onRows: (rows: Rows) => void }) {
  return (
    <Fold title={`Off-cuts to hand, ${rows.length}`}>
      {rows.map((row, i) => (
        <div key={i} className="border-b pl-4">
          <MeasureField
            label={`Off-cut ${i + 1}, length`}
            value={row.length}
            min={10}
            onCommit={(length) => onRows(rows.with(i, { ...row, length }))}
          />
          <MeasureField
            label={`Off-cut ${i + 1}, width`}
            value={row.width}
            min={10}
            onCommit={(width) => onRows(rows.with(i, { ...row, width }))}
          />
          <button type="button" className="word text-oxide" onClick={() => onRows(rows.toSpliced(i, 1))}>
            used up
          </button>
        </div>
      ))}
      <button type="button" className="word" onClick={() => onRows([...rows, { length: 800, width: 300 }])}>
        add an off-cut
      </button>
    </Fold>
  )
}
