import type { Basin } from '../../../../core/job/index.ts'
import { Choice } from '../../../ui/Choice.tsx'
import { Measures } from '../../../ui/Measures.tsx'
import { NumberField } from '../../../ui/NumberField.tsx'
import { BackTo, RemoveButton } from '../BackTo.tsx'
import { useEdit } from '../useEdit.ts'

/** A basin cast in one with the slab: its core, and the shell that hangs below. */
export function BasinBench({ basin, onBack }: { basin: Basin; onBack: () => void }) {
  const { shape } = useEdit()
  const oval = basin.form === 'bowl' || basin.form === 'superellipse'
  const set = (patch: Partial<Basin>, label: string) =>
    shape({ basin: { ...basin, ...patch } }, `basin: ${label}`)
  return (
    <>
      <BackTo title="Basin below" onBack={onBack} />
      <Choice
        label="Form of the basin"
        hideLabel
        value={basin.form}
        options={[
          { value: 'frustum', name: 'straight', note: 'sides with draft' },
          { value: 'superellipse', name: 'oval', note: 'straight sides' },
          { value: 'bowl', name: 'bowl', note: 'rounded all through' },
          { value: 'ramp', name: 'ramp', note: 'floor falls along' },
        ]}
        onChoose={(form) => set({ form }, form)}
      />
      <h2>Opening at the top</h2>
      <Measures
        of={basin}
        rows={[
          { key: 'length', label: 'Length', min: 1 },
          { key: 'width', label: 'Width', min: 1 },
          ...(oval ? [] : [{ key: 'radius' as const, label: 'Corner radius' }]),
          { key: 'depth', label: 'Depth', note: 'from the top', min: 1 },
        ]}
        onChange={set}
      />
      {oval && (
        <NumberField
          label="Fullness"
          value={basin.exponent}
          min={1.2}
          max={12}
          step={0.1}
          onCommit={(exponent) => exponent !== null && set({ exponent }, `fullness ${exponent}`)}
        />
      )}
      {basin.form !== 'bowl' && (
        <NumberField
          label="Draft of the core"
          unit="°"
          value={basin.draftDeg}
          min={0}
          max={45}
          onCommit={(draftDeg) => draftDeg !== null && set({ draftDeg }, `draft ${draftDeg}`)}
        />
      )}
      {basin.form === 'ramp' && (
        <Measures of={basin} rows={[{ key: 'fall', label: 'Floor falls by' }]} onChange={set} />
      )}
      <h2>Shell</h2>
      <Measures
        of={basin}
        rows={[
          { key: 'shell', label: 'Thickness round and under', min: 1 },
          { key: 'waste', label: 'Waste, diameter', note: '0 has none' },
          { key: 'overflow', label: 'Overflow, diameter', note: '0 has none' },
        ]}
        onChange={set}
      />
      <h2>Place</h2>
      <Measures
        of={basin}
        rows={[
          { key: 'u', label: 'Middle, from the left', signed: true },
          { key: 'v', label: 'Middle, from the front', signed: true },
        ]}
        onChange={set}
      />
      <RemoveButton
        name="the basin"
        onRemove={() => {
          onBack()
          shape({ basin: null }, 'remove the basin')
        }}
      />
    </>
  )
}
