import { Choice, Pick } from '../../ui/Choice.tsx'
import { MeasureField } from '../../ui/MeasureField.tsx'
import { Switch } from '../../ui/Switch.tsx'
import { CutTable } from './CutTable.tsx'
import { Facts } from './Facts.tsx'
import { HoldDown } from './HoldDown.tsx'
import { BasePick, SealantPick } from './StockPicks.tsx'
import { useMould } from './useMould.ts'

/** Battens that are put behind the boards when none were asked for, mm. */
const USUAL = 400

/** Flat boards at any angle: which, which run past, how a core leaves, what stiffens them. */
export function PlanksBench() {
  const { mould, figures, job, choose, mm } = useMould('planks')
  const hasCore = figures?.facts.some((f) => f.code === 'core-box') ?? false
  return (
    <>
      <Pick
        label="Boards"
        value={mould.sideBoard}
        options={job.stock.boards}
        onChoose={(sideBoard) => choose('boards', { sideBoard })}
      />
      <BasePick />
      <SealantPick />
      <Choice
        label="Run past at outside corners"
        value={mould.corners}
        options={[
          { value: 'front-and-back-long', name: 'front and back' },
          { value: 'ends-long', name: 'ends' },
          { value: 'pinwheel', name: 'round and round' },
        ]}
        onChoose={(corners) => choose('which boards run past', { corners })}
      />
      {hasCore && (
        <Choice
          label="Core leaves"
          value={mould.core}
          options={[
            { value: 'drafted', name: 'drawn out whole', note: 'by its draft' },
            { value: 'collapsible', name: 'folded in', note: 'a wedge in one wall' },
          ]}
          onChoose={(core) => choose('how the core leaves', { core })}
        />
      )}
      <Switch
        label="Battens behind the boards"
        on={mould.battens !== null}
        onSwitch={(on) => choose(on ? 'battens' : 'no battens', { battens: on ? USUAL : null })}
      />
      {mould.battens !== null && (
        <MeasureField
          label="Battens every"
          value={mould.battens}
          min={50}
          max={5000}
          onCommit={(battens) => choose(`battens every ${mm(battens)}`, { battens })}
        />
      )}
      <Facts />
      <HoldDown />
      <CutTable />
    </>
  )
}
