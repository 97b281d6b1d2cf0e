import type { MouldDefaults } from '../../../core/job/index.ts'
import { sheetStock } from '../../../core/stock/index.ts'
import { Choice, Pick, Row } from '../../ui/Choice.tsx'
import { MeasureField } from '../../ui/MeasureField.tsx'
import { NumberField } from '../../ui/NumberField.tsx'
import { QuantityField, useWordsStyle } from '../../ui/Quantity.tsx'
import { Switch } from '../../ui/Switch.tsx'
import { leanWords } from '../leanWords.ts'
import { BoardBoxBench } from './BoardBoxBench.tsx'
import { CutTable } from './CutTable.tsx'
import { Facts } from './Facts.tsx'
import { HoldDown } from './HoldDown.tsx'
import { Materials } from './Materials.tsx'
import { PrinterPicks } from './PrinterPicks.tsx'
import { Prints } from './Prints.tsx'
import { RouterTable } from './RouterTable.tsx'
import { BasePick } from './StockPicks.tsx'
import { useMould } from './useMould.ts'

type LengthChoice = 'rim' | 'blockMargin' | 'routerPass' | 'shellWall' | 'flange' | 'boltSpacing' | 'skinCoat'

/** A length that the method asks for. */
function LengthField({
  label,
  field,
  min,
  max,
}: {
  label: string
  field: LengthChoice
  min: number
  max: number
}) {
  const { mould, choose, mm } = useMould()
  return (
    <MeasureField
      label={label}
      value={(mould as Partial<MouldDefaults>)[field] ?? 0}
      min={min}
      max={max}
      onCommit={(value) => choose(`${label.toLowerCase()} ${mm(value)}`, { [field]: value })}
    />
  )
}

function Shells({ label }: { label: string }) {
  const { mould, choose } = useMould('printed', 'brushed')
  return (
    <Choice
      label={label}
      value={mould.seam === 'curve' ? 'curve' : `${mould.shells}`}
      options={[
        { value: '1', name: 'one', note: 'drawn off whole' },
        { value: '2', name: 'two', note: 'parted upright' },
        { value: '4', name: 'four', note: 'parted crosswise' },
        { value: 'curve', name: 'two, along a curve', note: 'where it is widest all round' },
      ]}
      onChoose={(n) =>
        n === 'curve'
          ? choose('part along a curve', { seam: 'curve', shells: 2 })
          : choose(`${n} shells`, { seam: 'straight', shells: Number(n) as MouldDefaults['shells'] })
      }
    />
  )
}

/** Which way two shells are drawn apart, where that was chosen by hand: shown, and left to be found again. */
function ChosenPull() {
  const { mould, choose } = useMould('closed', 'printed', 'brushed')
  const curved = mould.method === 'closed' || mould.seam === 'curve'
  if (!mould.pull || !curved) return null
  return (
    <Row label="Drawn apart">
      {leanWords(mould.pull)}{' '}
      <button type="button" className="word" onClick={() => choose('have the way found', { pull: null })}>
        have it found
      </button>
    </Row>
  )
}

function JacketPick({ label }: { label: string }) {
  const { mould, job, choose } = useMould('closed', 'brushed')
  return (
    <Pick
      label={label}
      value={mould.jacket}
      options={job.stock.jackets}
      onChoose={(jacket) => choose('shell material', { jacket })}
    />
  )
}

/** Sheets glued up and routed: which sheet, how much round the piece, the passes. */
export function LayersBench() {
  const { mould, job, choose } = useMould('layers')
  return (
    <>
      <Pick
        label="Layers of"
        value={mould.layerStock}
        options={sheetStock(job.stock).filter((s) => !job.stock.skins.some((k) => k.id === s.id))}
        onChoose={(layerStock) => choose('layers', { layerStock })}
      />
      <LengthField label="Round the piece" field="blockMargin" min={5} max={1000} />
      <LengthField label="Depth of one pass" field="routerPass" min={0.5} max={50} />
      <Facts />
      <RouterTable />
      <HoldDown />
      <CutTable />
    </>
  )
}

/** Printed shells: printer, filament, wall, how they part. */
export function PrintedBench() {
  return (
    <>
      <PrinterPicks />
      <Shells label="Shells" />
      <ChosenPull />
      <LengthField label="Wall" field="shellWall" min={0.4} max={60} />
      <LengthField label="Flange" field="flange" min={5} max={100} />
      <LengthField label="Bolts every" field="boltSpacing" min={20} max={1000} />
      <Facts />
      <Prints />
    </>
  )
}

