import type { Drainer } from '../../../../core/job/index.ts'
import { drainerRun } from '../../../../core/piece/index.ts'
import { formatLength } from '../../../../core/units/index.ts'
import { useMeasureStyle } from '../../../state/useMeasureStyle.ts'
import { Choice } from '../../../ui/Choice.tsx'
import { Measures } from '../../../ui/Measures.tsx'
import { NumberField } from '../../../ui/NumberField.tsx'
import { BackTo, NameField, RemoveButton } from '../BackTo.tsx'
import { FallFields } from '../SlopeFields.tsx'
import { useEdit } from '../useEdit.ts'

/** A ramp or grooves that carry water off the top. */
export function DrainerBench({ drainer, onBack }: { drainer: Drainer; onBack: () => void }) {
  const { keep, remove } = useEdit()
  const style = useMeasureStyle()
  const set = (patch: Partial<Drainer>, label: string) =>
    keep({ list: 'drainers', item: { ...drainer, ...patch } as Drainer }, `${drainer.name}: ${label}`)
  const turnInto = (kind: Drainer['kind']) => {
    const { id, name, length, width, shallow, deep, toward, u, v } = drainer
    const shared = { id, name, length, width, shallow, deep, toward, u, v }
    if (kind === 'ramp')
      set({ ...shared, kind, width: Math.max(width, 100), radius: 20 } as Drainer, 'a ramp')
    else set({ ...shared, kind, count: 6, width: 10, pitch: 30 } as Drainer, 'grooves')
  }
  return (
    <>
      <BackTo
        title={
          <NameField
            label="Name of the drainer"
            value={drainer.name}
            onName={(name) => set({ name }, name)}
          />
        }
        onBack={onBack}
      />
      <Choice
        label="Kind of drainer"
        hideLabel
        value={drainer.kind}
        options={[
          { value: 'ramp', name: 'ramp', note: 'one sloping floor' },
          { value: 'grooves', name: 'grooves', note: 'round-bottomed' },
        ]}
        onChoose={(kind) => kind !== drainer.kind && turnInto(kind)}
      />
      <Measures
        of={drainer}
        rows={[
          { key: 'length', label: 'Length', min: 1 },
          { key: 'width', label: drainer.kind === 'ramp' ? 'Width' : 'Groove width', min: 1 },
        ]}
        onChange={set}
      />
      {drainer.kind === 'ramp' ? (
        <Measures of={drainer} rows={[{ key: 'radius', label: 'Corner radius' }]} onChange={set} />
      ) : (
        <>
          <NumberField
            label="Grooves"
            value={drainer.count}
            min={1}
            max={100}
            whole
            onCommit={(count) => count && set({ count }, `${count} grooves`)}
          />
          <Measures
            of={drainer}
            rows={[{ key: 'pitch', label: 'Apart', note: 'middle to middle', min: 1 }]}
            onChange={set}
          />
        </>
      )}
      <h2>Fall</h2>
      <Choice
        label="Drains toward"
        value={drainer.toward}
        options={(['left', 'right', 'front', 'back'] as const).map((value) => ({ value, name: value }))}
        onChoose={(toward) => set({ toward }, `drains ${toward}`)}
      />
      <Measures
        of={drainer}
        rows={[
          { key: 'shallow', label: 'Depth at the high end' },
          { key: 'deep', label: 'Depth at the low end', min: 0.5 },
        ]}
        onChange={set}
      />
      <FallFields
        fall={drainer.deep - drainer.shallow}
        over={drainerRun(drainer)}
        onFall={(fall) =>
          set({ deep: Math.max(0.5, drainer.shallow + fall) }, `falls by ${formatLength(fall, style)}`)
        }
      />
      <h2>Place</h2>
      <Measures
        of={drainer}
        rows={[
          { key: 'u', label: 'Middle, from the left', signed: true },
          { key: 'v', label: 'Middle, from the front', signed: true },
        ]}
        onChange={set}
      />
      <RemoveButton
        name={drainer.name}
        onRemove={() => remove('drainers', drainer.id, `remove ${drainer.name}`)}
      />
    </>
  )
}
