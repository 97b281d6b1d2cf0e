import { Choice, Pick, Row } from '../../ui/Choice.tsx'
import { MeasureField } from '../../ui/MeasureField.tsx'
import { NumberField } from '../../ui/NumberField.tsx'
import { Switch } from '../../ui/Switch.tsx'
import { CutTable } from './CutTable.tsx'
import { Facts } from './Facts.tsx'
import { HoldDown } from './HoldDown.tsx'
import { Materials } from './Materials.tsx'
import { useMould } from './useMould.ts'

/** A rubber block: the rubber, its wall round the pattern, what to weigh out, and the box it is poured in. */
export function BlockBench() {
  const { mould, figures, job, choose, mm } = useMould('block')
  const halves = figures?.parts.filter((p) => p.role === 'rubber') ?? []
  const [block] = halves
  // Along a curve each half is as high as its highest place: they stand in one another by what the curve rises.
  const fact = (code: string) => figures?.facts.find((f) => f.code === code)?.value
  const rise = (fact('parting-rise') ?? fact('parting-height') ?? 0) - (fact('parting-height') ?? 0)
  return (
    <>
      <Pick
        label="Rubber"
        value={mould.rubber}
        options={job.stock.rubbers}
        onChoose={(rubber) => choose('rubber', { rubber })}
      />
      <Choice
        label="Poured"
        value={String(mould.rubberParts)}
        options={[
          { value: '1', name: 'in one', note: 'open at the top' },
          { value: '2', name: 'in two halves', note: 'round the whole' },
        ]}
        onChoose={(n) => choose(n === '2' ? 'two halves' : 'one block', { rubberParts: Number(n) })}
      />
      {mould.rubberParts === 2 && (
        <Choice
          label="Parted"
          value={mould.rubberParting}
          options={[
            { value: 'level', name: 'level', note: 'at its greatest section' },
            { value: 'curve', name: 'along a curve', note: 'where it is widest' },
          ]}
          onChoose={(rubberParting) =>
            choose(rubberParting === 'curve' ? 'part along a curve' : 'part level', { rubberParting })
          }
        />
      )}
      <Switch
        label="Wall by the pattern’s size"
        on={mould.rubberWall === null}
        onSwitch={(on) => choose(on ? 'wall by size' : 'own wall', { rubberWall: on ? null : 20 })}
      />
      {mould.rubberWall !== null && (
        <MeasureField
          label="Wall round the pattern"
          value={mould.rubberWall}
          min={1}
          max={1000}
          onCommit={(rubberWall) => choose(`wall ${mm(rubberWall)}`, { rubberWall })}
        />
      )}
      <Switch
        label={mould.rubberParts === 2 ? 'As much over and under it' : 'As much over it'}
        on={mould.rubberOver === null}
        onSwitch={(on) => choose(on ? 'cover as the wall' : 'own cover', { rubberOver: on ? null : 20 })}
      />
      {mould.rubberOver !== null && (
        <MeasureField
          label={mould.rubberParts === 2 ? 'Rubber over and under it' : 'Rubber over it'}
          value={mould.rubberOver}
          min={1}
          max={1000}
          onCommit={(rubberOver) => choose(`cover ${mm(rubberOver)}`, { rubberOver })}
        />
      )}
      <NumberField
        label="Left in the pot"
        unit="%"
        value={mould.rubberWaste}
        min={0}
        max={100}
        onCommit={(rubberWaste) =>
          rubberWaste !== null && choose(`${rubberWaste} percent for the pot`, { rubberWaste })
        }
      />
      {block && (
        <Row label="Block">
          {mm(block.lengthMm)} × {mm(block.widthMm)} ×{' '}
          {mm(halves.reduce((sum, p) => sum + p.thicknessMm, 0) - rise)}
        </Row>
      )}
      {figures && <Materials title="To weigh out" rows={figures.materials} />}
      <HoldDown />
      {figures && <Materials title="In other rubbers" rows={figures.alternatives} />}
      <Facts />
      <CutTable />
    </>
  )
}
