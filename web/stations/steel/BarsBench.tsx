import type { SlabPiece } from '../../../core/job/index.ts'
import { outlineSize } from '../../../core/piece/index.ts'
import type { BarFigures } from '../../../core/steel/index.ts'
import { takesMesh } from '../../../core/steel/takesMesh.ts'
import { formatCut, formatLength, wordsStyle } from '../../../core/units/index.ts'
import { newId } from '../../state/files.ts'
import { usePlan } from '../../state/PlanContext.tsx'
import { useAppDispatch, useAppSelector, useChange } from '../../state/store.ts'
import { useMeasureStyle } from '../../state/useMeasureStyle.ts'
import { pointedAt } from '../../state/viewSlice.ts'
import { Choice, Pick, Row } from '../../ui/Choice.tsx'
import { MeasureField } from '../../ui/MeasureField.tsx'
import { QuantityRow } from '../../ui/Quantity.tsx'
import { Switch } from '../../ui/Switch.tsx'

type Kind = keyof BarFigures['takes']
const NAMES: Readonly<Record<Kind, string>> = {
  cage: 'A cage, tied',
  ribs: 'Ribs along the profile',
  hoops: 'Hoops in the wall',
  rails: 'Along narrow lands',
  corners: 'Across inside corners',
}
const KINDS: readonly Kind[] = ['cage', 'ribs', 'hoops', 'rails', 'corners']
/** A new bar along the longer way of a slab, in its middle third. */
function barAcross({ outline, steel }: SlabPiece, id: string): SlabPiece['steel']['bars']['own'][number] {
  const { length, width } = outlineSize(outline)
  // Each new one beside the last.
  const off = Math.round((((steel.bars.own.length % 5) + 1) / 6) * Math.min(length, width))
  const at = (share: number): [number, number] =>
    length >= width ? [Math.round(length * share), off] : [off, Math.round(width * share)]
  return { id, from: at(1 / 3), to: at(2 / 3) }
}

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
  const meshed =
    piece.kind === 'slab' && plan?.stations.piece && takesMesh(piece, plan.stations.piece.geometry)
  if (!told || (kinds.length === 0 && !meshed && bars.own.length === 0)) return null
  const planned = bars.own.length > 0 || kinds.some((k) => bars[k])
  return (
    <div className={looks.steel}>
      <h2>Bars</h2>
      {kinds.map((k) => (
        <Switch key={k} label={NAMES[k]} on={bars[k]} onSwitch={(on) => choose(NAMES[k], { [k]: on })} />
      ))}
      {meshed && (
        <button
          type="button"
          className="word"
          onClick={() => choose('a bar laid by hand', { own: [...bars.own, barAcross(piece, newId('bar'))] })}
        >
          lay a bar by hand
        </button>
      )}
      {bars.own.length > 0 && (
        <p className="m-0 text-soft">
          Drag its ends on the plan; Delete takes it out.{' '}
          <button type="button" className="word" onClick={() => choose('no bars laid by hand', { own: [] })}>
            take all out
          </button>
        </p>
      )}
      {planned && (
        <>
          <Pick
            label="Bar"
            value={bars.row ?? USUAL}
            options={[{ id: USUAL, name: `usual: ${told.barName ?? 'none in stock'}` }, ...job.stock.bars]}
            onChoose={(row) => choose('bar row', { row: row === USUAL ? null : row })}
          />
          {told.bends.some((b) => b.purpose === 'upright') &&
            !told.bends.some((b) => b.purpose === 'tie') && (
              <Choice
                label="Goes in"
                value={piece.steel.placed === 'pressed' ? 'pressed' : 'hung'}
                options={[
                  { value: 'hung', name: 'hung before', note: 'from a batten' },
                  { value: 'pressed', name: 'pushed in', note: 'by hand, into the full form' },
                ]}
                onChoose={(placed) =>
                  change(`bar ${placed}`, { type: 'steelChosen', pieceId: piece.id, patch: { placed } })
                }
              />
            )}
          {(bars.cage || bars.ribs || bars.hoops) && told.apartMm !== null && told.apartMm > 0 && (
            <MeasureField
              label={bars.cage ? 'Ties apart' : bars.ribs ? 'Ribs apart' : 'Hoops apart'}
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
  own: 'laid by hand',
}

/** What a cage's bars are called where they follow a profile. */
const RIBS: Readonly<Record<string, string>> = { upright: 'across', tie: 'rib' }

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
                {b.mark} {b.count} × {(told.alongProfile && RIBS[b.purpose]) || PURPOSES[b.purpose]},{' '}
                {say.fine(b.diameterMm)}
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
