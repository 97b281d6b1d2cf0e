import {
  bevelWords,
  curvesOf,
  hasInsideCorner,
  type MouldFigures,
  shapeWords,
  whyNoBox,
} from '../../../core/mould/index.ts'
import { formatCut, formatLength, showNumber } from '../../../core/units/index.ts'
import { usePlan } from '../../app/PlanContext.tsx'
import { useAppDispatch, useAppSelector, useChange } from '../../app/store.ts'
import { pointedAt } from '../../app/viewSlice.ts'
import { Caution, Choice, More, Pick, Row } from '../../ui/Choice.tsx'
import { MeasureField, useMeasureStyle } from '../../ui/MeasureField.tsx'
import { Switch } from '../../ui/Switch.tsx'

export function MouldBench() {
  const { piece, plan, job, fresh } = usePlan()
  const change = useChange()
  const style = useMeasureStyle()
  const { mould } = piece
  const figures = plan?.stations.mould?.figures
  const choose = (label: string, patch: Partial<typeof mould>) =>
    change(label, { type: 'mouldChosen', pieceId: piece.id, patch })
  const mm = (n: number) => formatLength(n, style)
  const why = whyNoBox(piece)
  const curves = curvesOf(piece)
  const bends = curves.sides || (curves.corners && mould.rounds === 'bent')
  if (why !== null)
    return (
      <>
        <h1>Mould</h1>
        <p>
          No mould method yet: {why}. Volume, weight, bags, section and sheet hold all the same; form it as
          you know, and mind the attitude shown.
        </p>
        <Caution>
          Tall or closed forms fail under pressure: have them and their ties designed by someone qualified.
        </Caution>
      </>
    )
  return (
    <>
      <h1>Mould</h1>
      <p>
        Board box.{' '}
        {figures &&
          (figures.costPerCast === null
            ? 'No price for these boards.'
            : `Boards ${figures.costPerCast.toFixed(2)} a cast over ${piece.plannedCasts}`)}
        {figures && `, ${showNumber(figures.buildHours, 2)} h to build.`}
      </p>
      <Choice
        label="How the sides meet the base"
        value={mould.school}
        options={[
          { value: 'wrap', name: 'wrap', note: 'round the base edge', drawing: <SchoolDrawing wrap /> },
          { value: 'stand', name: 'stand', note: 'on the base', drawing: <SchoolDrawing /> },
          { value: 'mitre', name: 'mitre', note: 'stuck on after', drawing: <MitreDrawing /> },
        ]}
        onChoose={(school) => choose(`sides ${school}`, { school })}
      />
      {mould.school !== 'mitre' && (
        <Choice
          label="Which strips run long"
          value={mould.corners}
          options={[
            { value: 'front-and-back-long', name: 'front, back' },
            { value: 'ends-long', name: 'ends' },
            { value: 'pinwheel', name: 'pinwheel' },
          ]}
          onChoose={(corners) => choose(`corners ${corners}`, { corners })}
        />
      )}
      {hasInsideCorner(piece) && (
        <Choice
          label="Inside corners"
          value={mould.insideCorners}
          options={[
            { value: 'mitre', name: 'mitred', note: 'faced board all round' },
            { value: 'short', name: 'one strip short', note: 'a raw end to tape' },
          ]}
          onChoose={(insideCorners) => choose(`inside corners ${insideCorners}`, { insideCorners })}
        />
      )}
      {curves.corners && (
        <Choice
          label="Rounded corners"
          value={mould.rounds}
          options={[
            { value: 'block', name: 'blocks', note: 'hollow, laminated' },
            { value: 'bent', name: 'bent', note: 'a skin on ribs' },
          ]}
          onChoose={(rounds) => choose(`rounded corners ${rounds}`, { rounds })}
        />
      )}
      <h2>Boards</h2>
      <Pick
        label="Base"
        value={mould.baseBoard}
        options={job.stock.boards}
        onChoose={(baseBoard) => choose('base board', { baseBoard })}
      />
      <Pick
        label="Sides"
        value={mould.sideBoard}
        options={job.stock.boards}
        onChoose={(sideBoard) => choose('side board', { sideBoard })}
      />
      {bends && (
        <Pick
          label="Bent from"
          value={mould.skin}
          options={job.stock.skins}
          onChoose={(skin) => choose('the sheet that is bent', { skin })}
        />
      )}
      {curves.ring && (
        <MeasureField
          label="Overlap of a ring"
          value={mould.overlap}
          min={0}
          max={1000}
          onCommit={(overlap) => choose(`overlap ${mm(overlap)}`, { overlap })}
        />
      )}
      <MeasureField
        label="Run-past"
        note="for prying off"
        value={mould.runPast}
        min={0}
        max={1000}
        onCommit={(runPast) => choose(`run-past ${mm(runPast)}`, { runPast })}
      />
      {mould.school !== 'wrap' && (
        <MeasureField
          label="Base margin"
          value={mould.baseMargin}
          min={0}
          max={1000}
          onCommit={(baseMargin) => choose(`base margin ${mm(baseMargin)}`, { baseMargin })}
        />
      )}
      {piece.kind === 'slab' && piece.openings.length > 0 && (
        <MeasureField
          label="Knockout wrap"
          note="foam"
          value={mould.wrap}
          min={0}
          max={20}
          onCommit={(wrap) => choose(`wrap ${mm(wrap)}`, { wrap })}
        />
      )}
      <h2>Cut list</h2>
      <div className={fresh ? '' : 'stale'}>
        <CutTable />
      </div>
      {figures && (
        <div className={fresh ? '' : 'stale'}>
          <h2>Fixing</h2>
          <Row label={`Screws, ${figures.screws[0]?.lengthMm ?? 0} mm long`}>{figures.screwCount}</Row>
          {figures.screws[0] && <Row label="One every">{mm(figures.screws[0].spacingMm)}</Row>}
          <Row label={`Sealant, ${(figures.sealant.totalLengthMm / 1000).toFixed(1)} m`} unit="cartridge">
            {figures.sealant.cartridgeShare.toFixed(1)}
          </Row>
          {figures.tapeLengthMm > 0 && (
            <Row label="Tape on raw edges" unit="m">
              {(figures.tapeLengthMm / 1000).toFixed(1)}
            </Row>
          )}
          {figures.holdDown.map((h) => (
            <Row key={h.partId} label={`${h.name} held by`} unit={h.screws === 1 ? 'screw' : 'screws'}>
              {h.screws}
            </Row>
          ))}
        </div>
      )}
      {figures && <UnderTheFill figures={figures} fresh={fresh} />}
      <More title="Saw and sheets">
        <MeasureField
          label="Kerf"
          value={mould.kerf}
          min={0}
          max={20}
          onCommit={(kerf) => choose(`kerf ${mm(kerf)}`, { kerf })}
        />
        <MeasureField
          label="Trim"
          note="off each edge"
          value={mould.trim}
          min={0}
          max={200}
          onCommit={(trim) => choose(`trim ${mm(trim)}`, { trim })}
        />
        <label className="row">
          <span>Parts may lie across the sheet</span>
          <input
            type="checkbox"
            className="size-5"
            checked={mould.turnParts}
            onChange={(e) =>
              choose(e.target.checked ? 'parts may be turned' : 'parts keep their way', {
                turnParts: e.target.checked,
              })
            }
          />
        </label>
        <Pick
          label="Sealant"
          value={mould.sealant}
          options={job.stock.sealants}
          onChoose={(sealant) => choose('sealant', { sealant })}
        />
      </More>
      <More title="Screw places along each strip">
        {figures?.screws.map((s) => (
          <p key={s.where}>
            <strong>{s.where}:</strong> {s.positionsMm.map((p) => formatCut(p, style)).join(', ')}
          </p>
        ))}
      </More>
      <Caution>
        Sawn board dust harms the lungs: extraction and a respirator. No screw point through into the mould.
      </Caution>
    </>
  )
}

