import type { Insert } from '../../../../core/job/index.ts'
import { formatLength } from '../../../../core/units/index.ts'
import { usePlan } from '../../../state/PlanContext.tsx'
import { useMeasureStyle } from '../../../state/useMeasureStyle.ts'
import { Choice, More, Pick, Row } from '../../../ui/Choice.tsx'
import { MeasureField } from '../../../ui/MeasureField.tsx'
import { Measures } from '../../../ui/Measures.tsx'
import { NumberField } from '../../../ui/NumberField.tsx'
import { QuantityField, QuantityRow } from '../../../ui/Quantity.tsx'
import { Switch } from '../../../ui/Switch.tsx'
import { BackTo, NameField, RemoveButton } from '../BackTo.tsx'
import { useEdit } from '../useEdit.ts'

/** Usual sizes to start from, mm: generic. */
const KINDS: Readonly<Record<Insert['kind'], Partial<Insert>>> = {
  pipe: { diameter: 32, bore: 28, depth: null, past: 0, material: 'pvc' },
  sleeve: { diameter: 20, bore: 16, depth: null, past: 0, material: 'pvc' },
  stud: { diameter: 10, bore: 0, depth: 80, past: 30, material: 'stainless' },
  socket: { diameter: 12, bore: 0, depth: 25, past: 0, material: 'steel' },
  bolt: { diameter: 12, bore: 0, depth: 100, past: 40, material: 'steel' },
  wire: { diameter: 3, bore: 0, depth: 30, past: 15, material: 'stainless' },
  'cleat-screws': { diameter: 5, bore: 0, depth: 30, past: 10, material: 'stainless' },
  handle: { diameter: 8, bore: 0, depth: 60, past: 40, material: 'steel' },
  bar: { diameter: 10, bore: 0, depth: 150, past: 0, material: 'steel' },
}

const KIND_WORDS: Readonly<Record<Insert['kind'], string>> = {
  pipe: 'pipe',
  sleeve: 'sleeve',
  stud: 'stud',
  socket: 'socket',
  bolt: 'bolt',
  wire: 'wire',
  'cleat-screws': 'cleat screws',
  handle: 'handle',
  bar: 'bar',
}

/** Something cast in: what it is, where it enters, how deep, how it is held. */
export function InsertBench({ insert, onBack }: { insert: Insert; onBack: () => void }) {
  const { plan, looks } = usePlan()
  const { keep, remove } = useEdit()
  const style = useMeasureStyle()
  const station = plan?.stations.piece
  const item = station?.figures.inserts.items.find((i) => i.id === insert.id)
  const set = (patch: Partial<Insert>, label: string) =>
    keep({ list: 'inserts', item: { ...insert, ...patch } }, `${insert.name}: ${label}`)
  return (
    <>
      <BackTo
        title={
          <NameField label="Name of the insert" value={insert.name} onName={(name) => set({ name }, name)} />
        }
        onBack={onBack}
      />
      <Pick
        label="Kind"
        value={insert.kind}
        options={Object.entries(KIND_WORDS).map(([id, name]) => ({ id, name }))}
        onChoose={(id) => {
          const kind = id as Insert['kind']
          // One that is called by its kind is called by the new one.
          const named = insert.name === KIND_WORDS[insert.kind] ? { name: KIND_WORDS[kind] } : {}
          set({ kind, ...KINDS[kind], ...named }, KIND_WORDS[kind])
        }}
      />
      <Pick
        label="Enters"
        value={insert.on}
        options={(station?.geometry.faces ?? []).map((f) => ({ id: f.name, name: f.words }))}
        onChoose={(on) =>
          set(
            { on, u: 0, v: 0 },
            `into the ${station?.geometry.faces.find((f) => f.name === on)?.words ?? 'piece'}`,
          )
        }
      />
      <Measures
        of={insert}
        rows={[
          { key: 'diameter', label: 'Diameter', min: 0.5 },
          { key: 'bore', label: 'Bore', note: '0 is solid' },
          { key: 'past', label: 'Stands out of the face' },
        ]}
        onChange={set}
      />
      <Switch
        label="Goes right through"
        on={insert.depth === null}
        onSwitch={(on) => set({ depth: on ? null : 50 }, on ? 'goes through' : 'ends inside')}
      />
      {insert.depth !== null && (
        <MeasureField
          label="Depth"
          value={insert.depth}
          min={1}
          onCommit={(depth) => set({ depth }, `depth ${depth}`)}
        />
      )}
      <QuantityField
        label="Hangs from it"
        of="mass"
        value={insert.carriesKg}
        min={0}
        max={100_000}
        onCommit={(carriesKg) => carriesKg !== null && set({ carriesKg }, 'what hangs from it')}
      />
      {item && (
        <div className={looks.piece}>
          <Row label="Cover">
            {item.coverTo ? `${formatLength(item.coverMm, style)} to the ${item.coverTo}` : '…'}
          </Row>
          <QuantityRow label="Weighs" of="mass" value={item.massKg} digits={3} />
          <QuantityRow label="Displaces" of="liquid" value={item.displacedLitres} digits={3} />
        </div>
      )}
      <h2>Place</h2>
      <Measures
        of={insert}
        rows={[
          { key: 'u', label: 'Off the middle, along', signed: true },
          { key: 'v', label: 'Off the middle, up', signed: true },
        ]}
        onChange={set}
      />
      <Choice
        label="Held in the pour"
        value={insert.held}
        options={[
          { value: 'mould', name: 'by the mould' },
          { value: 'bridge', name: 'by a bridge' },
          { value: 'wet', name: 'pushed in wet' },
        ]}
        onChoose={(held) => set({ held }, `held: ${held}`)}
      />
      <More title="Material, tilt">
        <Pick
          label="Material"
          value={insert.material}
          options={(['steel', 'stainless', 'brass', 'copper', 'pvc', 'aluminium'] as const).map((id) => ({
            id,
            name: id,
          }))}
          onChoose={(material) => set({ material: material as Insert['material'] }, material)}
        />
        <NumberField
          label="Tilted"
          unit="°"
          value={insert.tiltDeg}
          min={-60}
          max={60}
          onCommit={(tiltDeg) => tiltDeg !== null && set({ tiltDeg }, `tilt ${tiltDeg}`)}
        />
        <NumberField
          label="Toward"
          unit="°"
          value={insert.tiltTowardDeg}
          min={-360}
          max={360}
          onCommit={(tiltTowardDeg) =>
            tiltTowardDeg !== null && set({ tiltTowardDeg }, `toward ${tiltTowardDeg}`)
          }
        />
      </More>
      <RemoveButton
        name={insert.name}
        onRemove={() => remove('inserts', insert.id, `remove ${insert.name}`)}
      />
    </>
  )
}
