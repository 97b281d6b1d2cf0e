import { TWO, takesMesh } from '../../../core/steel/takesMesh.ts'
import { formatLength, lengthWithUnit, wordsStyle } from '../../../core/units/index.ts'
import { usePlan } from '../../state/PlanContext.tsx'
import { useAppDispatch, useChange } from '../../state/store.ts'
import { useMeasureStyle } from '../../state/useMeasureStyle.ts'
import { lensTurned } from '../../state/viewSlice.ts'
import { Caution, Choice, Pick, Row } from '../../ui/Choice.tsx'
import { MeasureField } from '../../ui/MeasureField.tsx'
import { NumberField } from '../../ui/NumberField.tsx'
import { QuantityRow } from '../../ui/Quantity.tsx'
import { Switch } from '../../ui/Switch.tsx'
import { BarsBench } from './BarsBench.tsx'
import { CoatRows } from './CoatRows.tsx'
import { MOVE_NAMES } from './moveWords.ts'
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
  const glass = job.stock.mixes.find((m) => m.id === piece.mix.mix)?.family === 'glass-fibre'
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
          <QuantityRow label="Mass" of="mass" value={figures.massKg} digits={2} />
        </div>
      )}
      <BarsBench />
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

/** Which fibre, how much a cubic metre, and what that is for this pour. */
function FibreRows() {
  const { piece, plan, looks } = usePlan()
  const change = useChange()
  const { fibre } = piece.steel
  const choose = (label: string, patch: Partial<typeof fibre>) =>
    change(label, { type: 'steelChosen', pieceId: piece.id, patch: { fibre: { ...fibre, ...patch } } })
  const kg = plan?.stations.steel?.figures.fibreKg
  const us = useMeasureStyle().units !== 'mm'
  const per = us ? LB_PER_YD3 : 1
  return (
    <>
      <Choice
        label="Fibre"
        value={fibre.of}
        options={[
          { value: 'ar-glass', name: 'AR glass', note: '12 mm, alkali-resistant' },
          { value: 'pva', name: 'PVA', note: 'holds wider cracks' },
        ]}
        onChoose={(of) => choose(`${of} fibre`, { of })}
      />
      <NumberField
        label="Dose"
        unit={us ? 'lb a yd³' : 'kg a m³'}
        value={fibre.kgPerM3}
        min={0.1}
        max={100}
        show={(n) => String(Math.round(n * per * 100) / 100)}
        read={(text) => {
          const n = Number(text.replace(',', '.'))
          return Number.isFinite(n) && text.trim() !== '' ? { n: n / per } : { why: 'a number is wanted' }
        }}
        onCommit={(kgPerM3) => kgPerM3 !== null && choose(`fibre ${fibre.of}`, { kgPerM3 })}
      />
      {kg !== undefined && (
        <div className={looks.steel}>
          <QuantityRow label="In the cast" of="mass" value={kg} digits={3} />
        </div>
      )}
    </>
  )
}

/** Of 1 kg/m3. */
const LB_PER_YD3 = 1.68555

/** The thinnest places, each between what, how thin, and over how much. */
function ThinPlaces() {
  const { plan, looks } = usePlan()
  const style = useMeasureStyle()
  const figures = plan?.stations.steel?.figures
  const mm = (n: number) => formatLength(n, style)
  return (
    <div className={looks.steel}>
      <h2>Thinnest places</h2>
      {figures?.thinPlaces.map((p) => (
        <Row
          key={`${p.between.join()}${p.xMm}${p.yMm}${p.zMm}`}
          label={p.whole ? 'the slab itself' : `${p.between[0]} to ${p.between[1]}`}
        >
          {mm(p.leastMm)}
        </Row>
      ))}
    </div>
  )
}