/** A brushed skin of rubber and its jacket. */
export function BrushedBench() {
  const { mould, figures, job, choose } = useMould('brushed')
  return (
    <>
      <Pick
        label="Rubber"
        value={mould.rubber}
        options={job.stock.rubbers}
        onChoose={(rubber) => choose('rubber', { rubber })}
      />
      <LengthField label="Skin of rubber" field="skinCoat" min={2} max={40} />
      <LengthField label="Rim round the open face" field="rim" min={0} max={300} />
      <NumberField
        label="How many coats"
        value={mould.coats}
        optional
        whole
        placeholder="by the skin"
        min={1}
        max={40}
        onCommit={(coats) => choose(coats === null ? 'coats by the skin' : `${coats} coats`, { coats })}
      />
      <NumberField
        label="Left in pot and brush"
        unit="%"
        value={mould.brushWaste}
        min={0}
        max={100}
        onCommit={(brushWaste) =>
          brushWaste !== null && choose(`${brushWaste} percent for pot and brush`, { brushWaste })
        }
      />
      <JacketPick label="Jacket of" />
      <Shells label="Jacket in" />
      <ChosenPull />
      <LengthField label="Jacket’s wall at least" field="shellWall" min={1} max={100} />
      <LengthField label="Flange" field="flange" min={5} max={100} />
      <Facts />
      {figures && <Materials title="To weigh out" rows={figures.materials} />}
      {figures && <Materials title="In other rubbers" rows={figures.alternatives} />}
    </>
  )
}

/** Two shells closed round the whole piece. */
export function ClosedBench() {
  const { figures } = useMould()
  return (
    <>
      <JacketPick label="Shells of" />
      <ChosenPull />
      <LengthField label="Wall at least" field="shellWall" min={1} max={100} />
      <LengthField label="Flange" field="flange" min={5} max={100} />
      <LengthField label="Bolts every" field="boltSpacing" min={20} max={1000} />
      <Facts />
      {figures && <Materials title="To mix" rows={figures.materials} />}
      {figures && <Materials title="In other materials" rows={figures.alternatives} />}
    </>
  )
}

function SkinPicks({ boardLabel }: { boardLabel: string }) {
  const { mould, job, choose } = useMould('ribs', 'packed')
  return (
    <>
      <Pick
        label="Skin"
        value={mould.skin}
        options={job.stock.skins}
        onChoose={(skin) => choose('skin', { skin })}
      />
      <Pick
        label={boardLabel}
        value={mould.sideBoard}
        options={job.stock.boards}
        onChoose={(sideBoard) => choose('boards', { sideBoard })}
      />
    </>
  )
}

/** A skin on ribs cut to the profile. */
export function RibsBench() {
  const { mould, choose, mm } = useMould('ribs')
  return (
    <>
      <SkinPicks boardLabel="Ribs and base" />
      <Switch
        label="Ribs by the skin’s stiffness"
        on={mould.ribSpacing === null}
        onSwitch={(on) => choose(on ? 'ribs by stiffness' : 'own spacing', { ribSpacing: on ? null : 150 })}
      />
      {mould.ribSpacing !== null && (
        <MeasureField
          label="Ribs every"
          value={mould.ribSpacing}
          min={20}
          max={2000}
          onCommit={(ribSpacing) => choose(`ribs every ${mm(ribSpacing)}`, { ribSpacing })}
        />
      )}
      <Facts />
      <CutTable />
    </>
  )
}

/** A liner with earth or sand packed behind it. */
export function PackedBench() {
  const { mould, choose } = useMould('packed')
  return (
    <>
      <SkinPicks boardLabel="Box" />
      <Choice
        label="Packed with"
        value={mould.packing}
        options={[
          { value: 'earth', name: 'earth', note: 'damp, sieved' },
          { value: 'sand', name: 'sand', note: 'sharp, damp' },
        ]}
        onChoose={(packing) => choose(`packed ${packing}`, { packing })}
      />
      <LengthField label="Between liner and box" field="blockMargin" min={20} max={1000} />
      <Facts />
      <CutTable />
    </>
  )
}