/** What the wet concrete does to the sides, and what holds them. */
function UnderTheFill({ figures, fresh }: { figures: MouldFigures; fresh: boolean }) {
  const { piece } = usePlan()
  const change = useChange()
  const style = useMeasureStyle()
  const { braceSpacing } = piece.mould
  const choose = (spacing: number | null) =>
    change(spacing === null ? 'tops left free' : `braces every ${formatLength(spacing, style)}`, {
      type: 'mouldChosen',
      pieceId: piece.id,
      patch: { braceSpacing: spacing },
    })
  const worst = figures.bowing.reduce<(typeof figures.bowing)[number] | null>(
    (most, row) => (most && most.bowMm >= row.bowMm ? most : row),
    null,
  )
  const braces = figures.bowing.reduce((sum, row) => sum + row.bracesMm.length, 0)
  return (
    <>
      <h2>Under the fill</h2>
      <div className={fresh ? '' : 'stale'}>
        <Row label="Pressure at the foot" unit="kPa">
          {figures.footPressureKPa.toFixed(1)}
        </Row>
        {worst && (
          <Row label={`Most bow, ${worst.name}`} unit="mm">
            {worst.bowMm < 0.05 ? 'under 0.1' : worst.bowMm.toFixed(1)}
          </Row>
        )}
        {braces > 0 && <Row label="Braces across the tops">{braces}</Row>}
      </div>
      <Switch
        label="Tops held by braces"
        on={braceSpacing !== null}
        onSwitch={(on) => choose(on ? 400 : null)}
      />
      {braceSpacing !== null && (
        <MeasureField
          label="Braces no further apart"
          value={braceSpacing}
          min={20}
          onCommit={(spacing) => choose(spacing)}
        />
      )}
    </>
  )
}

function CutTable() {
  const { plan } = usePlan()
  const style = useMeasureStyle()
  const lit = useAppSelector((s) => s.view.lit)
  const dispatch = useAppDispatch()
  const rows = plan?.stations.mould?.figures.cutList
  if (!rows) return <p>There is no cut list while a finding stops the mould.</p>
  return (
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
  )
}

function MitreDrawing() {
  return (
    <svg aria-hidden width="72" height="34" viewBox="0 0 72 34" className="mb-1 block">
      <path d="M17 8h38v16H17z" fill="var(--concrete)" stroke="var(--ink)" strokeWidth="1" />
      <g fill="var(--board)" stroke="var(--ink)" strokeWidth="1.3">
        <path d="M11 2h50l-6 6H17z M61 2v28l-6-6V8z M61 30H11l6-6h38z M11 30V2l6 6v16z" />
      </g>
    </svg>
  )
}

function SchoolDrawing({ wrap }: { wrap?: boolean }) {
  return (
    <svg aria-hidden width="72" height="34" viewBox="0 0 72 34" className="mb-1 block">
      <g fill="var(--board)" stroke="var(--ink)" strokeWidth="1.3">
        {wrap ? (
          <path d="M13 24h46v7H13z M5 5h8v26H5z M59 5h8v26h-8z" />
        ) : (
          <path d="M3 24h66v7H3z M9 5h8v19H9z M55 5h8v19h-8z" />
        )}
      </g>
      <path
        d={wrap ? 'M13 8h46v16H13z' : 'M17 8h38v16H17z'}
        fill="var(--concrete)"
        stroke="var(--ink)"
        strokeWidth="1"
      />
    </svg>
  )
}