/** Each move of a flat piece with the strength it wants and when that is there. */
function Moves() {
  const { piece, plan, looks } = usePlan()
  const change = useChange()
  const dispatch = useAppDispatch()
  const style = useMeasureStyle()
  const say = wordsStyle(style)
  const handling = plan?.stations.steel?.figures.handling
  const gravity = plan?.stations.piece?.figures.centreOfGravity
  const { handling: chosen } = piece.steel
  const flat = plan?.stations.steel?.handling != null
  const geometry = plan?.stations.piece?.geometry
  const stands = geometry !== undefined && geometry.height > Math.max(geometry.length, geometry.width)
  const choose = (label: string, patch: Partial<typeof chosen>) =>
    change(label, { type: 'steelChosen', pieceId: piece.id, patch: { handling: { ...chosen, ...patch } } })
  return (
    <div className={looks.steel}>
      <h2>
        Handling{' '}
        <button type="button" className="word text-[15px]" onClick={() => dispatch(lensTurned('handling'))}>
          look at it
        </button>
      </h2>
      {(flat || !stands) && (
        <Choice
          label="Lies in use"
          stacked
          value={chosen.use}
          options={[
            { value: 'bedded', name: 'bedded', note: 'held up all over' },
            { value: 'ends', name: 'on its ends', note: 'as a step or lintel' },
            ...(flat
              ? ([
                  { value: 'rails', name: 'on rails', note: 'along both edges' },
                  { value: 'supports', name: 'on two supports', note: 'leaned on beyond them' },
                ] as const)
              : []),
          ]}
          onChoose={(use) => choose(`lies ${use}`, { use })}
        />
      )}
      {handling?.moves.map((m) => (
        <Row key={m.move} label={MOVE_NAMES[m.move]}>
          {m.move === 'use'
            ? `margin ${Math.min(20, m.fullMarginShare).toFixed(1)}`
            : m.earliestMinutes === null
              ? 'never'
              : `${say.mpa(Math.ceil(m.neededMpa - 0.05), 0)}, ${Math.ceil(m.earliestMinutes / 60)} h`}
        </Row>
      ))}
      {gravity && handling && (
        <p className="text-soft">
          {flat &&
            `It balances ${formatLength(gravity.xMm, style)} from the left and ${formatLength(gravity.yMm, style)} from the front. `}
          Corner boards under every strap; laid on softwood bearers at{' '}
          {handling.bearersMm.map((s) => formatLength(s, style)).join(' and ')} along it, felt on them.
        </p>
      )}
      {(chosen.bearers || chosen.hands) && (
        <button
          type="button"
          className="word"
          onClick={() => choose('held where it bends least', { bearers: null, hands: null })}
        >
          hold it where it bends least
        </button>
      )}
    </div>
  )
}

/** How it stands: what tips it, or its footing. */
function Standing() {
  const { piece, plan, looks } = usePlan()
  const change = useChange()
  const style = useMeasureStyle()
  const told = plan?.stations.steel?.figures.standing
  const { standing } = piece.steel
  const height = plan?.stations.piece?.geometry.height ?? 0
  if (!told || height < TALL) return null
  const choose = (label: string, patch: Partial<typeof standing>) =>
    change(label, { type: 'steelChosen', pieceId: piece.id, patch: { standing: { ...standing, ...patch } } })
  const mm = (n: number) => formatLength(n, style)
  return (
    <div className={looks.steel}>
      <h2>Standing</h2>
      <Choice
        label="Stands"
        value={standing.how}
        options={[
          { value: 'free', name: 'free', note: 'on the ground' },
          { value: 'footing', name: 'in a footing', note: 'set into the ground' },
        ]}
        onChoose={(how) =>
          choose(how === 'free' ? 'stands free' : 'set in a footing', {
            how,
            depth: standing.depth > 0 ? standing.depth : Math.ceil(height / 40) * 10,
          })
        }
      />
      {standing.how === 'footing' && (
        <MeasureField
          label="Into the ground"
          value={standing.depth}
          min={10}
          max={Math.max(20, height - 10)}
          onCommit={(depth) => choose(`${mm(depth)} into the ground`, { depth })}
        />
      )}
      {told.footing ? (
        <>
          <Row label="Above ground">{mm(told.footing.aboveMm)}</Row>
          <Row label="Hole across × deep">
            {mm(told.footing.holeMm)} × {mm(told.footing.holeDepthMm)}
          </Row>
          <QuantityRow label="Concrete round it" of="volume" value={told.footing.concreteLitres} digits={1} />
          <QuantityRow label="Gravel under it" of="volume" value={told.footing.bedLitres} digits={1} />
        </>
      ) : (
        told.tips && (
          <>
            <Row label={`Tips at a push, ${mm(told.tips.pushHeightMm)} up`}>
              {wordsStyle(style).newtons(told.tips.pushN)}
            </Row>
            <Row label="Tips by itself on a slope of">{Math.round(told.tips.angleDeg)}°</Row>
          </>
        )
      )}
    </div>
  )
}
/** What is lower lies, and is not said to stand, mm. */
const TALL = 150
