import { formatLength, lengthWithUnit } from '../../../core/units/index.ts'
import { usePlan } from '../../state/PlanContext.tsx'
import { useChange } from '../../state/store.ts'
import { useMeasureStyle } from '../../state/useMeasureStyle.ts'
import { Caution, Choice, Pick, Row } from '../../ui/Choice.tsx'
import { MeasureField } from '../../ui/MeasureField.tsx'
import { QuantityRow } from '../../ui/Quantity.tsx'

export function SteelBench() {
  const { piece, plan, job, looks } = usePlan()
  const change = useChange()
  const style = useMeasureStyle()
  const figures = plan?.stations.steel?.figures
  const choose = (label: string, patch: Partial<typeof piece.steel>) =>
    change(label, { type: 'steelChosen', pieceId: piece.id, patch })
  const mm = (n: number) => formatLength(n, style)
  return (
    <>
      <h1>Steel</h1>
      <p>
        {figures &&
          `${figures.thinnestMm === null ? 'How thick it is, is told once its solid is there' : `${figures.thinnestFrom === 'solid' ? 'About ' : ''}${lengthWithUnit(figures.thinnestMm, style)} at the thinnest, ${figures.thinnestWhere}`}. At least ${lengthWithUnit(figures.leastThicknessMm, style)} thick for this mix.`}
      </p>
      <Choice
        label="What goes inside"
        value={piece.steel.kind}
        options={[
          { value: 'mesh', name: 'mesh sheet', note: 'holds cracks together' },
          { value: 'none', name: 'none', note: 'only where thick enough' },
        ]}
        onChoose={(kind) => choose(kind === 'mesh' ? 'mesh' : 'no mesh', { kind })}
      />
      {piece.steel.kind === 'mesh' && (
        <>
          <Pick
            label="Mesh"
            value={piece.steel.mesh}
            options={job.stock.meshes}
            onChoose={(mesh) => choose('mesh row', { mesh })}
          />
          <MeasureField
            label="Cover"
            note={piece.steel.cover === null ? 'by exposure' : 'chosen'}
            value={figures?.coverMm ?? piece.steel.cover ?? 15}
            min={0}
            max={200}
            onCommit={(cover) => choose(`cover ${mm(cover)}`, { cover })}
          />
          {piece.steel.cover !== null && (
            <button
              type="button"
              className="word"
              onClick={() => choose('cover by exposure', { cover: null })}
            >
              take it from the exposure
            </button>
          )}
          <Choice
            label="Depth"
            value={piece.steel.depth ?? 'auto'}
            options={[
              {
                value: 'auto',
                name: 'usual',
                note:
                  (plan?.stations.piece?.geometry.thickness ?? 0) < 60 ? 'middle below 60' : 'stretched face',
              },
              { value: 'middle', name: 'middle', note: 'works both ways up' },
              { value: 'stretched-face', name: 'low', note: 'face that stretches' },
            ]}
            onChoose={(depth) => choose(`mesh ${depth}`, { depth: depth === 'auto' ? null : depth })}
          />
        </>
      )}
      {figures?.meshName && (
        <div className={looks.steel}>
          <h2>Mesh sheet</h2>
          <Row label="Cut to">
            {mm(figures.sheetLengthMm)} × {mm(figures.sheetWidthMm)}
          </Row>
          <Row label="Wires across + along">
            {figures.crosswaysWires} + {figures.lengthwaysWires}
          </Row>
          <Row label="Pieces of wire">{figures.wirePieces}</Row>
          <Row label="Lay it at a fill of" unit={style.units === 'mm' ? 'mm' : ''}>
            {mm(figures.layAtFillMm ?? 0)}
          </Row>
          <Row label="To the show face" unit={style.units === 'mm' ? 'mm' : ''}>
            {mm(figures.coverToShowFaceMm ?? 0)}
          </Row>
          <QuantityRow label="Mass" of="mass" value={figures.massKg} digits={2} />
        </div>
      )}
      {figures && (
        <div className={looks.steel}>
          <h2>Weight</h2>
          <QuantityRow label="As placed" of="mass" value={figures.placedKg} digits={1} />
          <QuantityRow label="At stripping" of="mass" value={figures.strippingKg} digits={1} />
        </div>
      )}
      {figures && figures.lands.length > 0 && (
        <>
          <h2>Lands</h2>
          {figures.lands.map((l) => (
            <Row key={`${l.between.join()}${l.fromXMm}`} label={`${l.between[0]} to ${l.between[1]}`}>
              {mm(l.leastMm)}
            </Row>
          ))}
        </>
      )}
      <Caution>
        Cut wire ends are sharp: gloves and glasses. Where people stand or sit on the piece, or it hangs
        overhead, local codes and a licensed professional decide; these figures are a maker’s check.
      </Caution>
    </>
  )
}
