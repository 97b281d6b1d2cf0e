import type { BarFigures } from '../../../core/steel/index.ts'
import { formatCut, formatLength, wordsStyle } from '../../../core/units/index.ts'
import { usePlan } from '../../state/PlanContext.tsx'
import { useAppDispatch, useAppSelector, useChange } from '../../state/store.ts'
import { useMeasureStyle } from '../../state/useMeasureStyle.ts'
import { pointedAt } from '../../state/viewSlice.ts'
import { Pick, Row } from '../../ui/Choice.tsx'
import { MeasureField } from '../../ui/MeasureField.tsx'
import { QuantityRow } from '../../ui/Quantity.tsx'
import { Switch } from '../../ui/Switch.tsx'

type Kind = keyof BarFigures['takes']
const NAMES: Readonly<Record<Kind, string>> = {
  cage: 'A cage, tied',
  hoops: 'Hoops in the wall',
  rails: 'Along narrow lands',
  corners: 'Across inside corners',
}
const KINDS: readonly Kind[] = ['cage', 'hoops', 'rails', 'corners']
/** What is chosen where no row is. */
const USUAL = ''

/** Bars that serve this piece, and how those that are planned are cut and bent. */
export function BarsBench() {
  const { piece, plan, job, looks } = usePlan()
  const change = useChange()
  const style = useMeasureStyle()
  const told = plan?.stations.steel?.figures.bars
  const { bars } = piece.steel
  const choose = (label: string, patch: Partial<typeof bars>) =>
    change(label, { type: 'steelChosen', pieceId: piece.id, patch: { bars: { ...bars, ...patch } } })
  // What was asked for stays in sight where the piece no longer takes it.
  const kinds = KINDS.filter((k) => told?.takes[k] || bars[k])
  if (!told || kinds.length === 0) return null
  return (
    <div className={looks.steel}>
      <h2>Bars</h2>
      {kinds.map((k) => (
        <Switch key={k} label={NAMES[k]} on={bars[k]} onSwitch={(on) => choose(NAMES[k], { [k]: on })} />
      ))}
      {kinds.some((k) => bars[k]) && (
        <>
          <Pick
            label="Bar"
            value={bars.row ?? USUAL}
            options={[{ id: USUAL, name: `usual: ${told.barName ?? 'none in stock'}` }, ...job.stock.bars]}
            onChoose={(row) => choose('bar row', { row: row === USUAL ? null : row })}
          />
          {(bars.cage || bars.hoops) && told.apartMm !== null && told.apartMm > 0 && (
            <MeasureField
              label={bars.cage ? 'Ties apart' : 'Hoops apart'}
              note={bars.apart === null ? 'at most, usual' : 'at most'}
              value={told.apartMm}
              min={20}
              max={2000}
              onCommit={(apart) => choose(`${formatLength(apart, style)} apart`, { apart })}
            />
          )}
          <BendingList told={told} />
        </>
      )}
    </div>
  )
}

const PURPOSES: Readonly<Record<string, string>> = {
  upright: 'upright',
  tie: 'tie',
  hoop: 'hoop',
  rail: 'along a land',
  corner: 'across a corner',
}

/** One row a mark: how many, how it is bent, what is cut off for one. */
function BendingList({ told }: { told: BarFigures }) {
  const style = useMeasureStyle()
  const say = wordsStyle(style)
  const lit = useAppSelector((s) => s.view.lit)
  const dispatch = useAppDispatch()
  if (told.bends.length === 0) return null
  const size = (b: BarFigures['bends'][number]) =>
    b.shape === 'ring'
      ? `d ${formatCut(b.legsMm[0]!, style)}`
      : b.shape === 'hoop'
        ? 'as drawn'
        : b.shape === 'tie'
          ? [...new Set(b.legsMm)].map((l) => formatCut(l, style)).join(' × ')
          : b.legsMm.map((l) => formatCut(l, style)).join(' + ')
  return (
    <>
      <table className="list" aria-label="Bending list">
        <thead>
          <tr>
            <th scope="col">Bar</th>
            <th scope="col">Outside</th>
            <th scope="col" className="text-right">
              Cut
            </th>
          </tr>
        </thead>
        <tbody>
          {told.bends.map((b) => (
            <tr
              key={b.mark}
              className={lit === `bar/${b.mark}` ? 'lit' : ''}
              onPointerEnter={() => dispatch(pointedAt(`bar/${b.mark}`))}
              onPointerLeave={() => dispatch(pointedAt(null))}
            >
              <th scope="row" className="text-left">
                {b.mark} {b.count} × {PURPOSES[b.purpose]}, {say.fine(b.diameterMm)}
              </th>
              <td>{size(b)}</td>
              <td className="text-right">
                {formatCut(b.cutMm, style)}
                {b.pieces > 1 ? `, of ${b.pieces}` : ''}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {told.cut.map((c) => (
        <Row key={c.barId} label={`${c.barName}, ${say.metres(c.lengthMm / 1000, 1)}`}>
          {c.count} ×
        </Row>
      ))}
      <QuantityRow label="Bars" of="mass" value={told.massKg} digits={2} />
    </>
  )
}
