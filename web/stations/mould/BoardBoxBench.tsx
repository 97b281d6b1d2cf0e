import { Link } from 'react-router'
import { curvesOf, hasInsideCorner } from '../../../core/mould/index.ts'
import { formatCut, showAmount } from '../../../core/units/index.ts'
import { Choice, More, Pick, Row } from '../../ui/Choice.tsx'
import { MeasureField } from '../../ui/MeasureField.tsx'
import { QuantityRow, useWordsStyle } from '../../ui/Quantity.tsx'
import { Switch } from '../../ui/Switch.tsx'
import { CutTable } from './CutTable.tsx'
import { Facts } from './Facts.tsx'
import { FormerPrints } from './FormerPrints.tsx'
import { HoldDown } from './HoldDown.tsx'
import { MitreDrawing, SchoolDrawing } from './SchoolDrawing.tsx'
import { KnockoutKinds, SideBoards } from './SideBoards.tsx'
import { BasePick, SealantPick } from './StockPicks.tsx'
import { UnderTheFill } from './UnderTheFill.tsx'
import { BOX, useMould } from './useMould.ts'

/** What holds the sides, by what each is called; what follows from it is told with it. */
const FIXINGS = [
  { id: 'screws', name: 'screws' },
  { id: 'angled-screws', name: 'angled screws' },
  { id: 'brads', name: 'brads and adhesive' },
  { id: 'instant-glue', name: 'instant glue' },
  { id: 'hot-glue', name: 'hot glue' },
  { id: 'tape', name: 'tape' },
] as const

/** What a board box decides: its school, corners, boards; and what holds it together. */
export function BoardBoxBench() {
  const { piece, mould, figures, look, job, choose, mm, style } = useMould(...BOX)
  const words = useWordsStyle()
  const curves = curvesOf(piece)
  const cartridges = figures ? showAmount(figures.sealant.cartridgeShare, 1) : ''
  const bends = curves.sides || (curves.corners && mould.rounds === 'bent')
  return (
    <>
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
          label="Which side boards run long"
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
            { value: 'short', name: 'butted', note: 'one side board short of the other: a raw end to tape' },
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
      <Choice
        label="Sealant and wax"
        value={mould.bead}
        options={[
          { value: 'bead-first', name: 'bead first', note: 'it bonds better' },
          { value: 'wax-first', name: 'wax first', note: 'the waste peels off' },
        ]}
        onChoose={(bead) =>
          choose(bead === 'bead-first' ? 'bead before wax' : 'wax before the bead', { bead })
        }
      />
      <h2>Boards</h2>
      <BasePick />
      <Pick
        label="Sides"
        value={mould.sideBoard}
        options={job.stock.boards}
        onChoose={(sideBoard) => choose('side board', { sideBoard })}
      />
      <SideBoards />
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
      <KnockoutKinds />
      {mould.method === 'board-box' && <Facts />}
      {mould.method === 'board-box' && <FormerPrints />}
      <CutTable />
      <h2>Fixing</h2>
      <Pick
        label="Joints held by"
        value={mould.fixing}
        options={FIXINGS}
        onChoose={(id) => {
          const fixing = FIXINGS.find((f) => f.id === id)!
          choose(`joints held by ${fixing.name}`, { fixing: fixing.id })
        }}
      />
      {figures && (
        <div className={look}>
          {figures.screwCount > 0 && (
            <Row
              label={
                figures.screws[0]
                  ? `Screws, ${words.mm(figures.screws[0].lengthMm)} long`
                  : 'Screws from below'
              }
            >
              {figures.screwCount}
            </Row>
          )}
          {figures.screws[0] && <Row label="One every">{mm(figures.screws[0].spacingMm)}</Row>}
          <Row
            label={`Sealant, ${words.metres(figures.sealant.totalLengthMm / 1000)}`}
            unit={cartridges === '1' ? 'cartridge' : 'cartridges'}
          >
            {cartridges}
          </Row>
          {figures.tapeLengthMm > 0 && (
            <QuantityRow label="Tape on raw edges" of="run" value={figures.tapeLengthMm / 1000} digits={1} />
          )}
          <HoldDown />
        </div>
      )}
      {figures && <UnderTheFill figures={figures} />}
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
        <Switch
          label="Parts may lie across the sheet"
          on={mould.turnParts}
          onSwitch={(turnParts) =>
            choose(turnParts ? 'parts may be turned' : 'parts keep their way', { turnParts })
          }
        />
        <Switch
          label="Join what is larger than a sheet"
          on={mould.joinLong}
          onSwitch={(joinLong) => choose(joinLong ? 'long parts joined' : 'no part joined', { joinLong })}
        />
        <SealantPick />
        <Link className="word p-0!" to={`/job/${job.id}/cutting`}>
          lay out a list of your own
        </Link>
      </More>
      <More title="Screw places along each side">
        {figures?.screws.map((s) => (
          <p key={s.where}>
            <strong>{s.where}:</strong> {s.positionsMm.map((p) => formatCut(p, style)).join(', ')}
          </p>
        ))}
      </More>
    </>
  )
}
