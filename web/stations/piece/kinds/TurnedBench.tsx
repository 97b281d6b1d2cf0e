import type { ReactElement } from 'react'
import type { TurnedForm, TurnedPiece } from '../../../../core/job/index.ts'
import { turnedProfile } from '../../../../core/piece/index.ts'
import { Choice, Pick } from '../../../ui/Choice.tsx'
import { Measures } from '../../../ui/Measures.tsx'
import { NumberField } from '../../../ui/NumberField.tsx'
import { Switch } from '../../../ui/Switch.tsx'
import { EdgeField } from '../EdgeField.tsx'
import { ServiceFields } from '../ServiceFields.tsx'
import { useEdit } from '../useEdit.ts'

const FORMS: readonly { id: TurnedForm['form']; name: string }[] = [
  { id: 'cylinder', name: 'disc or cylinder' },
  { id: 'tube', name: 'tube' },
  { id: 'frustum', name: 'cone frustum' },
  { id: 'fluted', name: 'fluted or ribbed shaft' },
  { id: 'sphere', name: 'sphere' },
  { id: 'cap', name: 'cap' },
  { id: 'bowl', name: 'bowl' },
  { id: 'profile', name: 'a profile of my own' },
]

/** A form of about the same size as the one it replaces. */
function startForm(form: TurnedForm['form'], piece: TurnedPiece): TurnedForm {
  const profile = turnedProfile(piece)
  const d = Math.round(
    profile
      ? 2 * Math.max(...profile.map((p) => p.radius))
      : piece.turned.form === 'fluted'
        ? piece.turned.diameter
        : 300,
  )
  const h = Math.round(
    profile
      ? Math.max(...profile.map((p) => p.z))
      : piece.turned.form === 'fluted'
        ? piece.turned.height
        : 400,
  )
  const line = { kind: 'line' } as const
  switch (form) {
    case 'cylinder':
      return { form, diameter: d, height: h }
    case 'tube':
      return { form, outside: d, inside: Math.round(d * 0.7), height: h, floor: 0 }
    case 'frustum':
      return { form, bottom: d, top: Math.round(d * 0.8), height: h }
    case 'fluted':
      return {
        form,
        diameter: d,
        height: h,
        count: 16,
        depth: Math.max(4, Math.round(d * 0.04)),
        cut: 'round',
        way: 'flutes',
        share: 0.7,
      }
    case 'sphere':
      return { form, diameter: d, foot: Math.round(d * 0.3) }
    case 'cap':
      return { form, diameter: d, height: Math.round(d * 0.3) }
    case 'bowl':
      return {
        form,
        outside: d,
        height: Math.round(d / 2),
        wall: 30,
        exponent: 2,
        foot: Math.round(d * 0.35),
      }
    case 'profile':
      return {
        form,
        corners: [
          { x: 0, y: 0, radius: 0, side: 'foot', run: line },
          { x: d / 2, y: 0, radius: 0, side: 'plinth', run: line },
          {
            x: d / 2,
            y: Math.round(h * 0.2),
            radius: 4,
            side: 'hollow',
            run: { kind: 'arc', rise: -Math.round(h * 0.1) },
          },
          { x: Math.round(d * 0.35), y: Math.round(h * 0.8), radius: 0, side: 'head', run: line },
          { x: Math.round(d * 0.45), y: h, radius: 4, side: 'top', run: line },
          { x: 0, y: h, radius: 0, side: 'axis', run: line },
        ],
      }
  }
}

export function TurnedBench({ piece }: { piece: TurnedPiece }) {
  const { shape } = useEdit()
  const form = piece.turned
  const set = (patch: Partial<TurnedForm>, label: string) =>
    shape({ turned: { ...form, ...patch } as TurnedForm }, label)
  return (
    <>
      <h1>Piece</h1>
      <p>Turned about an upright axis.</p>
      <Pick
        label="Form"
        value={form.form}
        options={FORMS}
        onChoose={(id) =>
          shape(
            { turned: startForm(id as TurnedForm['form'], piece) },
            `a ${FORMS.find((f) => f.id === id)?.name}`,
          )
        }
      />
      <h2>Size</h2>
      <FormFields form={form} set={set} />
      {form.form !== 'bowl' && form.form !== 'cap' && form.form !== 'profile' && (
        <Measures
          of={piece}
          rows={[
            {
              key: 'bore',
              label: form.form === 'tube' && form.floor > 0 ? 'Drain' : 'Bore',
              note: '0 has none',
            },
          ]}
          onChange={(patch, label) => shape(patch, label)}
        />
      )}
      {(form.form === 'cylinder' || form.form === 'tube' || form.form === 'frustum') && (
        <>
          <h2>Edges</h2>
          <EdgeField
            label="Top edge"
            edge={piece.rim.top}
            onChange={(top) => shape({ rim: { ...piece.rim, top } }, `top edge ${top.kind}`)}
          />
          <EdgeField
            label="Foot edge"
            edge={piece.rim.bottom}
            onChange={(bottom) => shape({ rim: { ...piece.rim, bottom } }, `foot edge ${bottom.kind}`)}
          />
        </>
      )}
      {piece.bore > 0 && (
        <>
          <Switch
            label="Sleeve in the axis"
            on={piece.sleeve !== null}
            onSwitch={(on) =>
              shape(
                { sleeve: on ? { outside: piece.bore, wall: 2, material: 'pvc' } : null },
                on ? 'a sleeve' : 'no sleeve',
              )
            }
          />
          {piece.sleeve && (
            <Measures
              of={piece.sleeve}
              rows={[
                { key: 'outside', label: 'Sleeve, outside', min: 1 },
                { key: 'wall', label: 'Sleeve, wall', min: 0.2 },
              ]}
              onChange={(patch, label) =>
                piece.sleeve && shape({ sleeve: { ...piece.sleeve, ...patch } }, label)
              }
            />
          )}
        </>
      )}
      <ServiceFields piece={piece} />
    </>
  )
}