/** A textured liner under a board box. */
export function LinedBench() {
  const { mould, figures, job, choose, mm } = useMould('lined')
  const { liner, linerSheet } = mould
  return (
    <>
      <Pick
        label="Liner"
        value={linerSheet ?? ''}
        options={[{ id: '', name: 'of own making' }, ...job.stock.liners]}
        onChoose={(id) => choose('liner', { linerSheet: id === '' ? null : id })}
      />
      {linerSheet === null ? (
        <MeasureField
          label="Liner, with its texture"
          value={liner.thickness}
          min={0.5}
          max={100}
          onCommit={(thickness) => choose(`liner ${mm(thickness)}`, { liner: { ...liner, thickness } })}
        />
      ) : (
        figures && <Materials title="Bought" rows={figures.materials} />
      )}
      <MeasureField
        label="Foam behind it"
        value={liner.backing}
        min={0}
        max={200}
        onCommit={(backing) => choose(`backing ${mm(backing)}`, { liner: { ...liner, backing } })}
      />
      <Facts />
      <BoardBoxBench />
    </>
  )
}

/** A bucket, bin or bowl: which, what it held when it was weighed, what it is worth. */
export function FoundBench() {
  const { mould, figures, job, choose } = useMould('found')
  const words = useWordsStyle()
  const litres = figures?.facts.find((f) => f.code === 'vessel-fill')?.value ?? 1
  return (
    <>
      <Pick
        label="Vessel"
        value={mould.vessel}
        options={job.stock.vessels}
        onChoose={(vessel) => choose('vessel', { vessel, vesselWaterKg: null })}
      />
      <Choice
        label="It stands"
        value={mould.stands}
        options={[
          { value: 'upright', name: 'on its floor' },
          { value: 'upside-down', name: 'rim down', note: 'floor cut out' },
          { value: 'joined', name: 'two, rim to rim', note: 'filled by a hole' },
        ]}
        onChoose={(stands) => choose('how the vessel stands', { stands, vesselWaterKg: null })}
      />
      <Choice
        label="After the cast"
        value={mould.comesOff}
        options={[
          { value: 'whole', name: 'comes off whole' },
          { value: 'cut', name: 'cut off' },
          { value: 'left-on', name: 'left on' },
        ]}
        onChoose={(comesOff) => choose('how the vessel comes off', { comesOff })}
      />
      {mould.stands === 'upside-down' && <BasePick />}
      {mould.stands !== 'joined' && (
        <Switch
          label="Lined with a bag"
          on={mould.bag}
          onSwitch={(bag) => choose(bag ? 'a bag in it' : 'no bag', { bag })}
        />
      )}
      <Switch
        label="Measured by weighing what it holds"
        on={mould.vesselWaterKg !== null}
        onSwitch={(on) =>
          choose(on ? 'weighed full' : 'not weighed', {
            vesselWaterKg: on ? Math.round(litres * 100) / 100 : null,
          })
        }
      />
      {mould.vesselWaterKg !== null && (
        <Choice
          label="Filled with"
          hideLabel
          value={mould.vesselFill}
          options={[
            { value: 'water', name: 'water' },
            { value: 'rice', name: 'rice', note: 'level, not shaken' },
            { value: 'dry-sand', name: 'dry sand' },
          ]}
          onChoose={(vesselFill) => choose('what it was weighed with', { vesselFill })}
        />
      )}
      {mould.vesselWaterKg !== null && (
        <QuantityField
          label="It held"
          of="mass"
          value={mould.vesselWaterKg}
          min={0.01}
          max={10_000}
          onCommit={(vesselWaterKg) =>
            choose(vesselWaterKg === null ? 'not weighed' : `it held ${words.kg(vesselWaterKg, 1)}`, {
              vesselWaterKg,
            })
          }
        />
      )}
      <Facts />
      <HoldDown />
      {figures && figures.cutList.length > 0 && <CutTable />}
      {figures && <Materials title="Others to hand" rows={figures.alternatives} />}
    </>
  )
}

/** A second form on the slab’s back, round the shell of its basin. */
export function UpperFormBench() {
  const { mould, job, choose } = useMould('upper-form')
  return (
    <>
      <Pick
        label="Basin core"
        value={mould.basinCore ?? ''}
        options={[{ id: '', name: 'of own making' }, ...job.stock.plugs]}
        onChoose={(id) => choose('basin core', { basinCore: id === '' ? null : id })}
      />
      <Facts />
      <BoardBoxBench />
    </>
  )
}
