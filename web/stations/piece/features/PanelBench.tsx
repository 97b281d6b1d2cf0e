import type { FieldShape, Panel } from '../../../../core/job/index.ts'
import { trimSection } from '../../../../core/piece/index.ts'
import { Choice } from '../../../ui/Choice.tsx'
import { MeasureField } from '../../../ui/MeasureField.tsx'
import { Measures } from '../../../ui/Measures.tsx'
import { NumberField } from '../../../ui/NumberField.tsx'
import { Switch } from '../../../ui/Switch.tsx'
import { BackTo, NameField, RemoveButton } from '../BackTo.tsx'
import { ImportOutline } from '../ImportOutline.tsx'
import { useEdit } from '../useEdit.ts'

const OUR_TRIMS = ['cove', 'ovolo', 'ogee', 'bevel', 'bead', 'stepped'] as const

/** A raised or sunken field, or a frame swept round one. */
export function PanelBench({ panel, onBack }: { panel: Panel; onBack: () => void }) {
  const { keep, remove } = useEdit()
  const set = (patch: Partial<Panel>, label: string) =>
    keep({ list: 'panels', item: { ...panel, ...patch } as Panel }, `${panel.name}: ${label}`)
  return (
    <>
      <BackTo
        title={
          <NameField label="Name of the panel" value={panel.name} onName={(name) => set({ name }, name)} />
        }
        onBack={onBack}
      />
      <FieldFields shape={panel.shape} onShape={(shape, label) => set({ shape }, label)} />
      {panel.shape.kind !== 'inset' && (
        <Measures
          of={panel}
          rows={[
            { key: 'u', label: 'Off the middle, along', signed: true },
            { key: 'v', label: 'Off the middle, back', signed: true },
          ]}
          onChange={set}
        />
      )}
      {panel.kind === 'field' ? (
        <>
          <h2>Field</h2>
          <MeasureField
            label="Raised by"
            note="below zero sinks it"
            value={panel.rise}
            allowNegative
            onCommit={(rise) => set({ rise }, `rise ${rise}`)}
          />
          <NumberField
            label="Slope of its sides"
            unit="°"
            value={panel.draftDeg}
            min={0}
            max={45}
            onCommit={(draftDeg) => draftDeg !== null && set({ draftDeg }, `slope ${draftDeg}`)}
          />
        </>
      ) : (
        <>
          <h2>Trim</h2>
          <div className="grid grid-cols-3 gap-1" role="radiogroup" aria-label="Trim section">
            {OUR_TRIMS.map((trim) => (
              <button
                key={trim}
                type="button"
                role="radio"
                aria-checked={panel.trim === trim}
                className={`flex flex-col items-center border px-1 py-1 text-[14px] ${panel.trim === trim ? 'border-ink bg-sheet font-bold' : 'border-hair'}`}
                onClick={() => set({ trim }, trim)}
              >
                <TrimDrawing panel={{ ...panel, trim }} />
                {trim}
              </button>
            ))}
          </div>
          <ImportOutline
            label="Import a section"
            onPoints={(own, name) => set({ trim: 'own', own }, `section of ${name}`)}
          />
          {panel.trim === 'own' && panel.own.length > 2 && <TrimDrawing panel={panel} />}
          <Measures
            of={panel}
            rows={[
              { key: 'width', label: 'Width', min: 1 },
              { key: 'height', label: 'Height', min: 0.5 },
            ]}
            onChange={set}
          />
          <Choice
            label="Tall side"
            value={panel.tallSide}
            options={[
              { value: 'outer', name: 'outside' },
              { value: 'inner', name: 'inside' },
            ]}
            onChoose={(tallSide) => set({ tallSide }, `tall side ${tallSide}`)}
          />
          <Switch
            label="Cut into the face"
            on={panel.sunk}
            onSwitch={(sunk) => set({ sunk }, sunk ? 'sunk' : 'raised')}
          />
        </>
      )}
      <RemoveButton name={panel.name} onRemove={() => remove('panels', panel.id, `remove ${panel.name}`)} />
    </>
  )
}

/** A trim's section at a small size, its foot down. */
function TrimDrawing({ panel }: { panel: Extract<Panel, { kind: 'frame' }> }) {
  const points = trimSection({ ...panel, width: 44, height: 24 })
  return (
    <svg aria-hidden width="56" height="34" viewBox="-6 -4 56 34">
      <path
        d={`M ${points.map((p) => `${p.inset} ${24 - p.rise}`).join(' L ')} Z`}
        fill="var(--concrete)"
        stroke="currentColor"
        strokeWidth="1.4"
      />
    </svg>
  )
}

function FieldFields({
  shape,
  onShape,
}: {
  shape: FieldShape
  onShape: (shape: FieldShape, label: string) => void
}) {
  return (
    <>
      <Choice
        label="Runs round"
        hideLabel
        value={shape.kind}
        options={[
          { value: 'inset', name: 'the outline', note: 'with a margin' },
          { value: 'rectangle', name: 'rectangle' },
          { value: 'round', name: 'round' },
          ...(shape.kind === 'drawn'
            ? [{ value: 'drawn' as const, name: 'drawn', note: 'from a file' }]
            : []),
        ]}
        onChoose={(kind) => {
          if (kind === 'inset') onShape({ kind, margin: 40 }, 'follows the outline')
          if (kind === 'rectangle') onShape({ kind, length: 300, width: 200, radius: 0 }, 'a rectangle')
          if (kind === 'round') onShape({ kind, diameter: 200 }, 'round')
        }}
      />
      {shape.kind === 'inset' && (
        <Measures
          of={shape}
          rows={[{ key: 'margin', label: 'Margin', min: 0.5 }]}
          onChange={(p, l) => onShape({ ...shape, ...p }, l)}
        />
      )}
      {shape.kind === 'rectangle' && (
        <Measures
          of={shape}
          rows={[
            { key: 'length', label: 'Length', min: 1 },
            { key: 'width', label: 'Width', min: 1 },
            { key: 'radius', label: 'Corner radius' },
          ]}
          onChange={(p, l) => onShape({ ...shape, ...p }, l)}
        />
      )}
      {shape.kind === 'round' && (
        <Measures
          of={shape}
          rows={[{ key: 'diameter', label: 'Diameter', min: 1 }]}
          onChange={(p, l) => onShape({ ...shape, ...p }, l)}
        />
      )}
      {shape.kind === 'drawn' && shape.islands.length > 0 && (
        <p>
          {shape.islands.length === 1 ? 'One island is' : `${shape.islands.length} islands are`} left out of
          it.
        </p>
      )}
      <ImportOutline
        label="Import its outline"
        onOutline={({ corners }, name, _, inner) =>
          onShape({ kind: 'drawn', corners, islands: inner }, `drawn, ${name}`)
        }
      />
    </>
  )
}