function FormFields({
  form,
  set,
}: {
  form: TurnedForm
  set: (patch: Partial<TurnedForm>, label: string) => void
}): ReactElement | null {
  switch (form.form) {
    case 'cylinder':
      return (
        <Measures
          of={form}
          rows={[
            { key: 'diameter', label: 'Diameter', min: 1 },
            { key: 'height', label: 'Height', min: 1 },
          ]}
          onChange={set}
        />
      )
    case 'tube':
      return (
        <Measures
          of={form}
          rows={[
            { key: 'outside', label: 'Outside diameter', min: 1 },
            { key: 'inside', label: 'Inside diameter', min: 1 },
            { key: 'height', label: 'Height', min: 1 },
            { key: 'floor', label: 'Floor', note: '0 goes through' },
          ]}
          onChange={set}
        />
      )
    case 'frustum':
      return (
        <Measures
          of={form}
          rows={[
            { key: 'bottom', label: 'Diameter at the foot', min: 1 },
            { key: 'top', label: 'Diameter at the top', min: 1 },
            { key: 'height', label: 'Height', min: 1 },
          ]}
          onChange={set}
        />
      )
    case 'fluted':
      return (
        <>
          <Measures
            of={form}
            rows={[
              { key: 'diameter', label: 'Diameter', note: 'over all', min: 1 },
              { key: 'height', label: 'Height', min: 1 },
              { key: 'depth', label: 'Depth of a flute', min: 0.5 },
            ]}
            onChange={set}
          />
          <NumberField
            label="How many"
            value={form.count}
            min={3}
            max={200}
            whole
            onCommit={(count) => count && set({ count }, `${count} flutes`)}
          />
          <NumberField
            label="Share a flute takes"
            unit="%"
            value={form.share * 100}
            min={10}
            max={95}
            onCommit={(n) => n && set({ share: n / 100 }, `share ${n}`)}
          />
          <Choice
            label="Cut"
            value={form.cut}
            options={[
              { value: 'round', name: 'round' },
              { value: 'flat', name: 'flat' },
            ]}
            onChoose={(cut) => set({ cut }, cut)}
          />
          <Choice
            label="Way"
            value={form.way}
            options={[
              { value: 'flutes', name: 'flutes' },
              { value: 'ribs', name: 'ribs' },
            ]}
            onChoose={(way) => set({ way }, way)}
          />
        </>
      )
    case 'sphere':
      return (
        <Measures
          of={form}
          rows={[
            { key: 'diameter', label: 'Diameter', min: 1 },
            { key: 'foot', label: 'Flat foot, diameter', note: '0 has none' },
          ]}
          onChange={set}
        />
      )
    case 'cap':
      return (
        <Measures
          of={form}
          rows={[
            { key: 'diameter', label: 'Diameter of the sphere', min: 1 },
            { key: 'height', label: 'Height of the cap', min: 1 },
          ]}
          onChange={set}
        />
      )
    case 'bowl':
      return (
        <>
          <Measures
            of={form}
            rows={[
              { key: 'outside', label: 'Diameter at the rim', min: 1 },
              { key: 'height', label: 'Height', min: 1 },
              { key: 'wall', label: 'Wall', min: 1 },
              { key: 'foot', label: 'Flat foot, diameter', note: '0 has none' },
            ]}
            onChange={set}
          />
          <NumberField
            label="Fullness"
            value={form.exponent}
            min={1.2}
            max={12}
            step={0.1}
            onCommit={(exponent) => exponent !== null && set({ exponent }, `fullness ${exponent}`)}
          />
          <p>2 is an ellipse; with half the diameter as height a hemisphere. More is fuller.</p>
        </>
      )
    case 'profile':
      return <p>Drag the half section’s corners on the stage; press a side to make it an arc or a spline.</p>
  }
}
