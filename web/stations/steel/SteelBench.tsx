import { adviceWords } from '../../../core/steel/adviceWords.ts'
import { TWO, takesMesh } from '../../../core/steel/takesMesh.ts'
import { withRecipes } from '../../../core/stock/index.ts'
import { formatLength, lengthWithUnit, wordsStyle } from '../../../core/units/index.ts'
import { usePlan } from '../../state/PlanContext.tsx'
import { useChange } from '../../state/store.ts'
import { useMeasureStyle } from '../../state/useMeasureStyle.ts'
import { Caution, Choice, Pick, Row } from '../../ui/Choice.tsx'
import { MeasureField } from '../../ui/MeasureField.tsx'
import { QuantityRow } from '../../ui/Quantity.tsx'
import { Switch } from '../../ui/Switch.tsx'
import { BarsBench } from './BarsBench.tsx'
import { CoatRows } from './CoatRows.tsx'
import { FibreRows } from './FibreRows.tsx'
import { Moves } from './Moves.tsx'
import { Moving } from './Moving.tsx'
import { Standing } from './Standing.tsx'
import { ThinPlaces } from './ThinPlaces.tsx'
import { Tied } from './Tied.tsx'
import { VoidBench } from './VoidBench.tsx'

export function SteelBench() {
  const { piece, plan, job, looks, whole } = usePlan()
  const change = useChange()
  const style = useMeasureStyle()
  const figures = plan?.stations.steel?.figures
  const geometry = plan?.stations.piece?.geometry
  const meshed = geometry ? takesMesh(piece, geometry) : piece.kind === 'slab'
  const choose = (label: string, patch: Partial<typeof piece.steel>) =>
    change(label, { type: 'steelChosen', pieceId: piece.id, patch })
  const mm = (n: number) => formatLength(n, style)
  const glass = withRecipes(job.stock).mixes.find((m) => m.id === piece.mix.mix)?.family === 'glass-fibre'
  return (
    <>
      <h1>Steel</h1>
      <p>
        {figures &&
          `${figures.thinnestMm === null ? 'How thick it is, is told once its solid is there' : `${figures.thinnestFrom === 'solid' ? 'About ' : ''}${lengthWithUnit(figures.thinnestMm, style)} at the thinnest, ${figures.thinnestWhere}`}. At least ${lengthWithUnit(figures.leastThicknessMm, style)} thick for this mix.`}
      </p>
      <Choice
        label="What goes inside"
        stacked={glass && meshed}
        value={piece.steel.kind}
        options={[
          ...(meshed ? [{ value: 'mesh' as const, name: 'mesh sheet', note: 'holds cracks together' }] : []),
          { value: 'fibre', name: 'fibre', note: 'against cracks while it is young' },
          ...(glass || piece.steel.kind === 'coats'
            ? [{ value: 'coats' as const, name: 'glass coats', note: 'a face and a rolled back' }]
            : []),
          { value: 'none', name: 'none', note: 'only where thick enough' },
        ]}
        onChoose={(kind) => choose(kind === 'none' ? 'no mesh' : kind, { kind })}
      />
      {figures?.advice && <p className={`m-0 text-soft ${looks.steel}`}>{adviceWords(figures.advice)}</p>}
      {piece.steel.kind === 'fibre' && <FibreRows />}
      {piece.steel.kind === 'coats' && <CoatRows />}
      {meshed && piece.steel.kind === 'mesh' && (
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
              { value: 'weather-face', name: 'high', note: 'cover on the weather face' },
            ]}
            onChoose={(depth) => choose(`mesh ${depth}`, { depth: depth === 'auto' ? null : depth })}
          />
        </>
      )}
      {meshed && piece.steel.kind === 'mesh' && ((geometry?.thickness ?? 0) >= TWO || piece.steel.twice) && (
        <Switch
          label="A mat at either face"
          on={piece.steel.twice}
          onSwitch={(twice) => choose(twice ? 'two mats' : 'one mat', { twice })}
        />
      )}
      {figures && figures.layAtFillMm !== null && (
        <Choice
          label="Goes in"
          stacked
          value={piece.steel.placed}
          options={[
            { value: 'on-fill', name: 'laid on the fill', note: 'the batch is parted there' },
            { value: 'pressed', name: 'pressed in', note: 'into the full, thin form' },
            { value: 'hung', name: 'hung before', note: 'on wires from battens' },
            { value: 'chairs', name: 'on chairs', note: 'of mortar, before the fill' },
          ]}
          onChoose={(placed) => choose(`steel ${placed.replace('-', ' ')}`, { placed })}
        />
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
          <Row
            label={figures.placed === 'on-fill' ? 'Lay it at a fill of' : 'Lies above the base'}
            unit={style.units === 'mm' ? 'mm' : ''}
          >
            {mm(figures.layAtFillMm ?? 0)}
          </Row>
          {figures.second && (
            <Row label="The second at" unit={style.units === 'mm' ? 'mm' : ''}>
              {mm(figures.second.layAtFillMm)}
            </Row>
          )}
          <Row label="To the show face" unit={style.units === 'mm' ? 'mm' : ''}>
            {mm(figures.coverToShowFaceMm ?? 0)}
          </Row>
          {figures.apronStrips.map((p) => (
            <Row key={p.side} label={`Strip in the ${p.side} apron`}>
              {mm(p.lengthMm)} × {mm(p.cutWidthMm)}
            </Row>
          ))}
          <QuantityRow label="Mass" of="mass" value={figures.massKg} digits={2} />
        </div>
      )}
      <BarsBench />
      <Tied />
      <VoidBench />
      {figures?.handling && <Moves />}
      {figures && (
        <div className={looks.steel}>
          <h2>Weight</h2>
          <QuantityRow label="As placed" of="mass" value={figures.placedKg} digits={1} />
          <QuantityRow label="At stripping" of="mass" value={figures.strippingKg} digits={1} />
        </div>
      )}
      {figures?.standing && <Standing />}
      <Moving />
      {figures && !figures.handling && whole && (
        <p className="text-soft">
          No bending is told of this shape. Not moved before {wordsStyle(style).mpa(10, 0)}; lifted on straps
          round its thickest part, set down on its whole foot.
        </p>
      )}
      {figures && figures.thinPlaces.length > 0 && <ThinPlaces />}
      {figures && figures.fixings.length > 0 && (
        <>
          <h2>What is cast in bears</h2>
          {figures.fixings.map((f) => (
            <Row key={f.id} label={`${f.name}: lifted by, hung from`}>
              {wordsStyle(style).newtons(f.liftN)}, {wordsStyle(style).newtons(f.hangN)}
            </Row>
          ))}
        </>
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
        {figures?.meshName ? 'Cut wire ends are sharp: gloves and glasses. ' : ''}Where people stand or sit on
        the piece, or it hangs overhead, local codes and a licensed professional decide; these figures are a
        maker’s check.
      </Caution>
    </>
  )
}
