import { offcutsAfter } from '../../../core/mould/index.ts'
import { useChange } from '../../state/store.ts'
import { useMould } from './useMould.ts'

/** Once the boards are sawn: what was cut from leaves the stock, what is left over and worth keeping joins it. */
export function Sawn() {
  const { figures, job } = useMould()
  const change = useChange()
  const layouts = (figures?.layouts ?? []).filter((l) => job.stock.boards.some((b) => b.id === l.boardId))
  const kept = layouts.reduce(
    (sum, l) => sum + l.sheets.reduce((n, s) => n + s.offcuts.filter((o) => o.kept).length, 0),
    0,
  )
  if (kept === 0) return null
  return (
    <button
      type="button"
      className="act mt-2"
      onClick={() =>
        change(
          'off-cuts to the stock',
          ...layouts.map((layout) => {
            const row = job.stock.boards.find((b) => b.id === layout.boardId)!
            const offcuts = offcutsAfter(row.offcuts, layout).slice(0, 100)
            return { type: 'stockRowKept', list: 'boards', row: { ...row, offcuts } } as const
          }),
        )
      }
    >
      Sawn: keep {kept === 1 ? 'the off-cut' : `${kept} off-cuts`}
    </button>
  )
}
